/** Moving a part over the holes: where its first pin goes, and whether all its pins meet holes there. */
import type { Card } from '@idle-breadboard/core/card';
import { footprintOf, type Layout, type Lead, type Seated } from '@idle-breadboard/core/circuit';
import { holeAt, holeName, parseHole, pinHoles, pinPlaces, pointOfHole } from '@idle-breadboard/core/layout';
import type { Spot } from '@idle-breadboard/core/plan';
import type { DOMAttributes } from 'svelte/elements';

/** What is being taken elsewhere, where the pointer took hold of it, and by how many steps it has come. */
export interface Drag {
  readonly part: string;
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** What the pointer and the keys do with something that can be taken elsewhere. */
export type Hands = (
  part: string,
) => Pick<
  DOMAttributes<SVGGElement>,
  'onpointerdown' | 'onpointermove' | 'onpointerup' | 'onpointercancel' | 'onkeydown' | 'onfocus'
>;

/** Rows of holes lie at most this far apart, in steps: the channel. */
const WIDEST = 5;

const fits = (layout: Layout, card: Card, hole: string, turned: boolean): boolean => {
  const footprint = footprintOf(card);
  const at = parseHole(hole);
  if (!footprint || !at) return false;
  const grids = layout.boards.map(({ grid }) => grid);
  return pinHoles(grids, footprint, { hole: at, turned }).every((pin) => pin.hole?.kind === 'row');
};

/** A part moved by so many steps; null where its pins would meet no holes. */
export function movedBy(layout: Layout, card: Card, seat: Seated, dx: number, dy: number): Spot | null {
  const from = parseHole(seat.hole);
  if (!from) return null;
  const at = pointOfHole(from);
  const grids = layout.boards.map(({ grid }) => grid);
  // Up and down go on to the next row of holes in which it fits.
  const sign = Math.sign(dy);
  for (let further = 0; further <= (Math.abs(dy) === 1 ? WIDEST : 0); further++) {
    const hole = holeAt(grids, { x: at.x + dx, y: at.y + dy + sign * further });
    if (hole && fits(layout, card, holeName(hole), seat.turned)) return { hole: holeName(hole), turned: seat.turned };
  }
  return null;
}

/** Two legs moved together by so many steps; null where one of them would meet no hole. */
export function legsMovedBy(layout: Layout, lead: Lead, dx: number, dy: number): Spot | null {
  const grids = layout.boards.map(({ grid }) => grid);
  const [hole, to] = [lead.from, lead.to].map((end) => {
    const at = end.kind === 'hole' ? parseHole(end.hole) : null;
    const point = at && pointOfHole(at);
    const found = point && holeAt(grids, { x: point.x + dx, y: point.y + dy });
    return found ? holeName(found) : null;
  });
  return hole && to ? { hole, to } : null;
}

/** Half a turn over the same holes as far as that goes: the last pin comes to where the first one was. */
export function turnedRound(layout: Layout, card: Card, seat: Seated): Spot | null {
  const footprint = footprintOf(card);
  const from = parseHole(seat.hole);
  if (!footprint || !from) return null;
  const grids = layout.boards.map(({ grid }) => grid);
  const places = pinPlaces(footprint, { hole: from, turned: seat.turned });
  const turned = !seat.turned;
  for (const { place } of places.toReversed()) {
    const hole = holeAt(grids, place);
    if (hole && fits(layout, card, holeName(hole), turned)) return { hole: holeName(hole), turned };
  }
  return null;
}
