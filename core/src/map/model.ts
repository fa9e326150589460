/** A drawing of the boards with its words and leads, in steps of the grid, y down. */
import type { Point } from '../board/grid.ts';
import type { Drawing, DrawnLead } from '../deliver/board-drawing.ts';
import type { MapText } from './labels.ts';

/** The number of a lead at an end of it: around its middle, in steps. */
export interface MapTag extends Point {
  readonly half: { readonly width: number; readonly height: number };
  /** Of the figures. */
  readonly size: number;
}

/** A lead with the numbered tags at its ends. */
export interface MapLead {
  readonly lead: DrawnLead;
  /** The tags with its number; a joint is marked by itself. */
  readonly tags: readonly MapTag[];
  /** From 1, in the order in which leads are put in. */
  readonly number: number;
  /** Corners of its way, ends among them; null where it is a stub at both its ends. */
  readonly way: readonly Point[] | null;
}

export interface MapLegs {
  readonly lead: DrawnLead;
  /** Straight from hole to hole, or round what would be covered. */
  readonly way: readonly Point[];
  /** Ends of the body. */
  readonly body: readonly [Point, Point];
}

export interface BoardMap {
  readonly drawing: Drawing;
  readonly texts: readonly MapText[];
  /** Leads to be seen. */
  readonly leads: readonly MapLead[];
  /** Parts with two legs; they stand in the board from their step on. */
  readonly legs: readonly MapLegs[];
}
