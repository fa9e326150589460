/** What calibrating came to, as a program has to be told it. */
import { type Calibration, calibrationOf, type LogEntry } from '../logbook.ts';
import type { Correction } from '../settings/parts.ts';
import { type ReadingAt, readingKey } from './reading-at.ts';

/** Share of what is wanted, or of what the part can do, that two points have to be apart for a gain (common practice). */
const APART = 0.25;

/** Of one quantity of one part; null where it was never calibrated. */
export function calibrated(entries: readonly LogEntry[], at: ReadingAt, build: number): Calibration | null {
  const { from, to } = at.need ?? at.measure.range;
  return calibrationOf(entries, readingKey(at), build, APART * (to - from));
}

export const correctionsOf = (entries: readonly LogEntry[], all: readonly ReadingAt[], build: number): Correction[] =>
  all.flatMap((at): Correction[] => {
    const found = calibrated(entries, at, build);
    return found ? [{ part: at.part, quantity: at.quantity, gain: found.gain, offset: found.offset }] : [];
  });
