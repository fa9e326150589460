/**
 * The cheapest way to give every row a column of its own: shortest augmenting paths with potentials (the Hungarian
 * method as Jonker and Volgenant refined it), O(rows × columns²). Rows that cost nothing anywhere fill the matrix to
 * a square, so that a solved assignment can be taken up again when costs rise.
 */
export class Assignment {
  private constructor(
    private readonly costs: readonly Float64Array[],
    private readonly real: number,
    private readonly rowPotential: Float64Array,
    private readonly columnPotential: Float64Array,
    /** Row that has a column, counted from 1; 0 while it is free. */
    private readonly owner: Int32Array,
  ) {}

  /**
   * @param costs one row per thing to place, all of one length; Infinity where it may not go
   * @returns null when not every row can have a column
   */
  static solve(costs: readonly Float64Array[]): Assignment | null {
    const width = costs[0]?.length ?? 0;
    if (costs.length > width) return null;
    const padded = [...costs, ...Array.from({ length: width - costs.length }, () => new Float64Array(width))];
    const solved = new Assignment(
      padded,
      costs.length,
      new Float64Array(width + 1),
      new Float64Array(width + 1),
      new Int32Array(width + 1),
    );
    return solved.begin().every((row) => solved.augment(row)) ? solved : null;
  }

  /**
   * The assignment after some rows became dearer. Potentials stay valid when costs only rise, so just the rows that
   * stand on a column they may no longer have are placed anew.
   * @param changes row (from 0) and its new costs, nowhere below the old ones
   */
  restrict(changes: readonly (readonly [row: number, costs: Float64Array])[]): Assignment | null {
    const costs = [...this.costs];
    for (const [row, dearer] of changes) costs[row] = dearer;
    const next = new Assignment(
      costs,
      this.real,
      this.rowPotential.slice(),
      this.columnPotential.slice(),
      this.owner.slice(),
    );
    const lost: number[] = [];
    for (const [row, dearer] of changes) {
      const column = next.owner.indexOf(row + 1, 1);
      if (dearer[column - 1] === this.costs[row]?.[column - 1]) continue;
      next.owner[column] = 0;
      lost.push(row + 1);
    }
    return lost.every((row) => next.augment(row)) ? next : null;
  }

  /** The column of each row. */
  get columns(): number[] {
    const columns = new Array<number>(this.real).fill(-1);
    this.owner.forEach((row, j) => {
      if (j > 0 && row > 0 && row <= this.real) columns[row - 1] = j - 1;
    });
    return columns;
  }

  get total(): number {
    return this.columns.reduce((sum, column, row) => sum + (this.costs[row]?.[column] ?? Infinity), 0);
  }

  /**
   * First potentials - the least of each column, then what that leaves of each row - and every row on a column that
   * these make free of cost, while one is left.
   * @returns the rows still to be placed, from 1
   */
  private begin(): number[] {
    const { costs, real, rowPotential, columnPotential, owner } = this;
    const width = owner.length - 1;
    for (let j = 1; j <= width; j++) {
      let least = Infinity;
      for (let i = 0; i < real; i++) least = Math.min(least, costs[i]?.[j - 1] ?? Infinity);
      columnPotential[j] = Number.isFinite(least) ? least : 0;
    }
    const left: number[] = [];
    costs.forEach((row, i) => {
      let least = Infinity;
      for (let j = 1; j <= width; j++) least = Math.min(least, (row[j - 1] ?? Infinity) - (columnPotential[j] ?? 0));
      rowPotential[i + 1] = Number.isFinite(least) ? least : 0;
      const column = row.findIndex((cost, j) => owner[j + 1] === 0 && cost - (columnPotential[j + 1] ?? 0) === least);
      if (column >= 0 && Number.isFinite(least)) owner[column + 1] = i + 1;
      else left.push(i + 1);
    });
    return left;
  }

  /** Finds the cheapest path from a row to a free column and turns it over. */
  private augment(row: number): boolean {
    const { owner, rowPotential, columnPotential, costs } = this;
    const width = owner.length - 1;
    const least = new Float64Array(width + 1).fill(Infinity);
    const way = new Int32Array(width + 1);
    const used = new Uint8Array(width + 1);
    owner[0] = row;
    let column = 0;
    do {
      used[column] = 1;
      const at = owner[column] ?? 0;
      const rowCosts = costs[at - 1];
      const offset = rowPotential[at] ?? 0;
      let delta = Infinity;
      let next = -1;
      for (let j = 1; j <= width; j++) {
        if (used[j]) continue;
        const reduced = (rowCosts?.[j - 1] ?? Infinity) - offset - (columnPotential[j] ?? 0);
        if (reduced < (least[j] ?? Infinity)) {
          least[j] = reduced;
          way[j] = column;
        }
        if ((least[j] ?? Infinity) < delta) {
          delta = least[j] ?? Infinity;
          next = j;
        }
      }
      if (next < 0) return false; // everything left costs Infinity
      for (let j = 0; j <= width; j++) {
        if (used[j]) {
          rowPotential[owner[j] ?? 0] = (rowPotential[owner[j] ?? 0] ?? 0) + delta;
          columnPotential[j] = (columnPotential[j] ?? 0) - delta;
        } else least[j] = (least[j] ?? Infinity) - delta;
      }
      column = next;
    } while ((owner[column] ?? 0) !== 0);
    do {
      const previous = way[column] ?? 0;
      owner[column] = owner[previous] ?? 0;
      column = previous;
    } while (column !== 0);
    return true;
  }
}

/** Solves once. @returns the column of each row and the sum, or null when there is no way */
export function assign(cost: readonly (readonly number[])[]): { columns: number[]; total: number } | null {
  if (cost.length === 0) return { columns: [], total: 0 };
  const solved = Assignment.solve(cost.map((row) => Float64Array.from(row)));
  return solved && { columns: solved.columns, total: solved.total };
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
