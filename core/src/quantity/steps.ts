import { perKey, perOwner } from './memo.ts';

/**
 * Values over time that change in steps and repeat: what a part draws in the course of its rounds. Times are seconds,
 * values any one unit.
 */
export interface Steps {
  /** After which it begins again, s; 0 for a value that never changes. */
  readonly period: number;
  /** Beginnings of the steps within one period, rising from 0. */
  readonly at: readonly number[];
  /** Value from each beginning on. */
  readonly value: readonly number[];
}

/** Periods are met on this grid, s: nobody schedules a sensor finer. */
const GRID = 1e-3;
const GRAIN = GRID / 1e6;
/** More steps than this in one period are not laid out. */
export const MAX_STEPS = 100_000;

export const steady = perKey(5000, (value: number): Steps => ({ period: 0, at: [0], value: [value] }));

export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly value: number;
}

/**
 * Pieces of one round over a value for the rest of it. A piece that runs over the end goes on at the beginning; where
 * two overlap the higher value holds.
 * @throws RangeError for a period that is not positive
 */
export function round(period: number, rest: number, pieces: readonly Stretch[]): Steps {
  if (!(period > 0)) throw new RangeError(`expected a positive period, found ${period}`);
  const cut = pieces
    .filter(({ from, to }) => to > from)
    .flatMap(({ from, to, value }): Stretch[] => {
      if (to - from >= period) return [{ from: 0, to: period, value }];
      const a = from % period;
      const b = a + (to - from);
      return b <= period
        ? [{ from: a, to: b, value }]
        : [
            { from: a, to: period, value },
            { from: 0, to: b - period, value },
          ];
    });
  const edges = [...new Set([0, ...cut.flatMap(({ from, to }) => [from, to])])]
    .filter((t) => t < period)
    .sort((a, b) => a - b);
  const value = edges.map((t) => {
    const here = cut.filter(({ from, to }) => from <= t && t < to).map((piece) => piece.value);
    return here.length > 0 ? Math.max(...here) : rest;
  });
  return { period, at: edges, value };
}

const ticks = (seconds: number): number => Math.max(1, Math.round(seconds / GRID));
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** Mean over one period. */
export const mean = (steps: Steps): number => (steps.period === 0 ? (steps.value[0] ?? 0) : meanOf(steps));
const meanOf = perOwner(
  ({ period, at, value }: Steps): number =>
    at.reduce((sum, t, i) => sum + (value[i] ?? 0) * ((at[i + 1] ?? period) - t), 0) / period,
);

export const highest = (steps: Steps): number => (steps.value.length === 1 ? (steps.value[0] ?? 0) : highestOf(steps));
const highestOf = perOwner(({ value }: Steps): number => value.reduce((a, b) => Math.max(a, b), -Infinity));

export const lowest = ({ value }: Steps): number => value.reduce((a, b) => Math.min(a, b), Infinity);

/** The value at a time. */
export function valueAt({ period, at, value }: Steps, t: number): number {
  if (period === 0) return value[0] ?? 0;
  const inside = t - Math.floor(t / period) * period;
  let low = 0;
  let high = at.length - 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((at[middle] ?? 0) <= inside) low = middle;
    else high = middle - 1;
  }
  return value[low] ?? 0;
}

/** Every value changed alike; an order of values that the change keeps is kept. */
export const mapSteps = (steps: Steps, change: (value: number) => number): Steps => ({
  ...steps,
  value: steps.value.map(change),
});

export interface Sum {
  readonly steps: Steps;
  /** Periods that found no common one within reach: their values went in as `fold` says. */
  readonly folded: readonly number[];
}

/**
 * The sum over the shortest time after which all begin again together. Periods with which that would take more than
 * MAX_STEPS steps are taken as one value: their mean, or their highest.
 */
export function sumSteps(list: readonly Steps[], fold: 'mean' | 'highest'): Sum {
  let base = 0;
  const periodic: Steps[] = [];
  for (const steps of list) {
    if (steps.period === 0 || steps.at.length < 2) base += steps.value[0] ?? 0;
    else periodic.push(steps);
  }
  const folded: number[] = [];
  let common = 1;
  const kept: Steps[] = [];
  // The longest period first: what is rare and high is what must not be smeared.
  for (const steps of periodic.toSorted((a, b) => b.period - a.period)) {
    const next = leastCommon(common, ticks(steps.period));
    const count = [...kept, steps].reduce((n, { at, period }) => n + (at.length * next) / ticks(period), 0);
    if (count > MAX_STEPS) {
      folded.push(steps.period);
      base += fold === 'mean' ? mean(steps) : highest(steps);
      continue;
    }
    common = next;
    kept.push(steps);
  }
  // The shortest period first: what begins again most often is added up before it is laid out over the long ones.
  const sum = kept.reduceRight<Steps | null>((total, steps) => (total ? added(total, steps) : steps), null);
  return { steps: sum ? mapSteps(sum, (value) => value + base) : steady(base), folded };
}

const leastCommon = (a: number, b: number): number => (a / gcd(a, b)) * b;

/** Two that repeat, over the shortest time after which both begin again. */
function added(a: Steps, b: Steps): Steps {
  const common = leastCommon(ticks(a.period), ticks(b.period));
  const [roundsA, roundsB] = [common / ticks(a.period), common / ticks(b.period)];
  const [lengthA, lengthB] = [ticks(a.period) * GRID, ticks(b.period) * GRID];
  const [countA, countB] = [a.at.length * roundsA, b.at.length * roundsB];
  const at: number[] = [];
  const value: number[] = [];
  let [i, k] = [0, 0];
  let [nowA, nowB] = [a.value.at(-1) ?? 0, b.value.at(-1) ?? 0];
  while (i < countA || k < countB) {
    const stepA = i % a.at.length;
    const stepB = k % b.at.length;
    const ta = i < countA ? ((i - stepA) / a.at.length) * lengthA + (a.at[stepA] ?? 0) : Infinity;
    const tb = k < countB ? ((k - stepB) / b.at.length) * lengthB + (b.at[stepB] ?? 0) : Infinity;
    const t = Math.min(ta, tb);
    // Two that begin within a grain of the grid begin together.
    if (ta - t < GRAIN) {
      nowA = a.value[stepA] ?? 0;
      i += 1;
    }
    if (tb - t < GRAIN) {
      nowB = b.value[stepB] ?? 0;
      k += 1;
    }
    at.push(t);
    value.push(nowA + nowB);
  }
  return { period: common * GRID, at, value };
}
