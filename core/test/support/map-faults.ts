/** What a draughtsman would not let pass on a drawing of the boards, in words. */
import { overlaps, type Box } from '../../src/board/footprint.ts';
import type { Point } from '../../src/board/grid.ts';
import { lineBoxes } from '../../src/map/boxes.ts';
import { LEAD_HALF } from '../../src/map/ground.ts';
import type { BoardMap } from '../../src/map/model.ts';
import { tagBox } from '../../src/map/tags.ts';

interface Piece {
  readonly a: Point;
  readonly b: Point;
}

const boxOf = ({ a, b }: Piece, by: number): Box => ({
  left: Math.min(a.x, b.x) - by,
  right: Math.max(a.x, b.x) + by,
  top: Math.min(a.y, b.y) - by,
  bottom: Math.max(a.y, b.y) + by,
});
const pieces = (way: readonly Point[]): Piece[] => way.slice(1).map((b, i) => ({ a: way[i] as Point, b }));
const same = (p: Point, q: Point) => p.x === q.x && p.y === q.y;
const side = (a: Point, b: Point, p: Point) => Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
const crosses = (s: Piece, t: Piece) =>
  side(s.a, s.b, t.a) * side(s.a, s.b, t.b) <= 0 &&
  side(t.a, t.b, s.a) * side(t.a, t.b, s.b) <= 0 &&
  overlaps(boxOf(s, 1e-6), boxOf(t, 1e-6));

export interface MapFaults {
  readonly crossings: readonly string[];
  readonly covered: readonly string[];
}

export function mapFaults({ drawing, texts, leads, legs }: BoardMap): MapFaults {
  const crossings: string[] = [];
  const covered: string[] = [];
  const drawn = leads.flatMap((one) => (one.way ? [{ ...one, way: one.way }] : []));
  const isJoint = (p: Point) => drawing.joints.some((joint) => same(joint, p));
  drawn.forEach((one, i) => {
    for (const other of drawn.slice(i + 1))
      for (const s of pieces(one.way))
        for (const t of pieces(other.way))
          if (crosses(s, t) && ![s.a, s.b].some((p) => isJoint(p) && [t.a, t.b].some((q) => same(p, q))))
            crossings.push(`${one.number} and ${other.number}`);
    for (const { lead, way } of legs)
      if (pieces(one.way).some((s) => pieces(way).some((t) => crosses(s, t))))
        crossings.push(`${one.number} and ${lead.of}`);
    for (const text of texts) {
      const own = text.is === 'joint' && [one.lead.a, one.lead.b].some(isJoint);
      if (!own && pieces(one.way).some((s) => overlaps(boxOf(s, LEAD_HALF), text.box)))
        covered.push(`${one.number} over ${text.is} ${text.says}`);
    }
    for (const other of leads)
      if (
        other.number !== one.number &&
        other.tags.some((tag) => pieces(one.way).some((s) => overlaps(boxOf(s, 0), tagBox(tag))))
      )
        covered.push(`${one.number} over the number of ${other.number}`);
    for (const part of drawing.parts)
      if (!part.seated && pieces(one.way).some((s) => overlaps(boxOf(s, -0.01), part.box)))
        covered.push(`${one.number} over ${part.part}`);
  });
  texts.forEach((text, i) => {
    for (const other of texts.slice(i + 1))
      if (overlaps(text.box, other.box)) covered.push(`${text.is} ${text.says} on ${other.is} ${other.says}`);
    for (const { lead, body } of legs)
      if (text.of !== lead.key && lineBoxes(body, 0.5).some((box) => overlaps(box, text.box)))
        covered.push(`${lead.of} over ${text.is} ${text.says}`);
    const pin = ({ x, y }: Point) => ({ left: x - 0.3, right: x + 0.3, top: y - 0.3, bottom: y + 0.3 });
    if (drawing.parts.some(({ pins }) => pins.some((one) => overlaps(pin(one), text.box))))
      covered.push(`a pin under ${text.is} ${text.says}`);
    for (const { number, tags } of leads)
      if (tags.some((tag) => overlaps(tagBox(tag), text.box)))
        covered.push(`number ${number} on ${text.is} ${text.says}`);
  });
  legs.forEach((one, i) => {
    for (const other of legs.slice(i + 1))
      if (pieces(one.way).some((s) => pieces(other.way).some((t) => crosses(s, t))))
        crossings.push(`${one.lead.of} and ${other.lead.of}`);
  });
  leads.forEach((one, i) => {
    for (const other of leads.slice(i + 1))
      if (one.tags.some((a) => other.tags.some((b) => overlaps(tagBox(a), tagBox(b)))))
        covered.push(`number ${one.number} on number ${other.number}`);
  });
  return { crossings, covered };
}
