/** Rising and falling edges of a bus line, through its translators, with every figure at its worst or drawn at random. */
import type { Circuit, Net } from '../circuit/circuit.ts';
import { corner, lineNetwork, linesOf, type Corner, type BusLine } from './line.ts';
import { operatingPoint } from './operating-point.ts';
import { crossing, transient, type Moment } from './transient.ts';

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

/** The supply that the 30 and 70 % of a net are taken of, V: that of what stands at its beginning. */
function referenceOf(net: Net, at: Corner): number {
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
  const pulled = lineNetwork(line, at, new Set([sink]));
  const low = operatingPoint(pulled.network);
  const high = operatingPoint(released.network);
  const [network, from, to] = rising ? [released.network, low, high] : [pulled.network, high, low];
  const watched = line.nets.map((net) => {
    const supply = referenceOf(net, at);
    return { net, node: released.node.get(net.id) ?? 0, low: 0.3 * supply, high: 0.7 * supply };
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
const known = new Map<string, ReadonlyMap<string, number | null>>();
const MOST_KNOWN = 400;

function slowestOf(line: BusLine): ReadonlyMap<string, number | null> {
  const sink = line.nets[0]?.id ?? '';
  const key = JSON.stringify([
    SLOW.map((at) => lineNetwork(line, at).network),
    SLOW.map((at) => line.nets.map((net) => referenceOf(net, at))),
  ]);
  const order = line.nets.map(({ id }) => id);
  const found = known.get(key);
  if (found) return new Map([...found.values()].map((seconds, i) => [order[i] ?? '', seconds]));
  const worst = new Map<string, number | null>();
  for (const at of SLOW) {
    for (const [net, { seconds }] of edgesOf(line, at, sink, true)) {
      const before = worst.get(net);
      if (seconds === null || before === null) worst.set(net, null);
      else worst.set(net, Math.max(before ?? 0, seconds));
    }
  }
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value ?? '');
  known.set(key, worst);
  return worst;
}

/**
 * The slowest rise of a net, 30 to 70 %, over every state of the bus and the ends of every figure.
 * @returns seconds; null when it may never reach 70 %
 */
export function slowestRise(circuit: Circuit, net: Net): number | null {
  let worst = 0;
  for (const line of linesOf(circuit, net)) {
    const seconds = slowestOf(line).get(net.id);
    if (seconds === null || seconds === undefined) return null;
    worst = Math.max(worst, seconds);
  }
  return worst;
}

/** True for a net whose edge depends on more than one resistor and one capacitor: the formula does not reach it. */
export const isJoined = (circuit: Circuit, net: Net): boolean =>
  linesOf(circuit, net).some(({ junctions }) => junctions.length > 0);
