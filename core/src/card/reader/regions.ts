/** Pages set in two columns are read one column after the other. */
import { headAt } from './header.ts';
import { boxOf, type PageText, type Word } from './page.ts';
import { linesOf, type Line } from './words.ts';

/** Two columns that are worth the name run over so much of the page. */
const LEAST_REACH = 0.14;

/**
 * The lines of a page in reading order: what runs over the full width stays whole, a two-column stretch is cut at
 * its gutter. A gap inside a wide table is no gutter: its rows line up on both sides.
 */
export function regionsOf(page: PageText, words: readonly Word[], depth = 0): Line[][] {
  const split = depth < DEEPEST ? gutter(page, words) : null;
  if (!split) return [linesOf(words)];
  const { x, top, bottom } = split;
  const inside = words.filter(({ y }) => y >= top && y <= bottom);
  const above = words.filter(({ y }) => y < top);
  const below = words.filter(({ y }) => y > bottom);
  return [above, inside.filter((w) => w.x0 < x), inside.filter((w) => w.x0 >= x), below]
    .filter((list) => list.length > 0)
    .flatMap((list) => regionsOf(page, list, depth + 1));
}

/** Two pages on a sheet, each in two columns, are as deep as it goes. */
const DEEPEST = 3;
/** Fewer words make no columns. */
const LEAST_WORDS = 40;
/** In so many steps a gutter is looked for between a third and two thirds of the width. */
const STEPS = 60;

function gutter(page: PageText, words: readonly Word[]): { x: number; top: number; bottom: number } | null {
  if (words.length < LEAST_WORDS) return null;
  const lines = linesOf(words);
  const { x0, x1 } = boxOf(words);
  let best: { x: number; top: number; bottom: number; worth: number } | null = null;
  for (let step = 0; step <= STEPS; step++) {
    const x = x0 + (x1 - x0) * (0.33 + (0.34 * step) / STEPS);
    for (const [top, bottom] of clearStretches(lines, x)) {
      const reach = bottom - top;
      if (reach < page.height * LEAST_REACH) continue;
      const right = linesOf(words.filter(({ y, x0 }) => y >= top && y <= bottom && x0 >= x));
      const worth = reach * (1 + atMargin(right));
      if (best && worth <= best.worth * 1.02) continue;
      if (atMargin(right) >= LEAST_AT_MARGIN && isGutter(page, words, x, top, bottom)) best = { x, top, bottom, worth };
    }
  }
  return best;
}

/** A column of text has a margin: so many of its lines, at least, begin there. */
const LEAST_AT_MARGIN = 0.45;
/** Type sizes within which a line begins at the margin: cells are set in a little. */
const MARGIN = 0.9;

function atMargin(lines: readonly Line[]): number {
  const starts = lines.map(({ words }) => words[0]?.x0 ?? 0);
  const margin = Math.min(...starts);
  return lines.length === 0
    ? 0
    : starts.filter((start) => start <= margin + MARGIN * (lines[0]?.height ?? 0)).length / lines.length;
}

/** Between two columns of text there is at least so much room, in type sizes. */
const GUTTER = 0.9;
/** A word that does not fit its column sticks out so far, in type sizes. */
const OVERHANG = 1.2;

/** Whether a line keeps clear of an upright line: nothing runs over it but what sticks out of its column. */
function isClear({ words, height }: Line, x: number): boolean {
  const left = words.filter(({ x0 }) => x0 < x).at(-1);
  const right = words.find(({ x0 }) => x0 >= x);
  if (!left) return !right || right.x0 - x > 0.2 * height;
  if (!right) return left.x1 <= x + OVERHANG * height;
  return (
    right.x0 - left.x1 >= GUTTER * height ||
    (left.x1 > x && left.x1 <= x + OVERHANG * height && right.x0 > left.x1 - height)
  );
}

/** Of the lines that have words on both sides of a gutter so many, at least, leave it clear: in running text a blank stands there by chance. */
const LEAST_PARTED = 0.7;

function isParted(lines: readonly Line[], x: number): boolean {
  const gaps = lines.flatMap(({ words, height }) => {
    const left = words.filter(({ x0 }) => x0 < x).at(-1);
    const right = words.find(({ x0 }) => x0 >= x);
    return left && right ? [(right.x0 - left.x1) / height] : [];
  });
  return gaps.filter((gap) => gap >= GUTTER).length >= LEAST_PARTED * gaps.length;
}

/** Stretches of height in which every line keeps clear of x. */
function clearStretches(lines: readonly Line[], x: number): [number, number][] {
  const out: [number, number][] = [];
  let start: number | null = null;
  lines.forEach((line, i) => {
    if (isClear(line, x)) start ??= line.y - line.height;
    else if (start !== null) {
      out.push([start, (lines[i - 1]?.y ?? start) + 0.5]);
      start = null;
    }
  });
  if (start !== null) out.push([start, (lines.at(-1)?.y ?? start) + 1]);
  return out;
}

function isGutter(page: PageText, words: readonly Word[], x: number, top: number, bottom: number): boolean {
  const inside = words.filter(({ y }) => y >= top && y <= bottom);
  const left = linesOf(inside.filter((w) => w.x0 < x));
  const right = linesOf(inside.filter((w) => w.x0 >= x));
  if (left.length < 5 || right.length < 5) return false;
  if (!isParted(linesOf(inside), x)) return false;
  // Each side has a table of its own, head and all: one table has its names on one side alone.
  const own = (side: readonly Line[]) =>
    side.some((_, i) => headAt(side, i)?.cells.some(({ kind }) => kind === 'name' || kind === 'label') ?? false);
  if (own(left) && own(right)) return true;
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
  return aligned < 0.35 || (sided(left) > 0.5 && sided(right) > 0.5);
}
