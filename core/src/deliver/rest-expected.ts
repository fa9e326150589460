/** Where a line rests while nobody talks: by its pull-ups, or by what drives it. */
import type { Circuit } from '../circuit/model.ts';
import { effectivePullUp, highestRest, lowestRest } from '../physics/node.ts';
import { type Quantity, quantityOf, tells } from '../quantity/message.ts';
import { type Expected, widened } from './expected.ts';

/** What is said here, by the data that it takes. */
export interface DeliverRestExpectedSays {
  readonly heldPullUps: { low: Quantity; high: Quantity };
  readonly heldLow: null;
  readonly about: { volts: Quantity };
}
const tell = tells<DeliverRestExpectedSays>('deliver/rest-expected');

/** @param volts that a build in order shows there */
export function restExpected(circuit: Circuit, net: string, volts: number): Expected {
  const own = circuit.nets.find(({ id }) => id === net);
  const [low, high] = own && effectivePullUp(own) ? [lowestRest(own)?.volts, highestRest(own)?.volts] : [];
  if (low !== undefined && high !== undefined && volts > 0.5) {
    const sum = tell('heldPullUps', { low: quantityOf(low, 'V'), high: quantityOf(high, 'V') });
    return widened('volts', Math.min(low, volts), Math.max(high, volts), 'V', sum);
  }
  const share = Math.max(0.05 * Math.abs(volts), 0.05);
  const sum = volts < 0.5 ? tell('heldLow') : tell('about', { volts: quantityOf(volts, 'V') });
  return widened('volts', volts - share, volts + share, 'V', sum);
}
