/** What can be measured on a build, what it costs, and what a virtual build shows. Nothing is asked for that could hurt. */
import type { Circuit, Member } from '../circuit/model.ts';
import { isFitted } from '../circuit/carrier.ts';
import { inPlug } from '../circuit/mated.ts';
import type { NetNode, NodePin } from '../circuit/netlist-model.ts';
import type { LeadPoint } from '../circuit/laid.ts';
import { pointKey } from '../layout/finish.ts';
import { formatWord } from '../quantity/bits.ts';
import { formatAddress } from '../quantity/address.ts';
import { programPins } from './program-pins.ts';
import { scopeEdge } from './scope.ts';
import { FirmwareModel } from './firmware-model.ts';
import type { Planned, VirtualBuild } from './virtual-build.ts';
import { keyOf } from '../plan/ref.ts';

interface Common {
  /** Stable name. */
  readonly key: string;
  /** Parts and nodes that it is about. */
  readonly subjects: readonly string[];
  /** s of work. */
  readonly cost: number;
}
export type Measurement = Common &
  (
    | { readonly kind: 'ohms' | 'volts'; readonly from: LeadPoint; readonly to: LeadPoint }
    | { readonly kind: 'amps'; readonly source: string }
    | { readonly kind: 'scan' | 'count'; readonly bus: string }
    | { readonly kind: 'works' | 'analog'; readonly part: string; readonly port: string }
    | {
        readonly kind: 'word';
        readonly part: string;
        readonly port: string;
        readonly register: number;
        readonly value: string;
      }
    | { readonly kind: 'edge'; readonly net: string }
    | { readonly kind: 'level' | 'hold'; readonly pin: string }
    | { readonly kind: 'heard' }
  );

/** A number in V, Ω, A or s; or what is seen, as text: addresses, a count, a word, yes or no. */
export type Reading = number | string;

/** s: common practice. Putting two probes somewhere; what takes turning the power off; a program that has to be run. */
const COST = {
  ohms: 12,
  volts: 10,
  amps: 30,
  scan: 15,
  count: 15,
  works: 20,
  analog: 15,
  word: 20,
  edge: 90,
  level: 1,
  hold: 1,
  heard: 1,
} as const;

/** Parts at whose terminals nothing is measured: cells that do not forgive a slipped probe. */
export const untouchable = (circuit: Circuit, part: string): boolean =>
  (circuit.parts.get(part)?.card.cautions ?? []).some(({ hazard }) => hazard === 'lithium') ||
  (circuit.parts.get(part)?.card.rails ?? []).some(({ cells }) => cells?.chemistry === 'lithium');

/**
 * Nodes that such cells feed, through a diode or a switch, too: they stay live as long as the cells are in, and no
 * resistance is measured there. Others come out of their holder.
 */
export function liveNodes({ circuit, netlist }: Planned): ReadonlySet<string> {
  const live = new Set(
    netlist.nodes
      .filter(({ role, pins }) => role === 'supply' && pins.some(({ part }) => untouchable(circuit, part)))
      .map(({ id }) => id),
  );
  const bridges = netlist.twoTerminals.filter(({ kind }) => kind === 'diode' || kind === 'switch');
  const supplies = new Set(netlist.nodes.filter(({ role }) => role === 'supply').map(({ id }) => id));
  for (let size = -1; size !== live.size;) {
    size = live.size;
    for (const { legs } of bridges)
      if (legs.some((id) => live.has(id))) for (const id of legs) if (supplies.has(id)) live.add(id);
  }
  return live;
}

/** The name of a measurement with two probes. */
export const probeKey = (kind: 'ohms' | 'volts', from: LeadPoint, to: LeadPoint): string =>
  `${kind}:${pointKey(from)}~${pointKey(to)}`;

/** s of work with two probes. */
export const probeCost = (kind: 'ohms' | 'volts'): number => COST[kind];

/**
 * The rise of a line on an oscilloscope. Not among what is simulated for every fault: it would take longer than all the
 * rest, and few have one. It is asked for once somebody measured it.
 */
export const edgeOf = (net: string): Measurement => ({
  kind: 'edge',
  key: `edge:${net}`,
  net,
  subjects: [net],
  cost: COST.edge,
});

/** What only a program sees: that it runs, how its pins rest against their own pulls, and which fall with one that it holds low. */
export function pinMeasurements(circuit: Circuit): Measurement[] {
  const { controller } = circuit;
  if (!controller) return [];
  const heard = { kind: 'heard', key: 'heard', subjects: [controller.id], cost: COST.heard } as const;
  const pins = programPins(circuit).flatMap(({ terminal, net, openDrain, pulled }): Measurement[] => {
    if (!pulled) return [];
    const level = {
      kind: 'level',
      key: `level:${terminal}`,
      pin: terminal,
      subjects: [net],
      cost: COST.level,
    } as const;
    const hold = { kind: 'hold', key: `hold:${terminal}`, pin: terminal, subjects: [net], cost: COST.hold } as const;
    return openDrain ? [level, hold] : [level];
  });
  return [heard, ...pins];
}

