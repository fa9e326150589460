/** What the readings so far point to, and what to measure next. */
import { deviation } from './instrument.ts';
import { SOUND, type Dictionary, type Entry } from './dictionary.ts';
import type { Measurement, Reading } from './measurement.ts';
import { perOwner } from '../quantity/memo.ts';

export interface Observation {
  /** Key of the measurement. */
  readonly measurement: string;
  readonly value: Reading;
  /** Set where a program read it and it came through whole: nobody misread it. */
  readonly byProgram?: true;
}

/** Causes that no measurement tells apart, together. */
interface Suspects {
  readonly entries: readonly Entry[];
  /** 0 to 1, all of them together. */
  readonly chance: number;
}

export interface NextMeasurement {
  readonly measurement: Measurement;
  /** Bits that it is expected to tell. */
  readonly bits: number;
}

export interface Finding {
  /** Likeliest first. */
  readonly suspects: readonly Suspects[];
  /** Chance that what is wrong is nothing that the dictionary knows, 0 to 1. */
  readonly unknown: number;
  /** Measurements that the likeliest cause does not explain: there may be a second one. */
  readonly unexplained: readonly string[];
  readonly next: readonly NextMeasurement[];
}

/** An entry of the dictionary, by its place there. */
interface Weighed {
  readonly entry: Entry;
  readonly at: number;
  readonly chance: number;
}

/** A reading may be wrong in itself: a probe beside the pin, a number misread. */
const MISTAKE = 2e-4;
/** A text that should have been another. */
const MISREAD = 0.002;
/** The same of what a program read: the model of the build may still be wrong there. */
const MISREAD_BY_PROGRAM = 1e-5;
/** Something unknown agrees with the plan where it does not touch it, and may show anything where it does. */
const UNKNOWN = { prior: 2, agrees: 0.9, deviates: 0.02 } as const;
/** Deviations below this are no difference. */
const SAME = 2.5;
const NOT_EXPLAINED = 5;
/** Causes less likely than this share of the likeliest are not asked about. */
const FAR_BEHIND = 1e-5;

const logLikelihood = (kind: Measurement['kind'], seen: Reading, expected: Reading, misread: number): number => {
  const far = deviation(kind, seen, expected);
  // That something works or does not is not misread as an address is.
  if (far === Infinity)
    return Math.log(typeof expected === 'string' && kind !== 'works' ? misread : Math.min(misread, MISTAKE));
  return Math.log(Math.exp((-far * far) / 2) * (1 - MISTAKE) + MISTAKE);
};

export class Finder {
  private readonly index: ReadonlyMap<string, number>;
  private readonly taken = new Map<number, Reading>();
  /** By entry. */
  private readonly logs: Float64Array;
  private unknownLog = Math.log(UNKNOWN.prior);
  private readonly sound: Entry | undefined;
  private readonly outcomes: readonly Int32Array[];

  constructor(
    readonly dictionary: Dictionary,
    observations: readonly Observation[] = [],
  ) {
    this.index = new Map(dictionary.measurements.map(({ key }, i) => [key, i]));
    this.logs = Float64Array.from(dictionary.entries, ({ prior }) => Math.log(prior));
    this.outcomes = outcomesOf(dictionary);
    this.sound = dictionary.entries.find(({ key }) => key === SOUND);
    for (const observation of observations) this.observe(observation);
  }

  /** A second reading of one thing counts like the first: instruments err the same way twice. */
  observe({ measurement, value, byProgram }: Observation): void {
    const i = this.index.get(measurement);
    const kind = i === undefined ? undefined : this.dictionary.measurements[i]?.kind;
    if (i === undefined || kind === undefined || this.taken.has(i)) return;
    this.taken.set(i, value);
    const misread = byProgram ? MISREAD_BY_PROGRAM : MISREAD;
    this.dictionary.entries.forEach(({ readings }, e) => {
      this.logs[e] = (this.logs[e] ?? 0) + logLikelihood(kind, value, readings[i] ?? 0, misread);
    });
    const planned = this.sound?.readings[i] ?? 0;
    const agrees = deviation(kind, value, planned) < SAME;
    this.unknownLog += Math.log(agrees ? UNKNOWN.agrees : UNKNOWN.deviates);
  }

