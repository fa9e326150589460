/** What is to be placed and joined, taken from the circuit once. */
import { pinPlaces, placedBox, type Box, type Footprint, type Seat } from '../board/footprint.ts';
import {
  BOARD_HEIGHT,
  BOARD_STEP,
  COLUMNS,
  PITCH,
  parseHole,
  type Column,
  type Grid,
  type Strip,
} from '../board/grid.ts';
import type { Card } from '../card/card.ts';
import { SOCKET } from '../card/kinds.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { carrierOf } from '../circuit/carrier.ts';
import { footprintOf } from '../circuit/footprint.ts';
import { netlistOf, reachedAt } from '../circuit/netlist.ts';
import { type TwoTerminal, type Netlist, type NetNode, type NodePin } from '../circuit/netlist-model.ts';
import { matedPairs, plugged } from '../circuit/mated.ts';
import { dissipation, riseAt } from '../physics/heat.ts';
import { Field } from './field.ts';
import type { LaidBoard, Mated } from '../circuit/laid.ts';
import { keyOf } from '../plan/ref.ts';

/** One way in which a part can stand on the boards. */
export interface Stand {
  readonly hole: string;
  readonly turned: boolean;
  /** Group of each pin, in the order of the footprint. */
  readonly groups: readonly number[];
  readonly pins: readonly number[];
  readonly box: Box;
  /** The way of its plug to the end of the board. */
  readonly plug: Box | null;
  /** How far the body sticks out over the upper or lower edge of the board. */
  readonly over: number;
  /** Holes under its body, those of its pins among them. */
  readonly under: readonly number[];
  /** Its place in the list of ways. */
  readonly number: number;
}

/** First row and turn of a stand, as a number. */
export const standKey = ({ groups, turned }: Pick<Stand, 'groups' | 'turned'>): number =>
  2 * (groups[0] ?? 0) + Number(turned);

/** A part to be placed on the boards. */
interface Item {
  readonly part: string;
  readonly footprint: Footprint;
  readonly stands: readonly Stand[];
  /** The first of them for each first row and turn. */
  readonly standAt: ReadonlyMap<number, Stand>;
  /** Node of each pin, or -1. */
  readonly nodes: readonly number[];
  readonly pinned: boolean;
  /** W, and whether it feels warmth. */
  readonly watts: number;
  readonly feels: boolean;
}

/** What a node has to reach besides the pins of items. */
export interface NodeWork {
  readonly node: NetNode;
  /** Terminals beside the boards that each want a lead; any one of each list will do. */
  readonly loose: readonly (readonly NodePin[])[];
  /** Legs of helpers that want a hole on it. */
  readonly legs: number;
  /** Long strips that are this node: groups. */
  readonly strips: readonly number[];
}

export interface LayoutProblem {
  readonly circuit: Circuit;
  readonly netlist: Netlist;
  readonly boards: readonly LaidBoard[];
  readonly field: Field;
  readonly items: readonly Item[];
  readonly works: readonly NodeWork[];
  readonly twoTerminals: readonly (TwoTerminal & { readonly a: number; readonly b: number })[];
  readonly mated: readonly Mated[];
  /** Parts beside the boards that leads go to. */
  readonly loose: readonly PartNode[];
  readonly stripNodes: readonly { readonly board: number; readonly strip: Strip; readonly node: string }[];
}

/** K for one watt by half steps of the grid: asked for very often, and the same each time. */
const RISES: number[] = [];

/** What a part of so many watts does to one so many steps away, K. */
export function warmthBetween(watts: number, steps: number): number {
  const at = Math.max(2, Math.round(steps * 2));
  return watts * (RISES[at] ??= riseAt(1, (at / 2) * PITCH));
}

/** From the outer strip to the edge of a board, in steps. */
export const EDGE = 1.5;

const FEELS: ReadonlySet<string> = new Set(['air temperature', 'air humidity', 'surface temperature']);