export class Measurements {
  readonly all: Measurement[] = [];
  private readonly known = new Set<string>();
  private readonly circuit: Circuit;
  readonly live: ReadonlySet<string>;
  /** Where the black probe stays. */
  readonly zero: LeadPoint | null;

  constructor(private readonly plan: Planned) {
    this.circuit = plan.circuit;
    this.live = liveNodes(plan);
    const ground = plan.netlist.nodes.find(({ role }) => role === 'ground');
    this.zero = ground ? this.pointOf(ground) : null;
    this.rails();
    this.supplies();
    this.lines();
    this.leads();
    this.program();
  }

  private add(measurement: Measurement): void {
    if (this.known.has(measurement.key)) return;
    this.known.add(measurement.key);
    this.all.push(measurement);
  }

  private touchable(point: LeadPoint): boolean {
    return point.kind !== 'terminal' || (!untouchable(this.circuit, point.part) && !inPlug(this.circuit, point));
  }

  private probe(
    kind: 'ohms' | 'volts',
    from: LeadPoint | null,
    to: LeadPoint | null,
    subjects: readonly string[],
  ): void {
    if (!from || !to || !this.touchable(from) || !this.touchable(to)) return;
    if (pointKey(from) !== pointKey(to))
      this.add({ kind, key: probeKey(kind, from, to), from, to, subjects, cost: COST[kind] });
  }

  private pins(node: NetNode): readonly NodePin[] {
    return node.pins.filter((pin) => !untouchable(this.circuit, pin.part) && !inPlug(this.circuit, pin));
  }

  /** A place of a node that is easy to reach: a hole of its strip, the controller's pin, any pin. */
  pointOf(node: NetNode): LeadPoint | null {
    const strip = this.plan.layout.strips.find((s) => s.node === node.id);
    if (strip) return { kind: 'hole', hole: `${strip.board + 1}:${strip.strip}1` };
    const pins = this.pins(node);
    const pin = pins.find(({ part }) => part === this.circuit.controller?.id) ?? pins[0];
    if (pin) return { kind: 'terminal', ...pin };
    const lead = this.plan.layout.leads.find(({ of }) => of === node.id);
    return lead?.from ?? null;
  }

  private rails(): void {
    const { netlist, layout } = this.plan;
    for (const node of netlist.nodes) {
      if (node.role !== 'supply') continue;
      const at = this.pointOf(node);
      this.probe('volts', at, this.zero, [node.id]);
      if (!this.live.has(node.id)) this.probe('ohms', at, this.zero, [node.id]);
      // Each run of a strip by itself: they are joined by leads.
      for (const s of layout.strips)
        if (s.node === node.id)
          this.probe('volts', { kind: 'hole', hole: `${s.board + 1}:${s.strip}1` }, this.zero, [node.id]);
    }
    for (const rail of this.circuit.rails.values()) {
      const cells = rail.offer.cells !== undefined;
      if (!rail.offer.from && !rail.pin && rail.voltage && !cells && !untouchable(this.circuit, rail.part))
        this.add({ kind: 'amps', key: `amps:${rail.ref}`, source: rail.ref, subjects: [rail.part], cost: COST.amps });
    }
  }

  /** What each part really gets. */
  private supplies(): void {
    for (const { id, card } of this.circuit.parts.values()) {
      if (isFitted(this.circuit, id) || card.carrier) continue;
      const ground = card.terminals.find(({ role }) => role === 'ground');
      for (const supply of card.supplies) {
        const from: LeadPoint = { kind: 'terminal', part: id, terminal: supply.terminal };
        if (ground) this.probe('volts', from, { kind: 'terminal', part: id, terminal: ground.id }, [id]);
        this.probe('volts', from, this.zero, [id]);
      }
    }
  }

