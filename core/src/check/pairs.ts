/** A pair of terminals with the margin between them, and what to report it with. */
export interface Weighed<T> {
  readonly margin: number;
  readonly value: T;
}

/**
 * On a net of n terminals there are n² pairs; reporting each would bury the maker. Every broken pair counts; of
 * those that hold only the tightest says something, because the others follow from it.
 */
export function brokenOrTightest<T>(pairs: readonly Weighed<T>[]): T[] {
  const broken = pairs.filter(({ margin }) => margin < -1e-9);
  if (broken.length > 0) return broken.map(({ value }) => value);
  const tightest = pairs.reduce<Weighed<T> | null>((a, b) => (a === null || b.margin < a.margin ? b : a), null);
  return tightest ? [tightest.value] : [];
}
