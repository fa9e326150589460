/** The part of a problem that is an assignment: choices that each take one resource of a kind, as lines take pins. */
import type { Problem } from './problem.ts';

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
 * @param first first option of each choice; one entry more at the end
 * @returns null where fewer than two choices do
 */
export function blockOf({ choices, resources }: Problem, first: Int32Array): Block | null {
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
  const column = new Int32Array(first.at(-1) ?? 0).fill(-1);
  let width = columns.size;
  for (const c of rows) {
    let own = -1;
    ofKind(kind, c).forEach((uses, k) => {
      const [use] = uses;
      if (!use && own < 0) own = width++;
      column[(first[c] ?? 0) + k] = use ? (columns.get(use.resource) ?? -1) : own;
    });
  }
  return { rows, rowOf: new Map(rows.map((c, i) => [c, i])), width: Math.max(width, rows.length), column };
}
