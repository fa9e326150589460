/** A verdict and how what it holds is ranked: for those who show it without working it out. */
import type { Caution } from '../circuit/cautions.ts';
import { COUNTED_UNITS } from '../quantity/engineering.ts';
import { SEVERITIES, type Result } from './result.ts';

export interface Verdict {
  readonly status: 'verified' | 'open';
  /** Worst first. */
  readonly findings: readonly Result[];
  /** What is true, too, and follows from one of them. */
  readonly echoes: readonly Result[];
  readonly passes: readonly Result[];
  /** The pass with the smallest margin for its size. */
  readonly tightest: Result | null;
  /** Hazards whose sentence nobody has ticked off: the proofs hold, and the plan is not called verified. */
  readonly unread: readonly Caution[];
  /** Passes that rest on class-typical figures or memory. */
  readonly assumed: number;
}

/** Of a verdict what is not met. */
export type NotMet = Pick<Verdict, 'findings' | 'echoes'>;

/** What a plan is called, on screen and on paper: proved, with hazards still to be read, is not yet verified. */
export const standingOf = ({ status, unread }: Pick<Verdict, 'status' | 'unread'>): 'open' | 'unread' | 'verified' =>
  status === 'open' ? 'open' : unread.length > 0 ? 'unread' : 'verified';

/** A margin as a share of the figures it lies between, so that volts and ohms can be ranked together. */
export function relativeMargin(r: Result): number {
  if (!r.ranked || r.margin === null || COUNTED_UNITS.has(r.unit)) return Infinity;
  const size = Math.max(Math.abs(r.limit ?? 0), Math.abs(r.measured ?? 0));
  return size === 0 ? Infinity : r.margin / size;
}

/** Where it stands among others by how grave it is. */
export const rank = (r: Result): number => (r.severity ? SEVERITIES.indexOf(r.severity) : SEVERITIES.length);
