/** What is odd about readings, and its likely cause: what everybody in the trade knows by heart, held against card and plan. */
import { quantityOf, type Message, type Quantity, tells } from '../../quantity/message.ts';
import { TEMPERATURE_AT_START, TEMPERATURE_STEP } from '../../standard/one-wire.ts';
import { readingOf } from '../settings/formula.ts';
import { toInterval } from '../../card/to-interval.ts';
import type { ReadingAt } from './reading-at.ts';
import { settlingOf } from './settling.ts';
import { medianOf, type Series } from './series.ts';

/** What is said here, by the data that it takes. */
export interface DeliverDoubtsSays {
  readonly noNumber: { count: number; of: number };
  readonly noNumberCause: null;
  readonly reads: { value: Quantity };
  readonly atStartCause: null;
  readonly errorCodeCause: null;
  readonly allOnesCause: null;
  readonly allZerosCause: null;
  readonly converterLowCause: null;
  readonly converterHighCause: null;
  readonly fahrenheitCause: { value: Quantity };
  readonly factorCause: { value: Quantity };
  readonly beyond: { value: Quantity; from: Quantity; to: Quantity };
  readonly beyondCause: null;
  readonly outside: { value: Quantity; from: Quantity; to: Quantity };
  readonly outsideCause: null;
  readonly warmCause: null;
  readonly stuck: { value: Quantity; count: number };
  readonly stuckCause: null;
  readonly tooFast: { seconds: Quantity; shortest: Quantity };
  readonly tooFastCause: null;
  readonly spikes: { count: number; value: Quantity };
  readonly spikesCause: null;
  readonly settling: { limit: Quantity; seconds: Quantity };
  readonly settlingCause: null;
  readonly settlingWarmCause: { seconds: Quantity };
}
const tell = tells<DeliverDoubtsSays>('deliver/doubts');

/** The most telling first. */
const DOUBTS = [
  'noNumber',
  'errorCode',
  'atStart',
  'allOnes',
  'allZeros',
  'converterLow',
  'converterHigh',
  'fahrenheit',
  'factor',
  'beyondPart',
  'tooFast',
  'spikes',
  'outsideNeed',
  'stuck',
  'settling',
] as const;
export type DoubtId = (typeof DOUBTS)[number];

export interface Doubt {
  readonly id: DoubtId;
  readonly seen: Message;
  readonly cause: Message;
}

/** What programs print in place of a value that did not come (common practice). */
const ERROR_CODES = [-127, -999, -9999, 9999, 65535, -32768, 32767];
/** Readings of a series that are all the same before it is called stuck, and how much finer than the error its step must be. */
const STUCK = { count: 50, finer: 5 } as const;
/** A spike stands off its neighbours by so many of their usual differences, and by so many of the stated errors. */
const SPIKE = { usual: 10, errors: 5 } as const;
/** Share of the largest that is wanted, which a reading in its right unit has at least, for the other unit to be named. */
const SLIPS = 0.1;
/** Powers of ten between units of one quantity that are mixed up: Pa and hPa, m and cm and mm, kg and g, ppm and %. */
const FACTORS = [100, 1000, 1e4, 0.01, 1e-3, 1e-4];

class Doubting {
  readonly found = new Map<DoubtId, Doubt>();
  private readonly numbers: readonly number[];
  private readonly middle: number;
  private readonly step: number;
  private readonly error: number;

  constructor(
    private readonly at: ReadingAt,
    private readonly series: Series,
  ) {
    this.numbers = series.values.filter((value) => value !== null);
    this.middle = medianOf(this.numbers);
    this.step = at.measure.resolution?.value ?? 0;
    this.error = Math.max(...at.measure.accuracy.map(({ error }) => error));
  }

  private say(value: number): Quantity {
    return quantityOf(value, this.at.unit, 4);
  }

  private add(id: DoubtId, seen: Message, cause: Message): void {
    this.found.set(id, { id, seen, cause });
  }

