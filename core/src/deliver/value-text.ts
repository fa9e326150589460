/** What was seen and what should be. */
import { quantityOf, tells, type Message, type Quantity, type Text } from '../quantity/message.ts';
import type { Expected } from './expected.ts';

/** What is said here, by the data that it takes. */
export interface DeliverValueTextSays {
  readonly noEdge: null;
  readonly open: null;
  readonly does: null;
  readonly below: { high: Quantity | null };
  readonly above: { low: Quantity };
  readonly to: { low: Quantity; high: Quantity };
}

const tell = tells<DeliverValueTextSays>('deliver/value-text');

/** What was seen: 3.31 V, open, or the text itself; nothing where there is none. */
export function readingText(value: number | string | undefined, unit = ''): Text | Quantity {
  if (value === undefined) return '';
  if (typeof value === 'string') return value;
  return Number.isFinite(value) ? quantityOf(value, unit, 4) : tell(unit === 's' ? 'noEdge' : 'open');
}

/** 3.17 V to 3.43 V, above 100 Ω, or the text that should be seen. */
export function expectedText(expected: Pick<Expected, 'min' | 'max' | 'unit'> | string): Text | Message {
  if (typeof expected === 'string') return expected === 'yes' ? tell('does') : expected;
  const { min, max, unit } = expected;
  const [low, high] = [min, max].map((v) => (v === null ? null : quantityOf(v, unit)));
  if (low === null || low === undefined || min === 0) return tell('below', { high: high ?? null });
  return high === null || high === undefined ? tell('above', { low }) : tell('to', { low, high });
}
