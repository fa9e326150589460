/** Lays a build out: places, then leads, several times from different beginnings, and takes the best. */
import type { Circuit } from '../circuit/model.ts';
import { randomFrom } from '../quantity/random.ts';
import { dockParts } from './dock.ts';
import { finish } from './finish.ts';
import type { Layout, LayoutProgress, LayoutResult } from '../circuit/laid.ts';
import { anneal, firstPlaces } from './place.ts';
import { Placing } from './placing.ts';
import { layoutProblem, type LayoutProblem } from './problem.ts';
import { NoRoom } from './hubs.ts';
import { Router } from './route.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface LayoutLaySays {
  readonly thereNoRoomPins: { label: Text };
  readonly noFreeRowOr: { label: Text };
}

const tell = tells<LayoutLaySays>('layout/lay');

/** Beginnings that are tried, and moves for each: so many, and so many more per part. */
const STARTS = 4;
const STARTS_SMALL = 8;
/** Parts on the boards up to which there are as many. */
const SMALL = 8;
/** While none has led to a layout, so many. */
const MAX_STARTS = 12;
const MOVES = 1500;
const MOVES_EACH = 700;
/** What a crossing counts, m of lead. */
const CROSSING = 0.004;
const SEED = 7;

const scoreOf = ({ length, crossings }: Layout): number => length + crossings * CROSSING;

/** The controller first, then the largest; later beginnings shuffle what follows the controller. */
function orderOf(problem: LayoutProblem, start: number, random: () => number): number[] {
  const controller = problem.circuit.controller?.id;
  const weight = (i: number) => {
    const item = problem.items[i];
    if (!item) return 0;
    return (
      (item.pinned ? 1e6 : 0) +
      (item.part === controller ? 1e4 : 0) +
      item.nodes.length +
      (start > 0 ? random() * 12 : 0)
    );
  };
  return problem.items
    .map((_, i) => ({ i, weight: weight(i) }))
    .toSorted((a, b) => b.weight - a.weight || a.i - b.i)
    .map(({ i }) => i);
}

const noRoom = (problem: LayoutProblem, part: string): LayoutResult => {
  const label = problem.circuit.parts.get(part)?.label ?? part;
  return {
    ok: false,
    why: {
      says: tell('thereNoRoomPins', { label }),
      parts: [part],
    },
  };
};

/**
 * Always the same layout for the same circuit: seeds and numbers of moves are fixed, the clock plays no part.
 * Yields how far it is.
 * @param most beginnings that are tried while the first have led to a layout
 */
export function* layoutSteps(circuit: Circuit, most = STARTS_SMALL): Generator<LayoutProgress, LayoutResult> {
  const problem = layoutProblem(circuit);
  const random = randomFrom(SEED);
  let best: Layout | null = null;
  let failed: LayoutResult | null = null;
  const free = problem.items.filter(({ stands }) => stands.length > 1).length;
  const starts = free === 0 ? 1 : Math.min(most, free > SMALL ? STARTS : STARTS_SMALL);
  for (let start = 0; start < starts || (!best && start < MAX_STARTS); start++) {
    const placing = new Placing(problem);
    const stuck = firstPlaces(placing, orderOf(problem, start, random), start % 2 === 1);
    if (stuck !== null) {
      // Another beginning finds another way, unless there is nothing to choose.
      failed ??= noRoom(problem, problem.items[stuck]?.part ?? '');
      continue;
    }
    const stands = anneal(placing, MOVES + MOVES_EACH * free, random);
    const docked = dockParts(problem, stands);
    try {
      const layout = finish(problem, stands, docked, new Router(problem, stands, docked).route());
      if (!best || scoreOf(layout) < scoreOf(best) - 1e-9) best = layout;
    } catch (error) {
      if (!(error instanceof NoRoom)) throw error;
      const label = problem.netlist.nodes.find(({ id }) => id === error.node)?.label ?? error.node;
      failed ??= {
        ok: false,
        why: { says: tell('noFreeRowOr', { label }), parts: [] },
      };
    }
    yield { share: Math.min(1, (start + 1) / starts), length: best?.length ?? null };
  }
  if (best) return { ok: true, layout: best };
  return failed ?? noRoom(problem, problem.items[0]?.part ?? '');
}

/** The layout at once. @param most beginnings that are tried */
export function layBuild(circuit: Circuit, most?: number): LayoutResult {
  const steps = layoutSteps(circuit, most);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