  private lines(): void {
    const { netlist } = this.plan;
    const signals = netlist.nodes.filter(({ role }) => role === 'signal');
    for (const node of signals) {
      const at = this.pointOf(node);
      this.probe('ohms', at, this.zero, [node.id]);
      for (const pin of this.pins(node)) {
        this.probe('volts', { kind: 'terminal', ...pin }, this.zero, [node.id, pin.part]);
        this.probe('ohms', at, { kind: 'terminal', ...pin }, [node.id, pin.part]);
      }
      const rail = netlist.nodes.find(
        ({ id, of }) =>
          of.is === 'rail' && netlist.twoTerminals.some((l) => l.legs.includes(id) && l.legs.includes(node.id)),
      );
      if (rail && !this.live.has(rail.id)) this.probe('ohms', at, this.pointOf(rail), [node.id]);
      for (const other of signals)
        if (other.id > node.id && other.bus !== null && other.bus === node.bus)
          this.probe('ohms', at, this.pointOf(other), [node.id, other.id]);
    }
    // Grounds and supplies reach every pin that is on them.
    for (const node of netlist.nodes) {
      if (node.role === 'signal' || this.live.has(node.id)) continue;
      for (const pin of this.pins(node))
        this.probe('ohms', this.pointOf(node), { kind: 'terminal', ...pin }, [node.id, pin.part]);
    }
  }

  private leads(): void {
    const { layout, netlist } = this.plan;
    for (const { from, to, of } of layout.leads) {
      const legs = netlist.twoTerminals.find(({ id }) => id === of)?.legs ?? [of];
      const live = legs.some((id) => this.live.has(id));
      if (!live) this.probe('ohms', from, to, [of]);
    }
  }

  /** Words that tell a part from others at its address. */
  private words({ part, port }: Member): void {
    const own = this.circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);
    for (const { register, value, bits } of own?.identity ?? [])
      this.add({
        kind: 'word',
        key: `word:${keyOf(part, port, String(register))}`,
        part,
        port,
        register,
        value: formatWord(value, bits),
        subjects: [part],
        cost: COST.word,
      });
  }

  /** What the program on the controller can tell. */
  private program(): void {
    for (const bus of this.circuit.buses) {
      if (bus.members.length === 0) continue;
      const subjects = [bus.id, ...bus.members.map(({ part }) => part)];
      if (bus.protocol === 'i2c') {
        this.add({ kind: 'scan', key: `scan:${bus.id}`, bus: bus.id, subjects, cost: COST.scan });
        for (const member of bus.members) this.words(member);
      }
      if (bus.protocol === 'onewire')
        this.add({ kind: 'count', key: `count:${bus.id}`, bus: bus.id, subjects, cost: COST.count });
    }
    for (const { id, card } of this.circuit.parts.values())
      for (const port of card.ports) {
        const analog = port.protocol === 'analog';
        const kind = analog ? 'analog' : 'works';
        if (port.protocol === 'i2c' && !card.measures.length) continue;
        this.add({
          kind,
          key: `${kind}:${keyOf(id, port.id)}`,
          part: id,
          port: port.id,
          subjects: [id],
          cost: COST[kind],
        });
      }
  }
}

/** An address that no card of the plan names: what it is tells nothing, that it is there does. */
const STRANGE = '?';

/** Addresses as the finder compares them: in their order, each once, those that no card names together as one. */
export function scanReading(circuit: Circuit, addresses: readonly (number | null)[]): string {
  const named = new Set(circuit.buses.flatMap(({ members }) => members.flatMap(namedBy)));
  const known = addresses.filter((a): a is number => a !== null && named.has(a));
  const words = [...new Set(known)].sort((a, b) => a - b).map(formatAddress);
  if (addresses.some((a) => a === null || !named.has(a))) words.push(STRANGE);
  return words.join(' ') || 'none';
}

const namedBy = ({ address, options }: Member): number[] => [
  ...(address === null ? [] : [address]),
  ...options.map(({ value }) => value),
];

/** What a virtual build shows, without any instrument's error. */
export function measure(build: VirtualBuild, m: Measurement, talk = new FirmwareModel(build)): Reading {
  switch (m.kind) {
    case 'ohms':
      return build.resistance(m.from, m.to);
    case 'volts':
      return build.voltage(m.from, m.to);
    case 'amps':
      return build.powered().amps.get(m.source) ?? 0;
    case 'scan':
      return scanReading(build.circuit, talk.scan(m.bus));
    case 'count':
      return String(talk.count(m.bus));
    case 'works':
      return talk.works(m.part, m.port) ? 'yes' : 'no';
    case 'analog':
      // No converter of a pin reads below its ground.
      return Math.max(0, talk.analog(m.part, m.port) ?? 0);
    case 'word':
      return talk.works(m.part, m.port) ? m.value : 'none';
    case 'heard':
      return talk.runs() ? 'yes' : 'no';
    case 'level':
      return talk.level(m.pin);
    case 'hold':
      return talk.held(m.pin);
    case 'edge':
      return scopeEdge(build, m.net, 'time')?.seconds ?? Infinity;
  }
}
