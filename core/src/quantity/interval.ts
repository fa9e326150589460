/**
 * A figure known within bounds: every value between `min` and `max` is possible, `typ` is the usual one.
 * All three are plain SI numbers of one unit. Sums over intervals give the worst cases of both ends.
 */
export interface Interval {
  readonly min: number;
  readonly typ: number;
  readonly max: number;
}

/**
 * @throws RangeError when a bound is not a number or min > max
 * @example interval(2.7, 3.3, 5.5).max === 5.5
 */
export function interval(min: number, typ: number, max: number): Interval {
  if (Number.isNaN(min) || Number.isNaN(typ) || Number.isNaN(max)) throw new RangeError('an interval needs numbers');
  if (min > max) throw new RangeError(`minimum ${min} is above maximum ${max}`);
  return { min, typ: Math.min(Math.max(typ, min), max), max };
}

/** A value without spread. */
export const exact = (value: number): Interval => interval(value, value, value);

/** @example spread(100, 0.05) is 95 to 105 around 100 */
export function spread(nominal: number, tolerance: number): Interval {
  const half = Math.abs(nominal) * tolerance;
  return interval(nominal - half, nominal, nominal + half);
}

export const add = (a: Interval, b: Interval): Interval => interval(a.min + b.min, a.typ + b.typ, a.max + b.max);

export const subtract = (a: Interval, b: Interval): Interval => interval(a.min - b.max, a.typ - b.typ, a.max - b.min);

export function multiply(a: Interval, b: Interval): Interval {
  const ends = [a.min * b.min, a.min * b.max, a.max * b.min, a.max * b.max];
  return interval(Math.min(...ends), a.typ * b.typ, Math.max(...ends));
}

/** @throws RangeError when the divisor may be zero */
export function divide(a: Interval, b: Interval): Interval {
  if (b.min <= 0 && b.max >= 0) throw new RangeError('the divisor may be zero');
  const ends = [a.min / b.min, a.min / b.max, a.max / b.min, a.max / b.max];
  return interval(Math.min(...ends), a.typ / b.typ, Math.max(...ends));
}

/**
 * Resistors side by side, in ohms. Each bound is exact because the parallel value rises with every resistor.
 * @throws RangeError for an empty list
 * @example parallel([exact(10e3), exact(10e3)]).typ === 5000
 */
export function parallel(resistors: readonly Interval[]): Interval {
  if (resistors.length === 0) throw new RangeError('no resistor to put in parallel');
  const of = (pick: (r: Interval) => number) => 1 / resistors.reduce((g, r) => g + 1 / pick(r), 0);
  return interval(
    of((r) => r.min),
    of((r) => r.typ),
    of((r) => r.max),
  );
}

/** True when `inner` lies wholly inside `outer`. */
export const within = (inner: Interval, outer: Interval): boolean => inner.min >= outer.min && inner.max <= outer.max;
