/** Pages set in two columns are read one column after the other. */
import { headAt } from './header.ts';
import type { PageText, Word } from './page.ts';
import { linesOf, type Line } from './words.ts';

const STEP = 4;

/**
 * The lines of a page in reading order: what runs over the full width stays whole, a two-column stretch is cut at
 * its gutter. A gap inside a wide table is no gutter: its rows line up on both sides.
 */
export function regionsOf(page: PageText, words: readonly Word[]): Line[][] {
  const split = gutter(page, words);
  if (!split) return [linesOf(words)];
  const { x, top, bottom } = split;
  const inside = words.filter(({ y }) => y >= top && y <= bottom);
  const above = words.filter(({ y }) => y < top);
  const below = words.filter(({ y }) => y > bottom);
  return [above, inside.filter((w) => w.x0 < x), inside.filter((w) => w.x0 >= x), below]
    .filter((list) => list.length > 0)
    .map((list) => linesOf(list));
}

function gutter(page: PageText, words: readonly Word[]): { x: number; top: number; bottom: number } | null {
  if (words.length < 40) return null;
  let best: { x: number; top: number; bottom: number; reach: number } | null = null;
  for (let x = page.width * 0.35; x <= page.width * 0.65; x += STEP) {
    for (const [top, bottom] of clearStretches(words, x)) {
      const reach = bottom - top;
      if (reach < page.height * 0.22 || (best && reach <= best.reach + 2)) continue;
      if (isGutter(page, words, x, top, bottom)) best = { x, top, bottom, reach };
    }
  }
  return best;
}

/** Stretches of height in which no word comes near x. */
function clearStretches(words: readonly Word[], x: number): [number, number][] {
  const crossing = words.filter((w) => w.x0 < x + 5 && w.x1 > x - 5).map(({ y }) => y);
  const ys = words.map(({ y }) => y);
  const edges = [Math.min(...ys) - 1, ...crossing.sort((a, b) => a - b), Math.max(...ys) + 1];
  return edges.slice(1).map((end, i): [number, number] => [(edges[i] ?? 0) + 0.5, end - 0.5]);
}

function isGutter(page: PageText, words: readonly Word[], x: number, top: number, bottom: number): boolean {
  const inside = words.filter(({ y }) => y >= top && y <= bottom);
  const left = linesOf(inside.filter((w) => w.x0 < x));
  const right = linesOf(inside.filter((w) => w.x0 >= x));
  if (left.length < 5 || right.length < 5) return false;
  // A ruling across the gap belongs to a table that spans it.
  const across = page.rulings.filter(
    (r) =>
      r.y0 === r.y1 && r.y0 > top && r.y0 < bottom && r.x0 < x - 20 && r.x1 > x + 20 && r.x1 - r.x0 < page.width * 0.95,
  );
  if (across.length >= 3) return false;
  // So does a head whose columns stand on both sides with one column of names between them.
  const heads = linesOf(inside).filter((_, i, all) => {
    const cells = headAt(all, i)?.cells ?? [];
    const names = cells.filter(({ kind }) => kind === 'name' || kind === 'number' || kind === 'label');
    return (
      cells.some(({ x1 }) => x1 < x) &&
      cells.some(({ x0 }) => x0 > x) &&
      new Set(names.map(({ kind }) => kind)).size === names.length
    );
  });
  if (heads.length > 0) return false;
  const sided = (lines: Line[]) => lines.filter(({ words: w }) => w.length >= 4).length / lines.length;
  const aligned =
    left.filter(({ y }) => right.some((r) => Math.abs(r.y - y) < 1.5)).length / Math.min(left.length, right.length);
  // Text columns are full of words; columns of a table hold one or two.
  return aligned < 0.6 || (sided(left) > 0.5 && sided(right) > 0.5);
}
