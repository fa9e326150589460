/** Rows of several lines, told by their leading. */
import type { Column } from './columns.ts';
import { textOf, type Word } from './page.ts';
import { between } from './rulings.ts';
import type { Line } from './words.ts';

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
    valueColumns.some(
      (c) =>
        /\d/.test(textOf(own.get(c) ?? [])) && !runsOn(textOf(cells[i - 1]?.get(c) ?? []), textOf(own.get(c) ?? [])),
    );
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
export function runsOn(above: string, below: string): boolean {
  if (above === '' || below === '') return false;
  if (/\d/.test(above) && /(?:\bto|–|-|…|±|~|,|\bor|[\d%]\s?[×x*·])$/.test(above)) return true;
  if (/V_?(?:DD|CC|IN|S)$/i.test(above) && /^[+\-−–]\s?\d/.test(below)) return true;
  return /[\d%]$/.test(above) && /^(?:[×*·]\s*|of\s+)?V_?(?:DD|CC|IN|S)$/i.test(below);
}
