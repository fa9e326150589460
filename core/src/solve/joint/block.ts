/** The part of a problem that is an assignment: choices that each take one resource of a kind, as lines take pins. */
import { Assignment } from '../assignment.ts';
import type { Problem } from './problem.ts';
import type { State } from './state.ts';
import { type Compiled } from './state.ts';

export interface Block {
  /** Choices of the block, by their row. */
  readonly rows: readonly number[];
  readonly rowOf: ReadonlyMap<number, number>;
  readonly width: number;
  /** Column of each option of the block: its resource, or the row's own column for options that take none. */
  readonly column: Int32Array;
}

/**
 * The block of the kind of resource that most choices take one of.
 * @returns null where fewer than two choices do
 */
export function blockOf({ choices, resources }: Problem, p: Compiled): Block | null {
  const kinds = new Map<string, number>();
  const exclusive = resources.map(({ kind, capacity }) => (capacity === 1 ? kind : undefined));
  const ofKind = (kind: string, c: number) =>
    (choices[c]?.options ?? []).map(({ uses }) => uses.filter(({ resource }) => exclusive[resource] === kind));
  const fits = (kind: string, c: number) => {
    const taken = ofKind(kind, c);
    return (
      taken.every((uses) => uses.length <= 1 && uses.every(({ amount }) => amount === 1)) && taken.some((u) => u[0])
    );
  };
  for (const kind of new Set(exclusive)) {
    if (kind !== undefined) kinds.set(kind, choices.filter((_, c) => fits(kind, c)).length);
  }
  const [best] = [...kinds].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
  if (!best || best[1] < 2) return null;
  const [kind] = best;
  const columns = new Map<number, number>();
  exclusive.forEach((k, r) => k === kind && columns.set(r, columns.size));
  const rows = choices.flatMap((_, c) => (fits(kind, c) ? [c] : []));
  const column = new Int32Array(p.cost.length).fill(-1);
  let width = columns.size;
  for (const c of rows) {
    let own = -1;
    ofKind(kind, c).forEach((uses, k) => {
      const [use] = uses;
      if (!use && own < 0) own = width++;
      column[(p.first[c] ?? 0) + k] = use ? (columns.get(use.resource) ?? -1) : own;
    });
  }
  return { rows, rowOf: new Map(rows.map((c, i) => [c, i])), width: Math.max(width, rows.length), column };
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
export interface Matched {
  readonly assignment: Assignment;
  readonly left: Int32Array;
}

export function match(block: Block, state: State): Matched | null {
  const assignment = Assignment.solve(block.rows.map((c) => rowCosts(block, state, c)));
  return assignment && { assignment, left: Int32Array.from(block.rows, (c) => state.left[c] ?? 0) };
}

/** The block solved again after options were lost: only rows that lost some are looked at. */
export function rematch(block: Block, state: State, before: Matched): Matched | null {
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
export function optionOn(block: Block, { p, alive }: State, c: number, column: number): number {
  let best = -1;
  for (let o = p.first[c] ?? 0; o < (p.first[c + 1] ?? 0); o++)
    if (alive[o] && block.column[o] === column && (best < 0 || (p.cost[o] ?? 0) < (p.cost[best] ?? 0))) best = o;
  return best;
}
