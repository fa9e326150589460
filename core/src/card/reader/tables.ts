/** Tables of a page: rows with their name, conditions, bounds and unit, whatever the order of the columns. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';
import { columnsOf, type Column } from './columns.ts';
import { headAt, type ColumnKind, type Head } from './header.ts';
import { boxOf, textOf, type Box, type Ruling, type Word } from './page.ts';
import { unbroken } from './passages.ts';
import type { UnitReading } from './units.ts';
import type { Line } from './words.ts';

export interface Row {
  readonly name: string;
  readonly symbol: string;
  readonly conditions: string;
  readonly group: string;
  readonly section: string;
  readonly cells: Readonly<Partial<Record<ColumnKind, string>>>;
  /** Unit written in the head of a column. */
  readonly units: Readonly<Partial<Record<ColumnKind, UnitReading>>>;
  readonly box: Box;
  readonly doubts: readonly Message[];
}

export interface Table {
  readonly of: Head['of'];
  readonly rows: readonly Row[];
  /** Lines of the region that it covers: from, up to. */
  readonly from: number;
  readonly to: number;
}

const VALUES: readonly ColumnKind[] = ['min', 'typ', 'max', 'value'];

interface Anchor {
  readonly y: number;
  readonly height: number;
  cells: Map<Column, Word[]>;
  named: boolean;
  doubts: Message[];
  group: string;
}

/** Words that run on over most of the table's width are text, not cells. */
function isProse({ words }: Line, { cells }: Head): boolean {
  const { x0, x1 } = boxOf(cells);
  let start = words[0];
  let count = 0;
  for (const [i, word] of words.entries()) {
    const before = words[i - 1];
    if (before && word.x0 - before.x1 < 0.6 * word.height) count += 1;
    else [start, count] = [word, 1];
    if (start && count >= 5 && word.x1 - start.x0 > 0.62 * (x1 - x0)) return true;
  }
  return false;
}

/** Where a table ends: at the next head, at a caption, at a wide gap. */
function bodyEnd(
  lines: readonly Line[],
  start: number,
  rulings: readonly Ruling[],
  head: Head,
  sectionAt: (line: number) => string,
): number {
  const counted = head.cells.some(({ kind }) => kind === 'number');
  let usual = lines[start] ? lines[start].height * 1.6 : 16;
  for (let i = start; i < lines.length; i++) {
    const line = lines[i];
    const before = lines[i - 1];
    if (!line || !before) continue;
    if (isProse(line, head)) return i;
    const gap = line.y - before.y;
    const ruled = rulings.some((r) => r.y0 === r.y1 && r.y0 > before.y && r.y0 < line.y);
    if (gap > Math.max(usual * 1.9, line.height * (ruled ? 4.5 : 2.9))) return i;
    if (
      /^(?:table|figure|fig\.)\s*\d/i.test(line.text) ||
      /^(?:notes?\b[:.]?|\(\d\)\s|\[\d\]\s|\*+\s?[A-Z])/i.test(line.text)
    )
      return i;
    if (
      !counted &&
      /^\d+(?:\.\d+)*\.?\s+[A-Z][a-z]/.test(line.text) &&
      !/\d\s*$/.test(line.text) &&
      line.words.length < 9
    )
      return i;
    if (i > start && headAt(lines, i)) return i;
    // A heading ends it where another table follows, or in larger print; else it is a title inside.
    const isHeading = i > start && sectionAt(i) !== sectionAt(i - 1);
    const larger = line.height > 1.12 * (lines[start]?.height ?? line.height);
    if (isHeading && (larger || [1, 2].some((k) => headAt(lines, i + k)))) return i;
    if (i > start) usual = Math.max(usual * 0.7, gap);
  }
  return lines.length;
}

/** A table that ran on to the end of its column or page, and may go on in the next without its head. */
export interface OpenTable {
  readonly head: Head;
  /** The left edge of its words. */
  readonly left: number;
  readonly section: string;
}

export interface Tables {
  readonly tables: readonly Table[];
  readonly open: OpenTable | null;
}

/**
 * Every table of these lines, with the heading that each stands under.
 * @param before the table that the lines before ended in
 */
