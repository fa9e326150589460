/** Rising and falling edges of a bus line, through its translators, with every figure at its worst or drawn at random. */
import type { Circuit, Net } from '../circuit/model.ts';
import { levelVolts } from '../circuit/level.ts';
import { corner, lineNetwork, linesOf, USUAL, type BusLine, type Corner } from './line.ts';
import { operatingPoint } from './operating-point.ts';
import { crossing, transient, type Moment } from './transient.ts';
import { perKey, perOwner } from '../quantity/memo.ts';

export interface Edge {
  /** From 30 to 70 % of the supply (70 to 30 % falling), s; null when it never gets there. */
  readonly seconds: number | null;
  /** When the first level is passed, counted from the release, s. */
  readonly start: number | null;
  /** The curve. */
  readonly points: readonly { readonly time: number; readonly volts: number }[];
  /** 30 and 70 %, V. */
  readonly low: number;
  readonly high: number;
  /** Where it ends up, V. */
  readonly rest: number;
}

/** What a rise is measured between, V: 30 and 70 % of the bus, and up to the level that its hardest receiver asks for. */
function levelsOf(net: Net, at: Corner): { low: number; high: number } {
  const supply = referenceOf(net, at);
  const asked = net.ends.flatMap(({ levels: { inputHigh }, power }) =>
    inputHigh && power.voltage && power.rail && power.rail !== rootOf(net)
      ? [levelVolts(inputHigh, 'max', at.volts(power.rail, power.voltage))]
      : [],
  );
  return { low: 0.3 * supply, high: Math.max(0.7 * supply, ...asked) };
}

/** The one rail that a net is pulled to; null where there are several. */
const rootOf = ({ pullUps }: Net): string | null => {
  const roots = new Set(pullUps.flatMap(({ voltage, root }) => (voltage ? [root] : [])));
  return roots.size === 1 ? ([...roots][0] ?? null) : null;
};

/**
 * The supply that the 30 and 70 % of a net are taken of, V: what it is pulled to, which is the supply of the bus (UM10204 takes them
 * of that; from memory), else that of what stands at its beginning.
 */
function referenceOf(net: Net, at: Corner): number {
  const one = net.pullUps.find(({ voltage, root }) => voltage !== null && root === rootOf(net));
  if (one?.voltage) return at.volts(one.root, one.voltage);
  const end = net.ends.find(({ power }) => power.voltage !== null && power.rail !== null);
  if (end?.power.voltage && end.power.rail) return at.volts(end.power.rail, end.power.voltage);
  const pull = net.pullUps.find(({ voltage }) => voltage !== null);
  return pull?.voltage ? at.volts(pull.root, pull.voltage) : 0;
}

/** Time constants after which a line that has not arrived never will. */
const LONG_ENOUGH = 12;

/**
 * The edges of all nets of a line after a sink lets go, or pulls.
 * @param sink the net on which it is
 */
export function edgesOf(line: BusLine, at: Corner, sink: string, rising: boolean): ReadonlyMap<string, Edge> {
  const released = lineNetwork(line, at);
  // What nothing pulls never moves; leakage alone would take it anywhere.
  if (released.network.resistors.length === 0) return new Map(line.nets.map(({ id }) => [id, NO_EDGE]));
  const pulled = lineNetwork(line, at, new Set([sink]));
  const low = operatingPoint(pulled.network);
  const high = operatingPoint(released.network);
  const [network, from, to] = rising ? [released.network, low, high] : [pulled.network, high, low];
  const watched = line.nets.map((net) => {
    return { net, node: released.node.get(net.id) ?? 0, ...levelsOf(net, at) };
  });
  const farads = network.capacitance.reduce((sum, c) => sum + c, 0);
  const slowest = rising
    ? Math.max(...network.resistors.map(({ ohms }) => ohms), 1)
    : Math.max(...pulled.network.resistors.slice(-1).map(({ ohms }) => ohms), 1);
  const end = LONG_ENOUGH * farads * slowest;
  const arrived = (moment: Moment) =>
    watched.every(({ node, low, high }) =>
      rising
        ? (moment.volts[node] ?? 0) >= Math.min(high, 0.999 * (to[node] ?? 0)) + 1e-6
        : (moment.volts[node] ?? 0) <= Math.max(low, 1.001 * (to[node] ?? 0)) - 1e-6,
    );
  const moments = transient(network, from, end, arrived);
  return new Map(
    watched.map(({ net, node, low: l, high: h }) => {
      const first = crossing(moments, node, rising ? l : h, rising);
      const last = crossing(moments, node, rising ? h : l, rising);
      return [
        net.id,
        {
          seconds: first === null || last === null ? null : last - first,
          start: first,
          points: moments.map(({ time, volts }) => ({ time, volts: volts[node] ?? 0 })),
          low: l,
          high: h,
          rest: to[node] ?? 0,
        },
      ];
    }),
  );
}

