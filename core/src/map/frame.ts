/** What of the boards is looked at. */
import type { Box } from '../board/footprint.ts';
import type { Point } from '../board/grid.ts';
import type { BoardMap } from './model.ts';

/** Room around what is shown, and the least that is shown, in steps. */
const AROUND = 1.8;
const LEAST = { width: 24, height: 12 };

/** The part of the drawing that a step is about. @param parts ids of the parts that are looked at whole @param places points that are looked at besides */
export function frameOf(
  { drawing, leads, legs }: BoardMap,
  keys: ReadonlySet<string>,
  parts: ReadonlySet<string>,
  places: readonly Point[] = [],
): Box {
  const points = [
    ...places,
    ...leads.filter(({ lead }) => keys.has(lead.key)).flatMap(({ lead, way }) => way ?? [lead.a, lead.b]),
    ...legs.filter(({ lead }) => keys.has(lead.key)).flatMap(({ way }) => way),
  ];
  const boxes = [
    ...points.map(({ x, y }) => ({ left: x, right: x, top: y, bottom: y })),
    ...drawing.parts.filter(({ part }) => parts.has(part)).map(({ box }) => box),
  ];
  if (boxes.length === 0) return drawing.box;
  const span = (low: number, high: number, least: number, from: number, to: number) => {
    const size = Math.min(to - from, Math.max(least, high - low + 2 * AROUND));
    const start = Math.min(Math.max(from, (low + high - size) / 2), to - size);
    return [start, start + size] as const;
  };
  const { box } = drawing;
  const [left, right] = span(
    Math.min(...boxes.map((b) => b.left)),
    Math.max(...boxes.map((b) => b.right)),
    LEAST.width,
    box.left,
    box.right,
  );
  const [top, bottom] = span(
    Math.min(...boxes.map((b) => b.top)),
    Math.max(...boxes.map((b) => b.bottom)),
    LEAST.height,
    box.top,
    box.bottom,
  );
  return { left, right, top, bottom };
}

/** On paper a long board is shown in pieces, so that what is written on it can be read. @param most steps across */
export function piecesOf({ drawing: { box } }: BoardMap, most: number): Box[] {
  const count = Math.max(1, Math.ceil((box.right - box.left) / most));
  const width = (box.right - box.left) / count;
  return Array.from({ length: count }, (_, i) => ({
    ...box,
    left: box.left + i * width,
    right: box.left + (i + 1) * width,
  }));
}
