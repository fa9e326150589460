/** Lines of a pasted table as cells, and what its columns are. */
import { bare, cellsIn } from '../parts.ts';

type Column = 'number' | 'name' | 'type' | 'start' | 'remark' | 'functions';

export interface Row {
  readonly cells: readonly string[];
  /** What each cell is; empty where nobody says. */
  readonly columns: readonly Column[];
}

const HEADS: readonly (readonly [RegExp, Column])[] = [
  [/^(?:no\.?|#|nr\.?|pin no\.?|pin number|number)$/i, 'number'],
  [/^(?:pin|name|pin name|gpio|label|port|signal)$/i, 'name'],
  [/^(?:type|dir\.?|direction|kind)$/i, 'type'],
  [/\b(?:boot|start|reset|power[- ]?up|strapping)\b/i, 'start'],
  [/^(?:notes?|remarks?|comments?|hints?|description)$/i, 'remark'],
  [
    /^(?:functions?|alt\.?\s?\d*|alternate.*|default|af\d*|spi|uart|i2c|pwm|adc|dac|analog|touch|peripherals?)$/i,
    'functions',
  ],
];
const columnOf = (head: string): Column | undefined => HEADS.find(([words]) => words.test(head.trim()))?.[1];

type Parting = (line: string) => string[];

const PARTINGS: readonly (readonly [isParted: RegExp, part: Parting])[] = [
  [
    /^\s*\|.*\|\s*$/,
    (line) =>
      line
        .trim()
        .replace(/^\||\|$/g, '')
        .split('|'),
  ],
  [/\t/, (line) => line.split('\t')],
  [/\|/, (line) => line.split('|')],
  [/;/, (line) => line.split(';')],
  [/,/, (line) => cellsIn(line, ',').map(bare)],
  [/\S {2,}\S/, (line) => line.split(/ {2,}/)],
];

/** A rule below the heads: nothing but strokes. */
const isRule = (line: string): boolean => /^[\s|+:=-]+$/.test(line);

/** What a cell says together with its head: a number under GPIO is the rest of a name, a level under strapping is a demand. */
function underHead(head: string, cell: string): string {
  if (/^(?:gpio|io)$/i.test(head) && /^\d{1,3}$/.test(cell)) return `${head.toUpperCase()}${cell}`;
  return /strapping/i.test(head) && /^(?:high|low)$/i.test(cell) ? `keep ${cell}` : cell;
}

/** Whether a head is that of the names. */
export const isNameHead = (head: string): boolean => columnOf(head) === 'name';

/** Whether cells are the heads of a table of pins: a column of names, and all but one other known. */
export function isHead(heads: readonly string[]): boolean {
  const known = heads.map(columnOf).filter((column) => column !== undefined);
  return known.includes('name') && known.length >= Math.max(2, heads.length - 1);
}

/** @returns null where no line of heads says what the columns are */
export function rowsOf(text: string): Row[] | null {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '' && !isRule(line));
  for (const [isParted, part] of PARTINGS) {
    const at = lines.findIndex((line) => isParted.test(line));
    const heads = at < 0 ? [] : part(lines[at] ?? '').map((cell) => cell.trim());
    const columns = heads.map(columnOf);
    if (!isHead(heads)) continue;
    // A table with a pin by its number alone has its names there.
    const named = columns.map((column) => column ?? 'functions');
    return lines.slice(at + 1).map((line) => ({
      cells: part(line).map((cell, i) => underHead(heads[i] ?? '', cell.trim())),
      columns: named,
    }));
  }
  return null;
}

/** Two pins a line, as a header with two rows is printed: "GPIO4  7  8  GPIO14 (TXD)". */
export function twoSided(line: string): [string, string] | null {
  const [, left = '', low = '', high = '', right = ''] =
    /^\s*(\S.*?)\s+(\d{1,2})\s+(\d{1,2})\s+(\S.*?)\s*$/.exec(line) ?? [];
  return left !== '' && Number(high) === Number(low) + 1 ? [left, right] : null;
}
