/** The boards as shapes, true to the holes: for the screen, for paper and for files. Steps of the grid, y down. */
import { pinPlaces, placedBox, type Box } from '../board/footprint.ts';
import {
  BOARD_HEIGHT,
  BOARD_STEP,
  COLUMNS,
  parseHole,
  pointOfHole,
  stripPlaces,
  stripsOf,
  type Point,
} from '../board/grid.ts';
import { pluggedSources } from '../circuit/mated.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { footprintOf } from '../circuit/footprint.ts';
import type { Docked, Layout, Lead, LeadPoint } from '../circuit/laid.ts';
import { crossings } from '../layout/crossings.ts';
import { terminalPlace } from '../layout/dock.ts';
import { EDGE } from '../layout/problem.ts';
import { tells, type Text, type Quantity } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverBoardDrawingSays {
  readonly cable: { node: Text };
}

const tell = tells<DeliverBoardDrawingSays>('deliver/board-drawing');

interface DrawnText extends Point {
  readonly text: string;
}

export interface DrawnPart {
  readonly part: string;
  readonly label: Text;
  readonly box: Box;
  readonly pins: readonly (Point & { readonly terminal: string; readonly label: string; readonly first: boolean })[];
  /** In the board, or beside it. */
  readonly seated: boolean;
  /** Middle of its name, and the size of the letters, in steps. */
  readonly name: Point & { readonly size: number };
}

export interface DrawnLead {
  readonly key: string;
  readonly kind: Lead['kind'];
  readonly colour: string;
  readonly value: Text | Quantity;
  readonly of: string;
  readonly a: Point;
  readonly b: Point;
}

export interface Drawing {
  readonly box: Box;
  readonly boards: readonly (Box & { readonly label: string })[];
  readonly holes: readonly Point[];
  readonly strips: readonly {
    readonly from: Point;
    readonly to: Point;
    readonly plus: boolean;
    readonly label: string;
  }[];
  readonly letters: readonly DrawnText[];
  readonly parts: readonly DrawnPart[];
  readonly leads: readonly DrawnLead[];
  readonly joints: readonly DrawnText[];
}

/** Every fifth row is numbered, as boards print it. */
const NUMBERED = 5;
/** From a terminal to the joint of its wire, in steps. */
const JOINT_AWAY = 2;

export function boardDrawing(circuit: Circuit, layout: Layout): Drawing {
  const boards = layout.boards.map(({ card, grid }, i) => ({
    left: -1,
    right: grid.rows + 2,
    top: i * BOARD_STEP - EDGE,
    bottom: i * BOARD_STEP + BOARD_HEIGHT + EDGE,
    label: circuit.cards.get(card)?.name ?? card,
  }));
  const seated = layout.seats.flatMap((seat) => seatedPart(circuit, seat));
  const docked = standing(circuit, layout).flatMap(({ part, box }) => {
    const node = circuit.parts.get(part);
    return node ? [dockedPart(node, box)] : [];
  });
  const lying = [...seated, ...docked];
  const parts = [...lying, ...pluggedParts(circuit, layout, lying)];
  const joints = jointPlaces(circuit, layout, parts);
  const place = (point: LeadPoint): Point | null => {
    if (point.kind === 'hole') {
      const hole = parseHole(point.hole);
      return hole && pointOfHole(hole);
    }
    if (point.kind === 'joint') return joints.get(point.joint) ?? null;
    const node = circuit.parts.get(point.part);
    const box = docked.find(({ part }) => part === point.part)?.box;
    return node && box ? pinOf(node, box, point.terminal) : null;
  };
  const leads = layout.leads.flatMap((lead): DrawnLead[] => {
    const [a, b] = [place(lead.from), place(lead.to)];
    const { key, kind, colour, value, of } = lead;
    return a && b ? [{ key, kind, colour, value, of, a, b }] : [];
  });
  const boxes = [...boards, ...parts.map(({ box }) => box)];
  return {
    box: {
      left: Math.min(0, ...boxes.map(({ left }) => left)) - 2,
      right: Math.max(20, ...boxes.map(({ right }) => right)) + 2,
      top: Math.min(0, ...boxes.map(({ top }) => top)) - 2,
      bottom: Math.max(4, ...boxes.map(({ bottom }) => bottom)) + 2,
    },
    boards,
    holes: holesOf(layout),
    strips: stripLines(layout),
    letters: lettersOf(layout),
    parts,
    leads,
    joints: [...joints].map(([text, at]) => ({ ...at, text })),
  };
}

