/** A CSV of one or many parts -> proposals by part, to be looked at like those of a datasheet. */
import { FORMULA_START } from './spreadsheet.ts';
import Papa from 'papaparse';
import { titledClass } from '../card/reader/class-told.ts';
import { decimalMark } from '../card/reader/numbers.ts';
import { surenessOf, type Draft, type Proposal } from '../card/reader/proposal.ts';
import { rowDrafts } from '../card/reader/row-proposals.ts';
import { addressesIn } from '../card/reader/codes.ts';
import { QUANTITIES } from '../card/quantities.ts';
import type { Card } from '../card/card.ts';
import { figuresOf } from '../card/places.ts';
import type { Message } from '../quantity/message.ts';
import { expected } from '../quantity/problem.ts';
import type { Read } from './plan-file.ts';

/** A table with more lines than this is no list of parts. */
const MAX_LINES = 5000;

export interface PartProposals {
  readonly name: string;
  readonly class: string;
  readonly proposals: readonly Proposal[];
  /** Cells that could not be read, by what their column or row is called. */
  readonly unread: readonly string[];
}

type Table = readonly (readonly string[])[];

const NAME = /^(?:part|name|part name|module|sensor|model|type)$/i;
const CLASS = /^(?:class|kind|category)$/i;
const FIGURE = /^(?:figure|parameter|characteristic|item|property)$/i;
const COLUMN: Readonly<Record<'symbol' | 'conditions' | 'min' | 'typ' | 'max' | 'value' | 'unit', RegExp>> = {
  symbol: /^symbol$/i,
  conditions: /^(?:conditions?|remarks?|notes?)$/i,
  min: /^min(?:imum)?\.?$/i,
  typ: /^typ(?:ical)?\.?$/i,
  max: /^max(?:imum)?\.?$/i,
  value: /^value$/i,
  unit: /^units?$/i,
};

const no = (path: string, message: Message): Read<never> => ({ ok: false, problems: [{ path, message }] });

/**
 * Reads a CSV with a line of heads. Either a line for each figure ("part, parameter, min, typ, max, unit"), or a line
 * for each part with a column for each figure ("part, supply voltage min (V), idle current (µA), address").
 */
export function readPartsTable(text: string): Read<readonly PartProposals[]> {
  const parsed = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy', delimiter: '' });
  const quote = parsed.errors.find(({ type }) => type === 'Quotes');
  if (quote) return no(`/${(quote.row ?? 0) + 1}`, expected('closingMark'));
  const [head, ...lines] = parsed.data as Table;
  if (!head || lines.length === 0) return no('', expected('heads'));
  if (lines.length > MAX_LINES) return no('', expected('lines', { most: MAX_LINES, found: lines.length }));
  const long = lines.findIndex((line) => line.length > head.length);
  if (long >= 0) {
    return no(`/${long + 2}`, expected('cells', { heads: head.length, found: lines[long]?.length ?? 0 }));
  }
  const heads = head.map((cell) => cell.trim());
  const figure = heads.findIndex((cell) => FIGURE.test(cell));
  const part = heads.findIndex((cell) => NAME.test(cell));
  if (figure < 0 && part < 0) {
    return no('/1', expected('column', { found: heads.slice(0, 12) }));
  }
  const mark = decimalMark(lines.flat().join(' '));
  const all = text;
  const mentions = new Map(QUANTITIES.map(({ quantity, words }) => [quantity, words.test(all) ? 1 : 0]));
  const parts = figure >= 0 ? byFigure(heads, lines, figure, part) : byPart(heads, lines, part);
  return {
    ok: true,
    value: parts.map(({ name, class: kind, rows }) => {
      const cls = titledClass(`${kind}\n${name}`);
      const reading = { mark, mentions, cls, sensing: false };
      const unread: string[] = [];
      const drafts = rows.flatMap((row) => {
        const found = draftsOf(row, reading);
        if (found.length === 0) unread.push(row.name);
        return found.map((draft) => ({ ...draft, page: 1 }));
      });
      return {
        name,
        class: kind,
        unread,
        proposals: drafts.map((draft, i) => ({ ...draft, id: `c${i + 1}`, sureness: surenessOf(draft.doubts, false) })),
      };
    }),
  };
}

