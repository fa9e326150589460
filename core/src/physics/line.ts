/** A bus line as a network: its nets on both sides of translators and bus switches, their pull-ups, rails and leakage. */
import { isTogether } from '../circuit/buses.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, NetEnd, PullUp } from '../circuit/model.ts';
import {
  BODY_DIODE,
  BUS_SWITCH_RESISTANCE,
  PASS_OVERDRIVE,
  PASS_RESISTANCE,
  PASS_THRESHOLD,
  PROTECTION_DIODE,
} from '../standard/common-practice.ts';
import { weakestSink } from './sink.ts';
import type { Interval } from '../quantity/interval.ts';
import type { Network, TransistorModel } from './network.ts';
import { keyOf } from '../plan/ref.ts';
import { perOwnerAndKey } from '../quantity/memo.ts';
import { netOf, netsBy } from '../circuit/watched.ts';

/** Two nets of a line joined by a transistor: a translator's channel, or that of a bus switch. */
interface Junction {
  /** On the side of the lower supply, which the gate is on. */
  readonly low: string;
  readonly high: string;
  /** Voltage of the gate. */
  readonly gate: Interval;
  readonly threshold: Interval;
  /** A/V² */
  readonly gain: number;
  /** A bus switch blocks both ways; a single transistor conducts through its body. */
  readonly body: boolean;
}

/** The nets that move together in one state of the bus. */
export interface BusLine {
  readonly nets: readonly Net[];
  readonly junctions: readonly Junction[];
}

/** Which end of each figure is taken: bounds as they are on the card, or any value between. */
export interface Corner {
  readonly volts: (rail: string, voltage: Interval) => number;
  readonly ohms: (name: string, ohms: Interval) => number;
  /** Of the most that the capacitance may be, as a share. */
  readonly load: (net: string) => number;
  /** Of the most that a pin may leak, as a share. */
  readonly leak: (end: string) => number;
  readonly threshold: (name: string, threshold: Interval) => number;
}

type Bound = keyof Interval;

/** Every figure at the end named. */
export const corner = (rails: Bound, ohms: Bound, threshold: Bound, load = 1, leak = 1): Corner => ({
  volts: (_, v) => v[rails],
  ohms: (_, r) => r[ohms],
  load: () => load,
  leak: () => leak,
  threshold: (_, t) => t[threshold],
});

/** The usual values. */
export const USUAL = corner('typ', 'typ', 'typ', 0.7, 0.1);

function passOf(resistance: number): number {
  return 1 / (resistance * PASS_OVERDRIVE);
}

function translatorJunction(circuit: Circuit, near: Net, far: Net): Junction | null {
  const node = far.beyond === null ? undefined : circuit.parts.get(far.beyond);
  const translator = node?.card.translator;
  const low = node && circuit.feeds.get(keyOf(node.id, translator?.lowSupply))?.voltage;
  const highRail = node && circuit.feeds.get(keyOf(node.id, translator?.highSupply))?.rail;
  if (!translator || translator.style !== 'open-drain' || !low) return null;
  const farIsHigh = node.helper?.far === highRail;
  const { pass } = translator;
  return {
    low: farIsHigh ? near.id : far.id,
    high: farIsHigh ? far.id : near.id,
    gate: low,
    threshold: pass ? toInterval(pass.threshold) : PASS_THRESHOLD,
    gain: passOf(pass ? toInterval(pass.onResistance).max : PASS_RESISTANCE),
    body: true,
  };
}

function switchJunction(circuit: Circuit, upstream: Net, segment: Net): Junction | null {
  const [first] = segment.ends;
  const card = first && circuit.parts.get(first.part)?.card;
  const supply = first?.power.voltage;
  if (!card?.busSwitch || !supply) return null;
  return {
    low: upstream.id,
    high: segment.id,
    gate: supply,
    threshold: PASS_THRESHOLD,
    gain: passOf(BUS_SWITCH_RESISTANCE),
    body: false,
  };
}

/** A net with what is beyond its translators. */
function withFarSides(circuit: Circuit, near: Net): { nets: Net[]; junctions: Junction[] } {
  const nets = [near];
  const junctions: Junction[] = [];
  for (const far of netsBy(circuit, 'trunk', near.id)) {
    if (far.beyond === null) continue;
    const junction = translatorJunction(circuit, near, far);
    if (!junction) continue;
    nets.push(far);
    junctions.push(junction);
  }
  return { nets, junctions };
}

/**
 * The states of the bus in which a net takes part: with no channel of a bus switch on, and with each one on, or with all where
 * the program keeps them on together. A segment is always seen with the bus above it.
 */
export function linesOf(circuit: Circuit, net: Net): readonly BusLine[] {
  const near = netOf(circuit, net.trunk) ?? net;
  // A net that is not the circuit's own is tried by somebody: what is known does not hold for it.
  return netOf(circuit, net.id) === net ? knownStates(circuit, near.id, near) : statesOf(circuit, near);
}

/** Lines that were put together already, by the net at their beginning. */
const knownStates = perOwnerAndKey((circuit: Circuit, _near: string, near: Net) => statesOf(circuit, near));

