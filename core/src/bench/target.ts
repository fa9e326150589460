/** The controller of a virtual build, as a program that runs on it sees the world: its buses, its pins and its converter. */
import type { Port } from '../card/port.ts';
import type { BusNode } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';
import { USUAL_ROOM } from '../standard/common-practice.ts';
import { FirmwareModel } from './firmware-model.ts';
import { wireNumber } from './program.ts';
import { type ProgramPin, programPins } from './program-pins.ts';
import { type BenchState, type OwnPull, withClosed, withHigh, withListening, withPull } from './state.ts';
import type { VirtualBuild } from './virtual-build.ts';
import { WireDevice } from './wire-device.ts';

interface PinMode {
  /** Null while it only listens. */
  readonly level: 0 | 1 | null;
  readonly pull: OwnPull;
}

/** K that a hand warms a thermometer by. */
const HAND = 8;
/** s between two moves of a hand. */
const HAND_MOVES = 0.2;
/** s that a start pulse is held low at least, and polls that its answer then lasts. */
const START_PULSE = 1e-3;
const ANSWER_POLLS = 20;
/** Pulses after which a clocked part has told its value. */
const CLOCKED_BITS = 25;

export class Target {
  private readonly talk: FirmwareModel;
  private readonly pins: ReadonlyMap<string, ProgramPin>;
  private readonly modes = new Map<string, PinMode>();
  private readonly channels = new Map<string, number>();
  private readonly registers = new Map<string, number>();
  private readonly wires = new Map<string, WireDevice[]>();
  private readonly clocks = new Map<string, number>();
  /** s since the program began, and since when a pin is held low. */
  private now = 0;
  private readonly lowSince = new Map<string, number>();
  private readonly answering = new Map<string, number>();

  /** What somebody moves: contacts that close, outputs that rise. */
  private readonly hand: { readonly contacts: readonly string[]; readonly outputs: readonly string[] };

  /**
   * @param warm the part that somebody holds in the hand
   * @param moved the part that somebody presses, turns or walks past again and again
   */
  constructor(
    private readonly build: VirtualBuild,
    private readonly warm: string | null = null,
    moved: string | null = null,
  ) {
    this.talk = new FirmwareModel(build);
    const ports = build.circuit.parts.get(moved ?? '')?.card.ports ?? [];
    const signals = (protocol: Port['protocol']) =>
      ports.flatMap((port) =>
        port.protocol === protocol ? Object.values(port.lines).map((signal) => keyOf(moved ?? '', signal)) : [],
      );
    const works = moved !== null && build.alive(moved);
    this.hand = { contacts: signals('switch'), outputs: works ? signals('digital-out') : [] };
    this.pins = new Map(programPins(build.circuit).map((pin) => [pin.terminal, pin]));
  }

  private state(): BenchState {
    const listening = [...this.pins.values()]
      .filter(({ rests }) => rests === null)
      .map(({ terminal, key, pulled }) => [key, pulled ? (this.modes.get(terminal)?.pull ?? 'none') : 'none'] as const);
    let state = withListening(this.build.rest, listening);
    if (Math.floor(this.now / HAND_MOVES) % 2 === 1)
      state = withHigh(withClosed(state, ...this.hand.contacts), ...this.hand.outputs);
    for (const [terminal, { level }] of this.modes) {
      const pin = this.pins.get(terminal);
      if (!pin || level === null) continue;
      if (level === 0 && pin.openDrain) state = withPull(state, pin.key);
      else {
        const others = new Map([...state.listening].filter(([key]) => key !== pin.key));
        state = { ...state, listening: others };
        if (level === 1) state = withHigh(state, pin.key);
      }
    }
    return state;
  }

  delay(seconds: number): void {
    this.now += seconds;
  }

  pull(terminal: string, pull: OwnPull): void {
    this.modes.set(terminal, { level: this.modes.get(terminal)?.level ?? null, pull });
  }

  /** @param level null where the pin is let go */
  set(terminal: string, level: 0 | 1 | null): void {
    const before = this.modes.get(terminal);
    this.modes.set(terminal, { level, pull: before?.pull ?? 'none' });
    if (level === 0) this.lowSince.set(terminal, this.now);
    else if (before?.level === 0) this.released(terminal);
    this.clocked(terminal, before?.level ?? null, level);
  }

  /** A part that answers a start pulse pulls low for a moment once it was let go. */
  private released(terminal: string): void {
    if (this.now - (this.lowSince.get(terminal) ?? this.now) < START_PULSE) return;
    const found = this.portOn(terminal, 'pulse');
    if (found && this.talk.works(found.part, found.port)) this.answering.set(terminal, ANSWER_POLLS);
  }

  private clocked(terminal: string, before: 0 | 1 | null, level: 0 | 1 | null): void {
    const found = this.portOn(terminal, 'clocked');
    if (found?.line !== 'clock') return;
    const key = keyOf(found.part, found.port);
    if (level === 1 && before === 0) this.clocks.set(key, (this.clocks.get(key) ?? 0) + 1);
    else if (!this.clocks.has(key) && level === 0) this.clocks.set(key, 0);
  }

