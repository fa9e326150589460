/** What the program on the controller sees of a build: who answers, which lines follow, what works when it is told to. */
import type { Port } from '../card/port.ts';
import type { BusNode, Circuit, Net, NetEnd, PartNode } from '../circuit/model.ts';
import { readerOf } from '../circuit/converter.ts';
import { diodeCurrent } from '../physics/currents.ts';
import { LED_CURRENT_FAINT } from '../standard/common-practice.ts';
import type { LineEnd } from './elements-model.ts';
import { withClosed, withHigh, withPull, type BenchState } from './state.ts';
import { lightModel, usual } from './usual.ts';
import type { VirtualBuild } from './virtual-build.ts';
import { keyOf } from '../plan/ref.ts';
import { allListening, type ProgramPin, programPins } from './program-pins.ts';

/** A load counts as running from this share of its least supply on. */
const RUNS = 0.6;

/** V nearer to its threshold than this, as a share of its supply, an input may read either. */
const VAGUE = 0.08;

const keyOfEnd = (end: NetEnd): string => keyOf(end.part, end.controller ? end.terminal : end.signal);

export class FirmwareModel {
  private readonly circuit: Circuit;
  private readonly nets: ReadonlyMap<string, Net>;
  private readonly pins: readonly ProgramPin[];

  constructor(private readonly build: VirtualBuild) {
    this.circuit = build.circuit;
    this.nets = new Map(build.circuit.nets.map((net) => [net.id, net]));
    this.pins = programPins(build.circuit);
  }

  private end(key: string): LineEnd | undefined {
    return this.build.elements.ends.get(key);
  }

  /** The controller's pin of a net, through its translators and bus switches. */
  private pinOf(net: Net | undefined): LineEnd | undefined {
    if (!net) return undefined;
    const trunk = this.nets.get(net.trunk) ?? net;
    const own = trunk.ends.find((end) => end.controller);
    if (own) return this.end(keyOfEnd(own));
    return trunk.upstream === null ? undefined : this.pinOf(this.nets.get(trunk.upstream));
  }

  private netAt(part: string, signal: string): Net | undefined {
    return this.circuit.nets.find(({ ends }) => ends.some((end) => end.part === part && end.signal === signal));
  }

  /** Both see the line released, and the listener sees it low while the other pulls. */
  private hears(listener: LineEnd, puller: LineEnd, state: BenchState): boolean {
    const { build } = this;
    return (
      build.isHigh(listener, state) &&
      build.isHigh(puller, state) &&
      !build.isHigh(listener, withPull(state, puller.key))
    );
  }

  /** The listener follows what the driver says. */
  private follows(listener: LineEnd, driver: LineEnd, state: BenchState): boolean {
    const high = withHigh(state, driver.key);
    const low = { ...state, high: new Set([...state.high].filter((key) => key !== driver.key)) };
    return this.build.isHigh(listener, high) && !this.build.isHigh(listener, low);
  }

  private stateFor(bus: BusNode | undefined): BenchState {
    const behind = bus?.behind;
    return behind ? { ...this.build.rest, channel: behind } : this.build.rest;
  }

  /** Whether the program runs at all. */
  runs(): boolean {
    const { controller } = this.circuit;
    return controller !== null && this.build.alive(controller.id);
  }

  private line(part: PartNode, port: Port, line: string): { own: LineEnd; pin: LineEnd } | null {
    const signal = port.lines[line];
    const own = signal === undefined ? undefined : this.end(keyOf(part.id, signal));
    const pin = signal === undefined ? undefined : this.pinOf(this.netAt(part.id, signal));
    return own && pin ? { own, pin } : null;
  }

  /** Whether a part takes part on a line that both sides pull low. */
  private answersOn(part: PartNode, port: Port, line: string, state: BenchState, speaks: boolean): boolean {
    const ends = this.line(part, port, line);
    if (!ends) return false;
    return this.hears(ends.own, ends.pin, state) && (!speaks || this.hears(ends.pin, ends.own, state));
  }

  /** Whether a part would acknowledge its address. */
  answers(part: string, port: string, bus: BusNode | undefined): boolean {
    const node = this.circuit.parts.get(part);
    const own = node?.card.ports.find(({ id }) => id === port);
    if (!node || !own || !this.build.alive(part) || !this.runs()) return false;
    const state = this.stateFor(bus);
    if (own.protocol === 'onewire') return this.answersOn(node, own, 'data', state, true);
    return this.answersOn(node, own, 'sda', state, true) && this.answersOn(node, own, 'scl', state, false);
  }

  /** Addresses that are found on an I²C bus, in their order. */
  scan(busId: string): number[] {
    const bus = this.circuit.buses.find(({ id }) => id === busId);
    if (!bus) return [];
    const found = bus.members.flatMap(({ part, port, address }): number[] => {
      const at = this.build.faulty.addresses.get(keyOf(part, port)) ?? address;
      return at !== null && this.answers(part, port, bus) ? [at] : [];
    });
    return [...new Set(found)].sort((a, b) => a - b);
  }

  /** How many parts answer on a one-wire line. */
  count(busId: string): number {
    const bus = this.circuit.buses.find(({ id }) => id === busId);
    return bus ? bus.members.filter(({ part, port }) => this.answers(part, port, bus)).length : 0;
  }