export function tablesOf(
  lines: readonly Line[],
  rulings: readonly Ruling[],
  sectionAt: (line: number) => string,
  before: OpenTable | null = null,
): Tables {
  const tables: Table[] = [];
  // Above it there may be the head of the page.
  const going = before && [0, 1, 2].map((from) => goingOn(lines, from, rulings, sectionAt, before)).find((table) => table !== null);
  if (going) tables.push(going);
  let open: OpenTable | null = going && isAtEnd(lines, going.to) ? before : null;
  for (let i = going?.to ?? 0; i < lines.length; i++) {
    const head = headAt(lines, i);
    if (!head) continue;
    const start = i + head.lines;
    const end = bodyEnd(lines, start, rulings, head, sectionAt);
    for (const side of sides(head))
      tables.push({
        of: head.of,
        rows: rowsOf(side, lines.slice(start, end), rulings, sectionAt(i)),
        from: i,
        to: end,
      });
    const left = Math.min(...lines.slice(i, end).flatMap(({ words }) => words[0]?.x0 ?? Infinity));
    open = isAtEnd(lines, end) && sides(head).length === 1 ? { head, left, section: sectionAt(i) } : null;
    i = Math.max(end - 1, i + head.lines - 1);
  }
  return { tables, open };
}

/** The rows with which a column or page begins that have no head of their own, read below the head of the table before. */
function goingOn(
  all: readonly Line[],
  from: number,
  rulings: readonly Ruling[],
  sectionAt: (line: number) => string,
  { head, left, section }: OpenTable,
): Table | null {
  const lines = all.slice(from);
  const first = lines[0];
  if (!first || isProse(first, head)) return null;
  if (all.slice(0, from + 3).some((_, i) => headAt(all, i) !== null)) return null;
  // A line that stays outside of the columns is a heading, or the number of a page.
  const reach = Math.min(...lines.slice(0, 12).flatMap(({ words }) => words[0]?.x0 ?? Infinity));
  const shift = reach - left;
  const top = first.y - 2 * first.height;
  const cells = head.cells.map((cell) => ({
    ...cell,
    x0: cell.x0 + shift,
    x1: cell.x1 + shift,
    y0: top - first.height,
    y1: top,
  }));
  const moved: Head = { ...head, cells };
  const to = bodyEnd(lines, 0, rulings, moved, (i) => sectionAt(from + i));
  const rows = rowsOf({ head: moved, left: -Infinity, right: Infinity }, lines.slice(0, to), rulings, section);
  const read = rows.filter(
    ({ name, cells: own }) => name !== '' && VALUES.some((kind) => /^\W{0,2}\d/.test(own[kind] ?? '')),
  );
  return rows.length > 0 && read.length >= 0.6 * rows.length ? { of: head.of, rows, from, to: from + to } : null;
}

/** Whether nothing follows but the foot of the page. */
const isAtEnd = (lines: readonly Line[], end: number): boolean =>
  lines.length - end <= 2 && lines.slice(end).every(({ words }) => words.length <= 8);

/** Two tables set side by side share their head line: each begins with a column of names. */
function sides(head: Head): { head: Head; left: number; right: number }[] {
  const first: ColumnKind = head.of === 'pins' ? 'number' : 'name';
  const starts = head.cells.filter(({ kind }) => kind === first);
  if (starts.length < 2) return [{ head, left: -Infinity, right: Infinity }];
  return starts.map((start, i) => {
    const left = i === 0 ? -Infinity : start.x0 - 6;
    const next = starts[i + 1];
    const right = next ? next.x0 - 6 : Infinity;
    return { head: { ...head, cells: head.cells.filter(({ x0 }) => x0 >= left && x0 < right) }, left, right };
  });
}

function rowsOf(
  { head, left, right }: { head: Head; left: number; right: number },
  lines: readonly Line[],
  rulings: readonly Ruling[],
  section: string,
): Row[] {
  const body = lines
    .map((line) => ({ ...line, words: line.words.filter(({ x0 }) => x0 >= left && x0 < right) }))
    .filter(({ words }) => words.length > 0);
  const columns = columnsOf(head.cells, body, rulings);
  const anchors = gather(columns, body, rulings, head.of);
  shareNames(columns, anchors, rulings);
  shareUnits(columns, anchors, rulings);
  return anchors.map((anchor) => rowOf(anchor, columns, section));
}

