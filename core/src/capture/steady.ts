/**
 * When what a meter shows may be taken for the spot that is asked for. What is shown has to prove that the probes touch something, that they were
 * lifted since the spot before, and that it stands still. Of what shows none of that, nothing in the probes or nothing between them, only whoever
 * holds them knows, and says so.
 */
import { METER, OPEN_FROM } from '../standard/pocket-meter.ts';
import type { MeterReading } from './meter-line.ts';

export type MeterKind = 'volts' | 'ohms' | 'amps';
export const isMeterKind = (kind: string): kind is MeterKind => Object.hasOwn(METER_UNITS, kind);
export const METER_UNITS = { volts: 'V', ohms: 'Ω', amps: 'A' } as const;

/** What shows contact: more than floats in leads that hang free, less than from finger to finger where the tips are held. Common practice. */
const TOUCHES: Readonly<Record<MeterKind, (value: number) => boolean>> = {
  volts: (value) => Math.abs(value) > 1 && Number.isFinite(value),
  ohms: (value) => value < 20e3,
  amps: (value) => Math.abs(value) > 5e-4 && Number.isFinite(value),
};
/** What shows that they were lifted; between the two nobody knows, and a spot that reads so is not left by its last digit. */
const LIFTED: Readonly<Record<MeterKind, (value: number) => boolean>> = {
  volts: (value) => Math.abs(value) < 0.5,
  ohms: (value) => value > OPEN_FROM,
  amps: (value) => Math.abs(value) < 3e-4,
};
/** s, and readings: what is looked at. */
const SPAN = 1;
const FEWEST = 4;
/** s without a line after which what was before is of another time. */
const SILENCE = 3;
/** Of what readings may lie apart, the most that they may creep from the first half to the second. */
const CREEP = 0.25;

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;

export class Steady {
  private kind: MeterKind;
  private seen: { readonly at: number; readonly value: number }[] = [];
  private lifted = false;

  constructor(kind: MeterKind) {
    this.kind = kind;
  }

  /** Another spot is asked for. */
  next(kind: MeterKind): void {
    this.kind = kind;
    this.seen = [];
    this.lifted = false;
  }

  /** Whether a reading is of what is asked for. A number without a unit may be of anything; nothing between the probes is the same of all. */
  fits({ unit, value }: MeterReading): boolean {
    return unit === METER_UNITS[this.kind] || (unit === null && value === Infinity);
  }

  /**
   * @param at s, never less than before
   * @returns the value, once it may be taken for the spot
   */
  take(reading: MeterReading, at: number): number | null {
    const last = this.seen.at(-1);
    if (last && at - last.at > SILENCE) this.seen = [];
    if (!this.fits(reading)) return null;
    if (!TOUCHES[this.kind](reading.value)) {
      this.lifted ||= LIFTED[this.kind](reading.value);
      this.seen = [];
      return null;
    }
    this.seen.push({ at, value: reading.value });
    while (this.seen.length > FEWEST && at - (this.seen[1]?.at ?? at) >= SPAN) this.seen.shift();
    return this.lifted && this.stands(at) ? mean(this.seen.map(({ value }) => value)) : null;
  }

  private stands(at: number): boolean {
    const values = this.seen.map(({ value }) => value);
    if (values.length < FEWEST || at - (this.seen[0]?.at ?? at) < SPAN) return false;
    // Readings are one that lie no further apart than the error of the meter.
    const { share, fixed } = METER[this.kind];
    const room = share * Math.abs(mean(values)) + fixed;
    const half = Math.floor(values.length / 2);
    const creep = Math.abs(mean(values.slice(0, half)) - mean(values.slice(-half)));
    return Math.max(...values) - Math.min(...values) <= room && creep <= CREEP * room;
  }
}
