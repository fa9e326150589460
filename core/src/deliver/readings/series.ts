/** Readings as they are typed or pasted. */
import { readReadingsLog } from '../../capture/readings-log.ts';

export interface Series {
  /** In their order; null for what is no number. */
  readonly values: readonly (number | null)[];
  /** s from one to the next; null where no times stand beside them. */
  readonly seconds: number | null;
}

const NUMBER = String.raw`[-+]?\d+(?:\.\d+)?(?:e[-+]?\d+)?`;
/** A time in seconds, then a value. */
const TIMED = new RegExp(String.raw`^\s*(${NUMBER})\s*[,;\t ]\s*(${NUMBER}|nan|-?inf)\s*$`, 'i');

/** NaN of none. */
export function medianOf(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[half] ?? NaN) : ((sorted[half - 1] ?? NaN) + (sorted[half] ?? NaN)) / 2;
}

/** One reading a line, with seconds before it or a name, or alone. @returns no values where there are none */
export function readSeries(text: string): Series {
  const rows = text.split(/\r?\n/).filter((row) => row.trim() !== '');
  const timed = rows.flatMap((row) => {
    const found = TIMED.exec(row);
    return found ? [{ time: Number(found[1]), value: Number(found[2]) }] : [];
  });
  if (timed.length > 0 && timed.length === rows.length) {
    const steps = timed.slice(1).map(({ time }, i) => time - (timed[i]?.time ?? 0));
    const seconds = steps.length > 0 ? medianOf(steps) : null;
    return {
      values: timed.map(({ value }) => (Number.isFinite(value) ? value : null)),
      seconds: seconds !== null && seconds > 0 ? seconds : null,
    };
  }
  return { values: readReadingsLog(text).map(({ value }) => value), seconds: null };
}
