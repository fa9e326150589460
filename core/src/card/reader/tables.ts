/** Tables of a page, also where they run on in the next column or page. */
import { headAt, type ColumnKind, type Head } from './header.ts';
import { boxOf, type Ruling } from './page.ts';
import { rowsOf, VALUES, type Row } from './rows.ts';
import type { Line } from './words.ts';

export interface Table {
  readonly of: Head['of'];
  readonly rows: readonly Row[];
  /** Lines of the region that it covers: from, up to. */
  readonly from: number;
  readonly to: number;
}

/** Words that run on over most of the table's width are text, not cells. */
function isProse({ words }: Line, { cells }: Head): boolean {
  const { x0, x1 } = boxOf(cells);
  let start = words[0];
  let count = 0;
  for (const [i, word] of words.entries()) {
    const before = words[i - 1];
    if (before && word.x0 - before.x1 < 0.8 * word.height) count += 1;
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
  const going =
    before && [0, 1, 2].map((from) => goingOn(lines, from, rulings, sectionAt, before)).find((table) => table !== null);
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
