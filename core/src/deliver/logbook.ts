/** What was measured, noted and changed on a build, by date, and trends. */
import type { Expected } from './expected.ts';

export const LOG_KINDS = ['measured', 'note', 'photo', 'found', 'mended', 'calibrated', 'overruled', 'signed'] as const;
type LogKind = (typeof LOG_KINDS)[number];

/** What was expected, as it was said then: a logbook outlives the plan. */
type Logged = Omit<Expected, 'sum'> & { readonly sum: string };

export interface LogEntry {
  readonly id: string;
  readonly plan: string;
  /** The first build of the plan is 1; each rebuild counts on. */
  readonly build: number;
  /** ISO 8601, with the time. */
  readonly at: string;
  readonly kind: LogKind;
  /** Of the plan's hardware at that time. */
  readonly fingerprint: string;
  readonly title: string;
  /** Row of the sheet. */
  readonly row?: string | undefined;
  readonly value?: number | string | undefined;
  readonly unit?: string | undefined;
  readonly expected?: Logged | string | undefined;
  readonly inside?: boolean | undefined;
  /** Where it comes from; "bench" for everything about a simulated build. */
  readonly by?: 'typed' | 'pasted' | 'bench' | 'port' | undefined;
  /** Read by the self-test, whose lines came whole. */
  readonly program?: true | undefined;
  readonly text?: string | undefined;
  /** What a reading was held against: the true value. */
  readonly reference?: number | undefined;
}

/** The latest value of each row in one build. */
export function latest(entries: readonly LogEntry[], build: number): ReadonlyMap<string, LogEntry> {
  const found = new Map<string, LogEntry>();
  for (const entry of entries.toSorted((a, b) => (a.at < b.at ? -1 : 1)))
    if (entry.kind === 'measured' && entry.build === build && entry.row !== undefined) found.set(entry.row, entry);
  return found;
}

export interface Rebuilt {
  readonly row: string;
  readonly title: string;
  readonly unit: string;
  /** By build, from the first; null where it was not measured. */
  readonly values: readonly (LogEntry | null)[];
}

/** Rows that were measured in more than one build, their last values side by side. */
export function rebuilds(entries: readonly LogEntry[]): Rebuilt[] {
  const builds = Math.max(1, ...entries.map(({ build }) => build));
  const each = Array.from({ length: builds }, (_, i) => latest(entries, i + 1));
  const rows = new Set(each.flatMap((values) => [...values.keys()]));
  return [...rows].flatMap((row): Rebuilt[] => {
    const values = each.map((of) => of.get(row) ?? null);
    const there = values.flatMap((entry) => entry ?? []);
    const [first] = there;
    return first && there.length > 1 ? [{ row, title: first.title, unit: first.unit ?? '', values }] : [];
  });
}

export interface Trend {
  /** s since the first of them, and the value. */
  readonly points: readonly { readonly time: number; readonly value: number; readonly at: string }[];
  /** By least squares, per day; null with fewer than two different times. */
  readonly perDay: number | null;
}

const DAY = 86_400;

/** The straight line through points (x, y) by least squares; null where no two of them have another x. */
function lineThrough(points: readonly (readonly [number, number])[]): { slope: number; at0: number } | null {
  const mean = (of: 0 | 1) => points.reduce((sum, p) => sum + p[of], 0) / points.length;
  const [mx, my] = [mean(0), mean(1)];
  const over = points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  if (!(over > 0)) return null;
  const slope = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0) / over;
  return { slope, at0: my - slope * mx };
}

/** How one row moved over time, over all builds or one. */
export function trendOf(entries: readonly LogEntry[], row: string): Trend {
  const own = entries
    .filter((e) => e.row === row && e.kind === 'measured' && typeof e.value === 'number')
    .toSorted((a, b) => (a.at < b.at ? -1 : 1));
  const start = Date.parse(own[0]?.at ?? '');
  const points = own.map((e) => ({ time: (Date.parse(e.at) - start) / 1000, value: Number(e.value), at: e.at }));
  const line = lineThrough(points.map(({ time, value }) => [time, value]));
  return { points, perDay: line && line.slope * DAY };
}

export interface Calibration {
  readonly points: readonly { readonly reading: number; readonly reference: number }[];
  /** What is true is reading × gain + offset; the gain is 1 where the points are too near each other to tell it. */
  readonly gain: number;
  readonly offset: number;
  /** What is left after it at the worst point. */
  readonly worst: number;
  /** Of the last point, and what the points were compared to. */
  readonly at: string;
  readonly against: readonly string[];
}

/**
 * What a row's calibration points came to; null without one.
 * @param apart how far readings have to be from each other for a gain: two points close together would make one of noise
 */
export function calibrationOf(
  entries: readonly LogEntry[],
  row: string,
  build: number,
  apart = Infinity,
): Calibration | null {
  const own = entries.filter((e) => e.kind === 'calibrated' && e.row === row && e.build === build);
  const points = own.flatMap((e) =>
    typeof e.value === 'number' && e.reference !== undefined ? [{ reading: e.value, reference: e.reference }] : [],
  );
  const [first] = points;
  if (!first) return null;
  const readings = points.map(({ reading }) => reading);
  const isWide = Math.max(...readings) - Math.min(...readings) >= apart;
  const mean = points.reduce((sum, p) => sum + p.reference - p.reading, 0) / points.length;
  const line = isWide ? lineThrough(points.map((p) => [p.reading, p.reference])) : null;
  const { slope: gain, at0: offset } = line ?? { slope: 1, at0: mean };
  return {
    points,
    gain,
    offset,
    worst: Math.max(...points.map((p) => Math.abs(gain * p.reading + offset - p.reference))),
    at: own.reduce((last, e) => (e.at > last ? e.at : last), ''),
    against: [...new Set(own.flatMap(({ text }) => (text ? [text] : [])))],
  };
}
