/** Parts with two legs between two holes: straight, or round what they would cover. */
import { overlaps, type Box } from '../board/footprint.ts';
import { distance, type Point } from '../board/grid.ts';
import type { Drawing, DrawnLead } from '../deliver/board-drawing.ts';
import { crossings } from '../layout/crossings.ts';
import { lineBoxes, offLine, piecesOfWay } from './boxes.ts';
import { groundOf } from './ground.ts';
import type { MapText } from './labels.ts';
import type { MapLegs, MapTag } from './model.ts';

/** Half the width of the body, with its margin, in steps. */
const BODY_HALF = 0.55;

/** Legs go straight from hole to hole; those that would lie over the end of a lead, or over other legs, go round. */
export function layLegs(
  drawing: Drawing,
  straight: readonly DrawnLead[],
  tags: readonly MapTag[],
  texts: readonly MapText[],
): MapLegs[] {
  const ends = [...tags, ...straight.flatMap(({ a, b }) => [a, b])];
  const bends = (lead: DrawnLead) =>
    ends.some((end) => end !== lead.a && end !== lead.b && offLine(end, lead.a, lead.b) < 0.5) ||
    texts.some(({ box }) => bodyBoxes([lead.a, lead.b]).some((piece) => overlaps(piece, box))) ||
    crossings([lead, ...straight.filter((other) => other !== lead)]) >
      crossings(straight.filter((other) => other !== lead));
  const done: MapLegs[] = straight.filter((lead) => !bends(lead)).map((lead) => legsAlong(lead, [lead.a, lead.b]));
  for (const lead of straight.filter(bends)) {
    const way = groundOf(drawing, tags, done, texts, BODY_HALF).way(lead.a, lead.b);
    done.push(legsAlong(lead, way ?? [lead.a, lead.b]));
  }
  return done;
}

/** The body sits on the longest straight piece, and leaves as much of it bare at either end. */
function legsAlong(lead: DrawnLead, way: readonly Point[]): MapLegs {
  const longest = piecesOfWay(way).reduce((one, other) => (distance(...other) > distance(...one) ? other : one), [
    way[0] ?? lead.a,
    way[1] ?? lead.b,
  ] as const);
  return { lead, way, body: bodyOf(longest) };
}

function bodyOf([a, b]: readonly [Point, Point]): readonly [Point, Point] {
  const at = (share: number) => ({ x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share });
  return [at(0.25), at(0.75)];
}

/** What legs and their body cover. */
export const legBoxes = ({ way, body }: Pick<MapLegs, 'way' | 'body'>): Box[] => [
  ...piecesOfWay(way).flatMap((piece) => lineBoxes(piece, 0.12)),
  ...lineBoxes(body, BODY_HALF),
];

/** What straight legs with their body in the middle cover. */
export const bodyBoxes = (ends: readonly [Point, Point]): Box[] => legBoxes({ way: ends, body: bodyOf(ends) });
