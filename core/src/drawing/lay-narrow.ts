/**
 * The picture for a narrow window: the tree of feeds above, then the controller as a head and an edge that runs down, and along it the rows, each with
 * its parts one below the other in groups by place. Nothing crosses for the same reason as in the wide one: a row keeps to its own height.
 */
import type { Overview, Row } from '../overview/model.ts';
import { tellOverview } from '../overview/says.ts';
import { say } from '../say/say.ts';
import { blockOf, type Block } from './blocks.ts';
import { layFeeds } from './feeds.ts';
import { depthOf, LEGEND_WORDS, tapLine } from './lay-out.ts';
import { widthOf, wrapped } from './letter-widths.ts';
import { ASIDE, Pen, ROW_SIZE, TITLE } from './pen.ts';
import type { Drawing, Of } from './shapes.ts';
import { clockText, pinsText } from './words.ts';

const MARGIN = 10;
const EDGE = 12;
/** From the edge to the first trunk, and what each gate above a row adds. */
const GUTTER = 18;
const STEP = 24;
const BRANCH = 14;
const HEAD = 46;
/** Two lines of words above the line of a row; above a gate there is its box, too. */
const ROW_HEAD = 40;
const GATED_HEAD = 62;
const ROW_GAP = 16;
const BLOCK_GAP = 8;
const PLACE_LINE = 18;
const LEGEND_LINE = 16;
const LEAST = 330;
const MOST_NAME = 180;

const hub: Of = { kind: 'hub', id: 'hub' };

interface Group {
  readonly place: string | null;
  readonly blocks: readonly Block[];
}

const groupsOf = (row: Row, { columns }: Overview): Group[] =>
  columns.flatMap(({ place }): Group[] => {
    const blocks = row.taps.filter((tap) => tap.place === place).map((tap) => blockOf(tap));
    return blocks.length > 0 ? [{ place, blocks }] : [];
  });
const heightOf = (groups: readonly Group[]): number =>
  groups.reduce((sum, { blocks }) => blocks.reduce((s, { height }) => s + height + BLOCK_GAP, sum + PLACE_LINE), 0);

/** @returns the drawing at its natural size: about as wide as a phone */
export function layNarrow(overview: Overview): Drawing {
  const { rows } = overview;
  const pen = new Pen();
  const groups = rows.map((row) => groupsOf(row, overview));
  const depth = Math.max(0, ...rows.map((row) => depthOf(row, rows)));
  const edge = MARGIN + (overview.hub ? EDGE : 0);
  const trunk = edge + GUTTER + depth * STEP;
  const legend = LEGEND_WORDS.flatMap((id) => wrapped(say(tellOverview(id)), LEAST - MARGIN, ASIDE, 'plain'));
  const feeds = layFeeds(pen, overview, MARGIN, 14);
  const pinsOf = (row: Row) => widthOf(pinsText(row.pins), ASIDE, 'mono') + trunk + 12;
  const right = Math.max(
    LEAST,
    feeds.right,
    feeds.railsWidth + 3 * MARGIN,
    ...rows.map(pinsOf),
    ...groups.flatMap((all) => all.flatMap(({ blocks }) => blocks.map(({ width }) => trunk + BRANCH + width))),
  );
  let y = feeds.bottom;
  if (overview.hub) {
    const head = HEAD + feeds.railsHeight;
    pen.shapes.push({ is: 'box', role: 'hub', x: MARGIN, y, w: right - MARGIN, h: head, of: hub });
    pen.text(
      MARGIN + 10,
      y + 19,
      { text: say(overview.hub.label), size: TITLE, face: 'strong' },
      right - MARGIN - 20,
      hub,
    );
    const { used, pins, mark } = overview.hub;
    pen.line(MARGIN + 10, right - MARGIN - 20, [
      (x, room) => pen.text(x, y + 36, { text: say(tellOverview('pins', { used, pins })), tone: 'quiet' }, room, hub),
      (x, room) => (mark ? pen.mark(x, y + 36, mark, room, hub) : 0),
    ]);
    feeds.layRails(MARGIN + 8, y + HEAD);
    y += head;
  }
  const top = y;
  const lines: number[] = [];
  rows.forEach((row, r) => {
    const line = y + (row.under ? GATED_HEAD : ROW_HEAD);
    lines.push(line);
    const gate = row.under ? 14 : 0;
    y = line + gate + heightOf(groups[r] ?? []) + ROW_GAP;
  });
  if (overview.hub && rows.length > 0)
    pen.shapes.push({ is: 'box', role: 'hub', x: MARGIN, y: top, w: EDGE, h: y - top, of: hub });
  rows.forEach((row, r) =>
    layRow(pen, row, groups[r] ?? [], { y: lines[r] ?? 0, edge, trunk, right }, parentOf(rows, lines, row)),
  );
  legend.forEach((text, i) =>
    pen.text(MARGIN, y + 20 + i * LEGEND_LINE, { text, tone: 'quiet' }, right - MARGIN, {
      kind: 'legend',
      id: 'legend',
    }),
  );
  return {
    width: Math.ceil(right + MARGIN),
    height: Math.ceil(y + 26 + legend.length * LEGEND_LINE),
    shapes: pen.shapes,
  };
}

