/** Lines below the head of a table -> its rows: cells over several lines, names and units that stand once for several. */
import type { Message } from '../../quantity/message.ts';
import { columnsOf, type Column } from './columns.ts';
import { doubtThat } from './doubt.ts';
import type { ColumnKind, Head } from './header.ts';
import { rowsByLeading, runsOn } from './leading.ts';
import { between, levels } from './rulings.ts';
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

export const VALUES: readonly ColumnKind[] = ['min', 'typ', 'max', 'value'];

/** A row while it is gathered. */
interface Anchor {
  readonly y: number;
  readonly height: number;
  cells: Map<Column, Word[]>;
  named: boolean;
  doubts: Message[];
  group: string;
}

/** The rows of a table below its head. */
export function rowsOf(
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
