/** A current over time as meters write it: a table whose first two columns they are, a head with units before it where there is one. */
import Papa from 'papaparse';
import { type Message, tells } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface CurrentTableSays {
  readonly twoNumbers: { line: number; found: string };
  readonly rising: { line: number };
  readonly empty: null;
  readonly long: { most: number };
}
const tell = tells<CurrentTableSays>('capture/current-table');

const MOST = 200_000;
/** Rows before the table that meters write about themselves. */
const MAX_HEAD_ROWS = 60;
/** s and A in one of each unit, by what stands alone in the head of its column; one where nothing does. */
const TIMES: Readonly<Record<string, number>> = { us: 1e-6, µs: 1e-6, μs: 1e-6, ms: 1e-3, s: 1, min: 60, h: 3600 };
const CURRENTS: Readonly<Record<string, number>> = { nA: 1e-9, uA: 1e-6, µA: 1e-6, μA: 1e-6, mA: 1e-3, A: 1 };
/** A comma between digits is part of a number wherever it does not part the columns. */
const DELIMITERS = ['\t', ';', ',', ' '] as const;

export type CurrentTable =
  | { readonly ok: true; readonly samples: readonly { readonly time: number; readonly amps: number }[] }
  | { readonly ok: false; readonly says: Message };

/** The unit that ends the head, as in "Time (ms)", "I/mA", "t_s". */
function unitIn(head: string, units: Readonly<Record<string, number>>): number {
  const found = Object.keys(units).find((unit) => new RegExp(`(?<!\\p{L})${unit}(?!\\p{L})\\W*$`, 'u').test(head));
  return units[found ?? ''] ?? 1;
}

/** The two numbers that a row begins with; null where they are none. */
function pairIn(row: readonly string[], delimiter: string): readonly [number, number] | null {
  const [time = NaN, amps = NaN] = row.slice(0, 2).map((cell) => {
    const text = delimiter === ',' ? cell.trim() : cell.trim().replace(',', '.');
    return text === '' ? NaN : Number(text);
  });
  return Number.isFinite(time) && Number.isFinite(amps) ? [time, amps] : null;
}

/** @param text rows of a time and a current */
export function readCurrentTable(text: string): CurrentTable {
  const clean = text.replace(/^\uFEFF/, '').trimEnd();
  for (const delimiter of DELIMITERS) {
    const rows = Papa.parse<string[]>(clean, { delimiter, header: false }).data;
    if (rows.length > MOST + MAX_HEAD_ROWS) return { ok: false, says: tell('long', { most: MOST }) };
    const first = rows.slice(0, MAX_HEAD_ROWS).findIndex((row) => pairIn(row, delimiter) !== null);
    if (first < 0) continue;
    return samplesOf(rows, first, delimiter);
  }
  return { ok: false, says: tell('empty') };
}

function samplesOf(rows: readonly string[][], begins: number, delimiter: string): CurrentTable {
  const [timeHead = '', currentHead = ''] = rows[begins - 1] ?? [];
  const [seconds, amperes] = [unitIn(timeHead, TIMES), unitIn(currentHead, CURRENTS)];
  const samples: { time: number; amps: number }[] = [];
  for (const [i, row] of rows.entries()) {
    if (i < begins || row.every((cell) => cell.trim() === '')) continue;
    const pair = pairIn(row, delimiter);
    if (!pair)
      return { ok: false, says: tell('twoNumbers', { line: i + 1, found: row.join(delimiter).trim().slice(0, 60) }) };
    const [time, amps] = [pair[0] * seconds, pair[1] * amperes];
    if (time < (samples.at(-1)?.time ?? -Infinity)) return { ok: false, says: tell('rising', { line: i + 1 }) };
    samples.push({ time, amps });
  }
  return { ok: true, samples };
}
