/** What a self-test of a plan does, as lists with numbers: both programs and what listens to them count in the same way. */
import { type ProgramPin, programPins } from '../bench/program-pins.ts';
import type { Port } from '../card/port.ts';
import type { BusNode, Circuit, PartNode } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';

interface JobPin extends Pick<ProgramPin, 'terminal' | 'rests' | 'pulled' | 'openDrain'> {
  /** As the board prints it. */
  readonly label: string;
  /** Set where only its voltage is read. */
  readonly analog: boolean;
}

/** A bus, or a channel of a bus switch. */
interface JobBus {
  readonly id: string;
  readonly name: string;
  /** Number of the bus with pins, from 0. */
  readonly unit: number;
  readonly sda: string;
  readonly scl: string;
  /** The bus switch that it is behind: its address, and the byte that chooses the channel. */
  readonly behind: { readonly address: number; readonly byte: number } | null;
}

/** Each in the order of the plan; pins are numbers of the list of pins. */
export interface Job {
  readonly pins: readonly JobPin[];
  readonly buses: readonly JobBus[];
  readonly wires: readonly { readonly id: string; readonly pin: number; readonly thermometers: boolean }[];
  readonly words: readonly {
    readonly part: string;
    readonly port: string;
    /** Number of the bus in the list. */
    readonly bus: number;
    readonly address: number;
    readonly register: number;
    readonly bits: number;
  }[];
  readonly volts: readonly { readonly part: string; readonly port: string; readonly pin: number }[];
  /** Parts that answer a start pulse on their one line. */
  readonly pulses: readonly { readonly part: string; readonly port: string; readonly pin: number }[];
  /** Parts that shift a value out on a clock that the program makes. */
  readonly clocks: readonly {
    readonly part: string;
    readonly port: string;
    readonly data: number;
    readonly clock: number;
  }[];
}

/** Registers of a byte and of two are told by the number itself. */
export const registerBytes = (register: number): number => (register > 0xff ? 2 : 1);

class Gathering {
  readonly pins: JobPin[];
  private readonly printed: ReadonlyMap<string, string>;

  constructor(private readonly circuit: Circuit) {
    this.printed = new Map(circuit.controller?.card.terminals.map(({ id, label }) => [id, label]) ?? []);
    this.pins = programPins(circuit).map(({ terminal, rests, pulled, openDrain }) => ({
      terminal,
      label: this.printed.get(terminal) ?? terminal,
      rests,
      pulled,
      openDrain,
      analog: false,
    }));
  }

  /** Terminal that a line of a port or bus is on. */
  terminal(of: string, line: string): string | null {
    return this.circuit.wishes.find((wish) => wish.of === of && wish.line === line)?.pin ?? null;
  }

  /** Its number; null where the line has no pin, or one that a program must leave alone. */
  pin(of: string, line: string): number | null {
    const terminal = this.terminal(of, line);
    const at = this.pins.findIndex((pin) => pin.terminal === terminal);
    return at < 0 ? null : at;
  }

  /** Pins of which a voltage is read come last. */
  analog(terminal: string): number {
    const known = this.pins.findIndex((pin) => pin.terminal === terminal);
    if (known >= 0) return known;
    const label = this.printed.get(terminal) ?? terminal;
    const pin = { terminal, label, rests: null, pulled: false, openDrain: false, analog: true };
    return this.pins.push(pin) - 1;
  }

  buses(): JobBus[] {
    const units = this.circuit.buses.filter((bus) => bus.protocol === 'i2c' && bus.behind === null);
    return this.circuit.buses.flatMap((bus): JobBus[] => {
      const unit = units.findIndex(({ id }) => id === bus.root);
      const [sda, scl] = [this.terminal(bus.root, 'sda'), this.terminal(bus.root, 'scl')];
      if (bus.protocol !== 'i2c' || sda === null || scl === null || bus.members.length === 0) return [];
      const behind = this.behind(bus);
      return behind === undefined ? [] : [{ id: bus.id, name: bus.name, unit, sda, scl, behind }];
    });
  }

  /** Undefined where the switch has no address. */
  private behind({ behind }: BusNode): JobBus['behind'] | undefined {
    if (behind === null) return null;
    const port = this.circuit.parts.get(behind.part)?.card.busSwitch?.port;
    const member = this.circuit.buses
      .flatMap(({ members }) => members)
      .find((m) => m.part === behind.part && m.port === port);
    const address = member?.address ?? null;
    return address === null ? undefined : { address, byte: 1 << behind.channel };
  }
}

/** @returns what there is to do; empty lists where the plan has no controller */
export function jobOf(circuit: Circuit): Job {
  const all = new Gathering(circuit);
  const buses = all.buses();
  const ports = (protocol: Port['protocol']): { part: PartNode; port: Port; of: string }[] =>
    [...circuit.parts.values()].flatMap((part) =>
      part.card.ports
        .filter((port) => port.protocol === protocol)
        .map((port) => ({ part, port, of: keyOf(part.id, port.id) })),
    );
  return {
    buses,
    wires: circuit.buses.flatMap(({ id, protocol, members }) => {
      const pin = all.pin(id, 'data');
      if (protocol !== 'onewire' || pin === null || members.length === 0) return [];
      const cards = members.map(({ part }) => circuit.parts.get(part)?.card);
      const thermometers = cards.every((card) => card?.measures.some(({ unit }) => unit === '°C'));
      return [{ id, pin, thermometers }];
    }),
    words: buses.flatMap(({ id }, bus) =>
      (circuit.buses.find((b) => b.id === id)?.members ?? []).flatMap(({ part, port, address }) => {
        const own = circuit.parts.get(part)?.card.ports.find((p) => p.id === port);
        if (address === null) return [];
        return (own?.identity ?? []).map(({ register, bits }) => ({ part, port, bus, address, register, bits }));
      }),
    ),
    volts: ports('analog').flatMap(({ part, port, of }) => {
      const wish = circuit.wishes.find((w) => w.of === of && w.ask === 'adc');
      return wish?.pin ? [{ part: part.id, port: port.id, pin: all.analog(wish.pin) }] : [];
    }),
    pulses: ports('pulse').flatMap(({ part, port, of }) => {
      const pin = all.pin(of, 'data');
      return pin === null ? [] : [{ part: part.id, port: port.id, pin }];
    }),
    clocks: ports('clocked').flatMap(({ part, port, of }) => {
      const [data, clock] = [all.pin(of, 'data'), all.pin(of, 'clock')];
      return data === null || clock === null ? [] : [{ part: part.id, port: port.id, data, clock }];
    }),
    pins: all.pins,
  };
}
