/** Values and limits in words, and texts that go into a table of Markdown. */
import { formatQuantity } from '../quantity/engineering.ts';
import type { Expected } from './expected.ts';

/** What was seen: "3.31 V", "open", or the text itself; nothing where there is none. */
export function saysReading(value: number | string | undefined, unit = ''): string {
  if (value === undefined) return '';
  if (typeof value === 'string') return value;
  return Number.isFinite(value) ? formatQuantity(value, unit, 4) : unit === 's' ? 'no edge' : 'open';
}

/** "3.17 V to 3.43 V", "above 100 Ω", or the text that should be seen. */
export function saysExpected(expected: Expected | string): string {
  if (typeof expected === 'string') return expected === 'yes' ? 'it does' : expected;
  const { min, max, unit } = expected;
  const [low, high] = [min, max].map((v) => (v === null ? null : formatQuantity(v, unit, 3)));
  if (low === null || low === undefined) return `below ${high}`;
  if (high === null || high === undefined) return `above ${low}`;
  return min === 0 ? `below ${high}` : `${low} to ${high}`;
}

/** A text as one cell: without what would end the cell or begin something else. */
export const tableCell = (text: string): string =>
  text
    .replace(/[\r\n]+/g, ' ')
    .replace(/([\\|`*_<>#[\]])/g, '\\$1')
    .trim();
