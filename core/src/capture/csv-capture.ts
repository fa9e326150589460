/** An instrument's table as text: a column of time, a column for each channel. Read in pieces of any size. */
import Papa from 'papaparse';
import type { Message } from '../quantity/message.ts';
import { Capture, CaptureError, tell, type Assignment, type CaptureSummary } from './capture.ts';

export interface CsvHead {
  /** Names of the columns after the time. */
  readonly channels: readonly string[];
  /** s in one unit of the time column. */
  readonly unit: number;
  /** Of the row of names, or of the first row of numbers where there is none; from 1. */
  readonly line: number;
  readonly delimiter: string;
}

/** Rows before the table that instruments write about themselves. */
const MAX_HEAD_ROWS = 60;
/** Longer than any row of numbers: a file that has no line ends is no table. */
const LONGEST_ROW = 100_000;
const UNITS: Readonly<Record<string, number>> = { s: 1, ms: 1e-3, us: 1e-6, µs: 1e-6, μs: 1e-6, ns: 1e-9 };

const isNumber = (text: string | undefined): boolean =>
  text !== undefined && text.trim() !== '' && Number.isFinite(Number(text));
const cells = (row: string, delimiter: string): string[] =>
  (Papa.parse<string[]>(row, { delimiter, header: false }).data[0] ?? []).map((cell) => cell.trim());

/**
 * Finds where the table begins.
 * @param text the beginning of the file
 * @throws CaptureError where there is no table
 */
export function csvHead(text: string): CsvHead {
  const rows = text.split(/\r?\n/).slice(0, MAX_HEAD_ROWS);
  for (const [i, row] of rows.entries()) {
    for (const delimiter of [',', ';', '\t']) {
      const numbers = cells(row, delimiter);
      if (numbers.length < 2 || !numbers.slice(0, 2).every(isNumber)) continue;
      const names = cells(rows[i - 1] ?? '', delimiter);
      const named = i > 0 && names.length === numbers.length && !names.every(isNumber);
      const channels = numbers.slice(1).map((_, n) => (named && names[n + 1]) || `channel ${n + 1}`);
      const unit = /[([]\s*([munµμ]?s)\s*[)\]]/i.exec(named ? (names[0] ?? '') : '')?.[1]?.toLowerCase();
      return { channels, unit: UNITS[unit ?? 's'] ?? 1, line: i + 1, delimiter };
    }
  }
  throw new CaptureError(1, tell('rows'), tell('quoted', { text: (rows[0] ?? '').slice(0, 60) }));
}

export class CsvCapture {
  private rest = '';
  private line = 0;
  private last = -Infinity;
  private readonly capture: Capture;
  private readonly columns: readonly number[];

  /** @param head of the same file, by csvHead */
  constructor(
    private readonly head: CsvHead,
    assigned: readonly Assignment[],
  ) {
    this.capture = new Capture(assigned);
    this.columns = assigned.map(({ name }) => head.channels.indexOf(name) + 1);
    const missing = assigned.find((_, i) => this.columns[i] === 0);
    if (missing) throw new CaptureError(head.line, tell('column', { name: missing.name }), head.channels.join(', '));
  }

  /** @throws CaptureError at the first row that is not one of the table */
  push(text: string): void {
    const whole = this.rest + text;
    const end = whole.lastIndexOf('\n');
    if (end < 0) {
      this.rest = whole;
      if (whole.length > LONGEST_ROW)
        throw new CaptureError(this.line + 1, tell('row'), tell('charactersWithoutEnd', { count: whole.length }));
      return;
    }
    this.rest = whole.slice(end + 1);
    this.rows(whole.slice(0, end));
  }

  private rows(text: string): void {
    const { delimiter, line: first, unit } = this.head;
    const { data } = Papa.parse<string[]>(text, { delimiter, header: false, quoteChar: '"' });
    const values = new Float64Array(this.columns.length);
    for (const row of data) {
      this.line += 1;
      if (this.line < first || (row.length === 1 && row[0]?.trim() === '')) continue;
      const time = Number(row[0]) * unit;
      if (row[0]?.trim() === '' || !Number.isFinite(time))
        throw new CaptureError(this.line, tell('time'), said(row[0]));
      if (time < this.last)
        throw new CaptureError(this.line, tell('notBefore', { time: `${this.last} s` }), `${time} s`);
      this.last = time;
      for (const [i, column] of this.columns.entries()) {
        const cell = row[column];
        const value = Number(cell);
        if (cell === undefined || cell.trim() === '' || !Number.isFinite(value))
          throw new CaptureError(
            this.line,
            tell('number', { column: this.head.channels[column - 1] ?? '' }),
            said(cell),
          );
        values[i] = value;
      }
      this.capture.push(time, values);
    }
  }

  end(): CaptureSummary {
    if (this.rest.trim() !== '') this.rows(this.rest);
    this.rest = '';
    return this.capture.end();
  }
}

const said = (cell: string | undefined): Message =>
  cell === undefined ? tell('endOfRow') : tell('quoted', { text: cell.slice(0, 40) });
