/**
 * The cheapest way to give every row a column of its own. Shortest augmenting paths with potentials (the
 * Hungarian method as Jonker and Volgenant refined it), O(rows² × columns).
 * @param cost one row per thing to place; Infinity where it may not go. Not more rows than columns.
 * @returns the column of each row, or null when no complete assignment exists
 */
export function assign(cost: readonly (readonly number[])[]): { columns: number[]; total: number } | null {
  const rows = cost.length;
  const width = cost[0]?.length ?? 0;
  if (rows === 0) return { columns: [], total: 0 };
  if (rows > width) return null;
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(width + 1);
  const rowOf = new Int32Array(width + 1); // 0: free
  const way = new Int32Array(width + 1);
  for (let row = 1; row <= rows; row++) {
    rowOf[0] = row;
    const least = new Float64Array(width + 1).fill(Infinity);
    const used = new Uint8Array(width + 1);
    let column = 0;
    do {
      used[column] = 1;
      const at = rowOf[column] ?? 0;
      const costs = cost[at - 1] ?? [];
      let delta = Infinity;
      let next = -1;
      for (let j = 1; j <= width; j++) {
        if (used[j]) continue;
        const reduced = (costs[j - 1] ?? Infinity) - (rowPotential[at] ?? 0) - (columnPotential[j] ?? 0);
        if (reduced < (least[j] ?? Infinity)) {
          least[j] = reduced;
          way[j] = column;
        }
        if ((least[j] ?? Infinity) < delta) {
          delta = least[j] ?? Infinity;
          next = j;
        }
      }
      if (next < 0) return null; // everything left costs Infinity
      for (let j = 0; j <= width; j++) {
        if (used[j]) {
          rowPotential[rowOf[j] ?? 0] = (rowPotential[rowOf[j] ?? 0] ?? 0) + delta;
          columnPotential[j] = (columnPotential[j] ?? 0) - delta;
        } else least[j] = (least[j] ?? Infinity) - delta;
      }
      column = next;
    } while ((rowOf[column] ?? 0) !== 0);
    do {
      const previous = way[column] ?? 0;
      rowOf[column] = rowOf[previous] ?? 0;
      column = previous;
    } while (column !== 0);
  }
  const columns = new Array<number>(rows).fill(-1);
  for (let j = 1; j <= width; j++) if ((rowOf[j] ?? 0) > 0) columns[(rowOf[j] ?? 0) - 1] = j - 1;
  const total = columns.reduce((sum, j, i) => sum + (cost[i]?.[j] ?? Infinity), 0);
  return { columns, total };
}

/**
 * When rows cannot all be placed: a smallest set of rows, found by growing an alternating tree, that has fewer
 * columns between them than it has rows (Hall's condition). Empty when all can be placed.
 */
export function crowded(cost: readonly (readonly number[])[]): number[] {
  const owner = new Map<number, number>();
  const open = (row: number) => (cost[row] ?? []).flatMap((c, j) => (Number.isFinite(c) ? [j] : []));
  const place = (row: number, seen: Set<number>, rows: Set<number>): boolean => {
    rows.add(row);
    for (const column of open(row)) {
      if (seen.has(column)) continue;
      seen.add(column);
      const holder = owner.get(column);
      if (holder === undefined || place(holder, seen, rows)) {
        owner.set(column, row);
        return true;
      }
    }
    return false;
  };
  let found: number[] | null = null;
  for (let row = 0; row < cost.length; row++) {
    const rows = new Set<number>();
    if (!place(row, new Set(), rows) && (!found || rows.size < found.length)) found = [...rows].sort((a, b) => a - b);
  }
  return found ?? [];
}
