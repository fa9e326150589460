import type { Point } from '../board/grid.ts';

interface Segment {
  readonly a: Point;
  readonly b: Point;
}

const side = (a: Point, b: Point, p: Point): number => Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));

const cross = (s: Segment, t: Segment): boolean =>
  side(s.a, s.b, t.a) * side(s.a, s.b, t.b) < 0 && side(t.a, t.b, s.a) * side(t.a, t.b, s.b) < 0;

/** Pairs of straight lines that cross inside both. @example crossings of an X is 1, of a V is 0 */
export function crossings(segments: readonly Segment[]): number {
  let count = 0;
  segments.forEach((s, i) => {
    for (let k = i + 1; k < segments.length; k++) if (cross(s, segments[k] as Segment)) count += 1;
  });
  return count;
}
