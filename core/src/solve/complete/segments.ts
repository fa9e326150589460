/** Buses that parts may be on: those of the plan, further ones, and channels of a bus switch. */
import { cheapestFirst } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import { type Ask, PORT_LINES, type SharedProtocol, isBusLine } from '../../card/protocol.ts';
import { toInterval } from '../../card/to-interval.ts';
import type { Circuit, PinWish } from '../../circuit/model.ts';
import { instancesFor, pinUses } from '../../circuit/pin-function.ts';
import { addEmptyBus, freeId } from '../../plan/edits.ts';
import type { Bus } from '../../plan/plan.ts';
import { keyOf } from '../../plan/ref.ts';
import { within } from '../../quantity/interval.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { BUS_MODES } from '../../standard/bus-timing.ts';
import type { Bench } from './alone.ts';

export interface Segment {
  readonly bus: Bus;
  /** The options of its choice in which it is there. */
  readonly there: readonly string[];
  readonly protocol: SharedProtocol;
  readonly isNew: boolean;
  /** The segment that must be there before this new one: new ones are alike. */
  readonly after: string | null;
  /** For a channel: the bus switch and the segment that it hangs on. */
  readonly behind: { readonly part: string; readonly upstream: string } | null;
}

/** A bus switch that is not there yet. */
export interface NewSwitch {
  readonly id: string;
  readonly card: Card;
  readonly rail: string;
  readonly upstream: string;
  /** Those that it can be given. */
  readonly addresses: readonly number[];
}

/** Channels of a new bus switch that are thought of. */
const MAX_CHANNELS = 4;
/** Buses of one protocol that are thought of, those of the plan included. */
const MAX_BUSES = 3;

/** Hz */
const SLOWER_SPI = [400e3, 100e3];

/** Clocks that a bus can be given, Hz: its own, and the slowest mode below it. */
function clocksOf(bus: Bus, protocol: SharedProtocol): number[] {
  if (protocol === 'onewire' || bus.clock === undefined) return [];
  const { clock } = bus;
  // SPI has no modes: what a slower translator still follows.
  if (protocol === 'spi') return [clock, ...SLOWER_SPI.filter((hz) => hz < clock)];
  const [slowest] = BUS_MODES;
  return protocol === 'i2c' && slowest && clock > slowest.clock ? [clock, slowest.clock] : [clock];
}

function segment(
  bus: Bus,
  protocol: SharedProtocol,
  how: Partial<Pick<Segment, 'isNew' | 'after' | 'behind'>>,
): Segment {
  const clocks = clocksOf(bus, protocol);
  // A bus that has no clock is there or not.
  const there = clocks.length > 0 ? clocks.map(String) : ['there'];
  return { bus, there, protocol, isNew: false, after: null, behind: null, ...how };
}

export const busLines = (protocol: SharedProtocol): [line: string, ask: Ask][] =>
  Object.entries(PORT_LINES[protocol]).filter(([line]) => isBusLine(protocol, line));

/** Buses that the controller has peripherals for. */
function instances(bench: Bench, protocol: SharedProtocol): number {
  if (protocol !== 'i2c') return 1;
  const uses = pinUses(bench.standing.circuit);
  const of = (ask: Ask) => new Set(uses.flatMap(({ functions }) => instancesFor(functions, ask)));
  const clock = of('i2c.scl');
  return [...of('i2c.sda')].filter((instance) => clock.has(instance)).length;
}

export function segmentsOf(
  bench: Bench,
  protocols: ReadonlySet<SharedProtocol>,
): { segments: Segment[]; newSwitch: NewSwitch | null } {
  const { circuit } = bench;
  const segments: Segment[] = [];
  let plan = circuit.plan;
  for (const protocol of protocols) {
    const own = circuit.plan.buses.filter((bus) => bus.protocol === protocol);
    const main = own.filter(({ behind }) => !behind);
    for (const bus of main) segments.push(segment(bus, protocol, {}));
    const wanted = Math.min(MAX_BUSES, Math.max(1, instances(bench, protocol)));
    let after: string | null = null;
    for (let n = main.length; n < wanted; n++) {
      const made = addEmptyBus(plan, protocol);
      plan = made.plan;
      const bus = plan.buses.find(({ id }) => id === made.bus);
      const clock = main[0]?.clock;
      if (bus) segments.push(segment(clock === undefined ? bus : { ...bus, clock }, protocol, { isNew: true, after }));
      after = made.bus;
    }
    for (const bus of own) {
      const upstream = bus.behind && circuit.buses.find(({ id }) => id === bus.id)?.root;
      if (bus.behind && upstream)
        segments.push(segment(bus, protocol, { behind: { part: bus.behind.part, upstream } }));
    }
  }
  const newSwitch = protocols.has('i2c') ? switchFor(bench, segments) : null;
  if (newSwitch) {
    let after: string | null = null;
    for (let channel = 0; channel < Math.min(MAX_CHANNELS, newSwitch.card.busSwitch?.channels.length ?? 0); channel++) {
      // A bus switch of the plan may have channels of that name.
      const id = freeId(plan, `${newSwitch.upstream}-channel-${channel}`);
      const above = segments.find(({ bus }) => bus.id === newSwitch.upstream)?.bus.name ?? newSwitch.upstream;
      const name = `${above} ${channel}`.slice(0, 40);
      const bus: Bus = { id, name, protocol: 'i2c', lines: {}, behind: { part: newSwitch.id, channel } };
      const behind = { part: newSwitch.id, upstream: newSwitch.upstream };
      segments.push(segment(bus, 'i2c', { isNew: true, after, behind }));
      after = id;
    }
  }
  return { segments, newSwitch };
}

function switchFor(bench: Bench, segments: readonly Segment[]): NewSwitch | null {
  const { circuit, library, standing } = bench;
  const rail = logicRail(standing.wide);
  const volts = rail && standing.wide.rails.get(rail)?.voltage;
  const upstream = segments.find(({ protocol, behind }) => protocol === 'i2c' && !behind)?.bus.id;
  if (!rail || !volts || upstream === undefined) return null;
  const [card] = cheapestFirst(
    [...library.values()].filter(
      ({ busSwitch, supplies }) => busSwitch && supplies[0] && within(volts, toInterval(supplies[0].range)),
    ),
    buyingOf(circuit.plan),
  );
  const taken = new Set(circuit.plan.parts.map(({ id }) => id));
  let id = 'bus-switch';
  for (let n = 2; taken.has(id); n++) id = `bus-switch-${n}`;
  if (!card) return null;
  const addresses = card.ports.find((port) => port.id === card.busSwitch?.port)?.addresses ?? [];
  return { id, card, rail, upstream, addresses: addresses.map(({ value }) => value) };
}

/** Lines of buses that are not in the plan, or are there without parts. */
export function linesOfNew(circuit: Circuit, segments: readonly Segment[]): PinWish[] {
  return segments.flatMap(({ bus, protocol, behind }) => {
    if (behind || circuit.wishes.some(({ of }) => of === bus.id)) return [];
    return busLines(protocol).map(([line, ask]): PinWish => ({
      id: keyOf(bus.id, line),
      of: bus.id,
      line,
      label: `${bus.name} ${line.toUpperCase()}`,
      ask,
      pin: bus.lines[line]?.pin ?? null,
      locked: bus.lines[line]?.locked ?? false,
      weakPull: false,
      meant: false,
      frequency: null,
      group: protocol === 'onewire' ? null : bus.id,
      net: keyOf(bus.id, line),
    }));
  });
}