interface Entry {
  readonly name: string;
  readonly cells: Readonly<Partial<Record<'min' | 'typ' | 'max' | 'value' | 'unit', string>>>;
  readonly symbol: string;
  readonly conditions: string;
  /** Line of the file, from 1. */
  readonly line: number;
}
interface PartRows {
  readonly name: string;
  readonly class: string;
  readonly rows: Entry[];
}

function byFigure(heads: readonly string[], lines: Table, figure: number, part: number): PartRows[] {
  const column = Object.fromEntries(
    Object.entries(COLUMN).map(([key, pattern]) => [key, heads.findIndex((cell) => pattern.test(cell))]),
  );
  const kind = heads.findIndex((cell) => CLASS.test(cell));
  const parts = new Map<string, PartRows>();
  lines.forEach((line, i) => {
    const at = (key: string) => (line[column[key] ?? -1] ?? '').trim();
    const name = (line[part] ?? '').trim() || [...parts.keys()].at(-1) || 'part';
    const known = parts.get(name) ?? { name, class: (line[kind] ?? '').trim(), rows: [] };
    parts.set(name, known);
    known.rows.push({
      name: (line[figure] ?? '').trim(),
      symbol: at('symbol'),
      conditions: at('conditions'),
      cells: { min: at('min'), typ: at('typ'), max: at('max'), value: at('value'), unit: at('unit') },
      line: i + 2,
    });
  });
  return [...parts.values()];
}

/** "Supply voltage min (V)" is the lower bound of "Supply voltage" in volts. */
function byPart(heads: readonly string[], lines: Table, part: number): PartRows[] {
  const kind = heads.findIndex((cell) => CLASS.test(cell));
  return lines.map((line, i) => {
    const rows = new Map<string, Entry>();
    heads.forEach((head, k) => {
      const cell = (line[k] ?? '').trim();
      if (k === part || k === kind || cell === '') return;
      const unit = /[[(]([^)\]]+)[)\]]\s*$/.exec(head)?.[1] ?? '';
      const bare = head.replace(/[[(][^)\]]+[)\]]\s*$/, '').trim();
      const bound = /[\s,]*\b(min|typ|max)(?:imum|ical)?\.?$/i.exec(bare);
      const name = bound ? bare.slice(0, bound.index).trim() : bare;
      const key = (bound?.[1] ?? 'value').toLowerCase() as 'min' | 'typ' | 'max' | 'value';
      const known = rows.get(name) ?? { name, symbol: '', conditions: '', cells: { unit }, line: i + 2 };
      rows.set(name, { ...known, cells: { ...known.cells, [key]: cell } });
    });
    return {
      name: (line[part] ?? '').trim() || `part ${i + 1}`,
      class: (line[kind] ?? '').trim(),
      rows: [...rows.values()],
    };
  });
}

function draftsOf(entry: Entry, reading: Parameters<typeof rowDrafts>[1]): Draft[] {
  const box = { x0: 0, x1: 0, y0: entry.line, y1: entry.line };
  const said = [entry.name, ...Object.values(entry.cells)].filter(Boolean).join(' | ');
  if (/address/i.test(entry.name)) {
    const text = [entry.cells.value, entry.cells.typ, entry.cells.min].filter(Boolean).join(' ');
    return addressesIn(text).map((told) => ({
      slot: 'port.address',
      typ: told.address,
      unit: 'address',
      label: told.setting || entry.conditions,
      conditions: told.setting || entry.conditions,
      name: entry.name,
      said,
      box,
      doubts: told.doubt ? [told.doubt] : [],
    }));
  }
  const section = /absolute max/i.test(entry.name) ? 'absolute maximum ratings' : '';
  const name = entry.name.replace(/[,\s]*absolute max(?:imum)?/i, '');
  return rowDrafts({ ...entry, name, group: '', section, units: {}, box, doubts: [] }, reading);
}

/** Cards as a CSV with a line for each figure, for a spreadsheet. Cells that look like formulae are defused. */
export function cardsCsv(cards: readonly Card[]): string {
  const rows = cards.flatMap((card) =>
    figuresOf(card).map((f) => ({
      part: card.name,
      class: card.class,
      figure: f.title,
      min: f.min ?? '',
      typ: f.typ ?? '',
      max: f.max ?? '',
      unit: f.unit,
      conditions: f.conditions ?? '',
      source: f.source?.kind ?? '',
      title: f.source?.title ?? '',
      page: f.source?.page ?? '',
    })),
  );
  return `${Papa.unparse(rows, { escapeFormulae: FORMULA_START, newline: '\r\n' })}\r\n`;
}
