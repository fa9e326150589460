/** A row of a table, or a line "name: value" -> what it says about a card. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';
import { classify, type Classified, type DocumentContext } from './classify.ts';
import type { ColumnKind } from './header.ts';
import { isBlank, readValue, type DecimalMark, type ValueReading } from './numbers.ts';
import type { Box } from './page.ts';
import type { Draft } from './proposal.ts';
import { isMeasureSlot, slotOf } from './slots.ts';
import type { Row } from './tables.ts';
import { plainText, readUnit, scaled, type UnitReading } from './units.ts';

/** What a document tells about all of its rows. */
export interface Reading extends DocumentContext {
  readonly mark: DecimalMark;
}

interface Bounds {
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  readonly unit: string | null;
  readonly symmetric: boolean;
  readonly doubts: readonly Message[];
  readonly rest: string;
}

const SUPPLY_UNIT = /^(%\s*)?(?:of\s|[x×*]\s?)?\s*V_?(?:DD|CC|IN|S|DDIO|DD_IO)$/i;
const YEARLY = /\s*(?:\/|per)\s*(?:yr|year|a)\b\.?/i;

/** Unit of the unit column, of a column's head, or in brackets behind the name; a share of the supply is one, too. */
function unitOf(text: string): UnitReading | null {
  const plain = plainText(text).replace(YEARLY, '').trim();
  const share = SUPPLY_UNIT.exec(plain);
  if (share) return { unit: 'share', factor: share[1] ? 0.01 : 1 };
  // What is meant for each of something else, "lx/ct", is another unit.
  return readUnit(plain) ?? readUnit(plain.split(/[\s,;]+|\s\/\s/)[0] ?? '');
}

function nameAndUnit(written: string): { name: string; unit: UnitReading | null } {
  const bracket = /^(.*?)[\s,]*(?:[[(]|\bin\s|\/\s)([^\])]+?)[\])]?$/.exec(written.trim());
  const unit = bracket?.[2] ? unitOf(bracket[2]) : null;
  return unit && bracket?.[1] ? { name: bracket[1].trim(), unit } : { name: written.trim(), unit: null };
}

/** Reads a cell that may hold several values: "typ. 0.6 mA, max. 1.5 mA". */
export function readCell(text: string, mark: DecimalMark, fallback: UnitReading | null): ValueReading | null {
  const first = readValue(text, mark, fallback);
  if (!first) return null;
  const more = /^[,;/]?\s*(?:\(?(?:typ|max|min)\w*\.?\)?[,;:]?\s*)?[,;/]?\s*((?:typ|max|min)\w*\.?:?\s.*)$/i.exec(
    first.rest,
  );
  const second = more?.[1] ? readValue(more[1], mark, fallback) : null;
  if (!second || (second.unit ?? first.unit) !== (first.unit ?? second.unit)) return first;
  return { ...first, ...second, symmetric: first.symmetric, unit: first.unit ?? second.unit };
}

function boundsOf(row: Row, unit: UnitReading | null, mark: DecimalMark): Bounds | null {
  const doubts = [...row.doubts];
  const read = (kind: ColumnKind): ValueReading | null => {
    const text = row.cells[kind] ?? '';
    return isBlank(text) ? null : readCell(text, mark, row.units[kind] ?? unit);
  };
  const parts = { min: read('min'), typ: read('typ'), max: read('max'), value: read('value') };
  const given = Object.values(parts).filter((p) => p !== null);
  if (given.length === 0) return null;
  for (const { doubt } of given) if (doubt) doubts.push(doubt);
  const units = [...new Set(given.map((p) => p.unit))];
  const level = levelOf(parts, doubts);
  if (level) return level;
  if (units.length > 1) doubts.push(doubtThat('units'));
  const at = (p: ValueReading | null, side: 'min' | 'max') => p && (p.typ ?? p[side] ?? p.max ?? p.min);
  const whole = parts.value ?? (parts.typ && parts.typ.typ === undefined ? parts.typ : null);
  const min = at(parts.min, 'min') ?? whole?.min;
  const max = at(parts.max, 'max') ?? whole?.max;
  const typ = whole === parts.typ ? whole?.typ : (parts.typ?.typ ?? whole?.typ);
  const unread = given.some(({ rest }) => /\d/.test(rest));
  if (unread) doubts.push(doubtThat('moreInCell'));
  return {
    ...(min === undefined || min === null ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined || max === null ? {} : { max }),
    unit: units[0] ?? null,
    symmetric: given.some(({ symmetric }) => symmetric),
    doubts,
    rest: given
      .map(({ rest }) => rest)
      .join(' ')
      .trim(),
  };
}

const RELATIVE: ReadonlySet<string | null> = new Set(['share', 'offset']);