  /** Whether no measurement that is still open tells two causes apart. */
  private alike(a: number, b: number): boolean {
    const { measurements, entries } = this.dictionary;
    return measurements.every(({ kind }, i) => {
      const outcome = this.outcomes[i];
      if (outcome?.[a] === outcome?.[b]) return true;
      const [x, y] = [entries[a]?.readings[i] ?? 0, entries[b]?.readings[i] ?? 0];
      return deviation(kind, x, y) < SAME || deviation(kind, y, x) < SAME;
    });
  }

  private chances(): { entries: Weighed[]; unknown: number } {
    const most = this.logs.reduce((a, b) => Math.max(a, b), this.unknownLog);
    const weights = this.dictionary.entries.map((entry, at) => ({
      entry,
      at,
      chance: Math.exp((this.logs[at] ?? 0) - most),
    }));
    const other = Math.exp(this.unknownLog - most);
    const all = weights.reduce((sum, { chance }) => sum + chance, other);
    const entries = weights
      .map(({ entry, at, chance }) => ({ entry, at, chance: chance / all }))
      .sort((a, b) => b.chance - a.chance);
    return { entries, unknown: other / all };
  }

  /** @param most groups of suspects at most */
  find(most = 8): Finding {
    const { entries, unknown } = this.chances();
    const top = entries[0]?.chance ?? 0;
    const suspects: { head: number; entries: Entry[]; chance: number }[] = [];
    const open = entries.filter(({ chance }) => chance > top * FAR_BEHIND);
    for (const { entry, at, chance } of open) {
      const group = suspects.find(({ head }) => this.alike(head, at));
      if (group) {
        group.entries.push(entry);
        group.chance += chance;
      } else if (suspects.length < most) suspects.push({ head: at, entries: [entry], chance });
    }
    suspects.sort((a, b) => b.chance - a.chance);
    return {
      suspects: suspects.map(({ entries: of, chance }) => ({ entries: of, chance })),
      unknown,
      unexplained: this.unexplained(entries[0]?.entry),
      next: this.best(open),
    };
  }

  private unexplained(by: Entry | undefined): string[] {
    return [...this.taken].flatMap(([i, value]) => {
      const m = this.dictionary.measurements[i];
      return m && by && deviation(m.kind, value, by.readings[i] ?? 0) > NOT_EXPLAINED ? [m.key] : [];
    });
  }

  /** Measurements that split what is left best for the work that they take. */
  private best(open: readonly Weighed[]): NextMeasurement[] {
    const all = open.reduce((sum, { chance }) => sum + chance, 0);
    if (all <= 0) return [];
    const scored = this.dictionary.measurements.flatMap((measurement, i): NextMeasurement[] => {
      if (this.taken.has(i)) return [];
      const bits = this.split(i, open, all);
      return bits > 0.01 ? [{ measurement, bits }] : [];
    });
    return scored.sort((a, b) => b.bits / b.measurement.cost - a.bits / a.measurement.cost).slice(0, 5);
  }

  /** Entropy of what a measurement will show: readings that cannot be told apart are one outcome. */
  private split(i: number, open: readonly Weighed[], all: number): number {
    const shares = new Map<number, number>();
    for (const { at, chance } of open) {
      const outcome = this.outcomes[i]?.[at] ?? 0;
      shares.set(outcome, (shares.get(outcome) ?? 0) + chance);
    }
    let bits = 0;
    for (const share of shares.values()) if (share > 0) bits -= (share / all) * Math.log2(share / all);
    return bits;
  }
}

/** For each measurement the outcome of each entry: readings that cannot be told apart are one. Found once. */
const outcomesOf = perOwner((dictionary: Dictionary): readonly Int32Array[] => {
  const { measurements, entries } = dictionary;
  return measurements.map(({ kind }, i) => {
    const outcome = new Int32Array(entries.length);
    const texts = new Map<string, number>();
    const numbers: { at: number; value: number }[] = [];
    entries.forEach(({ readings }, at) => {
      const value = readings[i] ?? 0;
      if (typeof value === 'number') numbers.push({ at, value });
      else {
        if (!texts.has(value)) texts.set(value, -1 - texts.size);
        outcome[at] = texts.get(value) ?? 0;
      }
    });
    numbers.sort((a, b) => a.value - b.value);
    let [count, first] = [0, numbers[0]?.value ?? 0];
    for (const { at, value } of numbers) {
      if (deviation(kind, value, first) >= SAME) [count, first] = [count + 1, value];
      outcome[at] = count;
    }
    return outcome;
  });
});
