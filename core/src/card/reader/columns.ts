/** Where the columns of a table part: at its upright rulings, else where the fewest words stand in the way. */
import type { ColumnKind, HeadCell } from './header.ts';
import type { Ruling, Word } from './page.ts';
import type { UnitReading } from './units.ts';
import type { Line } from './words.ts';

export interface Column {
  readonly kind: ColumnKind;
  readonly unit: UnitReading | null;
  readonly left: number;
  readonly right: number;
  readonly middle: number;
}

export function columnsOf(cells: readonly HeadCell[], body: readonly Line[], rulings: readonly Ruling[]): Column[] {
  const words = body.flatMap(({ words: all }) => all);
  const top = Math.max(...cells.map(({ y1 }) => y1));
  const bottom = Math.max(top + 1, ...words.map(({ y1 }) => y1));
  const uprights = rulings.filter((r) => r.x0 === r.x1 && r.y1 > top && r.y0 < bottom && r.y1 - r.y0 > 6);
  const edges = cells.slice(1).map((cell, i) => {
    const before = cells[i];
    return before
      ? edge(
          before,
          cell,
          words,
          uprights.map(({ x0 }) => x0),
        )
      : cell.x0;
  });
  return cells.map((cell, i) => {
    const left = i === 0 ? -Infinity : (edges[i - 1] ?? -Infinity);
    const right = edges[i] ?? Infinity;
    return { kind: cell.kind, unit: cell.unit, left, right, middle: (cell.x0 + cell.x1) / 2 };
  });
}

/** Points within which two words begin at the same place. */
const FLUSH = 0.8;
const LEAST_FLUSH = 2;

/** The place between two heads that the fewest words cross; of equal ones the middle of the widest gap. */
function edge(before: HeadCell, cell: HeadCell, words: readonly Word[], uprights: readonly number[]): number {
  const [from, to] = [before.x0 + 1, cell.x1 - 1];
  const ruled = uprights.filter((x) => x > before.x0 && x < cell.x1);
  const between = ruled.filter((x) => x >= before.x1 - 2 && x <= cell.x0 + 2);
  if (between.length > 0) return between[Math.floor(between.length / 2)] ?? cell.x0;
  const near = words.filter((word) => word.x1 > from && word.x0 < to);
  const crossed = (x: number) => near.filter((word) => word.x0 < x - 0.2 && word.x1 > x + 0.2).length;
  // A boundary through the space between two words of a phrase is as bad as one through a word.
  const spaces = phraseSpaces(near);
  const parts = (x: number) => 0.8 * spaces.filter(([a, b]) => x > a && x < b).length;
  // Columns that are set flush left begin where their heads do.
  const flush = near.filter((word) => Math.abs(word.x0 - cell.x0) < FLUSH).length;
  if (flush >= LEAST_FLUSH && crossed(cell.x0 - FLUSH) === 0 && parts(cell.x0 - FLUSH) === 0) return cell.x0 - FLUSH;
  const heads = (x: number) => (x > before.x0 && x < before.x1 ? 2 : 0) + (x > cell.x0 && x < cell.x1 ? 2 : 0);
  let best = { x: (before.x1 + cell.x0) / 2, cost: Infinity, width: 0 };
  let run: { start: number; cost: number } | null = null;
  const close = (end: number) => {
    if (!run) return;
    const width = end - run.start;
    if (run.cost < best.cost || (run.cost === best.cost && width > best.width))
      best = { x: (run.start + end) / 2, cost: run.cost, width };
  };
  for (let x = from; x <= to; x += 1) {
    const cost = crossed(x) + parts(x) + heads(x);
    if (!run || run.cost !== cost) {
      close(x);
      run = { start: x, cost };
    }
  }
  close(to);
  return best.x;
}

function phraseSpaces(words: readonly Word[]): [number, number][] {
  const sorted = [...words].sort((a, b) => a.y - b.y || a.x0 - b.x0);
  return sorted.flatMap((word, i): [number, number][] => {
    const next = sorted[i + 1];
    return next && Math.abs(next.y - word.y) < 2 && next.x0 > word.x1 && next.x0 - word.x1 < 0.7 * word.height
      ? [[word.x1 - 0.2, next.x0 + 0.2]]
      : [];
  });
}
