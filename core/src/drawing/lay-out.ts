/**
 * The picture of a build as shapes. Rows run from the controller's edge to the right and parts hang below them at their places, so that no
 * line can cross another: what hangs behind a gate begins in a gutter of its own left of all places.
 */
import type { Column, Overview, Row, Tap } from '../overview/model.ts';
import { briefBlockOf } from './brief-blocks.ts';
import { layFeedStrip } from './feed-strip.ts';
import { blockOf, type Block } from './blocks.ts';
import { fitted, widthOf } from './letter-widths.ts';
import { ASIDE, MARK_ROOM, Pen, TITLE } from './pen.ts';
import type { Drawing, Of, Shape } from './shapes.ts';
import { say } from '../say/say.ts';
import { tellOverview } from '../overview/says.ts';
import { clockText, figureText, pinsText, placeText } from './words.ts';

const MARGIN = 14;
const HEAD = 44;
const HUB_LEAST = 100;
const LEGEND = 30;
const LEGEND_LINE = 16;
export const LEGEND_WORDS = ['legendStrokes', 'legendRows', 'legendFoot'] as const;
/** From the hub's edge to the first place. */
const GUTTER = 18;
/** A gate in the gutter, with room for the line before it. */
const GATE = 132;
/** From a column's edge to its tap. */
const TAP = 8;
/** From the top of a row to its line. */
const ROW_HEAD = 24;
const BLOCK_GAP = 8;

/** With all figures, or names and findings alone, which is about half as wide. */
export const FORMS = ['full', 'brief'] as const;

/** How much of each thing is drawn, in px. */
interface Form {
  readonly legend: readonly (typeof LEGEND_WORDS)[number][];
  readonly blockOf: (tap: Tap) => Block;
  readonly cellPad: number;
  /** From the tap to the part. */
  readonly branch: number;
  readonly placeLeast: number;
  /** Longer names of places are cut. */
  readonly placeMost: number;
  /** Between the controller's top and the first row. */
  readonly top: number;
  readonly rowGap: number;
}
const FORM: Readonly<Record<(typeof FORMS)[number], Form>> = {
  full: {
    blockOf,
    legend: LEGEND_WORDS,
    cellPad: 12,
    branch: 14,
    placeLeast: 104,
    placeMost: 150,
    top: 14,
    rowGap: 14,
  },
  brief: {
    blockOf: briefBlockOf,
    legend: ['legendStrokes', 'legendRows'],
    cellPad: 6,
    branch: 10,
    placeLeast: 70,
    placeMost: 104,
    top: 4,
    rowGap: 2,
  },
};

const hub: Of = { kind: 'hub', id: 'hub' };
const rowOf = ({ id }: Row): Of => ({ kind: 'row', id });

/** How many gates stand between the hub and a row. */
export function depthOf(row: Row, rows: readonly Row[]): number {
  let depth = 0;
  for (let at: Row | undefined = row; at?.under; at = rows.find(({ id }) => id === at?.under?.row)) depth++;
  return Math.min(depth, rows.length);
}

/** A stretch of a line. */
export const tapLine = (
  points: readonly (readonly [number, number])[],
  strokes: 1 | 2,
  of: Of,
  net: string,
): Shape => ({ is: 'line', role: 'signal', strokes, points, of, net });

interface Cell {
  readonly column: number;
  readonly blocks: readonly Block[];
}

const stackHeight = (blocks: readonly Block[]): number =>
  blocks.reduce((sum, { height }) => sum + height + BLOCK_GAP, 0) - BLOCK_GAP;

function cellsOf(row: Row, columns: readonly Column[], { blockOf: of }: Form): Cell[] {
  return columns.flatMap(({ place }, column): Cell[] => {
    const blocks = row.taps.filter((tap) => tap.place === place).map((tap) => of(tap));
    return blocks.length > 0 ? [{ column, blocks }] : [];
  });
}

interface Place {
  readonly x: number;
  readonly w: number;
}

