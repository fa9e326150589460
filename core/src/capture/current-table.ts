/** A current over time as meters write it: a table of two columns, a head with units before it where there is one. */
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
/** Of a time and of a current, by what stands in the head; seconds and amperes where nothing does. */
const TIMES: readonly [RegExp, number][] = [
  [/[µu]s\b|microsec/i, 1e-6],
  [/ms\b|millisec/i, 1e-3],
  [/\bmin/i, 60],
  [/\bh(?:ours?)?\b/i, 3600],
];
const CURRENTS: readonly [RegExp, number][] = [
  [/\bnA\b/, 1e-9],
  [/[µu]A\b/, 1e-6],
  [/\bmA\b/, 1e-3],
];

export type CurrentTable =
  | { readonly ok: true; readonly samples: readonly { readonly time: number; readonly amps: number }[] }
  | { readonly ok: false; readonly says: Message };

const factorIn = (text: string, units: readonly [RegExp, number][]): number =>
  units.find(([unit]) => unit.test(text))?.[1] ?? 1;

/** Columns apart by tab, semicolon, comma or blanks; a comma within a number where semicolons or tabs part them. */
function cellsOf(line: string): string[] {
  const apart = line.includes('\t') ? '\t' : line.includes(';') ? ';' : line.includes(',') ? ',' : /\s+/;
  return line
    .trim()
    .split(apart)
    .map((cell) => (apart === ',' ? cell.trim() : cell.trim().replace(',', '.')));
}

/** @param text rows of a time and a current */
export function readCurrentTable(text: string): CurrentTable {
  const rows = text.split(/\r?\n/).map((row, i) => ({ row, line: i + 1 }));
  const filled = rows.filter(({ row }) => row.trim() !== '');
  if (filled.length > MOST) return { ok: false, says: tell('long', { most: MOST }) };
  const isNumbers = (row: string) => {
    const cells = cellsOf(row);
    return cells.length >= 2 && cells.slice(0, 2).every((cell) => cell !== '' && Number.isFinite(Number(cell)));
  };
  const heads = filled.slice(
    0,
    filled.findIndex(({ row }) => isNumbers(row)),
  );
  if (heads.length > 5 || !filled.some(({ row }) => isNumbers(row))) return { ok: false, says: tell('empty') };
  const [timeHead = '', currentHead = ''] = cellsOf(heads.at(-1)?.row ?? '');
  const [seconds, amperes] = [factorIn(timeHead, TIMES), factorIn(currentHead, CURRENTS)];
  const samples: { time: number; amps: number }[] = [];
  for (const { row, line } of filled.slice(heads.length)) {
    if (!isNumbers(row)) return { ok: false, says: tell('twoNumbers', { line, found: row.trim().slice(0, 60) }) };
    const [time = 0, amps = 0] = cellsOf(row).map(Number);
    const last = samples.at(-1);
    if (last && time * seconds < last.time) return { ok: false, says: tell('rising', { line }) };
    samples.push({ time: time * seconds, amps: amps * amperes });
  }
  return { ok: true, samples };
}
