/** What a remedy would do, in a line. */
import type { Remedy } from '@idle-breadboard/core/solve';
import { counted } from '@idle-breadboard/core/words';
import { signedMoney } from './words';

export function effectOf({ ends, brings, deepens, pieces, cost }: Remedy): string {
  const parts = [`ends ${counted(ends.length, 'finding')}`];
  if (brings.length > 0) parts.push(`brings ${brings.length} ${brings[0]?.severity ?? ''}`);
  if (deepens.length === 1) parts.push('another finding gets worse until its own remedy is taken');
  if (deepens.length > 1) parts.push(`${deepens.length} other findings get worse until their own remedies are taken`);
  if (pieces > 0) parts.push(`adds ${counted(pieces, 'part')}`);
  if (pieces < 0) parts.push(`saves ${counted(-pieces, 'part')}`);
  if (Math.abs(cost) > 0.004) parts.push(signedMoney(cost));
  return parts.join(', ');
}
