/** What a remedy would do, in a line. */
import type { Remedy } from '@idle-breadboard/core/solve';
import { signedMoney } from './words';

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

export function effectOf({ ends, brings, deepens, pieces, cost }: Remedy): string {
  const parts = [`ends ${count(ends.length, 'finding', 'findings')}`];
  if (brings.length > 0) parts.push(`brings ${brings.length} ${brings[0]?.severity ?? ''}`);
  if (deepens.length === 1) parts.push('another finding gets worse until its own remedy is taken');
  if (deepens.length > 1) parts.push(`${deepens.length} other findings get worse until their own remedies are taken`);
  if (pieces > 0) parts.push(`adds ${count(pieces, 'part', 'parts')}`);
  if (pieces < 0) parts.push(`saves ${count(-pieces, 'part', 'parts')}`);
  if (Math.abs(cost) > 0.004) parts.push(signedMoney(cost));
  return parts.join(', ');
}