function statesOf(circuit: Circuit, near: Net): BusLine[] {
  const segments = (upstream: Net) => netsBy(circuit, 'upstream', upstream.id);
  const own = withFarSides(circuit, near);
  const joined = (upstream: Net, on: readonly Net[]): BusLine => {
    const sides = [upstream, ...on].map((net) => withFarSides(circuit, net));
    const between = on.flatMap((segment) => switchJunction(circuit, upstream, segment) ?? []);
    return {
      nets: sides.flatMap(({ nets }) => nets),
      junctions: [...sides.flatMap(({ junctions }) => junctions), ...between],
    };
  };
  const switchOf = (segment: Net) => segment.ends[0]?.part ?? '';
  const siblings = (upstream: Net, segment: Net): Net[] =>
    segments(upstream).filter((other) => switchOf(other) === switchOf(segment));
  const withOn = (upstream: Net, segment: Net): BusLine =>
    joined(upstream, isTogether(circuit.parts, switchOf(segment)) ? siblings(upstream, segment) : [segment]);
  const above = near.upstream === null ? undefined : netOf(circuit, near.upstream);
  if (above) return [withOn(above, near)];
  return [own, ...segments(near).map((segment) => withOn(near, segment))];
}

const pullUpsOf = (net: Net): PullUp[] => (net.weak ? [...net.pullUps, net.weak] : [...net.pullUps]);

/** A pin with a limit that moves with its supply has a diode to it. */
const hasDiode = (end: NetEnd): boolean => end.levels.absoluteMax?.unit === 'offset' && end.power.rail !== null;

/** What the weakest sink of a net adds to the line when it is on, Ω. */
function sinkResistance(net: Net): number {
  const open = Math.max(0, ...pullUpsOf(net).map(({ voltage }) => voltage?.max ?? 0));
  const { volts, amps } = weakestSink(net, open > 0 ? open : Infinity);
  return volts / amps;
}

export interface LineNetwork {
  readonly network: Network;
  /** Node of each net, by its id. */
  readonly node: ReadonlyMap<string, number>;
  /** Node of each rail. */
  readonly rail: ReadonlyMap<string, number>;
}

/**
 * The network of a line at a corner of its figures.
 * @param sinks nets on which something pulls low
 * @param off rails that are off: they are held at 0 V
 */
export function lineNetwork(
  line: BusLine,
  at: Corner,
  sinks: ReadonlySet<string> = new Set(),
  off: ReadonlySet<string> = new Set(),
): LineNetwork {
  const rail = new Map<string, number>();
  const held: { node: number; volts: number }[] = [];
  const holdNode = (name: string, voltage: Interval): number => {
    let node = rail.get(name);
    if (node === undefined) {
      node = 1 + rail.size;
      rail.set(name, node);
      held.push({ node, volts: off.has(name) ? 0 : at.volts(name, voltage) });
    }
    return node;
  };
  const pulls = line.nets.flatMap((net) =>
    pullUpsOf(net).flatMap((p, i) =>
      p.voltage ? [{ net: net.id, node: holdNode(p.root, p.voltage), ohms: at.ohms(`${net.id} ${i}`, p.ohms) }] : [],
    ),
  );
  const clamps = line.nets.flatMap((net) =>
    net.ends.flatMap((end) =>
      hasDiode(end) && end.power.rail && end.power.voltage
        ? [{ net: net.id, node: holdNode(end.power.rail, end.power.voltage) }]
        : [],
    ),
  );
  const gates = line.junctions.map((j, i) => holdNode(`gate ${i}`, j.gate));
  const node = new Map(line.nets.map(({ id }, i) => [id, 1 + rail.size + i]));
  const of = (net: string) => node.get(net) ?? 0;
  const nodes = 1 + rail.size + line.nets.length;
  const capacitance = new Array<number>(nodes).fill(0);
  for (const net of line.nets) capacitance[of(net.id)] = net.capacitance * at.load(net.id);
  const models: TransistorModel[] = line.junctions.map((j, i) => ({
    threshold: at.threshold(`junction ${i}`, j.threshold),
    gain: j.gain,
  }));
  return {
    node,
    rail,
    network: {
      nodes,
      held,
      resistors: [
        ...pulls.map(({ net, node: n, ohms }) => ({ a: n, b: of(net), ohms })),
        ...line.nets
          .filter(({ id }) => sinks.has(id))
          .map((net) => ({ a: of(net.id), b: 0, ohms: sinkResistance(net) })),
      ],
      currents: line.nets.flatMap((net) =>
        net.ends
          .filter(({ leakage }) => leakage > 0)
          .map((end) => ({ from: of(net.id), to: 0, amps: end.leakage * at.leak(keyOf(end.part, end.signal)) })),
      ),
      diodes: [
        ...clamps.map((c) => ({ anode: of(c.net), cathode: c.node, model: PROTECTION_DIODE })),
        ...line.junctions
          .filter(({ body }) => body)
          .map((j) => ({ anode: of(j.low), cathode: of(j.high), model: BODY_DIODE })),
      ],
      transistors: line.junctions.map((j, i) => ({
        drain: of(j.high),
        source: of(j.low),
        gate: gates[i] ?? 0,
        model: models[i] ?? { threshold: PASS_THRESHOLD.typ, gain: passOf(PASS_RESISTANCE) },
      })),
      capacitance,
    },
  };
}
