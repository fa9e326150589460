/** What is wrong with a drawing: words on words or on lines, boxes on boxes, lines that cross. */
import type { Box, Drawing, Shape } from '../../src/drawing/shapes.ts';

type Text = Extract<Shape, { is: 'text' }>;
type Line = Extract<Shape, { is: 'line' }>;
interface Segment {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  readonly net: string;
}

/** px by which things may touch. */
const TOUCH = 0.6;

const meets = (a: Box, b: Box): boolean =>
  a.x + TOUCH < b.x + b.w && b.x + TOUCH < a.x + a.w && a.y + TOUCH < b.y + b.h && b.y + TOUCH < a.y + a.h;
const holds = (outer: Box, inner: Box): boolean =>
  inner.x >= outer.x - TOUCH &&
  inner.y >= outer.y - TOUCH &&
  inner.x + inner.w <= outer.x + outer.w + TOUCH &&
  inner.y + inner.h <= outer.y + outer.h + TOUCH;

const segmentsOf = ({ points, net }: Line): Segment[] =>
  points.slice(1).map(([x1, y1], i) => {
    const [x0, y0] = points[i] ?? [x1, y1];
    return { x0: Math.min(x0, x1), x1: Math.max(x0, x1), y0: Math.min(y0, y1), y1: Math.max(y0, y1), net };
  });

const runsThrough = (s: Segment, { x, y, w, h }: Box): boolean =>
  s.x0 < x + w - TOUCH && s.x1 > x + TOUCH && s.y0 < y + h - TOUCH && s.y1 > y + TOUCH;

const cross = (a: Segment, b: Segment): boolean => a.x0 <= b.x1 && b.x0 <= a.x1 && a.y0 <= b.y1 && b.y0 <= a.y1;

const named = (shape: Shape): string => (shape.is === 'text' ? `“${shape.text}”` : `${shape.is} of ${shape.of.id}`);

export function faultsOf({ width, height, shapes }: Drawing): string[] {
  const texts = shapes.filter((shape): shape is Text => shape.is === 'text');
  const marks = shapes.filter((shape) => shape.is === 'mark');
  const said = [...texts, ...marks];
  const lines = shapes.filter((shape): shape is Line => shape.is === 'line').flatMap(segmentsOf);
  const boxes = shapes.filter((shape) => shape.is === 'box').filter(({ role }) => role !== 'column');
  const faults: string[] = [];
  // A name may be cut; a figure may not.
  for (const { text, full, face, tone } of texts)
    if (text !== full && /\d/.test(full) && (face === 'mono' || tone !== 'ink'))
      faults.push(`“${full}” is cut to “${text}”`);
  said.forEach((one, i) => {
    for (const other of said.slice(i + 1)) if (meets(one, other)) faults.push(`${named(one)} on ${named(other)}`);
    for (const line of lines) if (runsThrough(line, one)) faults.push(`${named(one)} on a line of ${line.net}`);
    for (const box of boxes)
      if (meets(one, box) && !holds(box, one)) faults.push(`${named(one)} over the edge of ${named(box)}`);
    if (!holds({ x: 0, y: 0, w: width, h: height }, one)) faults.push(`${named(one)} outside of the drawing`);
  });
  boxes.forEach((one, i) => {
    for (const other of boxes.slice(i + 1))
      if (meets(one, other) && !holds(one, other) && !holds(other, one))
        faults.push(`${named(one)} on ${named(other)}`);
    for (const line of lines)
      if (one.role !== 'hub' && runsThrough(line, one)) faults.push(`a line of ${line.net} through ${named(one)}`);
  });
  lines.forEach((one, i) => {
    for (const other of lines.slice(i + 1))
      if (one.net !== other.net && cross(one, other)) faults.push(`a line of ${one.net} crosses one of ${other.net}`);
  });
  return [...new Set(faults)];
}
