/** The partial sets that have decided the same needs, without those that another makes needless. */
import { dominates } from './dominance.ts';
import type { Later } from './later.ts';
import type { Partial } from './partial.ts';

/** Comparisons of figures between two breaths, and how many of them one comparison of all else is worth. */
const BREATH = 4_000_000;
const DEEP = 100;

/** Figures that are compared before anything else, in one row of numbers. */
const WIDTH = 8;

function row(state: Partial): number[] {
  const { goods, current, error, rows, arrival, buses, coils, lines } = state.is;
  return [goods, current, error, rows, arrival, buses, coils, lines];
}

/**
 * Only a cheaper state can make another needless, so states are looked at in the order of their goods, and each is
 * held against those that stayed before it.
 * @param tick called now and then, so that the search can take a breath
 */
export function* undominated(states: readonly Partial[], later: Later): Generator<number, Partial[]> {
  const sorted = states
    .map((state) => ({ state, numbers: row(state) }))
    .sort((a, b) => {
      for (let i = 0; i < WIDTH; i++) {
        const d = (a.numbers[i] ?? 0) - (b.numbers[i] ?? 0);
        if (d !== 0) return d;
      }
      return 0;
    });
  const kept: Partial[] = [];
  let table = new Float64Array(1024 * WIDTH);
  let compared = 0;
  next: for (const { state, numbers } of sorted) {
    compared += kept.length;
    if (compared > BREATH) {
      compared = 0;
      yield kept.length;
    }
    const [goods = 0, current = 0, error = 0, rows = 0, arrival = 0, buses = 0, coils = 0, lines = 0] = numbers;
    for (let k = 0, at = 0; k < kept.length; k++, at += WIDTH) {
      if (
        (table[at] ?? 0) > goods ||
        (table[at + 1] ?? 0) > current ||
        (table[at + 2] ?? 0) > error ||
        (table[at + 3] ?? 0) > rows ||
        (table[at + 4] ?? 0) > arrival ||
        (table[at + 5] ?? 0) > buses ||
        (table[at + 6] ?? 0) > coils ||
        (table[at + 7] ?? 0) > lines
      )
        continue;
      const other = kept[k];
      compared += DEEP;
      if (other && dominates(other, state, later)) continue next;
    }
    if ((kept.length + 1) * WIDTH > table.length) {
      const larger = new Float64Array(table.length * 2);
      larger.set(table);
      table = larger;
    }
    table.set(numbers, kept.length * WIDTH);
    kept.push(state);
  }
  return kept;
}
