/**
 * A problem with most of what choices compete for left out: what it will cost at least, and what each choice would take
 * if nothing else mattered.
 */
import { Assignment } from '../assignment.ts';
import type { Block } from './block.ts';
import { lowerBound } from './bound.ts';
import type { State } from './state.ts';

export interface Relaxed {
  /** No solution below this state costs less. */
  readonly bound: number;
  /** What each choice would take: its cheapest, or what the assignment gives it. To be asked in the same state. */
  readonly wishes: () => Int32Array;
  /** The block's assignment; null where the problem has no block. */
  readonly matched: Matched | null;
}

/** @param before the same for a state with more options left @returns null where nothing is possible */
export function relax(state: State, before: Relaxed | null): Relaxed | null {
  const { block } = state.p;
  const matched = block && (before?.matched ? rematch(block, state, before.matched) : match(block, state));
  if (block && !matched) return null;
  const best = cheapest(state);
  const wishes = () => {
    const wished = best.slice();
    matched?.assignment.columns.forEach((column, i) => {
      const c = block?.rows[i] ?? 0;
      if (block) wished[c] = optionOn(block, state, c, column);
    });
    return wished;
  };
  return { bound: lowerBound(state, best, matched?.assignment.total ?? 0), wishes, matched };
}

/** The cheapest option that is left of every choice, by choice. */
function cheapest(state: State): Int32Array {
  const { p, alive } = state;
  const best = new Int32Array(p.choices).fill(-1);
  for (let c = 0; c < p.choices; c++)
    for (let o = p.first[c] ?? 0; o < (p.first[c + 1] ?? 0); o++)
      if (alive[o] && ((best[c] ?? -1) < 0 || (p.cost[o] ?? 0) < (p.cost[best[c] ?? 0] ?? 0))) best[c] = o;
  return best;
}

/** What each column costs a row now; Infinity where no option that is left takes it. */
function rowCosts(block: Block, { p, alive }: State, c: number): Float64Array {
  const row = new Float64Array(block.width).fill(Infinity);
  for (let o = p.first[c] ?? 0; o < (p.first[c + 1] ?? 0); o++) {
    const j = block.column[o] ?? -1;
    if (alive[o] && j >= 0 && (p.cost[o] ?? Infinity) < (row[j] ?? Infinity)) row[j] = p.cost[o] ?? Infinity;
  }
  return row;
}

/** Rows of the last solution beside the number of options that were left of each. */
interface Matched {
  readonly assignment: Assignment;
  readonly left: Int32Array;
}

function match(block: Block, state: State): Matched | null {
  const assignment = Assignment.solve(block.rows.map((c) => rowCosts(block, state, c)));
  return assignment && { assignment, left: Int32Array.from(block.rows, (c) => state.left[c] ?? 0) };
}

/** The block solved again after options were lost: only rows that lost some are looked at. */
function rematch(block: Block, state: State, before: Matched): Matched | null {
  const changes: [number, Float64Array][] = [];
  const left = before.left.slice();
  block.rows.forEach((c, i) => {
    if (state.left[c] === before.left[i]) return;
    left[i] = state.left[c] ?? 0;
    changes.push([i, rowCosts(block, state, c)]);
  });
  if (changes.length === 0) return before;
  const assignment = before.assignment.restrict(changes);
  return assignment && { assignment, left };
}

/** The cheapest option that is left of a choice on a column. */
function optionOn(block: Block, { p, alive }: State, c: number, column: number): number {
  let best = -1;
  for (let o = p.first[c] ?? 0; o < (p.first[c + 1] ?? 0); o++)
    if (alive[o] && block.column[o] === column && (best < 0 || (p.cost[o] ?? 0) < (p.cost[best] ?? 0))) best = o;
  return best;
}
