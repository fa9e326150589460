/**
 * What an amount can be at all, by its unit. Beyond these a file is broken or means something else; they are far wider than
 * anything that is built on a breadboard. What sums make of amounts within them is still looked at, in `check/result.ts`. Common practice without a source.
 */
import { z } from 'zod';
import { issueOf } from '../quantity/problem.ts';
import { expected } from './problem.ts';

interface Bounds {
  /** The smallest amount that is not nothing. */
  readonly least: number;
  readonly most: number;
}

/** For a unit that is not told apart below: readings in the unit of their quantity, shares, money. */
const ANY: Bounds = { least: 1e-12, most: 1e12 };

const BOUNDS: Readonly<Record<string, Bounds>> = {
  V: { least: 1e-9, most: 1e5 },
  A: { least: 1e-15, most: 1e4 },
  Ω: { least: 1e-6, most: 1e13 },
  F: { least: 1e-15, most: 1e4 },
  H: { least: 1e-12, most: 1e4 },
  Hz: { least: 1e-6, most: 1e12 },
  s: { least: 1e-12, most: 1e10 },
  C: { least: 1e-18, most: 1e6 },
  W: { least: 1e-15, most: 1e6 },
  K: { least: 1e-6, most: 1e6 },
  'K/W': { least: 1e-6, most: 1e6 },
  'W/K': { least: 1e-9, most: 1e6 },
  '°C': { least: 1e-9, most: 1e4 },
  share: { least: 1e-12, most: 1e3 },
};
/** Units of which nothing at all is no amount: nothing has 0 Ω, 0 F or happens 0 times a second. */
const NEVER_NOTHING: ReadonlySet<string> = new Set(['Ω', 'F', 'H', 'Hz', 'K/W', 'W/K']);
const NON_NEGATIVE: ReadonlySet<string> = new Set([...NEVER_NOTHING, 'A', 's', 'share', 'C', 'K', 'W']);

export const boundsOf = (unit: string): Bounds => BOUNDS[unit] ?? ANY;

/** What is wrong with an amount, if anything: beyond what can be, or below nothing. */
export function amountTrouble(value: number, unit: string): 'beyond' | 'negative' | null {
  const { least, most } = boundsOf(unit);
  if (value < 0 && NON_NEGATIVE.has(unit)) return 'negative';
  const size = Math.abs(value);
  return Number.isFinite(value) && size <= most && (size === 0 || size >= least) ? null : 'beyond';
}

/** Whether the most of what is stated may be nothing. */
export const mayBeNothing = (unit: string): boolean => !NEVER_NOTHING.has(unit);

/** An amount above nothing. */
export const amount = (unit = '') => {
  const { least, most } = boundsOf(unit);
  return z.number().min(least).max(most);
};

/** An amount, or nothing. */
export const amountOrNone = (unit = '') => z.number().nonnegative().max(boundsOf(unit).most);

/** A reading on a scale that goes below nothing as well. */
export const reading = (unit = '') => {
  const { most } = boundsOf(unit);
  return z.number().min(-most).max(most);
};

/** From one reading up to another. */
export const span = (unit = '') => ({ from: reading(unit), to: reading(unit) });

/** Refuses a span whose upper end is below its lower one. */
export function upwards({ from, to }: { from: number; to: number }, context: z.core.$RefinementCtx): void {
  if (from > to) context.addIssue(issueOf(['to'], expected('upwards', { from: String(from), found: String(to) })));
}
