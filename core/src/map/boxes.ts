/** What points and lines cover. */
import type { Box } from '../board/footprint.ts';
import { distance, type Point } from '../board/grid.ts';

/** Half the width of a drawn pin, in steps. */
export const PIN_HALF = 0.35;

export const placeKey = ({ x, y }: Point): string => `${x} ${y}`;

export const pointBox = (x: number, y: number, half: number): Box => ({
  left: x - half,
  right: x + half,
  top: y - half,
  bottom: y + half,
});

/** From corner to corner. */
export const piecesOfWay = (way: readonly Point[]) => way.slice(1).map((b, i) => [way[i] ?? b, b] as const);

/** How far a point lies off the straight line between two ends, in steps. */
export function offLine({ x, y }: Point, a: Point, b: Point): number {
  const length = distance(a, b) || 1;
  const share = Math.min(1, Math.max(0, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length ** 2));
  return distance({ x, y }, { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share });
}

/** What a straight line of some width covers, in boxes. */
export function lineBoxes([a, b]: readonly [Point, Point], half: number): Box[] {
  const pieces = Math.max(1, Math.ceil(distance(a, b) * 2));
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const [x, y] = [a.x + ((b.x - a.x) * i) / pieces, a.y + ((b.y - a.y) * i) / pieces];
    return { left: x - half, right: x + half, top: y - half, bottom: y + half };
  });
}