/**
 * Of a level one bound is stated from the supply and the other in volts, "−0.3 | VDD + 0.3", or each in another way, "0.7·VDD | VDD + 0.5".
 * The one that counts is the share where there is one, else the offset; a bound in volts beside it is ground, or a limit of the part.
 */
function levelOf(
  parts: Readonly<Record<'min' | 'typ' | 'max' | 'value', ValueReading | null>>,
  doubts: readonly Message[],
): Bounds | null {
  const { min, max, typ, value } = parts;
  const relative = [min, max].filter((p) => p !== null && RELATIVE.has(p.unit));
  if (value || typ || relative.length === 0 || !min || !max || min.unit === max.unit) return null;
  const share = [min, max].find((p) => p.unit === 'share');
  const chief = share ?? [min, max].find((p) => p.unit === 'offset');
  const size = chief?.typ ?? chief?.max ?? chief?.min;
  if (!chief || size === undefined) return null;
  return { [chief === min ? 'min' : 'max']: size, unit: chief.unit, symmetric: false, doubts, rest: '' };
}

/** Stretches "20 to 80 %RH" in a text, in the unit asked for. */
function findRange(text: string, unit: string, mark: DecimalMark): { from: number; to: number } | null {
  const plain = plainText(text);
  const bare = unit === '%RH' ? ['%RH', '%'] : [unit];
  for (const match of plain.matchAll(/(?<![\d.,])[+-]?\d/g)) {
    const read = readValue(plain.slice(match.index), mark);
    if (read?.min === undefined || read.max === undefined || read.unit === null || !bare.includes(read.unit)) continue;
    return { from: read.min, to: read.max };
  }
  return null;
}

/** A figure at the end of a name or beside a symbol belongs to a column that was cut elsewhere. */
function cutDoubts(row: Row): Message[] {
  const isCut = /\s[+-]?\d+(?:[.,]\d+)?$/.test(row.name) || /\s[+-]?\d+(?:[.,]\d+)?\b/.test(row.symbol);
  return isCut ? [doubtThat('moreInCell')] : [];
}

/** @returns a draft for each thing that the row says; none when it says nothing that a card holds */
export function rowDrafts(row: Row, reading: Reading): Draft[] {
  const { name, unit: nameUnit } = nameAndUnit(row.name);
  const yearly =
    YEARLY.test(row.cells.unit ?? '') ||
    YEARLY.test(row.cells.value ?? '') ||
    YEARLY.test(row.cells.max ?? '') ||
    YEARLY.test(row.cells.typ ?? '') ||
    YEARLY.test(row.name);
  const unit = unitOf(row.cells.unit ?? '') ?? nameUnit ?? Object.values(row.units)[0] ?? null;
  const stripped: Row = yearly
    ? { ...row, cells: Object.fromEntries(Object.entries(row.cells).map(([k, v]) => [k, v.replace(YEARLY, '')])) }
    : row;
  const bounds = boundsOf(stripped, unit, reading.mark);
  const said = [
    row.name,
    row.symbol,
    row.conditions,
    row.cells.min,
    row.cells.typ,
    row.cells.max,
    row.cells.value,
    row.cells.unit,
  ]
    .filter(Boolean)
    .join(' | ');
  if (/dimension|^size\b|outline|board size|^(?:l|length) ?[x×]/i.test(name)) return sizeDraft(row, said, unit);
  if (!bounds) return [];
  const conditions = [row.conditions, bounds.rest].filter(Boolean).join('; ');
  const words = { name, symbol: row.symbol, conditions, section: `${row.section} ${row.group}`, unit: bounds.unit };
  const found =
    classify(words, reading) ??
    (row.group && !/accuracy|range|absolute/i.test(row.group)
      ? classify({ ...words, name: `${row.group} ${name}` }, reading)
      : null);
  if (!found) return [];
  // No part is fed from below ground: such a stretch is what it stands, whatever stands over it.
  const isRating = found.slot === 'supply.range' && bounds.min !== undefined && bounds.min < 0;
  // A rating has nothing usual: what has is what the part works at, below a heading that was not seen.
  const isRange = found.slot === 'supply.absoluteMax' && bounds.typ !== undefined && bounds.min !== undefined;
  const meant: Classified = isRating
    ? { slot: 'supply.absoluteMax', doubt: doubtThat('belowGround') }
    : isRange
      ? { slot: 'supply.range', doubt: doubtThat('hasUsual') }
      : found;
  const draft = draftOf(
    meant,
    { ...bounds, doubts: [...bounds.doubts, ...cutDoubts(row)] },
    { name, conditions, said, box: row.box },
    reading,
    yearly,
  );
  return draft ? [draft] : [];
}

