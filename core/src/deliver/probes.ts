/** Where the two probes of a line of the bring-up sheet stand on the boards. */
import { parseHole, pointOfHole, type Point } from '../board/grid.ts';
import { holeText } from '../board/hole-text.ts';
import type { Layout, LeadPoint } from '../circuit/laid.ts';
import type { Text } from '../quantity/message.ts';
import type { Drawing } from './board-drawing.ts';

export interface MapProbe extends Point {
  readonly colour: 'red' | 'black';
  /** The pin that it is on, as it is printed, or the hole. */
  readonly on: Text;
  /** From its tip to the end of its handle: away from the other one, and from the part that it touches. */
  readonly lean: Point;
}

/** How far a handle stands off its tip, in steps. */
const ACROSS = 3;
const UP = 4.4;

type Place = Point & { readonly on: Text };

/** The place of an end of a lead, or of any pin, on the drawing; null where it is not on it. */
function placeOf(drawing: Drawing, layout: Layout, point: LeadPoint): Place | null {
  if (point.kind === 'hole') {
    const hole = parseHole(point.hole);
    const at = hole && pointOfHole(hole);
    return at && { x: at.x, y: at.y, on: holeText(point.hole, layout.boards.length) };
  }
  if (point.kind === 'joint') {
    const joint = drawing.joints.find(({ text }) => text === point.joint);
    return joint ? { x: joint.x, y: joint.y, on: joint.text } : null;
  }
  const own = drawing.parts
    .find(({ part }) => part === point.part)
    ?.pins.find(({ terminal }) => terminal === point.terminal);
  if (own) return { x: own.x, y: own.y, on: own.label };
  // A part in the socket of another is touched at that socket.
  const mated = layout.mated.find(({ part }) => part === point.part);
  const other = mated?.pairs.find(([terminal]) => terminal === point.terminal)?.[1];
  return mated && other !== undefined
    ? placeOf(drawing, layout, { kind: 'terminal', part: mated.host, terminal: other })
    : null;
}

/** @returns those of the two that can be shown */
export function probesOn(
  drawing: Drawing,
  layout: Layout,
  { red, black }: { readonly red: LeadPoint; readonly black: LeadPoint | null },
): MapProbe[] {
  const [tip, back] = [placeOf(drawing, layout, red), black && placeOf(drawing, layout, black)];
  const away = tip && back && tip.x > back.x ? 1 : -1;
  const lies = (at: Point, lean: number): Point => ({ x: ACROSS * lean, y: isAbove(drawing, at) ? UP : -UP });
  return [
    ...(tip ? [{ ...tip, colour: 'red' as const, lean: lies(tip, away) }] : []),
    ...(back ? [{ ...back, colour: 'black' as const, lean: lies(back, -away) }] : []),
  ];
}

/** A part above the boards is touched from below, where its name is not covered. */
const isAbove = (drawing: Drawing, at: Point): boolean => at.y < Math.min(0, ...drawing.boards.map(({ top }) => top));

/** Everything that is to be seen of them: tips, and handles with their names. */
export const pointsOf = (probes: readonly MapProbe[]): Point[] =>
  probes.flatMap(({ x, y, lean }) => [
    { x, y },
    { x: x + lean.x * 1.8, y: y + lean.y },
  ]);
