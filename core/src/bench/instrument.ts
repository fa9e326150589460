/** Instruments: how far what they show may be from what is there. */
import { METER, OPEN_FROM, PROBES } from '../standard/pocket-meter.ts';
import type { Measurement, Reading } from './measurement.ts';

/** Chips leak differently: above this only the order of magnitude tells. */
const VAGUE_FROM = 100e3;

/** By how much pieces of one kind differ from the usual piece: rails, resistors, what parts draw. */
const SPREAD = { volts: 0.03, voltsFixed: 0.03, amps: 0.3, ampsFixed: 1e-3 } as const;

/** What is read off the screen of an oscilloscope is off by so much, as a share. */
const SCOPE_ERROR = 0.03;
/** Capacitance of leads, pins and probes is known that badly: of the logarithm of a rise time. */
const EDGE_SPREAD = 0.12;

/** Below this all resistances are one: a lead, a row, a probe pressed a little harder, Ω. */
const NOTHING = 3;
const logOhms = (ohms: number): number => Math.log10(Math.min(Math.max(ohms, 0), OPEN_FROM) + NOTHING);

/** Levels of pins, a character each: "?" may read either, "-" was not looked at. */
export const sameLevels = (expected: string, seen: string): boolean =>
  expected.length === seen.length &&
  [...expected].every((c, i) => c === seen[i] || c === '?' || c === '-' || seen[i] === '?' || seen[i] === '-');

/**
 * How many standard deviations a reading is from what a build should show, by the error of the meter and the spread of parts.
 * A text is the same or is not.
 */
export function deviation(kind: Measurement['kind'], seen: Reading, expected: Reading): number {
  if ((kind === 'level' || kind === 'hold') && typeof seen === 'string' && typeof expected === 'string')
    return sameLevels(expected, seen) ? 0 : Infinity;
  if (typeof seen !== 'number' || typeof expected !== 'number') return seen === expected ? 0 : Infinity;
  if (kind === 'ohms') {
    // Two opens are one, however the figures differ.
    const sigma = expected > VAGUE_FROM ? 0.25 : 0.05;
    return Math.abs(logOhms(seen) - logOhms(expected)) / sigma;
  }
  if (kind === 'edge') {
    if (seen === expected) return 0;
    if (!Number.isFinite(seen) || !Number.isFinite(expected)) return Infinity;
    return Math.abs(Math.log10(Math.max(seen, 1e-12) / Math.max(expected, 1e-12))) / EDGE_SPREAD;
  }
  if (kind === 'amps')
    return Math.abs(seen - expected) / Math.hypot(SPREAD.amps * Math.abs(expected), SPREAD.ampsFixed);
  const sigma = Math.hypot(SPREAD.volts * expected, SPREAD.voltsFixed, METER.volts.fixed);
  return Math.abs(seen - expected) / sigma;
}

/** What the instrument shows of a true value: anywhere within its error. */
export function shown(kind: Measurement['kind'], truth: Reading, roll: () => number): Reading {
  if (typeof truth !== 'number') return truth;
  const of = (share: number, fixed: number) => truth + (2 * roll() - 1) * (share * Math.abs(truth) + fixed);
  if (kind === 'ohms')
    return truth > OPEN_FROM
      ? Infinity
      : Math.max(0, truth + PROBES * roll() + truth * METER.ohms.share * (2 * roll() - 1));
  if (kind === 'edge') return of(SCOPE_ERROR, 0);
  if (kind === 'amps') return of(METER.amps.share, METER.amps.fixed);
  return of(METER.volts.share, METER.volts.fixed);
}
