/** Two parts that measured the same thing, side by side for a while. */
import type { ReadingAt } from './reading-at.ts';

export interface SideBySide {
  readonly difference: number;
  /** What the stated errors of both allow together; null where one of them says nothing there. */
  readonly allowed: number | null;
  /** True where nothing forbids it. */
  readonly holds: boolean;
}

/** The tightest error that a card states at a reading; where bands overlap, each of them holds. */
function errorAt({ measure }: ReadingAt, value: number): number | null {
  const stated = measure.accuracy.filter(({ from, to }) => value >= from && value <= to).map(({ error }) => error);
  return stated.length > 0 ? Math.min(...stated) : null;
}

export function sideBySide(a: ReadingAt, ofA: number, b: ReadingAt, ofB: number): SideBySide {
  const [ea, eb] = [errorAt(a, ofA), errorAt(b, ofB)];
  const allowed = ea === null || eb === null ? null : ea + eb;
  const difference = ofA - ofB;
  return { difference, allowed, holds: allowed === null || Math.abs(difference) <= allowed };
}

/** Pairs of parts that measure one quantity. */
export function twinsOf(all: readonly ReadingAt[]): (readonly [ReadingAt, ReadingAt])[] {
  return all.flatMap((a, i) =>
    all
      .slice(i + 1)
      .flatMap((b) => (a.quantity === b.quantity && a.unit === b.unit && a.part !== b.part ? [[a, b] as const] : [])),
  );
}