const cut = (line: Line, columns: readonly Column[]): Map<Column, Word[]> => {
  const cells = new Map<Column, Word[]>();
  for (const word of line.words) {
    const middle = (word.x0 + word.x1) / 2;
    const column = columns.find((c) => middle >= c.left && middle < c.right) ?? columns.at(-1);
    if (column) cells.set(column, [...(cells.get(column) ?? []), word]);
  }
  return cells;
};

const levels = (rulings: readonly Ruling[], column: Column): number[] => {
  const x = column.middle;
  return rulings.filter((r) => r.y0 === r.y1 && r.x0 <= x && r.x1 >= x).map(({ y0 }) => y0);
};
const between = (ys: readonly number[], a: number, b: number): boolean =>
  ys.some((y) => y > Math.min(a, b) && y < Math.max(a, b) - 0.1);

/** Lines of one row stand closer than rows do, by so much. */
const CLOSER = 1.12;
/** Lines that are further apart, in type sizes, are not those of one cell. */
const LINE = 1.45;

/** Where the gaps inside rows end and those between rows begin: at the widest step between two gaps of like size. */
function leadingOf(gaps: readonly number[]): number {
  const sorted = gaps.filter(Number.isFinite).sort((a, b) => a - b);
  const steps = sorted.slice(1).map((gap, i) => ({ at: sorted[i] ?? 0, step: gap / (sorted[i] ?? 1) }));
  const widest = steps.filter(({ at }) => at < 1.4 * (sorted[0] ?? 0)).sort((a, b) => b.step - a.step)[0];
  return widest && widest.step >= CLOSER ? widest.at * 1.01 : 0;
}

/**
 * Rows of several lines are told by their leading. @returns for each line whether it belongs to the row of the line above; null where
 * leading does not tell, since a row would have two values in one column
 */
export function rowsByLeading(
  body: readonly Line[],
  cells: readonly Map<Column, Word[]>[],
  columns: readonly Column[],
  valueColumns: readonly Column[],
  ruled: readonly number[],
): boolean[] | null {
  const gaps = body.map((line, i) => (i === 0 ? Infinity : line.y - (body[i - 1]?.y ?? 0)));
  const least = Math.min(...gaps);
  const within = leadingOf(gaps);
  const joined = gaps.map((gap, i) => gap < within && !between(ruled, body[i - 1]?.y ?? 0, body[i]?.y ?? 0));
  if (!joined.includes(true) || joined.slice(1).every(Boolean) || least > LINE * (body[0]?.height ?? 0)) return null;
  // The first line of a row holds its values, or they stand in the middle of its name.
  const name = columns.find(({ kind }) => kind === 'name');
  const whole = (i: number, own: Map<Column, Word[]>) =>
    joined[i] === true &&
    name !== undefined &&
    own.has(name) &&
    valueColumns.some((c) => /\d/.test(textOf(own.get(c) ?? [])) && !runsOn(textOf(cells[i - 1]?.get(c) ?? []), textOf(own.get(c) ?? [])));
  if (cells.some((own, i) => whole(i, own))) return null;
  let open = new Map<Column, string>();
  for (const [i, own] of cells.entries()) {
    if (joined[i] !== true) open = new Map();
    for (const column of valueColumns) {
      const text = textOf(own.get(column) ?? []);
      const above = open.get(column);
      if (/\d/.test(text) && above !== undefined && /\d/.test(above) && !runsOn(above, text)) return null;
      if (text !== '') open.set(column, `${above ?? ''} ${text}`.trim());
    }
  }
  // A row that begins without a value would be lost to the one before it.
  const starts = cells.map((own, i) => joined[i] !== true && !valueColumns.some((column) => own.has(column)));
  return starts.some((is, i) => is && joined[i + 1] === true) ? null : joined;
}