/** @returns the drawing at its natural size */
export function layOut(overview: Overview, as: (typeof FORMS)[number] = 'full'): Drawing {
  const { rows, columns } = overview;
  const form = FORM[as];
  const pen = new Pen();
  const cells = rows.map((row) => cellsOf(row, columns, form));
  const depth = Math.max(0, ...rows.map((row) => depthOf(row, rows)));
  const feeds = layFeedStrip(pen, overview, MARGIN, MARGIN);
  const top = overview.feeds.length > 0 ? feeds.bottom : 0;
  const head = top + HEAD;
  const pinsWidth = Math.max(0, ...rows.map(({ pins }) => widthOf(pinsText(pins), ASIDE, 'mono')));
  const hubWidth = overview.hub ? Math.max(HUB_LEAST, hubHeadWidth(overview.hub), pinsWidth + 26) : 0;
  const hubRight = MARGIN + hubWidth;
  const places: Place[] = [];
  let right = hubRight + GUTTER + depth * GATE;
  columns.forEach((column, at) => {
    const blocks = cells.flatMap((row) => row.filter((cell) => cell.column === at).flatMap((cell) => cell.blocks));
    const w =
      Math.max(form.placeLeast, headWidth(column, form), ...blocks.map(({ width }) => width + TAP + form.branch)) +
      form.cellPad;
    places.push({ x: right, w });
    right += w;
  });
  // A row without a part has its name and its figure on it all the same.
  const legend = form.legend.map((id) => say(tellOverview(id)));
  right = Math.max(
    right,
    feeds.right,
    hubRight + 260,
    ...legend.map((text) => MARGIN + widthOf(text, ASIDE, 'plain') + 1),
  );
  const tops: number[] = [];
  let y = head + (overview.hub ? form.top : 6);
  rows.forEach((row, r) => {
    tops.push(y);
    const below = Math.max(0, ...(cells[r] ?? []).map(({ blocks }) => stackHeight(blocks) + 12));
    y += (hasHead(row) ? ROW_HEAD : 16) + Math.max(below, 10) + form.rowGap;
  });
  const bottom = Math.max(y, head + 40);
  columns.forEach((column, at) => layColumn(pen, column, places[at] ?? { x: 0, w: 0 }, at, top, bottom));
  if (overview.hub) layHub(pen, overview.hub, { x: MARGIN, y: head, w: hubWidth, bottom });
  const lines = rows.map((row, r) => (tops[r] ?? 0) + (hasHead(row) ? ROW_HEAD : 16));
  rows.forEach((row, r) => {
    const at = { y: lines[r] ?? 0, from: hubRight, right, branch: form.branch };
    const under = row.under ? rows.findIndex(({ id }) => id === row.under?.row) : -1;
    layRow(
      pen,
      row,
      cells[r] ?? [],
      places,
      at,
      under < 0 ? null : { y: lines[under] ?? 0, depth: depthOf(row, rows) },
    );
  });
  legend.forEach((text, i) =>
    pen.text(MARGIN, bottom + 20 + i * LEGEND_LINE, { text, tone: 'quiet' }, right - MARGIN, {
      kind: 'legend',
      id: 'legend',
    }),
  );
  return {
    width: Math.ceil(right + MARGIN),
    height: Math.ceil(bottom + LEGEND + (legend.length - 1) * LEGEND_LINE),
    shapes: pen.shapes,
  };
}

const pinsUsed = ({ used, pins }: NonNullable<Overview['hub']>): string => say(tellOverview('pins', { used, pins }));

/** Its name may be cut, what is found of it not. */
const hubHeadWidth = (own: NonNullable<Overview['hub']>): number =>
  own.mark
    ? widthOf(pinsUsed(own), ASIDE, 'plain') + 6 + MARK_ROOM + widthOf(figureText(own.mark), ASIDE, 'strong') + 20
    : 0;

/** The controller: its name and how many of its pins are used, above its box. */
function layHub(
  pen: Pen,
  own: NonNullable<Overview['hub']>,
  { x: left, y, w, bottom }: { x: number; y: number; w: number; bottom: number },
): void {
  pen.shapes.push({ is: 'box', role: 'hub', x: left, y, w, h: bottom - y, of: hub });
  pen.line(left + 10, w - 16, [
    (x, room) => pen.text(x, y - 22, { text: say(own.label), size: TITLE, face: 'strong' }, room, hub),
  ]);
  pen.line(left + 10, w - 16, [
    (x, room) => pen.text(x, y - 7, { text: pinsUsed(own), tone: 'quiet' }, room, hub),
    (x, room) => (own.mark ? pen.mark(x, y - 7, own.mark, room, hub) : 0),
  ]);
}

const hasHead = (row: Row): boolean => say(row.name) !== '' || row.clock !== null || row.mark !== null || row.lines > 1;

const headWidth = (column: Column, { placeMost }: Form): number =>
  Math.max(
    Math.min(placeMost, widthOf(column.place ?? '', TITLE, 'strong')),
    widthOf(placeText(column), ASIDE, 'plain'),
  ) +
  TAP +
  4;

function layColumn(pen: Pen, column: Column, { x, w }: Place, at: number, top: number, bottom: number): void {
  const { place } = column;
  const of: Of = { kind: 'column', id: place ?? '' };
  if (at % 2 === 1) pen.shapes.push({ is: 'box', role: 'column', x, y: top + 6, w, h: bottom - top - 6, of });
  pen.text(
    x + TAP,
    top + 22,
    {
      text: place ?? say(tellOverview('noPlace')),
      size: TITLE,
      face: place === null ? 'plain' : 'strong',
      tone: place === null ? 'quiet' : 'ink',
    },
    w - TAP - 4,
    of,
  );
  pen.text(x + TAP, top + 37, { text: placeText(column), tone: 'quiet' }, w - TAP - 4, of);
}

