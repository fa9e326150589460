/** What stands in a new row of a table before anything is typed: what is so more often than not. */
import type { Table } from './facts/kind.ts';

const BEGIN: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  offers: { pack: '1', shipping: '0', leadDays: '0', soldering: 'no' },
  headers: { kind: 'male', rows: '1', pitch: '2.54 mm' },
};

/** @param currency in which one buys */
export function blankRow(pattern: string, table: Table, currency: string): string[] {
  const begin = BEGIN[pattern] ?? {};
  return Object.keys(table.rows).map((column) => (column === 'currency' ? currency : (begin[column] ?? '')));
}
