/** A tall drawing beside itself: cut where no word and no part is, so that it fills a page in columns. */
import type { Drawing, Shape } from './shapes.ts';

/** From and to, px from the top. */
export type Strip = readonly [from: number, to: number];

/** Grounds that go on beyond a cut, and lines, which do as well. */
const goesOn = (shape: Shape): boolean =>
  shape.is === 'line' || (shape.is === 'box' && (shape.role === 'column' || shape.role === 'hub'));

/**
 * Strips about as high as each other.
 * @param most px that a strip may be high; more only where there is no place to cut
 */
export function columnsOf({ height, shapes }: Drawing, most: number): Strip[] {
  const solid = shapes.flatMap((shape) =>
    goesOn(shape) || shape.is === 'line' ? [] : [[shape.y, shape.y + shape.h] as const],
  );
  const isFree = (y: number) => !solid.some(([from, to]) => from < y && y < to);
  const strips: Strip[] = [];
  for (let from = 0; from < height;) {
    const left = Math.ceil((height - from) / most);
    if (left <= 1) {
      strips.push([from, height]);
      break;
    }
    const wanted = from + (height - from) / left;
    const free = Array.from({ length: Math.ceil(height - from) - 1 }, (_, i) => from + i + 1).filter(isFree);
    const below = free.filter((y) => y <= from + most);
    const to = (below.length > 0 ? below : free).reduce<number | null>(
      (best, y) => (best === null || Math.abs(y - wanted) < Math.abs(best - wanted) ? y : best),
      null,
    );
    strips.push([from, to ?? height]);
    from = to ?? height;
  }
  return strips;
}
