/** Readings that are still on their way to a value, as those of a sensor of first order are after a step. */

export interface Settling {
  /** Where they go, in the unit of the readings. */
  readonly limit: number;
  /** s in which 63 % of what is left go by. */
  readonly tau: number;
  /** s after the last reading until no more than the error is left. */
  readonly done: number;
}

/** Fewer readings tell nothing. */
const LEAST = 9;
/** What a curve through all may be off, as a share of how far they went. */
const FITS = 0.02;
/** Of what went by in one third of the time the next sees this share: more is no end in sight, less is over. */
const RATIO = { least: 0.05, most: 0.72 } as const;
/** So many errors the readings went by at least: less may be the part's own. */
const WENT = 8;

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Where the first and the last two thirds of them would go may differ by this share of how far they went: more is another curve. */
const AGREES = 0.05;

/** The means of three equal stretches of such a curve come closer by the same share each time; this is where that ends. */
function limitOf(values: readonly number[]): { limit: number; share: number } | null {
  const third = Math.floor(values.length / 3);
  const [a, b, c] = [2, 1, 0].map((n) =>
    mean(values.slice(values.length - (n + 1) * third, values.length - n * third)),
  ) as [number, number, number];
  const ratio = (c - b) / (b - a);
  return ratio > 0 && ratio < 1 ? { limit: c + ((c - b) * ratio) / (1 - ratio), share: ratio ** (1 / third) } : null;
}

/**
 * Sensors that creep twice, fast and slow, and places that change evenly look like one for a while: where it would go is said only where both
 * ends of the series say the same.
 * @param seconds from one reading to the next
 * @param error of a reading, in its unit
 * @returns null where they have settled, or go otherwise
 */
export function settlingOf(values: readonly number[], seconds: number, error: number): Settling | null {
  const third = Math.floor(values.length / 3);
  if (values.length < LEAST || !(seconds > 0) || !(error > 0)) return null;
  const used = values.slice(values.length - 3 * third);
  const whole = limitOf(used);
  if (!whole) return null;
  const { limit, share } = whole;
  const ratio = share ** third;
  if (ratio <= RATIO.least || ratio >= RATIO.most) return null;
  // Of all curves to that limit the one with the least squares.
  let [own, squares] = [0, 0];
  used.forEach((value, i) => {
    own += (value - limit) * share ** i;
    squares += share ** (2 * i);
  });
  const step = own / squares;
  const off = Math.sqrt(mean(used.map((value, i) => (value - limit - step * share ** i) ** 2)));
  const left = Math.abs(step) * share ** (used.length - 1);
  const went = Math.abs(step) - left;
  if (went < WENT * error || left < error || off > FITS * went) return null;
  const ends = [limitOf(used.slice(0, 2 * third)), limitOf(used.slice(third))];
  if (ends.some((end) => !end || Math.abs(end.limit - limit) > AGREES * went)) return null;
  const tau = -seconds / Math.log(share);
  return { limit, tau, done: tau * Math.log(left / error) };
}