/** Whether a cell goes on in the line below: "2.7 to" with "5.5", "VDD" with "+ 0.3", "0.7 ×" with "VDD". */
function runsOn(above: string, below: string): boolean {
  if (above === '' || below === '') return false;
  if (/\d/.test(above) && /(?:\bto|–|-|…|±|~|,|\bor|[\d%]\s?[×x*·])$/.test(above)) return true;
  if (/V_?(?:DD|CC|IN|S)$/i.test(above) && /^[+\-−–]\s?\d/.test(below)) return true;
  return /[\d%]$/.test(above) && /^(?:[×*·]\s*|of\s+)?V_?(?:DD|CC|IN|S)$/i.test(below);
}

/** Lines with a value make rows; the others belong to the row that they are nearest to, or are titles. */
function gather(
  columns: readonly Column[],
  body: readonly Line[],
  rulings: readonly Ruling[],
  of: Head['of'],
): Anchor[] {
  const valueColumns = columns.filter(({ kind }) =>
    of === 'pins' ? kind === 'number' || kind === 'label' : VALUES.includes(kind),
  );
  const nameColumn = columns.find(({ kind }) => kind === 'name') ?? columns[0];
  const ruled = valueColumns[0] ? levels(rulings, valueColumns[0]) : [];
  const cells = body.map((line) => cut(line, columns));
  const anchors: Anchor[] = [];
  const rest: { line: Line; cells: Map<Column, Word[]> }[] = [];
  const joined = of === 'values' ? rowsByLeading(body, cells, columns, valueColumns, ruled) : null;
  body.forEach((line, i) => {
    const above = joined?.[i] === true ? anchors.at(-1) : undefined;
    if (above) {
      append(above, cells[i] ?? new Map<Column, Word[]>());
      return;
    }
    const own = cells[i] ?? new Map<Column, Word[]>();
    const values = valueColumns.flatMap((column) => own.get(column) ?? []);
    const last = anchors.at(-1);
    const open = last && valueColumns.some((c) => runsOn(textOf(last.cells.get(c) ?? []), textOf(own.get(c) ?? [])));
    // A unit that found no room beside its number stands below it, beside what is left of the name.
    const lowest = last ? Math.max(last.y, ...[...last.cells.values()].flat().map(({ y }) => y)) : 0;
    const tail =
      last && values.length > 0 && !/\d/.test(textOf(values)) && of === 'values' && line.y - lowest < 1.7 * line.height;
    if (!joined && last && (open || tail) && !between(ruled, last.y, line.y)) append(last, own);
    else if (values.length > 0 && (of === 'pins' ? isPinRow(own, columns) : true))
      anchors.push({ y: line.y, height: line.height, cells: own, named: false, doubts: [], group: '' });
    else rest.push({ line, cells: own });
  });
  for (const anchor of anchors) anchor.named = nameColumn !== undefined && anchor.cells.has(nameColumn);
  let titles: { y: number; text: string }[] = [];
  for (const { line, cells: own } of rest) {
    const able = anchors.filter((a) => !between(ruled, a.y, line.y));
    const nearest = able.sort((a, b) => Math.abs(a.y - line.y) - Math.abs(b.y - line.y))[0];
    const onlyName = [...own.keys()].every((column) => column === nameColumn) || crosses(line, columns);
    const distance = nearest ? Math.abs(nearest.y - line.y) : Infinity;
    const text = textOf(line.words);
    const titled =
      onlyName &&
      (!nearest ||
        distance > 1.75 * line.height ||
        (nearest.y > line.y && nearest.named && /^[A-Z]/.test(text) && distance > 1.15 * line.height && !ruled.length));
    if (titled || !nearest) titles = [...titles, { y: line.y, text }];
    else append(nearest, own);
  }
  for (const anchor of anchors) {
    if (nameColumn) anchor.named = anchor.cells.has(nameColumn);
    anchor.group = titles.filter(({ y }) => y < anchor.y).at(-1)?.text ?? '';
  }
  return anchors;
}

const isPinRow = (cells: Map<Column, Word[]>, columns: readonly Column[]): boolean => {
  const number = columns.find(({ kind }) => kind === 'number');
  return !number || /^\d{1,3}\b/.test(textOf(cells.get(number) ?? []));
};

