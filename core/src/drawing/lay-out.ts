/**
 * The picture of a build as shapes. Rows run from the controller's edge to the right and parts hang below them at their places, so that no
 * line can cross another: what hangs behind a gate begins in a gutter of its own left of all places.
 */
import type { Column, Overview, Row } from '../overview/model.ts';
import { layFeeds } from './feeds.ts';
import { blockOf, type Block } from './blocks.ts';
import { fitted, widthOf } from './letter-widths.ts';
import { ASIDE, Pen, TITLE } from './pen.ts';
import type { Drawing, Of, Shape } from './shapes.ts';
import { say } from '../say/say.ts';
import { tellOverview } from '../overview/says.ts';
import { clockText, pinsText, placeText } from './words.ts';

const MARGIN = 14;
const HEAD = 44;
const LEGEND = 30;
const LEGEND_LINE = 16;
export const LEGEND_WORDS = ['legendStrokes', 'legendRows', 'legendFoot'] as const;
const HUB_LEAST = 140;
/** From the hub's edge to the first place. */
const GUTTER = 18;
/** A gate in the gutter, with room for the line before it. */
const GATE = 132;
const CELL_PAD = 12;
/** From a column's edge to its tap. */
const TAP = 8;
/** From the tap to the part. */
const BRANCH = 14;
/** From the top of a row to its line. */
const ROW_HEAD = 24;
const ROW_GAP = 14;
const BLOCK_GAP = 8;
/** Longer names of places are cut. */
const MOST_PLACE = 150;
const PLACE_LEAST = 104;

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

function cellsOf(row: Row, columns: readonly Column[]): Cell[] {
  return columns.flatMap(({ place }, column): Cell[] => {
    const blocks = row.taps.filter((tap) => tap.place === place).map(blockOf);
    return blocks.length > 0 ? [{ column, blocks }] : [];
  });
}

interface Place {
  readonly x: number;
  readonly w: number;
}

/** @returns the drawing at its natural size */
export function layOut(overview: Overview): Drawing {
  const { rows, columns } = overview;
  const pen = new Pen();
  const cells = rows.map((row) => cellsOf(row, columns));
  const depth = Math.max(0, ...rows.map((row) => depthOf(row, rows)));
  const feeds = layFeeds(pen, overview, MARGIN, HEAD);
  const pinsWidth = Math.max(0, ...rows.map(({ pins }) => widthOf(pinsText(pins), ASIDE, 'mono')));
  const hubX = feeds.right;
  const hubWidth = overview.hub ? Math.max(HUB_LEAST, feeds.railsWidth + pinsWidth + 26) : 0;
  const hubRight = hubX + hubWidth;
  const places: Place[] = [];
  let right = hubRight + GUTTER + depth * GATE;
  columns.forEach((column, at) => {
    const blocks = cells.flatMap((row) => row.filter((cell) => cell.column === at).flatMap((cell) => cell.blocks));
    const w = Math.max(PLACE_LEAST, headWidth(column), ...blocks.map(({ width }) => width + TAP + BRANCH)) + CELL_PAD;
    places.push({ x: right, w });
    right += w;
  });
  // A row without a part has its name and its figure on it all the same.
  const legend = LEGEND_WORDS.map((id) => say(tellOverview(id)));
  right = Math.max(right, hubRight + 260, ...legend.map((text) => MARGIN + widthOf(text, ASIDE, 'plain') + 1));
  const tops: number[] = [];
  let y = HEAD + (overview.hub ? ROW_HEAD : 6);
  rows.forEach((row, r) => {
    tops.push(y);
    const below = Math.max(0, ...(cells[r] ?? []).map(({ blocks }) => stackHeight(blocks) + 12));
    y += (hasHead(row) ? ROW_HEAD : 16) + Math.max(below, 10) + ROW_GAP;
  });
  const bottom = Math.max(y, feeds.bottom + 10, HEAD + 120);
  columns.forEach((column, at) => layColumn(pen, column, places[at] ?? { x: 0, w: 0 }, at, bottom));
  if (overview.hub) {
    pen.shapes.push({ is: 'box', role: 'hub', x: hubX, y: HEAD, w: hubWidth, h: bottom - HEAD, of: hub });
    pen.line(hubX + 10, hubWidth - 16, [
      (x, room) =>
        pen.text(x, HEAD - 22, { text: say(overview.hub?.label ?? ''), size: TITLE, face: 'strong' }, room, hub),
    ]);
    pen.line(hubX + 10, hubWidth - 16, [
      (x, room) =>
        pen.text(
          x,
          HEAD - 7,
          {
            text: say(tellOverview('pins', { used: overview.hub?.used ?? 0, pins: overview.hub?.pins ?? 0 })),
            tone: 'quiet',
          },
          room,
          hub,
        ),
      (x, room) => (overview.hub?.mark ? pen.mark(x, HEAD - 7, overview.hub.mark, room, hub) : 0),
    ]);
    feeds.layRails(hubX + 8, HEAD + 10);
  }
  const lines = rows.map((row, r) => (tops[r] ?? 0) + (hasHead(row) ? ROW_HEAD : 16));
  rows.forEach((row, r) => {
    const at = { y: lines[r] ?? 0, from: hubRight, right };
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

const hasHead = (row: Row): boolean => say(row.name) !== '' || row.clock !== null || row.mark !== null || row.lines > 1;

const headWidth = (column: Column): number =>
  Math.max(
    Math.min(MOST_PLACE, widthOf(column.place ?? '', TITLE, 'strong')),
    widthOf(placeText(column), ASIDE, 'plain'),
  ) +
  TAP +
  4;

function layColumn(pen: Pen, column: Column, { x, w }: Place, at: number, bottom: number): void {
  const { place } = column;
  const of: Of = { kind: 'column', id: place ?? '' };
  if (at % 2 === 1) pen.shapes.push({ is: 'box', role: 'column', x, y: 6, w, h: bottom - 6, of });
  pen.text(
    x + TAP,
    22,
    {
      text: place ?? say(tellOverview('noPlace')),
      size: TITLE,
      face: place === null ? 'plain' : 'strong',
      tone: place === null ? 'quiet' : 'ink',
    },
    w - TAP - 4,
    of,
  );
  pen.text(x + TAP, 37, { text: placeText(column), tone: 'quiet' }, w - TAP - 4, of);
}

interface At {
  readonly y: number;
  /** The hub's edge, and the end of everything. */
  readonly from: number;
  readonly right: number;
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
  const { y } = at;
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
  cells.forEach((cell, i) => layCell(pen, row, cell, taps[i] ?? 0, y));
}

/** Parts of one row at one place: one below the other, on one branch. */
function layCell(pen: Pen, row: Row, { blocks }: Cell, tap: number, line: number): void {
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
          [tap + BRANCH, middle],
        ],
        of: { kind: 'part', id: block.part },
        net: row.id,
      });
    block.lay(pen, tap + BRANCH, y, row.id);
    y += block.height + BLOCK_GAP;
  }
}
