/**
 * Preferred numbers for resistors. Source: IEC 60063 (quoted from memory). E6, E12 and E24 are tables, because
 * their historic values differ from the formula; E96 is 10^(n/96) rounded to three digits.
 */
export type SeriesName = 'E6' | 'E12' | 'E24' | 'E96';

const E24 = [
  1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1,
];

export const SERIES: Readonly<Record<SeriesName, readonly number[]>> = {
  E6: E24.filter((_, i) => i % 4 === 0),
  E12: E24.filter((_, i) => i % 2 === 0),
  E24,
  E96: Array.from({ length: 96 }, (_, n) => Number((10 ** (n / 96)).toPrecision(3))),
};

/**
 * Every series value from `low` to `high`, both in ohms and included.
 * @example seriesBetween('E12', 1000, 2000) is [1000, 1200, 1500, 1800]
 */
export function seriesBetween(series: SeriesName, low: number, high: number): number[] {
  if (!(low > 0) || !(high >= low)) return [];
  const values: number[] = [];
  for (let decade = Math.floor(Math.log10(low)); 10 ** decade <= high; decade++) {
    for (const step of SERIES[series]) {
      const value = Number((step * 10 ** decade).toPrecision(6));
      if (value >= low * (1 - 1e-9) && value <= high * (1 + 1e-9)) values.push(value);
    }
  }
  return values;
}

/** The smallest series value that is not below `ohms`. @example seriesAtLeast('E12', 141) === 150 */
export function seriesAtLeast(series: SeriesName, ohms: number): number {
  const found = seriesBetween(series, ohms, ohms * 10)[0];
  if (found === undefined) throw new RangeError(`no ${series} value at or above ${ohms} Ω`);
  return found;
}

/** The largest series value that is not above `ohms`; NaN below what resistors are made of. @example seriesAtMost('E12', 141) === 120 */
export function seriesAtMost(series: SeriesName, ohms: number): number {
  return seriesBetween(series, ohms / 10, ohms).at(-1) ?? NaN;
}