function draftOf(
  found: Classified,
  bounds: Bounds,
  said: { name: string; conditions: string; said: string; box: Box },
  reading: Reading,
  yearly: boolean,
): Draft | null {
  const { slot, quantity } = found;
  const doubts = [...bounds.doubts, ...(found.doubt ? [found.doubt] : [])];
  const unit = isMeasureSlot(slot) && quantity ? (slotOf(slot).units[0] ?? quantity.unit) : (bounds.unit ?? '');
  let { min, typ, max } = bounds;
  const put = (): Draft => ({
    slot,
    ...(quantity ? { quantity } : {}),
    ...(min === undefined ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined ? {} : { max }),
    unit,
    doubts,
    ...said,
  });
  const { from, to } = slotOf(slot);
  const strange = [min, typ, max].some((v) => v !== undefined && (v < from || v > to));
  if (strange) doubts.push(doubtThat('size'));
  const ordered = [min, typ, max].filter((v) => v !== undefined);
  if (ordered.some((v, i) => i > 0 && v < (ordered[i - 1] ?? v))) {
    // Negative currents and levels are sometimes listed by size.
    doubts.push(doubtThat('order'));
  }
  switch (slot) {
    case 'measure.accuracy':
    case 'measure.drift': {
      if (slot === 'measure.drift' && !yearly) doubts.push(doubtThat('perYear'));
      const size = (v: number | undefined) => (v === undefined ? undefined : Math.abs(v));
      if (
        min !== undefined &&
        max !== undefined &&
        min >= 0 &&
        slot === 'measure.accuracy' &&
        !bounds.symmetric &&
        typ === undefined
      )
        return null;
      [min, typ, max] = [undefined, size(typ), size(max ?? (typ === undefined ? min : undefined))];
      const ofReading = slot === 'measure.accuracy' ? shareOfReading(`${said.said}`, reading.mark) : null;
      const over =
        quantity && slot === 'measure.accuracy'
          ? findRange(`${said.conditions} ; ${said.name}`, quantity.unit, reading.mark)
          : null;
      return { ...put(), ...(over ? { over } : {}), ...(ofReading === null ? {} : { ofReading }) };
    }
    case 'measure.range':
      if (min === undefined && max !== undefined) min = 0;
      if (min === undefined || max === undefined) return null;
      typ = undefined;
      return put();
    case 'measure.resolution':
      typ ??= max ?? min;
      [min, max] = [undefined, undefined];
      return put();
    case 'port.clock':
      max ??= typ;
      [min, typ] = [undefined, undefined];
      return put();
    case 'body.ambient':
      return min === undefined || max === undefined ? null : { ...put() };
    case 'logic.absoluteMax':
    case 'supply.absoluteMax':
      max ??= typ;
      typ = undefined;
      // "VDD" alone may have lost its "+ 0.3" to the next line, and no pin stands less than a volt.
      if (slot === 'logic.absoluteMax' && (max === undefined || (unit === 'offset' ? max === 0 : max < 1)))
        doubts.push(doubtThat('moreInCell'));
      // A lower bound in volts and an upper one as an offset are two different figures: the upper one counts.
      return put();
    default:
      return put();
  }
}

/** "± (50 ppm + 5 % of reading)" -> 0.05 */
function shareOfReading(text: string, mark: DecimalMark): number | null {
  const match = /(\d+(?:[.,]\d+)?)\s*%\s*(?:of\s*)?(?:the\s*)?(?:reading|measured|m\.?v\.?|rdg|value)/i.exec(text);
  const value = match?.[1] ? readValue(match[1], mark)?.typ : undefined;
  return value === undefined ? null : scaled(value, 0.01);
}

const DIMENSIONS =
  /(\d+(?:[.,]\d+)?)\s*(?:mm|cm)?\s*[x×*]\s*(\d+(?:[.,]\d+)?)\s*(?:mm|cm)?(?:\s*[x×*]\s*(\d+(?:[.,]\d+)?))?\s*(mm|cm)?/i;

function sizeDraft(row: Row, said: string, unit: UnitReading | null): Draft[] {
  const text = [row.cells.value, row.cells.typ, row.cells.max, row.conditions].filter(Boolean).join(' ');
  const match = DIMENSIONS.exec(text);
  if (!match) return [];
  const written = /cm\b/.test(text)
    ? { unit: 'm', factor: 0.01 }
    : /mm\b/.test(text)
      ? { unit: 'm', factor: 1e-3 }
      : unit;
  const doubts = [...row.doubts];
  if (written?.unit !== 'm') doubts.push(doubtThat('noUnit'));
  const factor = written?.unit === 'm' ? written.factor : 1e-3;
  const size = [match[1], match[2], match[3]].flatMap((n) => (n ? [scaled(Number(n.replace(',', '.')), factor)] : []));
  return [{ slot: 'body.size', unit: 'm', size, conditions: '', name: row.name, said, box: row.box, doubts }];
}