  get(terminal: string): 0 | 1 {
    const answering = this.answering.get(terminal) ?? 0;
    if (answering > 0) {
      this.answering.set(terminal, answering - 1);
      return 0;
    }
    const found = this.portOn(terminal, 'clocked');
    const pulses = found?.line === 'data' ? this.clocks.get(keyOf(found.part, found.port)) : undefined;
    // Ready is low; then the bits of a value, of which the first is 0, and high again until the next.
    if (found && pulses !== undefined && this.talk.works(found.part, found.port))
      return pulses >= CLOCKED_BITS || (pulses > 1 && pulses % 3 === 0) ? 1 : 0;
    const pin = this.pins.get(terminal);
    const end = pin && this.build.elements.ends.get(pin.key);
    return end && this.build.isHigh(end, this.state()) ? 1 : 0;
  }

  /** V at a pin that the converter reads. */
  volts(terminal: string): number {
    const found = this.portOn(terminal, 'analog');
    return (found && this.talk.analog(found.part, found.port)) ?? 0;
  }

  private portOn(terminal: string, protocol: string): { part: string; port: string; line: string } | null {
    for (const { pin, of, line } of this.build.circuit.wishes) {
      if (pin !== terminal) continue;
      for (const part of this.build.circuit.parts.values())
        for (const port of part.card.ports)
          if (keyOf(part.id, port.id) === of && port.protocol === protocol)
            return { part: part.id, port: port.id, line };
    }
    return null;
  }

  private isReached({ behind }: BusNode): boolean {
    return behind === null || (this.channels.get(behind.part) ?? 0) === 1 << behind.channel;
  }

  /** Members that answer at an address on a bus with pins, those on channels that are on among them. */
  private at(busId: string, address: number): { part: string; port: string }[] {
    const { circuit, faulty } = this.build;
    return circuit.buses
      .filter((bus) => bus.root === busId && this.isReached(bus))
      .flatMap((bus) =>
        bus.members.filter(
          ({ part, port, address: meant }) =>
            (faulty.addresses.get(keyOf(part, port)) ?? meant) === address && this.talk.answers(part, port, bus),
        ),
      );
  }

  /** @returns whether somebody acknowledged */
  write(bus: string, address: number, bytes: readonly number[]): boolean {
    const found = this.at(bus, address);
    for (const { part, port } of found) {
      const card = this.build.circuit.parts.get(part)?.card;
      if (card?.busSwitch?.port === port && bytes[0] !== undefined) this.channels.set(part, bytes[0]);
      else if (bytes.length > 0)
        this.registers.set(
          keyOf(part, port),
          bytes.reduce((all, byte) => all * 256 + byte, 0),
        );
    }
    return found.length > 0;
  }

  /** @returns null where nobody acknowledged */
  read(bus: string, address: number, count: number): number[] | null {
    const found = this.at(bus, address);
    const [first] = found;
    if (!first) return null;
    const port = this.build.circuit.parts.get(first.part)?.card.ports.find(({ id }) => id === first.port);
    const register = this.registers.get(keyOf(first.part, first.port));
    const word = port?.identity?.find((w) => w.register === register);
    const bytes = Math.max(1, (word?.bits ?? 8) / 8);
    // What else stands in registers is nothing that a card tells.
    const value = word && this.talk.works(first.part, first.port) ? word.value : 0;
    return Array.from({ length: count }, (_, i) => (i < bytes ? Math.floor(value / 256 ** (bytes - 1 - i)) % 256 : 0));
  }

  private devices(terminal: string): WireDevice[] {
    const wish = this.build.circuit.wishes.find(({ pin }) => pin === terminal);
    const bus = this.build.circuit.buses.find(({ id, protocol }) => protocol === 'onewire' && id === wish?.of);
    const known = this.wires.get(terminal);
    if (known) return known;
    const there = bus?.members.filter(({ part, port }) => this.talk.answers(part, port, bus)) ?? [];
    const made = there.map(
      ({ part, port }) =>
        new WireDevice(wireNumber(this.build.circuit, part, port), USUAL_ROOM + (part === this.warm ? HAND : 0)),
    );
    this.wires.set(terminal, made);
    return made;
  }

  /** @returns whether anything answered the reset */
  wireReset(terminal: string): boolean {
    const devices = this.devices(terminal);
    for (const device of devices) device.reset();
    return devices.length > 0;
  }

  /** Writes a bit, a 1 to read. @returns what was on the line */
  wireBit(terminal: string, bit: number): number {
    const devices = this.devices(terminal);
    const pin = this.pins.get(terminal);
    const end = pin && this.build.elements.ends.get(pin.key);
    const idle = end && this.build.isHigh(end, this.state()) ? 1 : 0;
    const level = devices.reduce((all, device) => all & device.shows(), bit & idle);
    for (const device of devices) device.hears(level);
    return level;
  }
}
