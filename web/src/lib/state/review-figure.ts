/** A figure of a review: what was read and what the maker decided. */
import type { Box, Proposal } from '@idle-breadboard/core/card';

export type Decision = 'open' | 'taken' | 'dropped';
export interface Figure extends Proposal {
  readonly decision: Decision;
  /** True when the maker changed what was read. */
  readonly mended: boolean;
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
