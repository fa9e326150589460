/** A figure of a review: what was read and what the maker decided. */
import type { Box, Outcome, Proposal } from '@idle-breadboard/core/card';

export type Decision = 'open' | 'taken' | 'dropped';
export interface Figure extends Proposal {
  readonly decision: Decision;
  /** True when the maker changed what was read. */
  readonly mended: boolean;
  /** As it was read, where the maker said that it is otherwise. */
  readonly read?: Proposal;
  /** Set when it was learned from. */
  readonly taught?: true;
}

/** What is entered by hand was not read. */
export const BY_HAND = 'entered by hand';

/** A figure changed by its maker: how it was read is kept to be learned from. */
export const changed = (figure: Figure, next: Figure): Figure =>
  figure.read || figure.said === BY_HAND ? next : { ...next, read: figure };

/** What became of each figure that was settled and not learned from yet. */
export const outcomesOf = (figures: readonly Figure[]): Outcome[] =>
  figures
    .filter(({ decision, taught, said }) => decision !== 'open' && !taught && said !== BY_HAND)
    .map((figure) => ({
      proposal: figure.read ?? figure,
      slipped: figure.decision === 'dropped' || figure.read !== undefined,
    }));

/** Whether two figures of one sheet claim one place with different values. */
export function areRivals(one: Figure, other: Figure): boolean {
  const isDoubted = [one, other].some(({ doubts }) => doubts.some(({ id }) => id === 'elsewhere'));
  if (one.id === other.id || !isDoubted || one.slot !== other.slot) return false;
  if (one.quantity?.quantity !== other.quantity?.quantity) return false;
  const values = ({ min, typ, max, label }: Figure) => JSON.stringify([min, typ, max, label]);
  return (one.slot !== 'terminal' || one.typ === other.typ) && values(one) !== values(other);
}

/** In the order of the pages; what is entered by hand stands where it was added. */
export const inOrder = (figures: readonly Figure[]): Figure[] =>
  figures.toSorted((a, b) => a.page - b.page || a.box.y0 - b.box.y0 || a.box.x0 - b.box.x0);

export const overlaps = (a: Box, b: Box): boolean => a.x0 <= b.x1 && a.x1 >= b.x0 && a.y0 <= b.y1 && a.y1 >= b.y0;

export function withoutBounds({ min: _min, typ: _typ, max: _max, ofReading: _of, ...figure }: Figure): Figure {
  return figure;
}

/** What of a correction is said. */
export const defined = <Said extends object>(said: Said): { [Key in keyof Said]: Exclude<Said[Key], undefined> } =>
  Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as {
    [Key in keyof Said]: Exclude<Said[Key], undefined>;
  };
