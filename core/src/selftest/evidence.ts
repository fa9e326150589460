/** What the lines of a self-test say of a build: readings as the finder and the sheet take them. */
import type { Observation } from '../bench/finder.ts';
import { scanReading } from '../bench/measurement.ts';
import { formatWord } from '../quantity/bits.ts';
import { crc8 } from '../standard/crc8.ts';
import type { Circuit } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';
import { bytesOfNumber, isWireNumber, TEMPERATURE_AT_START, TEMPERATURE_STEP } from '../standard/one-wire.ts';
import type { Job } from './job.ts';
import type { Line } from './line.ts';

/** A one-wire part that was found. */
export interface FoundPart {
  /** Id of its bus. */
  readonly bus: string;
  /** Sixteen hexadecimal digits, the kind of part first and the check last. */
  readonly rom: string;
  /** °C; null where it is no thermometer, or its number came through broken. */
  readonly celsius: number | null;
  /** It shows what stands there before the first conversion, which is no temperature. */
  readonly atStart?: true;
}

export interface Evidence {
  readonly observations: readonly Observation[];
  readonly found: readonly FoundPart[];
}

const NONE = 'none';

class Reading {
  readonly observations: Observation[] = [];
  readonly found: FoundPart[] = [];
  private readonly levels = new Map<string, string>();
  /** Addresses on each bus, those of the bus with pins left out on a channel behind it. */
  private readonly scans = new Map<string, readonly number[]>();
  private readonly pads = new Map<string, number>();

  constructor(
    private readonly circuit: Circuit,
    private readonly job: Job,
  ) {}

  private add(measurement: string, value: number | string): void {
    this.observations.push({ measurement, value, byProgram: true });
  }

  line({ word, fields }: Line): void {
    const [first = '', second = NONE] = fields;
    const n = Number(first);
    switch (word) {
      case 'begin':
        this.add('heard', 'yes');
        return;
      case 'level':
        this.levels.set(first, second);
        return;
      case 'hold':
        this.held(n, second);
        return;
      case 'scan':
        this.scanned(
          n,
          fields.slice(1).map((digits) => parseInt(digits, 16)),
        );
        return;
      case 'word':
        this.word(n, second);
        return;
      case 'wire':
        this.counted(n, Number(second));
        return;
      case 'rom':
        this.rom(n, second);
        return;
      case 'pad':
        this.pad(second, fields[2] ?? '');
        return;
      case 'volt': {
        const at = this.job.volts[n];
        if (at && second !== NONE) this.add(`analog:${keyOf(at.part, at.port)}`, Number(second) / 1e3);
        return;
      }
      case 'pulse':
        this.works(this.job.pulses[n], second === 'yes');
        return;
      case 'clock':
        this.works(this.job.clocks[n], second !== NONE);
        return;
      default:
    }
  }

  private works(at: { readonly part: string; readonly port: string } | undefined, does: boolean): void {
    if (at) this.add(`works:${keyOf(at.part, at.port)}`, does ? 'yes' : 'no');
  }

  /** A pin's own two letters of the two lines. */
  finish(): void {
    const [up = '', down = ''] = [this.levels.get('up'), this.levels.get('down')];
    this.job.pins.forEach(({ terminal, pulled }, n) => {
      if (pulled && up[n] !== undefined && down[n] !== undefined) this.add(`level:${terminal}`, up[n] + down[n]);
    });
    for (const [rom, celsius] of this.pads) {
      const at = this.found.findIndex((part) => part.rom === rom);
      const known = this.found[at];
      if (known) this.found[at] = { ...known, ...(celsius === TEMPERATURE_AT_START ? { atStart: true } : { celsius }) };
    }
  }

  private held(n: number, levels: string): void {
    const { pins } = this.job;
    const own = pins[n];
    // Those of which only a voltage is read come last, and no run looks at them here.
    if (own) this.add(`hold:${own.terminal}`, levels.slice(0, pins.filter(({ analog }) => !analog).length));
  }

  private scanned(n: number, addresses: readonly number[]): void {
    const bus = this.job.buses[n];
    if (!bus) return;
    const upstream = this.job.buses.find(({ unit, behind }) => unit === bus.unit && behind === null);
    const above = bus.behind && upstream ? (this.scans.get(upstream.id) ?? []) : [];
    const own = addresses.filter((address) => !above.includes(address));
    this.scans.set(bus.id, own);
    this.add(`scan:${bus.id}`, scanReading(this.circuit, own));
    // Of a part on a bus the program learns that it answers where the plan has it, unless another answers there as well.
    const members = this.circuit.buses.find(({ id }) => id === bus.id)?.members ?? [];
    for (const { part, port, address } of members) {
      const alone =
        members.filter((member) => member.address === address).length === 1 && !above.includes(address ?? -1);
      if (address !== null && alone && (this.circuit.parts.get(part)?.card.measures.length ?? 0) > 0)
        this.works({ part, port }, own.includes(address));
    }
  }

  private word(n: number, digits: string): void {
    const at = this.job.words[n];
    if (!at) return;
    const value = digits === NONE ? NONE : formatWord(parseInt(digits, 16), at.bits);
    this.add(`word:${keyOf(at.part, at.port, String(at.register))}`, value);
  }

  private counted(n: number, count: number): void {
    const wire = this.job.wires[n];
    const bus = this.circuit.buses.find(({ id }) => id === wire?.id);
    if (!wire || !bus) return;
    this.add(`count:${wire.id}`, String(count));
    const there = new Set(this.found.flatMap((part) => (part.bus === wire.id ? [part.rom] : [])));
    for (const member of bus.members) {
      const number = this.circuit.parts.get(member.part)?.choice?.ports[member.port]?.number;
      // Which of several is missing is told by their numbers, where the plan has them.
      if (count === bus.members.length || count === 0) this.works(member, count > 0);
      else if (number !== undefined) this.works(member, there.has(number));
    }
  }

  private rom(n: number, rom: string): void {
    const wire = this.job.wires[n];
    if (wire && isWireNumber(rom)) this.found.push({ bus: wire.id, rom, celsius: null });
  }

  private pad(rom: string, digits: string): void {
    const bytes = bytesOfNumber(digits);
    if (bytes.length !== 9 || crc8(bytes) !== 0) return;
    const raw = (bytes[0] ?? 0) | ((bytes[1] ?? 0) << 8);
    const celsius = (raw > 0x7fff ? raw - 0x10000 : raw) * TEMPERATURE_STEP;
    this.pads.set(rom, celsius);
  }
}

/** @param lines of a whole run */
export function evidenceOf(circuit: Circuit, job: Job, lines: readonly Line[]): Evidence {
  const reading = new Reading(circuit, job);
  for (const line of lines) reading.line(line);
  reading.finish();
  return reading;
}
