/** Where parts lie beside the boards: near to what they are joined with, along the upper and the lower edge. */
import type { Box } from '../board/footprint.ts';
import { BOARD_HEIGHT, BOARD_STEP, PITCH, type Point } from '../board/grid.ts';
import type { PartNode } from '../circuit/model.ts';
import { EDGE, type LayoutProblem, type Stand } from './problem.ts';
import type { Docked } from '../circuit/laid.ts';

/** Between two parts, between them and the board, and the least that a part takes, in steps. */
const GAP = 2;
const AWAY = 6;
/** How far parts may lie beyond the ends of the boards. */
const BEYOND = 5;
const LEAST = 6;
/** Depth of a part away from the board, in steps. */
const DEPTH = 4;
/** Room to read the names of pins: the least for one, a letter of it, and how many letters are shown, in steps. */
const PIN_WIDTH = 2.6;
const LETTER = 0.61;
const LETTERS = 8;
/** A part longer than this is drawn shorter: it is only told where its leads go. */
const MOST = 16;

/** Along the board, in steps. */
function widthOf(part: PartNode): number {
  const size = Math.min(MOST, Math.max(LEAST, (part.card.body?.size?.length ?? 0) / PITCH));
  const longest = Math.min(LETTERS, Math.max(0, ...part.card.terminals.map(({ label }) => label.length)));
  return Math.max(size, (part.card.terminals.length + 1) * Math.max(PIN_WIDTH, longest * LETTER + 0.6));
}

/** @param stands where the items are */
export function dockParts(problem: LayoutProblem, stands: readonly (Stand | null)[]): Docked[] {
  const { boards, loose } = problem;
  const rows = Math.max(20, ...boards.map(({ grid }) => grid.rows));
  const below = Math.max(0, boards.length - 1) * BOARD_STEP + BOARD_HEIGHT;
  const { over, under } = overhang(problem, stands, below);
  const wishes = loose.map((part, i) => ({
    part,
    i,
    width: widthOf(part),
    ...wishOf(problem, stands, part, rows, below),
  }));
  const docked: Docked[] = [];
  for (const up of [true, false]) {
    const list = wishes.filter(({ y }) => y < below / 2 === up).toSorted((a, b) => a.x - b.x || a.i - b.i);
    let lane = 0;
    let rest = list;
    while (rest.length > 0) {
      const { taken, left } = fillLane(rest, rows);
      for (const { part, width, at } of taken) {
        const from = AWAY + lane * (DEPTH + 1.6 * GAP);
        const top = up ? -over - from - DEPTH : below + under + from;
        docked.push({ part: part.id, box: { left: at, right: at + width, top, bottom: top + DEPTH } });
      }
      rest = left;
      lane += 1;
    }
  }
  return docked;
}

/** How far parts in the boards stick out over their upper and lower edge. */
function overhang(problem: LayoutProblem, stands: readonly (Stand | null)[], below: number) {
  const boxes = stands.flatMap((stand) => (stand ? [stand.box] : []));
  const beyond = (of: (box: Box) => number) => Math.max(0, ...boxes.map(of)) - (problem.boards.length > 0 ? EDGE : 0);
  return {
    over: Math.max(
      0,
      beyond(({ top }) => -top),
    ),
    under: Math.max(
      0,
      beyond(({ bottom }) => bottom - below),
    ),
  };
}

/** Puts parts side by side, each as near to its wish as the others leave it; what is too much goes to the next lane. */
function fillLane<T extends { x: number; width: number }>(list: readonly T[], rows: number) {
  const taken: (T & { at: number })[] = [];
  const left: T[] = [];
  let used = 0;
  for (const wish of list) {
    if (used > 0 && used + wish.width > rows + 2 * BEYOND) left.push(wish);
    else {
      used += wish.width + GAP;
      taken.push({ ...wish, at: 0 });
    }
  }
  let end = 1 - BEYOND;
  for (const wish of taken) {
    wish.at = Math.max(end, wish.x - wish.width / 2);
    end = wish.at + wish.width + GAP;
  }
  // Back from the right end, so that nothing hangs over it.
  let most = rows + BEYOND;
  for (const wish of taken.toReversed()) {
    wish.at = Math.min(wish.at, most - wish.width);
    most = wish.at - GAP;
  }
  return { taken, left };
}

/** The middle of the pins that a part is joined with; without any, the end at which the supply comes in. */
function wishOf(
  problem: LayoutProblem,
  stands: readonly (Stand | null)[],
  part: PartNode,
  rows: number,
  below: number,
) {
  const places: Point[] = [];
  for (const work of problem.works) {
    if (work.strips.length > 0 || !work.loose.some((pins) => pins.some((pin) => pin.part === part.id))) continue;
    const node = problem.works.indexOf(work);
    problem.items.forEach(({ nodes }, item) =>
      nodes.forEach((n, pin) => {
        const hole = stands[item]?.pins[pin];
        if (n === node && hole !== undefined) places.push(problem.field.hole(hole));
      }),
    );
  }
  if (places.length === 0) {
    const source = part.card.kind === 'source';
    return { x: source ? 0 : rows / 2, y: source ? 0 : below };
  }
  const mean = (of: (p: Point) => number) => places.reduce((sum, p) => sum + of(p), 0) / places.length;
  return { x: mean(({ x }) => x), y: mean(({ y }) => y) };
}

/** Where a terminal of a docked part is, on the edge that looks to the boards. */
export function terminalPlace(part: PartNode, box: Box, terminal: string): Point {
  const index = Math.max(
    0,
    part.card.terminals.findIndex(({ id }) => id === terminal),
  );
  const step = (box.right - box.left) / (part.card.terminals.length + 1);
  return { x: box.left + step * (index + 1), y: box.top < 0 ? box.bottom : box.top };
}
