/** A page of a PDF -> words with places and the rulings between them, both in points from the top left. */
import type { PageText, Ruling, TextItem } from '@idle-breadboard/core/card';
import type { PDFPageProxy } from 'pdfjs-dist';

type Matrix = readonly [number, number, number, number, number, number];

const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];
const at = (m: Matrix, x: number, y: number): [number, number] => [
  m[0] * x + m[2] * y + m[4],
  m[1] * x + m[3] * y + m[5],
];
const isMatrix = (value: unknown): value is Matrix =>
  Array.isArray(value) && value.length === 6 && value.every((n) => typeof n === 'number');

/** Pages with more than this are drawings or hostile; what is beyond is not read. */
const MAX_ITEMS = 20_000;
const MAX_RULINGS = 6_000;

/** The numbers by which pdf.js names drawing operations, handed in so that this file needs no part of it at run time. */
export interface Operations {
  readonly save: number;
  readonly restore: number;
  readonly transform: number;
  readonly constructPath: number;
  readonly paintFormXObjectBegin: number;
  readonly paintFormXObjectEnd: number;
}

/** How pdf.js writes the steps of a path. */
const MOVE = 0;
const LINE = 1;
const CURVE = 2;
const QUADRATIC = 3;
const CLOSE = 4;
const COORDINATES: Readonly<Record<number, number>> = { [MOVE]: 2, [LINE]: 2, [CURVE]: 6, [QUADRATIC]: 4, [CLOSE]: 0 };

/** @throws when pdf.js cannot read the page */
export async function pageText(page: PDFPageProxy, ops: Operations): Promise<PageText> {
  const viewport = page.getViewport({ scale: 1 });
  const view = viewport.transform;
  const base: Matrix = isMatrix(view) ? view : [1, 0, 0, -1, 0, viewport.height];
  const content = await page.getTextContent({ disableNormalization: false });
  const items: TextItem[] = [];
  for (const item of content.items) {
    if (!('str' in item) || item.str.trim() === '') continue;
    const placed = isMatrix(item.transform) ? times(base, item.transform) : null;
    if (!placed) continue;
    const height = Math.hypot(placed[2], placed[3]);
    // Text that does not run from left to right is no row of a table.
    if (Math.abs(placed[1]) > 0.05 * Math.hypot(placed[0], placed[1]) || placed[0] <= 0 || height < 2) continue;
    items.push({ text: item.str, x: placed[4], y: placed[5], width: item.width, height, font: item.fontName });
    if (items.length >= MAX_ITEMS) break;
  }
  return {
    page: page.pageNumber,
    width: viewport.width,
    height: viewport.height,
    items,
    rulings: await rulingsOf(page, base, ops),
  };
}

async function rulingsOf(page: PDFPageProxy, base: Matrix, ops: Operations): Promise<Ruling[]> {
  const list = await page.getOperatorList();
  const rulings: Ruling[] = [];
  const stack: Matrix[] = [];
  let now = base;
  for (let i = 0; i < list.fnArray.length && rulings.length < MAX_RULINGS; i++) {
    const fn = list.fnArray[i];
    const args: unknown = list.argsArray[i];
    if (fn === ops.save || fn === ops.paintFormXObjectBegin) {
      stack.push(now);
      const matrix: unknown = fn === ops.save || !Array.isArray(args) ? null : args[0];
      if (isMatrix(matrix)) now = times(now, matrix);
    } else if (fn === ops.restore || fn === ops.paintFormXObjectEnd) now = stack.pop() ?? base;
    else if (fn === ops.transform && isMatrix(args)) now = times(now, args);
    else if (fn === ops.constructPath && Array.isArray(args)) {
      const data: unknown = Array.isArray(args[1]) ? args[1][0] : null;
      if (data instanceof Float32Array) addPath(rulings, data, now);
    }
  }
  return rulings;
}

function addPath(rulings: Ruling[], data: Float32Array, matrix: Matrix): void {
  let [x, y, startX, startY] = [0, 0, 0, 0];
  const line = (toX: number, toY: number) => {
    addLine(rulings, at(matrix, x, y), at(matrix, toX, toY));
    [x, y] = [toX, toY];
  };
  for (let i = 0; i < data.length;) {
    const op = data[i] ?? CLOSE;
    const count = COORDINATES[op];
    if (count === undefined) return;
    const toX = data[i + count - 1] ?? 0;
    const toY = data[i + count] ?? 0;
    if (op === MOVE) [x, y, startX, startY] = [toX, toY, toX, toY];
    else if (op === LINE) line(toX, toY);
    else if (op === CLOSE) line(startX, startY);
    else [x, y] = [toX, toY];
    i += count + 1;
  }
}

/** Shorter strokes are parts of letters and drawings, points. */
const SHORTEST = 8;

function addLine(rulings: Ruling[], [ax, ay]: [number, number], [bx, by]: [number, number]): void {
  const level = Math.abs(ay - by) < 0.6 && Math.abs(ax - bx) > SHORTEST;
  const upright = Math.abs(ax - bx) < 0.6 && Math.abs(ay - by) > SHORTEST;
  if (level) rulings.push({ x0: Math.min(ax, bx), x1: Math.max(ax, bx), y0: ay, y1: ay });
  else if (upright) rulings.push({ x0: ax, x1: ax, y0: Math.min(ay, by), y1: Math.max(ay, by) });
}