function seatedPart(circuit: Circuit, seat: Layout['seats'][number]): DrawnPart[] {
  const node = circuit.parts.get(seat.part);
  const footprint = node && footprintOf(node.card);
  const hole = parseHole(seat.hole);
  if (!node || !footprint || !hole) return [];
  const at = { hole, turned: seat.turned };
  return [
    {
      part: node.id,
      label: node.label,
      box: placedBox(footprint.body, at),
      seated: true,
      name: nameIn(placedBox(footprint.body, at)),
      pins: pinPlaces(footprint, at).map(({ terminal, place }, i) => ({
        ...place,
        terminal,
        label: node.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal,
        first: i === 0,
      })),
    },
  ];
}

/** Points of the drawing lie on half steps: leads run there. */
const half = (value: number): number => Math.round(value * 2) / 2;

function pinOf(node: PartNode, box: Box, terminal: string): Point {
  const { x, y } = terminalPlace(node, box, terminal);
  return { x: half(x), y };
}

/** Parts beside the boards, on half steps, those of one row in the order in which their leads cross least. */
function standing(circuit: Circuit, layout: Layout): readonly Docked[] {
  const docked = layout.docked.map(({ part, box }) => ({
    part,
    box: { left: half(box.left), right: half(box.right), top: half(box.top), bottom: half(box.bottom) },
  }));
  return [...new Set(docked.map(({ box }) => box.top))].flatMap((top) =>
    untangled(
      circuit,
      layout,
      docked,
      docked.filter(({ box }) => box.top === top),
    ),
  );
}

/** Neighbours change places as long as that saves a crossing. */
function untangled(circuit: Circuit, layout: Layout, all: readonly Docked[], row: readonly Docked[]): Docked[] {
  const order = row.toSorted((a, b) => a.box.left - b.box.left);
  const others = all.filter((one) => !row.includes(one));
  const count = (): number => {
    const boxes = new Map([...others, ...order].map(({ part, box }) => [part, box]));
    const at = (point: LeadPoint): Point | null => {
      if (point.kind === 'hole') {
        const hole = parseHole(point.hole);
        return hole && pointOfHole(hole);
      }
      const node = point.kind === 'terminal' ? circuit.parts.get(point.part) : undefined;
      const box = node && boxes.get(node.id);
      return node && box && point.kind === 'terminal' ? pinOf(node, box, point.terminal) : null;
    };
    return crossings(
      layout.leads.flatMap(({ from, to }) => {
        const [a, b] = [at(from), at(to)];
        return a && b && (from.kind === 'terminal' || to.kind === 'terminal') ? [{ a, b }] : [];
      }),
    );
  };
  let least = count();
  for (let better = true; better && least > 0;) {
    better = false;
    for (let i = 0; i + 1 < order.length; i++) {
      const [a, b] = [order[i], order[i + 1]];
      if (!a || !b) continue;
      [order[i], order[i + 1]] = swapped(a, b);
      const now = count();
      if (now < least) {
        least = now;
        better = true;
      } else [order[i], order[i + 1]] = [a, b];
    }
  }
  return order;
}

/** Two neighbours the other way round, in the room that they had. */
function swapped(a: Docked, b: Docked): [Docked, Docked] {
  const [wide, from] = [b.box.right - b.box.left, a.box.right - a.box.left];
  return [
    { part: b.part, box: { ...b.box, left: a.box.left, right: a.box.left + wide } },
    { part: a.part, box: { ...a.box, left: b.box.right - from, right: b.box.right } },
  ];
}

function nameIn(box: Box): DrawnPart['name'] {
  const size = Math.min(1.7, Math.max(0.9, (box.bottom - box.top) / 3));
  return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 + size / 3, size };
}

const dockedPart = (node: PartNode, box: Box): DrawnPart => ({
  part: node.id,
  label: node.label,
  box,
  seated: false,
  // Clear of the names of the pins, which are on the side of the boards.
  name: { x: (box.left + box.right) / 2, y: box.top < 0 ? box.top + 1.5 : box.bottom - 0.8, size: 1.3 },
  pins: node.card.terminals.map(({ id, label }, i) => ({
    ...pinOf(node, box, id),
    terminal: id,
    label,
    first: i === 0,
  })),
});

/** How far a cable stands off the part that it goes into, and how thick a plugged part is, in steps. */
const CABLE = 9;
const PLUG = 1.8;