/** Corners at which an edge is slowest: large resistors, full load and leakage, rails and threshold at either end. */
const SLOW: readonly Corner[] = [
  corner('min', 'max', 'min'),
  corner('min', 'max', 'max'),
  corner('max', 'max', 'min'),
  corner('max', 'max', 'max'),
];

/** Edges that were worked out before: a change of the plan leaves most lines as they were. */
const MAX_KNOWN = 400;
const known = perKey(MAX_KNOWN, (_key: string, work: () => readonly Edge[]) => work());

/** The edges of every net of a line, in its order, worked out once for each network and its levels. */
function remembered(
  line: BusLine,
  at: readonly Corner[],
  rising: boolean,
  work: () => readonly Edge[],
): ReadonlyMap<string, Edge> {
  const networks = at.map((corner) => [
    lineNetwork(line, corner).network,
    line.nets.map((net) => levelsOf(net, corner)),
  ]);
  const sinks = line.nets.map((net) => net.ends.map(({ levels }) => levels.sink));
  const key = JSON.stringify([rising, networks, sinks]);
  const edges = known(key, work);
  return new Map(line.nets.map(({ id }, i) => [id, edges[i] ?? NO_EDGE]));
}

const NO_EDGE: Edge = { seconds: null, start: null, points: [], low: 0, high: 0, rest: 0 };
const inOrder = (line: BusLine, edges: ReadonlyMap<string, Edge>): Edge[] =>
  line.nets.map(({ id }) => edges.get(id) ?? NO_EDGE);

/** The slower of two edges; one that never arrives is the slowest. */
const slower = (a: Edge, b: Edge): Edge =>
  a.seconds === null ? a : b.seconds === null || b.seconds > a.seconds ? b : a;

/** Lines are plain data that nobody changes: what was found for one holds as long as it is there. */
/** For every net of a line its slowest rise, over the ends of every figure. */
export const slowestEdges = perOwner((line: BusLine): ReadonlyMap<string, Edge> => {
  const sink = line.nets[0]?.id ?? '';
  // The first and the last of them hold every figure that the four have.
  const telling = [SLOW[0], SLOW.at(-1)].filter((at) => at !== undefined);
  return remembered(line, telling, true, () =>
    SLOW.map((at) => inOrder(line, edgesOf(line, at, sink, true))).reduce((all, next) =>
      all.map((edge, i) => slower(edge, next[i] ?? edge)),
    ),
  );
});

/** The edges of every net of a line at the usual figures. */
export function usualEdges(line: BusLine, rising: boolean): ReadonlyMap<string, Edge> {
  const sink = line.nets[0]?.id ?? '';
  return remembered(line, [USUAL], rising, () => inOrder(line, edgesOf(line, USUAL, sink, rising)));
}

/** The state of the bus in which a net rises slowest. */
export function slowestLine(circuit: Circuit, net: Net): BusLine {
  const seconds = (line: BusLine) => slowestEdges(line).get(net.id)?.seconds ?? Infinity;
  return linesOf(circuit, net).reduce((a, b) => (seconds(b) > seconds(a) ? b : a));
}

/**
 * The slowest rise of a net, 30 to 70 %, over every state of the bus and the ends of every figure.
 * @returns seconds; null when it may never reach 70 %
 */
export const slowestRise = (circuit: Circuit, net: Net): number | null => slowestEdge(circuit, net)?.seconds ?? null;

/** The same with its levels and where it ends up. */
export const slowestEdge = (circuit: Circuit, net: Net): Edge | undefined =>
  slowestEdges(slowestLine(circuit, net)).get(net.id);

/** True for a net whose edge depends on more than one resistor and one capacitor: the formula does not reach it. */
export const isJoined = (circuit: Circuit, net: Net): boolean =>
  linesOf(circuit, net).some(({ junctions }) => junctions.length > 0);