/** A line of words that runs across the columns is a title, not a row. */
const crosses = (line: Line, columns: readonly Column[]): boolean =>
  columns.some(
    (column, i) => i > 0 && line.words.some((word) => word.x0 < column.left - 3 && word.x1 > column.left + 3),
  ) && !/\d/.test(line.text);

function append(anchor: Anchor, cells: Map<Column, Word[]>): void {
  for (const [column, words] of cells) {
    const all = [...(anchor.cells.get(column) ?? []), ...words];
    anchor.cells.set(
      column,
      all.sort((a, b) => (Math.abs(a.y - b.y) > 0.4 * a.height ? a.y - b.y : a.x0 - b.x0)),
    );
  }
}

/** A name that stands once for several rows is given to each of them. */
function shareNames(columns: readonly Column[], anchors: Anchor[], rulings: readonly Ruling[]): void {
  const name = columns.find(({ kind }) => kind === 'name');
  if (!name || anchors.every(({ named }) => named)) return;
  const ruled = levels(rulings, name);
  const top = anchors[0]?.named === true;
  for (const anchor of anchors.filter(({ named }) => !named)) {
    const inBand = anchors.filter((a) => a.named && !between(ruled, a.y, anchor.y));
    const before = inBand.filter((a) => a.y < anchor.y).at(-1);
    const nearest = [...inBand].sort((a, b) => Math.abs(a.y - anchor.y) - Math.abs(b.y - anchor.y))[0];
    const sole = inBand.length === 1 && ruled.length > 2;
    const from = sole ? inBand[0] : top ? before : nearest;
    if (!from) continue;
    for (const column of columns) {
      const given = from.cells.get(column);
      if (!given || anchor.cells.has(column)) continue;
      if (column.kind === 'name' || column.kind === 'symbol') anchor.cells.set(column, given);
    }
    if (!sole && !top) anchor.doubts.push(doubtThat('besideRow'));
  }
}

/** A unit that stands once holds for the rows that share its cell, and for the rows of the same name. */
function shareUnits(columns: readonly Column[], anchors: Anchor[], rulings: readonly Ruling[]): void {
  const name = columns.find(({ kind }) => kind === 'name');
  for (const column of columns.filter(({ kind }) => kind === 'unit')) {
    const ruled = levels(rulings, column);
    const without = anchors.filter((a) => !a.cells.has(column));
    for (const anchor of ruled.length > 1 ? without : []) {
      const inCell = anchors.filter((a) => !without.includes(a) && !between(ruled, a.y, anchor.y));
      const given = inCell.length === 1 ? inCell[0]?.cells.get(column) : undefined;
      if (given) anchor.cells.set(column, given);
    }
    if (!name) continue;
    for (const anchor of anchors.filter((a) => !a.cells.has(column))) {
      const same = anchors.filter((a) => a.cells.has(column) && a.cells.get(name) === anchor.cells.get(name));
      const given = same.sort((a, b) => Math.abs(a.y - anchor.y) - Math.abs(b.y - anchor.y))[0]?.cells.get(column);
      if (given) anchor.cells.set(column, given);
    }
  }
}

function rowOf(anchor: Anchor, columns: readonly Column[], section: string): Row {
  const text = (kind: ColumnKind) =>
    columns
      .filter((column) => column.kind === kind)
      .map((column) => textOf(anchor.cells.get(column) ?? []))
      .filter(Boolean)
      .join(' ');
  const cells: Partial<Record<ColumnKind, string>> = {};
  const units: Partial<Record<ColumnKind, UnitReading>> = {};
  for (const column of columns) {
    cells[column.kind] = text(column.kind);
    if (column.unit) units[column.kind] = column.unit;
  }
  const near = [...anchor.cells.values()].flat().filter((word) => Math.abs(word.y - anchor.y) < 3.2 * anchor.height);
  return {
    name: unbroken(text('name')),
    symbol: text('symbol'),
    conditions: text('conditions'),
    group: anchor.group,
    section,
    cells,
    units,
    box: boxOf(near),
    doubts: anchor.doubts,
  };
}
