/** One line of a capture, sample by sample: its levels, its edges from 30 to 70 %, what it looks like. Memory stays bounded. */

export interface LineSummary {
  readonly samples: number;
  /** V, or 0 and 1. */
  readonly lowest: number;
  readonly highest: number;
  /** Mean of what is below 30 % and above 70 % of the supply, V; null where it never was there. */
  readonly low: number | null;
  readonly high: number | null;
  /** From 30 to 70 %, and back, s. */
  readonly rises: EdgeTimes | null;
  readonly falls: EdgeTimes | null;
  readonly changes: number;
  /** The lowest and highest of each stretch of time, for a picture. */
  readonly envelope: readonly { readonly time: number; readonly least: number; readonly most: number }[];
}

export interface EdgeTimes {
  readonly count: number;
  /** Of these, how many were over within one step of the capture: what is known of them is only that they took no longer. */
  readonly withinStep: number;
  readonly least: number;
  readonly middle: number;
  readonly most: number;
}

const MAX_EDGES = 20_000;
/** Stretches of the picture: when there are twice as many, neighbours are put together. */
const STRETCHES = 1024;

/** An edge under way: when its first level was crossed, and the sample before that. */
interface Begun {
  readonly crossed: number;
  readonly since: number;
}

class Edges {
  private readonly seconds: number[] = [];
  private within = 0;

  /** @param before time of the sample before its end */
  add({ crossed, since }: Begun, end: number, before: number, time: number): void {
    if (this.seconds.length >= MAX_EDGES) return;
    // Between two samples a straight line would be a guess; the step is what is sure.
    const inStep = since === before;
    if (inStep) this.within += 1;
    this.seconds.push(inStep ? time - before : end - crossed);
  }

  times(): EdgeTimes | null {
    const sorted = this.seconds.toSorted((a, b) => a - b);
    const [least, middle, most] = [sorted[0], sorted[sorted.length >> 1], sorted.at(-1)];
    return least !== undefined && middle !== undefined && most !== undefined
      ? { count: sorted.length, withinStep: this.within, least, middle, most }
      : null;
  }
}

export class LineWatch {
  private samples = 0;
  private lowest = Infinity;
  private highest = -Infinity;
  private readonly sums = { low: 0, lows: 0, high: 0, highs: 0 };
  private readonly rises = new Edges();
  private readonly falls = new Edges();
  private changes = 0;
  private before: { time: number; value: number } | null = null;
  /** When the first level of an edge that is under way was passed. */
  private rising: Begun | null = null;
  private falling: Begun | null = null;
  private level: boolean | null = null;
  private envelope: { time: number; least: number; most: number }[] = [];
  private perStretch = 1;
  private inStretch = 0;

  /** @param supply V that 30 and 70 % are taken of */
  constructor(private readonly supply: number) {}

  /** @returns the level that the line has from here on, or null while it has had none */
  push(time: number, value: number): boolean | null {
    this.samples += 1;
    this.lowest = Math.min(this.lowest, value);
    this.highest = Math.max(this.highest, value);
    this.picture(time, value);
    const [low, high] = [0.3 * this.supply, 0.7 * this.supply];
    if (value < low) [this.sums.low, this.sums.lows] = [this.sums.low + value, this.sums.lows + 1];
    if (value > high) [this.sums.high, this.sums.highs] = [this.sums.high + value, this.sums.highs + 1];
    const before = this.before;
    if (before) {
      const at = (level: number) =>
        before.time + ((level - before.value) / (value - before.value)) * (time - before.time);
      const begun = (level: number): Begun => ({ crossed: at(level), since: before.time });
      if (before.value < low && value >= low) this.rising = begun(low);
      if (before.value < high && value >= high && this.rising !== null) {
        this.rises.add(this.rising, at(high), before.time, time);
        this.rising = null;
      }
      if (before.value > high && value <= high) this.falling = begun(high);
      if (before.value > low && value <= low && this.falling !== null) {
        this.falls.add(this.falling, at(low), before.time, time);
        this.falling = null;
      }
    }
    if (value >= high && this.level !== true) this.change(true);
    else if (value <= low && this.level !== false) this.change(false);
    this.before = { time, value };
    return this.level;
  }

  private change(level: boolean): void {
    if (this.level !== null) this.changes += 1;
    this.level = level;
    if (level) this.falling = null;
    else this.rising = null;
  }

  private picture(time: number, value: number): void {
    const last = this.envelope.at(-1);
    if (!last || this.inStretch >= this.perStretch) {
      this.envelope.push({ time, least: value, most: value });
      this.inStretch = 1;
      if (this.envelope.length >= 2 * STRETCHES) this.halve();
      return;
    }
    last.least = Math.min(last.least, value);
    last.most = Math.max(last.most, value);
    this.inStretch += 1;
  }

  private halve(): void {
    const joined: typeof this.envelope = [];
    for (let i = 0; i < this.envelope.length; i += 2) {
      const [a, b] = [this.envelope[i], this.envelope[i + 1]];
      if (a)
        joined.push({
          time: a.time,
          least: Math.min(a.least, b?.least ?? a.least),
          most: Math.max(a.most, b?.most ?? a.most),
        });
    }
    this.envelope = joined;
    this.perStretch *= 2;
  }

  end(): LineSummary {
    const { sums } = this;
    return {
      samples: this.samples,
      lowest: this.samples > 0 ? this.lowest : 0,
      highest: this.samples > 0 ? this.highest : 0,
      low: sums.lows > 0 ? sums.low / sums.lows : null,
      high: sums.highs > 0 ? sums.high / sums.highs : null,
      rises: this.rises.times(),
      falls: this.falls.times(),
      changes: this.changes,
      envelope: this.envelope,
    };
  }
}