  private isWanted(value: number): boolean {
    const { need, measure } = this.at;
    const { from, to } = need ?? measure.range;
    return value >= from && value <= to;
  }

  /** What a wrong value is known by. */
  known(): void {
    const lost = this.series.values.length - this.numbers.length;
    if (lost > 0)
      this.add('noNumber', tell('noNumber', { count: lost, of: this.series.values.length }), tell('noNumberCause'));
    const { range } = this.at.measure;
    const reads = (value: number) => tell('reads', { value: this.say(value) });
    const code = this.numbers.find((v) => ERROR_CODES.includes(v) && (v < range.from || v > range.to));
    if (code !== undefined) this.add('errorCode', reads(code), tell('errorCodeCause'));
    this.ofOneWire(reads);
    if (this.at.isDigital) this.atEnds(reads);
    this.ofConverter(reads);
  }

  private ofOneWire(reads: (value: number) => Message): void {
    const { protocol, unit } = this.at;
    if (protocol !== 'onewire' || unit !== '°C') return;
    const others = this.numbers.filter((v) => v !== TEMPERATURE_AT_START);
    // A boiler may be at 85 °C; then its other readings are near that, or it is wanted.
    const usual =
      others.length > 0 ? Math.abs(medianOf(others) - TEMPERATURE_AT_START) < 5 : this.isWanted(TEMPERATURE_AT_START);
    if (others.length < this.numbers.length && !usual)
      this.add('atStart', reads(TEMPERATURE_AT_START), tell('atStartCause'));
    if (this.numbers.includes(-TEMPERATURE_STEP) && !this.isWanted(-TEMPERATURE_STEP))
      this.add('allOnes', reads(-TEMPERATURE_STEP), tell('allOnesCause'));
  }

  /** The very ends of what a part can say are all ones and all zeros on its line. */
  private atEnds(reads: (value: number) => Message): void {
    const { from, to } = this.at.measure.range;
    const near = (value: number, end: number) => Math.abs(value - end) <= this.step / 2;
    const high = this.numbers.find((v) => near(v, to) && !this.isWanted(v));
    const low = this.numbers.find((v) => near(v, from) && !this.isWanted(v));
    if (high !== undefined && !this.found.has('allOnes')) this.add('allOnes', reads(high), tell('allOnesCause'));
    if (low !== undefined) this.add('allZeros', reads(low), tell('allZerosCause'));
  }

  /** The ends of the converter are ground and the rail. */
  private ofConverter(reads: (value: number) => Message): void {
    const { formula } = this.at;
    if (!formula) return;
    const top = formula.counts - 1;
    for (const [id, end, next] of [
      ['converterLow', 0, 2],
      ['converterHigh', top, top - 2],
    ] as const) {
      const [a, b] = [readingOf(formula, end), readingOf(formula, next)];
      if (!Number.isFinite(b)) continue;
      const there = (v: number) =>
        Number.isFinite(a) ? Math.abs(v - a) <= Math.abs(a - b) : a === Infinity ? v >= b : v <= b;
      const found = this.numbers.find((v) => there(v) && !this.isWanted(v));
      if (found !== undefined)
        this.add(id, reads(found), id === 'converterLow' ? tell('converterLowCause') : tell('converterHighCause'));
    }
  }