/** What no lead goes to: a cable in a socket, and parts that are plugged into the header of another. */
function pluggedParts(circuit: Circuit, layout: Layout, lying: readonly DrawnPart[]): DrawnPart[] {
  const cables = new Set(pluggedSources(circuit).map(({ part }) => part));
  return layout.mated.flatMap(({ part, host, pairs }): DrawnPart[] => {
    const node = circuit.parts.get(part);
    const on = lying.find((p) => p.part === host);
    const board = circuit.parts.get(host);
    if (!node || !on || !board || lying.some((p) => p.part === part)) return [];
    if (cables.has(part)) {
      const y = (on.box.top + on.box.bottom) / 2;
      const box = { left: on.box.left - CABLE, right: on.box.left, top: y - PLUG / 2, bottom: y + PLUG / 2 };
      const name = { x: (box.left + box.right) / 2, y: y + 0.35, size: 1 };
      return [{ part, label: tell('cable', { node: node.label }), box, seated: false, name, pins: [] }];
    }
    const holes = pairs.map(([own, other]) => ({
      ...terminalPlace(board, on.box, other),
      label: node.card.terminals.find(({ id }) => id === own)?.label ?? own,
    }));
    const xs = holes.map(({ x }) => x);
    const y = holes[0]?.y ?? on.box.top;
    // It lies over the host, its pins on the side where the host has its own.
    const inward = on.box.top < 0 ? -1 : 1;
    const ends = [y + inward * 0.5, y + inward * (0.5 + PLUG)];
    const box = {
      left: Math.min(...xs) - 0.8,
      right: Math.max(...xs) + 0.8,
      top: Math.min(...ends),
      bottom: Math.max(...ends),
    };
    const name = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 + 0.35, size: 0.9 };
    return [{ part, label: node.label, box, seated: false, name, pins: [] }];
  });
}

/** A joint lies before the terminal whose wire ends in it. */
function jointPlaces(circuit: Circuit, layout: Layout, parts: readonly DrawnPart[]): Map<string, Point> {
  return new Map(
    layout.joints.map(({ id }, i) => {
      const own = layout.leads.find(
        ({ kind, from, to }) =>
          (kind === 'own' || kind === 'lead') &&
          [from, to].some((p) => p.kind === 'joint' && p.joint === id) &&
          [from, to].some((p) => p.kind === 'terminal'),
      );
      const end = [own?.from, own?.to].find((p) => p?.kind === 'terminal');
      const part = parts.find((p) => end?.kind === 'terminal' && p.part === end.part);
      const node = end?.kind === 'terminal' ? circuit.parts.get(end.part) : undefined;
      if (!part || !node || end?.kind !== 'terminal') return [id, { x: i * 6, y: 2 }] as const;
      const { x, y } = pinOf(node, part.box, end.terminal);
      return [id, { x, y: y + (part.box.top < 0 ? JOINT_AWAY : -JOINT_AWAY) }] as const;
    }),
  );
}

const holesOf = (layout: Layout): Point[] =>
  layout.boards.flatMap(({ grid }, board) => [
    ...Array.from({ length: grid.rows }, (_, i) =>
      COLUMNS.map((column) => pointOfHole({ kind: 'row', board, row: i + 1, column })),
    ).flat(),
    ...stripsOf(grid).flatMap((strip) =>
      Array.from({ length: stripPlaces(grid) }, (_, i) => pointOfHole({ kind: 'strip', board, strip, place: i + 1 })),
    ),
  ]);

function stripLines(layout: Layout): Drawing['strips'] {
  return layout.boards.flatMap(({ grid }, board) =>
    stripsOf(grid).flatMap((strip) => {
      const places = stripPlaces(grid);
      const runs = grid.split ? [[1, places / 2] as const, [places / 2 + 1, places] as const] : [[1, places] as const];
      const plus = strip.endsWith('+');
      const shift = strip === 'u+' || strip === 'l-' ? -0.8 : 0.8;
      return runs.map(([first, last]) => {
        const [a, b] = [first, last].map((place) => pointOfHole({ kind: 'strip', board, strip, place }));
        return {
          from: { x: (a?.x ?? 0) - 0.4, y: (a?.y ?? 0) + shift },
          to: { x: (b?.x ?? 0) + 0.4, y: (b?.y ?? 0) + shift },
          plus,
          label: plus ? '+' : '−',
        };
      });
    }),
  );
}

const lettersOf = (layout: Layout): DrawnText[] =>
  layout.boards.flatMap(({ grid }, board) => [
    ...COLUMNS.flatMap((column) =>
      [0, grid.rows + 1].map((x) => ({ x, y: pointOfHole({ kind: 'row', board, row: 1, column }).y, text: column })),
    ),
    ...Array.from({ length: Math.floor(grid.rows / NUMBERED) + 1 }, (_, i) => Math.max(1, i * NUMBERED)).map((row) => ({
      x: row,
      y: board * BOARD_STEP + 8.5,
      text: String(row),
    })),
  ]);