  /** Whether a port does what it is there for when the program uses it. */
  works(partId: string, portId: string): boolean {
    const part = this.circuit.parts.get(partId);
    const port = part?.card.ports.find(({ id }) => id === portId);
    if (!part || !port || !this.runs()) return false;
    const { rest } = this.build;
    const lines = Object.keys(port.lines).flatMap((line) => {
      const ends = this.line(part, port, line);
      return ends ? [{ line, ...ends }] : [];
    });
    const follow = (from: 'own' | 'pin', ...names: string[]) =>
      lines
        .filter(({ line }) => names.includes(line))
        .every((ends) =>
          this.follows(from === 'own' ? ends.pin : ends.own, from === 'own' ? ends.own : ends.pin, rest),
        );
    switch (port.protocol) {
      case 'i2c':
      case 'onewire':
        return this.answersAsMeant(partId, portId);
      case 'coil':
        return this.turns(part, port);
      case 'led':
        return this.lights(part, port);
      case 'switch':
        return lines.length > 0 && lines.every(({ own, pin }) => this.toggles(own, pin));
      default:
    }
    if (!this.build.alive(partId)) return false;
    if (lines.length === 0) return true;
    switch (port.protocol) {
      case 'pulse':
        return this.answersOn(part, port, 'data', rest, true);
      case 'uart':
        return follow('own', 'tx') && follow('pin', 'rx');
      case 'clocked':
        return follow('own', 'data') && follow('pin', 'clock');
      case 'spi':
        return follow('pin', 'clk', 'in', 'select') && follow('own', 'out');
      case 'digital-out':
        return follow('own', 'out', 'out2', 'out3');
      default:
        return follow('pin', ...Object.keys(port.lines));
    }
  }

  /** At the address that the plan gave it. */
  private answersAsMeant(part: string, port: string): boolean {
    const bus = this.circuit.buses.find(({ members }) => members.some((m) => m.part === part && m.port === port));
    const meant = bus?.members.find((m) => m.part === part && m.port === port)?.address ?? null;
    const at = this.build.faulty.addresses.get(keyOf(part, port)) ?? meant;
    return at === meant && this.answers(part, port, bus);
  }

  private toggles(contact: LineEnd, pin: LineEnd): boolean {
    return this.build.isHigh(pin) !== this.build.isHigh(pin, withClosed(this.build.rest, contact.key));
  }

  private lights(part: PartNode, port: Port): boolean {
    const ends = this.line(part, port, Object.keys(port.lines)[0] ?? '');
    if (!ends || !port.forward || this.build.faulty.dead.has(part.id)) return false;
    const model = lightModel(port.forward);
    const through = (state: BenchState) => {
      const { volts } = this.build.powered(state);
      return diodeCurrent(model, (volts[ends.own.node] ?? 0) - (volts[ends.own.ground] ?? 0));
    };
    const { rest } = this.build;
    return through(withHigh(rest, ends.pin.key)) >= LED_CURRENT_FAINT && through(rest) < LED_CURRENT_FAINT;
  }

  /** A coil or motor runs when its driver is told to, and stands when it is not. */
  private turns(part: PartNode, port: Port): boolean {
    const driver = this.circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
    const [input] = driver?.card.signals ?? [];
    const pin = driver && input && this.pinOf(this.netAt(driver.id, input.id));
    const [supply] = part.card.supplies;
    if (!pin || !supply || this.build.faulty.dead.has(part.id)) return false;
    const least = usual(supply.range) * RUNS;
    const { rest } = this.build;
    const runs = (state: BenchState) => this.build.supply(part.id, supply.id, state) >= least;
    // On the other side of a contact, or moved by a low, it runs while the pin is at rest.
    const [high, low] = [runs(withHigh(rest, pin.key)), runs(rest)];
    const inverted =
      (part.choice?.ports[port.id]?.contact === 'closed') !==
      (driver.card.ports.some(({ active }) => active?.level === 'low') && driver.card.contact !== undefined);
    return inverted ? low && !high : high && !low;
  }

  /** The input of a converter that reads a line in place of a pin. */
  private readBy(net: string): LineEnd | undefined {
    const own = this.nets.get(net);
    const reader = own && readerOf(this.circuit, own)?.part;
    const end = reader && !reader.card.controller && own.ends.find(({ part }) => part === reader.id);
    return end ? this.end(keyOfEnd(end)) : undefined;
  }

  /** What a pin reads while it only listens: "0", "1", or "?" where its level is none. */
  private seen(key: string, state: BenchState): string {
    const end = this.end(key);
    if (!end) return '?';
    const far = this.build.aboveThreshold(end, state);
    return Math.abs(far) < VAGUE ? '?' : far > 0 ? '1' : '0';
  }

  /** What a pin reads with all own pulls up, and with all down: "11" is held high, "00" low, "10" follows its own pull. */
  level(pin: string): string {
    if (!this.runs()) return '??';
    const own = this.pins.find(({ terminal }) => terminal === pin);
    if (!own) return '??';
    const { rest } = this.build;
    const up = this.seen(own.key, allListening(rest, this.pins, 'up'));
    return up + this.seen(own.key, allListening(rest, this.pins, 'down'));
  }

  /** What all pins read while one is held low and the others are pulled up, in their order; "-" for those that are not. */
  held(pin: string): string {
    const own = this.pins.find(({ terminal }) => terminal === pin);
    if (!own || !this.runs()) return this.pins.map(() => '?').join('');
    const low = withPull(allListening(this.build.rest, this.pins, 'up'), own.key);
    return this.pins.map(({ key, pulled }) => (pulled ? this.seen(key, low) : '-')).join('');
  }

  /** V that the converter sees at the pin of an analog port; null where there is none. */
  analog(partId: string, portId: string): number | null {
    const part = this.circuit.parts.get(partId);
    const port = part?.card.ports.find(({ id }) => id === portId);
    const read = port && this.readBy(keyOf(partId, portId, 'out'));
    const ends = part && port && (read ? { pin: read } : this.line(part, port, 'out'));
    if (!ends) return null;
    const { volts } = this.build.powered();
    return (volts[ends.pin.node] ?? 0) - (volts[ends.pin.ground] ?? 0);
  }
}
