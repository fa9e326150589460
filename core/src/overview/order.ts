/** The order of the places: so that the lines, each of which runs to its last place, are short together. */

/** Up to so many places every order is weighed; beyond, the best next one is taken each time. */
const EXACT = 14;

/**
 * The least sum over rows of how many columns each runs through. A set of columns that stand first costs one step for each row that has
 * a column among those that do not; the order of those that do makes no difference to that, so sets are enough (dynamic programming
 * over subsets, Held and Karp 1962, quoted from memory).
 * @param rows the columns that each row has parts in, by their index
 * @returns the indexes in the order in which they stand
 */
export function columnOrder(columns: number, rows: readonly (readonly number[])[]): number[] {
  const used = rows.filter((row) => row.length > 0);
  return columns > EXACT
    ? greedy(columns, used)
    : exact(
        columns,
        used.map((row) => row.reduce((mask, at) => mask | (1 << at), 0)),
      );
}

/** Rows that go on beyond a set of columns. */
const open = (masks: readonly number[], set: number): number => masks.filter((mask) => (mask & ~set) !== 0).length;

function exact(columns: number, masks: readonly number[]): number[] {
  const all = (1 << columns) - 1;
  const best = new Float64Array(all + 1).fill(Infinity);
  const last = new Int8Array(all + 1).fill(-1);
  best[0] = 0;
  for (let set = 0; set <= all; set++) {
    const cost = (best[set] ?? Infinity) + open(masks, set);
    for (let at = 0; at < columns; at++) {
      const next = set | (1 << at);
      if (next === set || cost >= (best[next] ?? Infinity)) continue;
      best[next] = cost;
      last[next] = at;
    }
  }
  const order: number[] = [];
  for (let set = all; set !== 0;) {
    const at = last[set] ?? 0;
    order.unshift(at);
    set &= ~(1 << at);
  }
  return order;
}

function greedy(columns: number, rows: readonly (readonly number[])[]): number[] {
  const order: number[] = [];
  const left = new Set(Array.from({ length: columns }, (_, at) => at));
  while (left.size > 0) {
    const ends = (next: number) => rows.filter((row) => row.every((at) => at === next || !left.has(at))).length;
    const [next = 0] = [...left].sort((a, b) => ends(b) - ends(a) || a - b);
    order.push(next);
    left.delete(next);
  }
  return order;
}