export function layoutProblem(circuit: Circuit): LayoutProblem {
  const netlist = netlistOf(circuit);
  const boards = circuit.plan.boards.flatMap((id): LaidBoard[] => {
    const grid = circuit.cards.get(id)?.board;
    return grid ? [{ card: id, grid: { rows: grid.rows, pairs: grid.pairs, split: grid.split } }] : [];
  });
  const grids = boards.map(({ grid }) => grid);
  const field = new Field(grids);
  const stripNodes = stripsFor(netlist, grids);
  const nodeOf = new Map<string, number>();
  netlist.nodes.forEach(({ pins }, i) => pins.forEach(({ part, terminal }) => nodeOf.set(keyOf(part, terminal), i)));
  const mated = matedPairs(circuit);
  const onBoard = boards.length > 0 ? standing(circuit) : [];
  const standingIds = new Set(onBoard.map(({ id }) => id));
  const ways = waysToStand(field);
  const items = onBoard.map((part) => itemOf(circuit, field, ways, part, nodeOf));
  const ids = new Map(netlist.nodes.map(({ id }, i) => [id, i]));
  const met = new Set(
    mated.flatMap(({ part, host, pairs }) =>
      pairs.flatMap(([own, other]) =>
        sameNode(circuit, nodeOf, { part, terminal: own }, { part: host, terminal: other })
          ? [keyOf(part, own), ...(other === SOCKET ? [keyOf(host, other)] : [])]
          : [],
      ),
    ),
  );
  const works = netlist.nodes.map((node): NodeWork => ({
    node,
    loose: node.pins
      .filter(({ part, terminal }) => !standingIds.has(part) && !met.has(keyOf(part, terminal)))
      .map((pin) => reachedAt(circuit, pin)),
    legs: netlist.twoTerminals.reduce((sum, { legs }) => sum + legs.filter((id) => id === node.id).length, 0),
    strips: stripNodes
      .filter((s) => s.node === node.id)
      .flatMap(({ board, strip }) =>
        [...field.groupOf].flatMap(([key, group]) => (key.startsWith(`${board + 1}:${strip}`) ? [group] : [])),
      ),
  }));
  const looseIds = new Set(works.flatMap(({ loose }) => loose.flatMap((pins) => pins.map(({ part }) => part))));
  return {
    circuit,
    netlist,
    boards,
    field,
    items,
    works,
    twoTerminals: netlist.twoTerminals.map((l) => ({ ...l, a: ids.get(l.legs[0]) ?? -1, b: ids.get(l.legs[1]) ?? -1 })),
    mated,
    loose: [...circuit.parts.values()].filter(({ id }) => looseIds.has(id)),
    stripNodes,
  };
}

/** Parts that stand in a board: not those on a carrier or in a socket, nor a controller that a carrier takes. */
function standing(circuit: Circuit): PartNode[] {
  const carrier = carrierOf(circuit);
  return [...circuit.parts.values()].filter(
    ({ id, card, choice }) =>
      card.mount === 'breadboard' &&
      choice?.fittedOn === undefined &&
      !plugged(circuit, id) &&
      !(carrier && id === circuit.controller?.id) &&
      footprintOf(card) !== null,
  );
}

/** A mated pin wants no lead where the host's pin is the same node, or the same ground. */
function sameNode(circuit: Circuit, nodeOf: ReadonlyMap<string, number>, own: NodePin, other: NodePin): boolean {
  const node = nodeOf.get(keyOf(own.part, own.terminal));
  if (node === undefined) return true;
  if (nodeOf.get(keyOf(other.part, other.terminal)) === node) return true;
  const host = circuit.parts.get(other.part)?.card;
  const role = (id: string) => host?.terminals.find((t) => t.id === id)?.role;
  return (
    role(other.terminal) === 'ground' &&
    (host?.terminals ?? []).some((t) => t.role === 'ground' && nodeOf.get(keyOf(other.part, t.id)) === node)
  );
}

/** Minus strips are ground; the two rails with the most on them get the plus strips. */
function stripsFor(netlist: Netlist, grids: readonly Grid[]): LayoutProblem['stripNodes'] {
  const load = (id: string) =>
    (netlist.nodes.find((n) => n.id === id)?.pins.length ?? 0) +
    netlist.twoTerminals.filter(({ legs }) => legs.includes(id)).length;
  const ground = netlist.nodes.find(({ role }) => role === 'ground')?.id;
  const [first, second] = netlist.nodes
    .filter(({ id, role }) => role === 'supply' && load(id) > 2)
    .toSorted((a, b) => load(b.id) - load(a.id));
  return grids.flatMap((grid, board) => {
    const give = (strip: Strip, node: string | undefined) => (node === undefined ? [] : [{ board, strip, node }]);
    if (grid.pairs === 0) return [];
    const upper = [...give('u+', first?.id), ...give('u-', ground)];
    return grid.pairs === 1 ? upper : [...upper, ...give('l-', ground), ...give('l+', (second ?? first)?.id)];
  });
}

/** Ways to stand are the same for all parts of one card of which the same pins are used. */
function waysToStand(field: Field) {
  const known = new Map<Card, Map<string, readonly Stand[]>>();
  return (card: Card, footprint: Footprint, nodes: readonly number[]): readonly Stand[] => {
    const used = nodes.map((node) => (node < 0 ? '-' : 'x')).join('');
    let ofCard = known.get(card);
    if (!ofCard) known.set(card, (ofCard = new Map<string, readonly Stand[]>()));
    let stands = ofCard.get(used);
    if (!stands) ofCard.set(used, (stands = standsOf(field, footprint, nodes)));
    return stands;
  };
}