interface At {
  readonly y: number;
  /** The hub's edge, and the end of everything. */
  readonly from: number;
  readonly right: number;
  /** From a tap to its part. */
  readonly branch: number;
}

function layRow(
  pen: Pen,
  row: Row,
  cells: readonly Cell[],
  places: readonly Place[],
  at: At,
  under: { y: number; depth: number } | null,
): void {
  const of = rowOf(row);
  const { y, branch } = at;
  let start = at.from;
  let head = at.from + 8;
  if (under) {
    // Down from the row above, through the gate, and on.
    const x = at.from + 10 + (under.depth - 1) * GATE;
    const gate = row.under?.gate;
    const label = gate ? `${say(gate.label)}${gate.channel === null ? '' : ` ${gate.channel}`}` : '';
    const w = Math.min(GATE - 26, widthOf(label, ASIDE, 'strong') + 12);
    const ofGate: Of = { kind: 'part', id: gate?.part ?? '' };
    pen.shapes.push({
      is: 'line',
      role: 'signal',
      strokes: row.lines > 1 ? 2 : 1,
      points: [
        [x, under.y],
        [x, y],
        [x + 12, y],
      ],
      of,
      net: row.under?.row ?? row.id,
    });
    pen.shapes.push({ is: 'box', role: 'gate', x: x + 12, y: y - 11, w, h: 22, of: ofGate });
    pen.text(x + 18, y + 4, { text: label, face: 'strong' }, w - 10, ofGate);
    if (gate?.mark) pen.mark(x + 12, y - 15, gate.mark, GATE - 20, ofGate);
    start = x + 12 + w;
    head = start + 8;
  }
  const last = cells.at(-1);
  const taps = cells.map((cell) => (places[cell.column]?.x ?? 0) + TAP);
  const end = last ? Math.max(...taps) : row.kind === 'stub' ? start + 22 : start + 60;
  if (row.lines > 0 && end > start)
    pen.shapes.push({
      is: 'line',
      role: 'signal',
      strokes: row.lines > 1 ? 2 : 1,
      points: [
        [start, y],
        [end, y],
      ],
      of,
      net: row.id,
    });
  if (!under && row.pins.length > 0) {
    const pins = fitted(pinsText(row.pins), at.from, ASIDE, 'mono');
    const w = widthOf(pins, ASIDE, 'mono');
    pen.text(at.from - 6 - w, y + 4, { text: pins, face: 'mono' }, w + 1, of);
  }
  const name = say(row.name);
  if (row.kind === 'stub') {
    const count = say(tellOverview('stub', { count: row.lines }));
    pen.line(end + 6, at.right - end - 6, [
      (x, room) => pen.text(x, y + 4, { text: name }, Math.min(room, 150), of),
      (x, room) => pen.text(x, y + 4, { text: count, tone: 'quiet' }, room, of),
    ]);
  }
  const label = row.kind === 'stub' ? '' : name;
  pen.line(head, at.right - head, [
    (x, room) => pen.text(x, y - 8, { text: label, face: 'strong' }, Math.min(room, 150), of),
    (x, room) => pen.text(x, y - 8, { text: clockText(row), tone: 'quiet' }, room, of),
    (x, room) =>
      row.kind === 'line' && row.lines > 1
        ? pen.text(x, y - 8, { text: say(tellOverview('lines', { count: row.lines })), tone: 'quiet' }, room, of)
        : 0,
    (x, room) => (row.mark ? pen.mark(x, y - 8, row.mark, room, of) : 0),
  ]);
  cells.forEach((cell, i) => layCell(pen, row, cell, taps[i] ?? 0, y, branch));
}

/** Parts of one row at one place: one below the other, on one branch. */
function layCell(pen: Pen, row: Row, { blocks }: Cell, tap: number, line: number, branch: number): void {
  let y = line + 12;
  const strokes = row.lines > 1 ? 2 : 1;
  for (const block of blocks) {
    const middle = y + 12;
    if (row.lines > 0)
      pen.shapes.push({
        is: 'line',
        role: 'signal',
        strokes,
        points: [
          [tap, line],
          [tap, middle],
          [tap + branch, middle],
        ],
        of: { kind: 'part', id: block.part },
        net: row.id,
      });
    block.lay(pen, tap + branch, y, row.id);
    y += block.height + BLOCK_GAP;
  }
}