  /** Another unit, no such part, no such place. */
  usual(): void {
    const { need, measure, unit } = this.at;
    const { middle } = this;
    const { from, to } = measure.range;
    if (this.found.size > 0) return;
    // Whatever is wanted: no part reads what it cannot.
    const beyond = this.numbers.find((v) => v < from - this.error || v > to + this.error);
    if (beyond === undefined && (!Number.isFinite(middle) || this.isWanted(middle))) return;
    const odd = beyond ?? middle;
    const seen = tell('reads', { value: this.say(odd) });
    const celsius = (odd - 32) / 1.8;
    if (unit === '°C' && need && this.isWanted(celsius))
      this.add('fahrenheit', seen, tell('fahrenheitCause', { value: this.say(celsius) }));
    // What would be hardly anything of what is wanted is no slip of units.
    const least = need ? SLIPS * Math.max(Math.abs(need.from), Math.abs(need.to)) : 0;
    const factor = FACTORS.find((f) => this.isWanted(odd * f) && Math.abs(odd * f) >= least);
    if (unit !== '°C' && need && factor !== undefined && (odd < from || odd > to))
      this.add('factor', seen, tell('factorCause', { value: this.say(odd * factor) }));
    if (beyond !== undefined)
      this.add(
        'beyondPart',
        tell('beyond', { value: this.say(beyond), from: this.say(from), to: this.say(to) }),
        tell('beyondCause'),
      );
    else if (need && (middle < need.from - this.error || middle > need.to + this.error))
      this.add(
        'outsideNeed',
        tell('outside', { value: this.say(middle), from: this.say(need.from), to: this.say(need.to) }),
        unit === '°C' && middle > need.to ? tell('warmCause') : tell('outsideCause'),
      );
  }

  inTime(): void {
    const { shortest } = this.at;
    const { seconds } = this.series;
    if (seconds !== null && shortest !== null && seconds < 0.95 * shortest)
      this.add(
        'tooFast',
        tell('tooFast', { seconds: quantityOf(seconds, 's', 3), shortest: quantityOf(shortest, 's', 3) }),
        tell('tooFastCause'),
      );
    const { numbers } = this;
    const [first = NaN] = numbers;
    const isFine = this.step > 0 && this.step * STUCK.finer <= this.error;
    if (numbers.length >= STUCK.count && isFine && numbers.every((v) => v === first))
      this.add('stuck', tell('stuck', { value: this.say(first), count: numbers.length }), tell('stuckCause'));
  }

  /** What follows slowly says less of where it is than of where it was. */
  settling(): void {
    const { seconds } = this.series;
    if (seconds === null || this.found.size > 0) return;
    const { accuracy, warmUp } = this.at.measure;
    const here = accuracy.filter(({ from, to }) => from <= this.middle && this.middle <= to);
    const error = here.length > 0 ? Math.max(...here.map((band) => band.error)) : this.error;
    const on = settlingOf(this.numbers, seconds, error);
    if (!on) return;
    const warm = warmUp ? toInterval(warmUp).max : 0;
    this.add(
      'settling',
      tell('settling', { limit: this.say(on.limit), seconds: quantityOf(on.done, 's', 2) }),
      seconds * this.numbers.length < warm
        ? tell('settlingWarmCause', { seconds: quantityOf(warm, 's', 2) })
        : tell('settlingCause'),
    );
  }

  /** Single readings far off their neighbours. */
  spikes(): void {
    const { numbers } = this;
    if (numbers.length < 5) return;
    const usual = medianOf(numbers.slice(1).map((v, i) => Math.abs(v - (numbers[i] ?? v))));
    const least = Math.max(SPIKE.usual * usual, SPIKE.errors * this.error);
    const off = numbers.filter((v, i) => {
      const [before, after] = [numbers[i - 1], numbers[i + 1]];
      if (before === undefined || after === undefined) return false;
      return Math.abs(v - before) > least && Math.abs(v - after) > least && Math.abs(before - after) < least / 2;
    });
    const [one] = off;
    if (one !== undefined && this.found.size === 0)
      this.add('spikes', tell('spikes', { count: off.length, value: this.say(one) }), tell('spikesCause'));
  }
}

/** @returns empty where a sound part that has settled in its place could read that; the most telling first */
export function doubtsOf(at: ReadingAt, series: Series): Doubt[] {
  const doubting = new Doubting(at, series);
  doubting.known();
  doubting.spikes();
  doubting.usual();
  doubting.inTime();
  doubting.settling();
  return DOUBTS.flatMap((id) => doubting.found.get(id) ?? []);
}