interface Parent {
  readonly y: number;
  readonly depth: number;
  /** Below its line stands a gate. */
  readonly gated: boolean;
}

function parentOf(rows: readonly Row[], lines: readonly number[], row: Row): Parent | null {
  const at = row.under ? rows.findIndex(({ id }) => id === row.under?.row) : -1;
  const parent = rows[at];
  return parent ? { y: lines[at] ?? 0, depth: depthOf(row, rows), gated: parent.under !== null } : null;
}

interface At {
  readonly y: number;
  readonly edge: number;
  readonly trunk: number;
  readonly right: number;
}

function layRow(
  pen: Pen,
  row: Row,
  groups: readonly Group[],
  { y, edge, trunk, right }: At,
  parent: Parent | null,
): void {
  const of: Of = { kind: 'row', id: row.id };
  const strokes = row.lines > 1 ? 2 : 1;
  let words = edge + 8;
  let from: readonly [number, number] = [edge, y];
  if (parent && row.under) {
    const { gate } = row.under;
    const x = edge + 10 + (parent.depth - 1) * STEP;
    const label = `${say(gate.label)}${gate.channel === null ? '' : ` ${gate.channel}`}`;
    const w = Math.max(trunk - x, Math.min(right - x - 20, widthOf(label, ASIDE, 'strong') + 12));
    const ofGate: Of = { kind: 'part', id: gate.part };
    pen.shapes.push(
      tapLine(
        [
          [x, parent.y + (parent.gated ? 11 : 0)],
          [x, y],
          [x + 12, y],
        ],
        strokes,
        of,
        row.under.row,
      ),
      { is: 'box', role: 'gate', x: x + 12, y: y - 11, w, h: 22, of: ofGate },
    );
    pen.text(x + 18, y + 4, { text: label, face: 'strong' }, w - 10, ofGate);
    if (gate.mark) pen.mark(x + 12, y - 15, gate.mark, right - x - 14, ofGate);
    words = x + 8;
    from = [trunk, y + 11];
  }
  const first = parent ? y - 47 : y - 24;
  const name = say(row.name);
  pen.line(words, right - words, [
    (x, room) => pen.text(x, first, { text: name, size: ROW_SIZE, face: 'strong' }, Math.min(room, MOST_NAME), of),
    (x, room) => pen.text(x, first, { text: clockText(row), tone: 'quiet' }, room, of),
    (x, room) =>
      row.lines > 1
        ? pen.text(x, first, { text: say(tellOverview('lines', { count: row.lines })), tone: 'quiet' }, room, of)
        : 0,
  ]);
  pen.line(words, right - words, [
    (x, room) => pen.text(x, first + 16, { text: pinsText(row.pins), face: 'mono' }, room, of),
    (x, room) => (row.mark ? pen.mark(x, first + 16, row.mark, room, of) : 0),
  ]);
  const branch = layGroups(pen, row, groups, { y, edge, trunk, right }, parent !== null);
  if (row.lines === 0) return;
  const end = groups.length > 0 ? branch : from[1];
  pen.shapes.push(
    tapLine(
      parent ? [from, [trunk, end]] : groups.length > 0 ? [from, [trunk, y], [trunk, end]] : [from, [trunk, y]],
      strokes,
      of,
      row.id,
    ),
  );
}

/** The parts of a row, in groups by place. @returns where the last of them branches off */
function layGroups(pen: Pen, row: Row, groups: readonly Group[], { y, trunk, right }: At, gated: boolean): number {
  const strokes = row.lines > 1 ? 2 : 1;
  let at = y + (gated ? 14 : 0);
  let branch = y;
  for (const { place, blocks } of groups) {
    pen.text(trunk + 6, at + 14, { text: place ?? say(tellOverview('noPlace')), tone: 'quiet' }, right - trunk - 6, {
      kind: 'column',
      id: place ?? '',
    });
    at += PLACE_LINE;
    for (const block of blocks) {
      branch = at + 12;
      if (row.lines > 0)
        pen.shapes.push(
          tapLine(
            [
              [trunk, branch],
              [trunk + BRANCH, branch],
            ],
            strokes,
            { kind: 'part', id: block.part },
            row.id,
          ),
        );
      block.lay(pen, trunk + BRANCH, at, row.id);
      at += block.height + BLOCK_GAP;
    }
  }
  return branch;
}
