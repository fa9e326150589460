/** Resistance between any two nodes of a network of conductances, all from one solution. */

/** Keeps what nothing is joined to from making the sums insoluble, S: far below what a meter tells from an open lead. */
const LOOSE = 1e-12;

/** The inverse of the conductances gives every pair: R = Zaa + Zbb − Zab − Zba. */
export class PairOhms {
  private readonly inverse: Float64Array;

  /** @param siemens nodes × nodes, row by row, overwritten */
  constructor(
    siemens: Float64Array,
    readonly nodes: number,
  ) {
    for (let i = 0; i < nodes; i++) siemens[i * nodes + i] = (siemens[i * nodes + i] ?? 0) + LOOSE;
    this.inverse = invert(siemens, nodes);
  }

  between(a: number, b: number): number {
    if (a === b) return 0;
    const { inverse: z, nodes: n } = this;
    const ohms = (z[a * n + a] ?? 0) + (z[b * n + b] ?? 0) - (z[a * n + b] ?? 0) - (z[b * n + a] ?? 0);
    return ohms > 1 / LOOSE / 100 ? Infinity : Math.max(0, ohms);
  }
}

/** By Gauss and Jordan; the diagonal of conductances is the largest of its row, so that no pivots are needed. */
function invert(g: Float64Array, n: number): Float64Array {
  const z = new Float64Array(n * n);
  for (let i = 0; i < n; i++) z[i * n + i] = 1;
  for (let k = 0; k < n; k++) {
    const pivot = 1 / (g[k * n + k] ?? 1);
    for (let j = 0; j < n; j++) {
      g[k * n + j] = (g[k * n + j] ?? 0) * pivot;
      z[k * n + j] = (z[k * n + j] ?? 0) * pivot;
    }
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const factor = g[i * n + k] ?? 0;
      if (factor === 0) continue;
      for (let j = 0; j < n; j++) {
        g[i * n + j] = (g[i * n + j] ?? 0) - factor * (g[k * n + j] ?? 0);
        z[i * n + j] = (z[i * n + j] ?? 0) - factor * (z[k * n + j] ?? 0);
      }
    }
  }
  return z;
}
