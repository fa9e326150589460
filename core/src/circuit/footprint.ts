/** The footprint of a card's part on a breadboard. */
import type { Box, FootPin, Footprint } from '../board/footprint.ts';
import { PITCH } from '../board/grid.ts';
import type { Card } from '../card/card.ts';

/** A body no larger than this, m, stands over its own pins: a transistor, a light. Common practice. */
const SMALL = 0.0065;
/** From the row of pins to the edge of the part, in steps. Common practice. */
const MARGIN = 0.5;
/** A plug and the bend of its cable, in steps: 25 mm. Common practice. */
const PLUG = 10;

/**
 * Pins in whole steps from the first one. A card counts the pins of two headers from the top, as the part lies with one at
 * its left and one at its right; a quarter turn to the right brings the left one up, and its first pin to the right end. A
 * single header is counted from the left as it is seen at the lower edge of the part, along the shorter edge that is long
 * enough. The body lies in the middle between two headers.
 * @returns null for a part that does not stand on a breadboard
 */
export function footprintOf(card: Card): Footprint | null {
  const [first] = card.headers;
  if (card.mount !== 'breadboard' || !first) return null;
  const two = card.headers.some(({ across }) => across !== undefined);
  const pins = card.terminals.flatMap((t): FootPin[] => {
    const header = card.headers.find(({ id }) => id === t.header);
    // A socket or plug meets no hole.
    if (!header || header.kind === 'socket' || header.kind === 'plug') return [];
    const step = Math.max(1, Math.round(header.pitch / PITCH));
    const across = Math.round((header.across ?? 0) / PITCH);
    const column = (t.position - 1) % header.rows;
    const along = Math.floor((t.position - 1) / header.rows) * step;
    return [{ terminal: t.id, along: two && along > 0 ? -along : along, across: across + column }];
  });
  if (pins.length === 0) return null;
  const body = bodyOf(card, pins);
  const end = card.body?.socket?.end;
  const right = (end === 'last') !== two;
  const plug = end && {
    ...body,
    left: right ? body.right : body.left - PLUG,
    right: right ? body.right + PLUG : body.left,
  };
  return { pins, body, plug: plug ?? null };
}

function bodyOf(card: Card, pins: readonly FootPin[]): Box {
  const { size } = card.body ?? {};
  const alongs = pins.map(({ along }) => along);
  const [from, to] = [Math.min(...alongs), Math.max(...alongs)];
  const width = Math.max(...pins.map(({ across }) => across));
  const own: Box = { left: from - MARGIN, right: to + MARGIN, top: -MARGIN, bottom: width + MARGIN };
  if (!size) return own;
  const [long, short] = [Math.max(size.length, size.width), Math.min(size.length, size.width)];
  if (long <= SMALL) return own;
  const middled = (extent: number, first: number, last: number) => {
    const half = Math.max(extent / PITCH, last - first + 2 * MARGIN) / 2;
    return [(first + last) / 2 - half, (first + last) / 2 + half] as const;
  };
  if (width > 0) {
    const [left, right] = middled(long, from, to);
    const [top, bottom] = middled(short, 0, width);
    return { left, right, top, bottom };
  }
  const along = short / PITCH >= to - from + MARGIN ? short : long;
  const [left, right] = middled(along, from, to);
  const depth = (along === short ? long : short) / PITCH;
  return { left, right, top: Math.min(-MARGIN, MARGIN - depth), bottom: MARGIN };
}
