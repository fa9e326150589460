/** Where leads may run in a drawing with nothing in it yet but what stands. */
import type { Drawing } from '../deliver/board-drawing.ts';
import { piecesOfWay, pointBox } from './boxes.ts';
import type { MapText } from './labels.ts';
import { Lattice } from './lattice.ts';
import type { MapLegs, MapTag } from './model.ts';
import { tagBox } from './tags.ts';

/** Width of a drawn lead on either side of its middle, in steps. */
export const LEAD_HALF = 0.2;
/** Room between a lead and words. */
const CLEAR = LEAD_HALF + 0.05;
/** Half the width of a joint, in steps. */
const JOINT = 0.8;
/** To run over a part that stands in the board: only where there is no other way that is so much shorter. */
const OVER_PART = 3;

/** @param clear room between what is laid and words, in steps */
export function groundOf(
  drawing: Drawing,
  tags: readonly MapTag[],
  legs: readonly MapLegs[],
  texts: readonly MapText[],
  clear = CLEAR,
): Lattice {
  const { left, right, top, bottom } = drawing.box;
  const lattice = new Lattice({
    left: Math.floor(left),
    right: Math.ceil(right),
    top: Math.floor(top),
    bottom: Math.ceil(bottom),
  });
  for (const { box, seated } of drawing.parts) if (seated) lattice.weigh(box, OVER_PART);
  for (const { box, seated } of drawing.parts) if (!seated) lattice.close(box);
  for (const { x, y } of drawing.holes) lattice.close({ left: x, right: x, top: y, bottom: y });
  for (const { box, is } of texts) if (is !== 'joint') lattice.close(box, clear);
  for (const { x, y } of drawing.joints) lattice.reserve(pointBox(x, y, JOINT), { x, y });
  for (const { way, body } of legs) for (const [a, b] of [...piecesOfWay(way), body]) lattice.closeLine(a, b);
  for (const tag of tags) lattice.reserve(tagBox(tag), tag);
  return lattice;
}