function itemOf(
  circuit: Circuit,
  field: Field,
  ways: ReturnType<typeof waysToStand>,
  part: PartNode,
  nodeOf: ReadonlyMap<string, number>,
): Item {
  const footprint = footprintOf(part.card) as Footprint;
  const nodes = footprint.pins.map(({ terminal }) => nodeOf.get(keyOf(part.id, terminal)) ?? -1);
  const spot = circuit.plan.spots?.[part.id];
  const hole = spot && parseHole(spot.hole);
  const pinned = hole ? standOf(field, footprint, { hole, turned: spot.turned ?? false }, nodes) : null;
  const watts = dissipation(circuit, part).watts;
  const stands = pinned ? [pinned.stand] : ways(part.card, footprint, nodes);
  return {
    part: part.id,
    footprint,
    nodes,
    pinned: pinned !== null,
    stands,
    // Of several of one key the last that is set stays: so from the end.
    standAt: new Map(stands.toReversed().map((stand) => [standKey(stand), stand])),
    watts,
    feels: part.card.measures.some(({ quantity }) => FEELS.has(quantity)),
  };
}

/** @returns null where a pin meets no hole, or two pins one conductor; `free`: the fewest holes left beside a pin that is used */
function standOf(
  field: Field,
  footprint: Footprint,
  seat: Seat,
  nodes: readonly number[],
): { stand: Stand; free: number } | null {
  const pins: number[] = [];
  const groups: number[] = [];
  for (const { place } of pinPlaces(footprint, seat)) {
    const hole = field.at(place.x, place.y);
    if (hole === undefined) return null;
    const { group } = field.hole(hole);
    if (field.group(group).strip || groups.includes(group)) return null;
    pins.push(hole);
    groups.push(group);
  }
  const box = placedBox(footprint.body, seat);
  const under = [...new Set([...field.under(box), ...pins])];
  const covered = new Set(under);
  const free = Math.min(
    ...groups.flatMap((group, i) =>
      (nodes[i] ?? -1) < 0 ? [] : [field.group(group).holes.filter((h) => !covered.has(h)).length],
    ),
    5,
  );
  const plug = footprint.plug ? wayOut(field, box, placedBox(footprint.plug, seat)) : null;
  const name = field.hole(pins[0] ?? 0).name;
  const top = seat.hole.board * BOARD_STEP;
  const over = Math.max(0, top - EDGE - box.top) + Math.max(0, box.bottom - top - BOARD_HEIGHT - EDGE);
  return { stand: { hole: name, turned: seat.turned, groups, pins, box, plug, over, under, number: 0 }, free };
}

/** From the body to the end of the board on the plug's side. */
function wayOut(field: Field, box: Box, plug: Box): Box {
  const board = field.boardAt((box.top + box.bottom) / 2);
  const rows = field.grids[board]?.rows ?? 0;
  return plug.left >= box.right - 1e-9
    ? { ...plug, right: Math.max(plug.right, rows + 1) }
    : { ...plug, left: Math.min(plug.left, 0) };
}

/**
 * For each side and turn the columns that leave the most holes free; of several, the one nearest to the channel and the one
 * farthest from it: the first keeps the way to the strips short, the second the way across.
 */
function standsOf(field: Field, footprint: Footprint, nodes: readonly number[]): Stand[] {
  const stands: Stand[] = [];
  field.grids.forEach((grid, board) => {
    for (const turned of [false, true])
      for (const side of ['edcba', 'fghij']) {
        const at = (column: Column, row: number) =>
          standOf(field, footprint, { hole: { kind: 'row', board, row, column }, turned }, nodes);
        const rows = Array.from({ length: grid.rows }, (_, i) => i + 1);
        // How many holes a column leaves free is the same in every row: the first one that takes the part tells.
        const tried = [...side].flatMap((letter) => {
          const column = COLUMNS.find((c) => c === letter);
          const row = column && rows.find((r) => at(column, r) !== null);
          return column && row !== undefined ? [{ column, free: at(column, row)?.free ?? 0 }] : [];
        });
        const most = Math.max(1, ...tried.map(({ free }) => free));
        const good = tried.filter(({ free }) => free === most).map(({ column }) => column);
        for (const column of new Set([good[0], good.at(-1)]))
          for (const row of column ? rows : []) {
            const found = column && at(column, row);
            if (found && found.free === most) stands.push({ ...found.stand, number: stands.length });
          }
      }
  });
  return stands;
}
