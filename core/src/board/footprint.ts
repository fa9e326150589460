/** How a part stands on the grid, before it stands anywhere: whole steps from its first pin. */
import { holeAt, pointOfHole, type Grid, type Hole, type Point } from './grid.ts';

export interface FootPin {
  readonly terminal: string;
  /** Steps along the boards, and across them. */
  readonly along: number;
  readonly across: number;
}

/** Corners in steps; what lies inside is covered. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export interface Footprint {
  readonly pins: readonly FootPin[];
  readonly body: Box;
  /** Room for the plug of a cable: beyond the last pins, or before the first. */
  readonly plug: Box | null;
}

export interface Seat {
  /** The hole of the first pin. */
  readonly hole: Hole;
  readonly turned: boolean;
}

const turn = (turned: boolean): 1 | -1 => (turned ? -1 : 1);

/** Where the pins come to stand. */
export function pinPlaces(footprint: Footprint, seat: Seat): { readonly terminal: string; readonly place: Point }[] {
  const at = pointOfHole(seat.hole);
  const by = turn(seat.turned);
  return footprint.pins.map(({ terminal, along, across }) => ({
    terminal,
    place: { x: at.x + by * along, y: at.y + by * across },
  }));
}

/** The holes of the pins; null where a pin meets none. */
export const pinHoles = (
  grids: readonly Grid[],
  footprint: Footprint,
  seat: Seat,
): { readonly terminal: string; readonly hole: Hole | null }[] =>
  pinPlaces(footprint, seat).map(({ terminal, place }) => ({ terminal, hole: holeAt(grids, place) }));

/** A box of the footprint where it comes to lie. */
export function placedBox(box: Box, seat: Seat): Box {
  const at = pointOfHole(seat.hole);
  return seat.turned
    ? { left: at.x - box.right, right: at.x - box.left, top: at.y - box.bottom, bottom: at.y - box.top }
    : { left: at.x + box.left, right: at.x + box.right, top: at.y + box.top, bottom: at.y + box.bottom };
}

export const overlaps = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** A pin still goes into a hole over whose rim an edge reaches this far, in steps. Common practice. */
const RIM = 0.25;

/** Whether a hole lies under a box. */
export const covers = (box: Box, { x, y }: Point): boolean =>
  x > box.left + RIM && x < box.right - RIM && y > box.top + RIM && y < box.bottom - RIM;

/** From edge to edge of two boxes, in steps; 0 where they touch. */
export function gap(a: Box, b: Box): number {
  const dx = Math.max(0, a.left - b.right, b.left - a.right);
  const dy = Math.max(0, a.top - b.bottom, b.top - a.bottom);
  return Math.hypot(dx, dy);
}
