/** What was measured, noted and changed on a build, by date; trends, and what leaves as a file. */
import { FORMULA_START } from '../standard/formula.ts';
import Papa from 'papaparse';
import { formatQuantity } from '../quantity/engineering.ts';
import type { Expected } from './expected.ts';
import { saysExpected, saysReading, tableCell } from './say-value.ts';

export const LOG_KINDS = ['measured', 'note', 'photo', 'found', 'mended', 'calibrated', 'signed'] as const;
export type LogKind = (typeof LOG_KINDS)[number];

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
  readonly expected?: Expected | string | undefined;
  readonly inside?: boolean | undefined;
  /** Where it comes from; "bench" for everything about a simulated build. */
  readonly by?: 'typed' | 'pasted' | 'bench' | 'port' | undefined;
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

/** How one row moved over time, over all builds or one. */
export function trendOf(entries: readonly LogEntry[], row: string): Trend {
  const own = entries
    .filter((e) => e.row === row && e.kind === 'measured' && typeof e.value === 'number')
    .toSorted((a, b) => (a.at < b.at ? -1 : 1));
  const start = Date.parse(own[0]?.at ?? '');
  const points = own.map((e) => ({ time: (Date.parse(e.at) - start) / 1000, value: Number(e.value), at: e.at }));
  const n = points.length;
  const mean = (of: (p: (typeof points)[number]) => number) =>
    points.reduce((sum, p) => sum + of(p), 0) / Math.max(1, n);
  const [mt, mv] = [mean((p) => p.time), mean((p) => p.value)];
  const over = points.reduce((sum, p) => sum + (p.time - mt) ** 2, 0);
  const slope = over > 0 ? points.reduce((sum, p) => sum + (p.time - mt) * (p.value - mv), 0) / over : null;
  return { points, perDay: slope === null ? null : slope * DAY };
}

export interface Calibration {
  readonly points: readonly { readonly reading: number; readonly reference: number }[];
  /** To be added to a reading: the mean of reference − reading. */
  readonly offset: number;
  /** What is left after it at the worst point. */
  readonly worst: number;
}

/** The offset of a row by its calibration points; null without one. */
export function calibrationOf(entries: readonly LogEntry[], row: string, build: number): Calibration | null {
  const points = entries.flatMap((e) =>
    e.kind === 'calibrated' &&
    e.row === row &&
    e.build === build &&
    typeof e.value === 'number' &&
    e.reference !== undefined
      ? [{ reading: e.value, reference: e.reference }]
      : [],
  );
  if (points.length === 0) return null;
  const offset = points.reduce((sum, p) => sum + p.reference - p.reading, 0) / points.length;
  return { points, offset, worst: Math.max(...points.map((p) => Math.abs(p.reading + offset - p.reference))) };
}

const limits = ({ expected }: LogEntry): string => (expected === undefined ? '' : saysExpected(expected));

/** What an entry is, in a few words: "found: the lead is out", "note", "5 V". */
export const saysEntry = ({ kind, title }: Pick<LogEntry, 'kind' | 'title'>): string =>
  kind === 'measured' || kind === title ? title : `${kind}: ${title}`;

/** One line for each entry. A text that a spreadsheet would take for a formula is kept a text. */
export function logCsv(entries: readonly LogEntry[]): string {
  return Papa.unparse(
    entries.map((e) => ({
      at: e.at,
      build: e.build,
      kind: e.kind,
      title: e.title,
      value: e.value ?? '',
      unit: e.unit ?? '',
      reference: e.reference ?? '',
      expected: limits(e),
      inside: e.inside === undefined ? '' : e.inside ? 'yes' : 'no',
      by: e.by ?? '',
      text: e.text ?? '',
      fingerprint: e.fingerprint,
    })),
    { newline: '\n', escapeFormulae: FORMULA_START },
  );
}

export function logMarkdown(plan: string, entries: readonly LogEntry[]): string {
  const builds = [...new Set(entries.map(({ build }) => build))].sort((a, b) => a - b);
  const lines = [`# Logbook: ${plan}`];
  for (const build of builds) {
    lines.push('', `## Build ${build}`, '', '| when | what | value | expected | | note |', '|---|---|---|---|---|---|');
    for (const e of entries.filter((x) => x.build === build).toSorted((a, b) => (a.at < b.at ? -1 : 1))) {
      const mark = e.inside === undefined ? '' : e.inside ? 'inside' : '**outside**';
      const against =
        e.reference === undefined ? limits(e) : `true value ${formatQuantity(e.reference, e.unit ?? '', 4)}`;
      lines.push(
        `| ${e.at.slice(0, 16).replace('T', ' ')} | ${tableCell(saysEntry(e))} | ${tableCell(saysReading(e.value, e.unit))} | ${tableCell(against)} | ${mark} | ${tableCell(e.text ?? '')} |`,
      );
    }
  }
  return `${lines.join('\n')}\n`;
}
