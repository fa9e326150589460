/** The head of a table: which column holds names, conditions, bounds and units. */
import { boxOf, textOf, type Box, type Word } from './page.ts';
import { readUnit, type UnitReading } from './units.ts';
import type { Line } from './words.ts';

export type ColumnKind =
  'name' | 'symbol' | 'conditions' | 'min' | 'typ' | 'max' | 'value' | 'unit' | 'number' | 'label' | 'other';

export interface HeadCell extends Box {
  readonly kind: ColumnKind;
  readonly text: string;
  readonly unit: UnitReading | null;
}

export interface Head {
  readonly cells: readonly HeadCell[];
  /** Number of lines that it takes. */
  readonly lines: number;
  /** "values" for figures, "pins" for a table of terminals. */
  readonly of: 'values' | 'pins';
}

const KINDS: readonly (readonly [ColumnKind, RegExp])[] = [
  ['number', /^(?:pin|pad|terminal|contact|ball)?\s*(?:no\.?|#|nr\.?|number|№)$|^pins?$|^pad$|^terminal$/i],
  ['label', /^(?:pin|pad|terminal|signal|contact)?\s*(?:names?|label|marking|designation|mnemonic)$|^signal$/i],
  ['min', /^min(?:imum)?\.?$|^lower$|^from$|^low$/i],
  ['typ', /^typ(?:ical)?\.?$|^nom(?:inal)?\.?$/i],
  ['max', /^max(?:imum)?\.?$|^upper$|^to$|^high$/i],
  ['unit', /^units?\.?$|^uom$/i],
  ['symbol', /^sym(?:bols?)?\.?$|^abbr(?:eviation)?\.?$/i],
  [
    'conditions',
    /^(?:test |operating )?(?:conditions?|condition\(s\))(?: ?\/ ?(?:notes?|comments?|remarks?))?$|^(?:remarks?|comments?|notes?|test)$/i,
  ],
  ['value', /^(?:values?|ratings?|limits?|range|spec(?:ification|\.)?|data|value range|limit values?)$/i],
  [
    'name',
    /^(?:parameters?|characteristics?|items?|descriptions?|features?|propert(?:y|ies)|quantity|function|parameter name|electrical characteristics?|specifications?|details?|attribute|purpose|meaning)$/i,
  ],
  ['other', /^(?:type|i\/o|dir(?:ection)?\.?|pin type|rev|level|test level|reference|ref\.?|remarks)$/i],
];

/** Columns that may stand as close as words. */
const TIGHT: ReadonlySet<ColumnKind> = new Set(['min', 'typ', 'max', 'unit']);

const kindOf = (text: string): ColumnKind | null => {
  const plain = text.replace(/[:*]+$/, '').trim();
  return KINDS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
};

interface Found {
  kind: ColumnKind;
  words: Word[];
  unit: UnitReading | null;
}

/** Reads one line of a head; words that are no head count against it. */
function readHeadLine(words: readonly Word[]): { found: Found[]; strange: number } {
  const found: Found[] = [];
  let strange = 0;
  for (let i = 0; i < words.length;) {
    let took = 0;
    for (const length of [3, 2, 1]) {
      const run = words.slice(i, i + length);
      const close = run.every((word, k) => k === 0 || word.x0 - (run[k - 1]?.x1 ?? 0) < word.height * 0.6);
      const kind = run.length === length && close ? kindOf(textOf(run)) : null;
      if (kind) {
        // Words of one phrase ("Pin description") are a heading, not two columns.
        const before = found.at(-1);
        const gap = (run[0]?.x0 ?? 0) - (before?.words.at(-1)?.x1 ?? -Infinity);
        if (before && gap < 0.5 * (run[0]?.height ?? 0) && !TIGHT.has(kind) && !TIGHT.has(before.kind)) strange += 2;
        found.push({ kind, words: [...run], unit: null });
        took = length;
        break;
      }
    }
    if (took === 0) {
      const word = words[i];
      const last = found.at(-1);
      const unit =
        word && /^[[(/]?.+[\])]?$/.test(word.text) ? readUnit(word.text.replace(/^[[(/]+|[\])]+$/g, '')) : null;
      const glued = /^(\D+?)[\s]?[[(]([^\])]+)[\])]$/.exec(word?.text ?? '');
      const kind = glued ? kindOf(glued[1] ?? '') : null;
      if (word && kind) found.push({ kind, words: [word], unit: readUnit(glued?.[2] ?? '') });
      else if (word && last && unit && /[[(/]/.test(word.text)) {
        last.unit = unit;
        last.words.push(word);
      } else strange += 1;
      took = 1;
    }
    i += took;
  }
  return { found, strange };
}

/**
 * The head of a table that begins at a line, or null.
 * @param lines of the page, in order
 */
export function headAt(lines: readonly Line[], at: number): Head | null {
  let best: Head | null = null;
  for (const count of [1, 2, 3]) {
    const taken = lines.slice(at, at + count);
    if (taken.length < count) break;
    const near = taken.every((line, i) => i === 0 || line.y - (taken[i - 1]?.y ?? 0) < 2.2 * line.height);
    if (!near) break;
    const rows = taken.map(({ words }) => readHeadLine(words));
    if (rows.some(({ found, strange }) => found.length === 0 || strange > found.length * 0.34)) {
      if (count === 1) return null;
      continue;
    }
    const head = made(
      rows.flatMap(({ found }) => found),
      count,
    );
    if (head && (!best || head.cells.length > best.cells.length)) best = head;
  }
  return best;
}

function made(all: readonly Found[], lines: number): Head | null {
  const cells = all
    .map((f) => ({ ...boxOf(f.words), kind: f.kind, text: textOf(f.words), unit: f.unit }))
    .sort((a, b) => a.x0 - b.x0);
  // A second line may only repeat a word ("Test" over "conditions") or stand under one that spans several.
  const merged: HeadCell[] = [];
  for (const cell of cells) {
    const last = merged.at(-1);
    const overlaps = last && cell.x0 < last.x1 - 1;
    if (last && overlaps && cell.kind === last.kind) merged[merged.length - 1] = { ...last, ...boxOf([last, cell]) };
    // Of two that stand over each other the upper one is a heading, or spans the columns below it.
    else if (last && overlaps) merged[merged.length - 1] = cell.y0 > last.y0 ? cell : last;
    else merged.push(cell);
  }
  const bounds = merged.filter(({ kind }) => kind === 'min' || kind === 'typ' || kind === 'max');
  let kept = merged.filter(
    (cell) => !(cell.kind === 'value' && bounds.some((b) => b.x0 < cell.x1 + 60 && b.x1 > cell.x0 - 60)),
  );
  const has = (kind: ColumnKind) => kept.some((cell) => cell.kind === kind);
  const values = bounds.length > 0 || has('value');
  if (!values && (has('number') || has('label')) && kept.length >= 2 && (has('label') || has('name') || has('symbol')))
    return { cells: pinCells(kept), lines, of: 'pins' };
  // "Ratings" alone names the rows when another column holds the values.
  if (!has('name')) {
    const names = kept.find(({ kind }) => kind === 'label' || kind === 'number');
    kept = kept.map((cell) => (cell === names ? { ...cell, kind: 'name' as const } : cell));
  }
  const enough =
    bounds.length >= 2 ||
    (bounds.length === 1 && (has('name') || has('symbol') || has('unit') || has('conditions'))) ||
    (has('value') && (has('name') || has('symbol') || has('unit')));
  return values && enough ? { cells: kept, lines, of: 'values' } : null;
}

function pinCells(cells: readonly HeadCell[]): HeadCell[] {
  const label = cells.find(({ kind }) => kind === 'label') ?? cells.find(({ kind }) => kind === 'symbol');
  return cells.map((cell) => {
    if (cell === label) return { ...cell, kind: 'label' };
    if (cell.kind === 'number') return cell;
    return { ...cell, kind: cell.kind === 'name' ? 'name' : 'other' };
  });
}
