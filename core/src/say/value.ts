/** What was seen and what should be, in words. */
import type { Expected } from '../deliver/expected.ts';
import type { LogEntry } from '../deliver/logbook.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { quantityOf, tells, type Quantity } from '../quantity/message.ts';
import { say } from './say.ts';

/** What is said here, by the data that it takes. */
export interface SayValueSays {
  readonly noEdge: null;
  readonly open: null;
  readonly does: null;
  readonly below: { high: Quantity | null };
  readonly above: { low: Quantity };
  readonly to: { low: Quantity; high: Quantity };
}

const tell = tells<SayValueSays>('say/value');

/** What was seen: "3.31 V", "open", or the text itself; nothing where there is none. */
export function saysReading(value: number | string | undefined, unit = ''): string {
  if (value === undefined) return '';
  if (typeof value === 'string') return value;
  return Number.isFinite(value) ? formatQuantity(value, unit, 4) : say(tell(unit === 's' ? 'noEdge' : 'open'));
}

/** "3.17 V to 3.43 V", "above 100 Ω", or the text that should be seen. */
export function saysExpected(expected: Pick<Expected, 'min' | 'max' | 'unit'> | string): string {
  if (typeof expected === 'string') return expected === 'yes' ? say(tell('does')) : expected;
  const { min, max, unit } = expected;
  const [low, high] = [min, max].map((v) => (v === null ? null : quantityOf(v, unit)));
  if (low === null || low === undefined || min === 0) return say(tell('below', { high: high ?? null }));
  return say(high === null || high === undefined ? tell('above', { low }) : tell('to', { low, high }));
}

/** What an entry is, in a few words: "found: the lead is out", "note", "5 V". */
export const saysEntry = ({ kind, title }: Pick<LogEntry, 'kind' | 'title'>): string =>
  kind === 'measured' || kind === title ? title : `${kind}: ${title}`;
