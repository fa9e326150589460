/** What a measurement should show, the error of the instrument included. */
import { sameLevels } from '../bench/instrument.ts';
import { METER } from '../standard/pocket-meter.ts';
import type { Reading } from '../bench/measurement.ts';
import { RESISTOR_TOLERANCE, SHORT_LIMIT } from '../standard/common-practice.ts';
import { quantityOf, tells, type Quantity, type Sum } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverExpectedSays {
  readonly meter: { sum: Sum; share: Quantity; fixed: Quantity };
  readonly tolerance: { ohms: Quantity; tolerance: Quantity };
  readonly onePieceCopperLess: { beep: number };
  readonly noShortMoreThan: { limit: Quantity };
}

const tell = tells<DeliverExpectedSays>('deliver/expected');

export interface Expected {
  /** Missing bounds are open. */
  readonly min: number | null;
  readonly max: number | null;
  readonly unit: string;
  /** The error of the instrument is inside the bounds; how they were worked out. */
  readonly sum: Sum;
}

/** Ω that a meter still beeps at. */
const BEEP = 30;
/** Above this the leakage of chips is measured, and they leak differently, Ω. */
const LEAKAGE_FROM = 1e5;

/** A range widened by what the instrument itself may be off. */
export const widened = (
  kind: 'volts' | 'ohms' | 'amps',
  min: number,
  max: number,
  unit: string,
  sum: Sum,
): Expected => {
  const { share, fixed } = METER[kind];
  const off = (value: number) => Math.abs(value) * share + fixed;
  return {
    min: min - off(min),
    max: max + off(max),
    unit,
    sum: tell('meter', { sum, share: quantityOf(share * 100, '%'), fixed: quantityOf(fixed, unit) }),
  };
};

/**
 * Of a resistance between two places with the power off.
 * @param ohms that a build in order has there
 * @param short true where only a short is to be ruled out
 */
export function expectedOhms(ohms: number, short: boolean): Expected {
  if (ohms < BEEP) return { min: 0, max: BEEP, unit: 'Ω', sum: tell('onePieceCopperLess', { beep: BEEP }) };
  if (short || ohms > LEAKAGE_FROM)
    return {
      min: SHORT_LIMIT,
      max: null,
      unit: 'Ω',
      sum: tell('noShortMoreThan', { limit: quantityOf(SHORT_LIMIT, 'Ω') }),
    };
  return widened(
    'ohms',
    ohms * (1 - RESISTOR_TOLERANCE),
    ohms * (1 + RESISTOR_TOLERANCE),
    'Ω',
    tell('tolerance', { ohms: quantityOf(ohms, 'Ω'), tolerance: quantityOf(RESISTOR_TOLERANCE * 100, '%') }),
  );
}

/** What only a self-test reads: levels of pins. */
const LEVELS = /^[01?-]{2,}$/;

/** Whether what was seen is what was expected. */
export function isInside(expected: Expected | string, seen: Reading): boolean {
  if (typeof expected === 'string') {
    const text = String(seen).trim().toLowerCase();
    return LEVELS.test(expected) ? sameLevels(expected, text) : text === expected.toLowerCase();
  }
  const value = Number(seen);
  return !Number.isNaN(value) && value >= (expected.min ?? -Infinity) && value <= (expected.max ?? Infinity);
}
