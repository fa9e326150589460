/** What the self-test prints on a virtual build, in place of a compiled one: for practising, and to hold the programs to. */
import type { OwnPull } from '../bench/state.ts';
import type { Target } from '../bench/target.ts';
import { bytesOfNumber, ONE_WIRE } from '../standard/one-wire.ts';
import { type Job, registerBytes } from './job.ts';
import { digestOf, FORM, type Line, writeLine } from './line.ts';

const hex = (value: number, digits: number): string => value.toString(16).padStart(digits, '0');
const bytesOf = (value: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => Math.floor(value / 256 ** (count - 1 - i)) % 256);

class Run {
  readonly lines: Line[] = [];

  constructor(
    private readonly job: Job,
    private readonly target: Target,
  ) {}

  private tell(word: string, ...fields: readonly (string | number)[]): void {
    this.lines.push({ seq: this.lines.length, word, fields: fields.map(String).filter((field) => field !== '') });
  }

  private terminal(n: number): string {
    return this.job.pins[n]?.terminal ?? '';
  }

  private rest(): void {
    for (const { terminal, rests } of this.job.pins) {
      this.target.set(terminal, rests === null ? null : rests === 'high' ? 1 : 0);
      if (rests === null) this.target.pull(terminal, 'none');
    }
  }

  private pull(pull: OwnPull): void {
    for (const { terminal, pulled } of this.job.pins) if (pulled) this.target.pull(terminal, pull);
  }

  private levels(): string {
    return this.job.pins.map(({ terminal, pulled }) => (pulled ? String(this.target.get(terminal)) : '-')).join('');
  }

  private pins(): void {
    for (const pull of ['up', 'down'] as const) {
      this.pull(pull);
      this.tell('level', pull, this.levels());
    }
    this.job.pins.forEach(({ terminal, openDrain, pulled }, n) => {
      if (!openDrain || !pulled) return;
      this.pull('up');
      this.target.set(terminal, 0);
      this.tell('hold', n, this.levels());
      this.target.set(terminal, null);
    });
    this.rest();
  }

  private buses(): void {
    const { buses, words } = this.job;
    const units = new Map(buses.flatMap(({ id, unit, behind }) => (behind ? [] : [[unit, id] as const])));
    const on = <T>({ unit, behind }: Job['buses'][number], does: (bus: string) => T): T => {
      const bus = units.get(unit) ?? '';
      if (behind) this.target.write(bus, behind.address, [behind.byte]);
      const done = does(bus);
      if (behind) this.target.write(bus, behind.address, [0]);
      return done;
    };
    buses.forEach((bus, n) => {
      const all = Array.from({ length: 0x70 }, (_, i) => i + 8);
      const found = on(bus, (id) => all.filter((address) => this.target.write(id, address, [])));
      this.tell('scan', n, ...found.map((address) => hex(address, 2)));
    });
    words.forEach(({ bus: at, address, register, bits }, n) => {
      const bus = buses[at];
      if (!bus) return;
      const bytes = on(bus, (id) =>
        this.target.write(id, address, bytesOf(register, registerBytes(register)))
          ? this.target.read(id, address, bits / 8)
          : null,
      );
      this.tell('word', n, bytes?.map((byte) => hex(byte, 2)).join('') ?? 'none');
    });
  }

  private byte(terminal: string, byte: number): void {
    for (let i = 0; i < 8; i++) this.target.wireBit(terminal, (byte >> i) & 1);
  }

  /** Numbers of all parts on a line, by taking the other way at the last place where two differed. */
  private search(terminal: string): string[] {
    const found: string[] = [];
    const rom = new Array<number>(64).fill(0);
    for (let last = -1, more = true; more && found.length < 64 && this.target.wireReset(terminal);) {
      this.byte(terminal, ONE_WIRE.search);
      let split = -1;
      for (let bit = 0; bit < 64; bit++) {
        const [one, zero] = [this.target.wireBit(terminal, 1), this.target.wireBit(terminal, 1)];
        if (one && zero) return found;
        const way = one !== zero ? one : bit < last ? (rom[bit] ?? 0) : Number(bit === last);
        if (one === zero && !way) split = bit;
        rom[bit] = way;
        this.target.wireBit(terminal, way);
      }
      const bytes = Array.from({ length: 8 }, (_, i) =>
        rom.slice(8 * i, 8 * i + 8).reduce((b, x, k) => b | (x << k), 0),
      );
      found.push(bytes.map((byte) => hex(byte, 2)).join(''));
      last = split;
      more = split >= 0;
    }
    return found;
  }

  private wires(): void {
    this.job.wires.forEach(({ pin, thermometers }, n) => {
      const terminal = this.terminal(pin);
      const found = this.search(terminal);
      for (const rom of found) {
        this.tell('rom', n, rom);
        if (thermometers) this.tell('pad', n, rom, this.pad(terminal, rom));
      }
      this.tell('wire', n, found.length);
    });
  }

  private pad(terminal: string, rom: string): string {
    this.target.wireReset(terminal);
    this.byte(terminal, ONE_WIRE.skip);
    this.byte(terminal, ONE_WIRE.convert);
    this.target.wireReset(terminal);
    this.byte(terminal, ONE_WIRE.match);
    for (const byte of bytesOfNumber(rom)) this.byte(terminal, byte);
    this.byte(terminal, ONE_WIRE.read);
    const byte = () =>
      Array.from({ length: 8 }, (_, i) => this.target.wireBit(terminal, 1) << i).reduce((a, b) => a | b);
    return Array.from({ length: 9 }, () => hex(byte(), 2)).join('');
  }

  private alone(): void {
    const { target } = this;
    this.job.volts.forEach(({ pin }, n) =>
      this.tell('volt', n, Math.max(0, Math.round(target.volts(this.terminal(pin)) * 1e3))),
    );
    this.job.pulses.forEach(({ pin }, n) => {
      const terminal = this.terminal(pin);
      target.pull(terminal, 'up');
      target.set(terminal, 0);
      target.delay(0.02);
      target.set(terminal, null);
      const polls = (level: number, most: number) =>
        Array.from({ length: most }).some(() => target.get(terminal) === level);
      const answers = polls(0, 200) && polls(1, 2000);
      target.pull(terminal, 'none');
      this.tell('pulse', n, answers ? 'yes' : 'no');
    });
    this.job.clocks.forEach(({ data, clock }, n) => {
      const [own, pulse] = [this.terminal(data), this.terminal(clock)];
      target.set(pulse, 0);
      const ready = target.get(own) === 0;
      let value = 0;
      for (let bit = 0; bit < 25; bit++) {
        target.set(pulse, 1);
        target.set(pulse, 0);
        if (bit < 24) value = value * 2 + target.get(own);
      }
      this.tell('clock', n, ready && target.get(own) === 1 ? hex(value, 6) : 'none');
    });
  }

  all(): readonly Line[] {
    this.rest();
    this.tell('begin', FORM, this.job.pins.length);
    this.pins();
    this.buses();
    this.wires();
    this.alone();
    return this.lines;
  }
}

/** @param plan name that the lines are checked with */
export function printRun(job: Job, plan: string, target: Target): string {
  const lines = new Run(job, target).all();
  const end: Line = { seq: lines.length, word: 'end', fields: [digestOf(lines)] };
  return [...lines, end].map((line) => `${writeLine(plan, line)}\n`).join('');
}
