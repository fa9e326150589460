/** Voltages from the sources down. */
import { toInterval } from '../card/to-interval.ts';
import { exact, interval, type Interval } from '../quantity/interval.ts';
import { levelVolts } from './level.ts';
import type { Offered, PowerTree } from './power-tree.ts';
import { keyOf } from '../plan/ref.ts';

/**
 * A pin gives its high level at the current that it is meant for, and more with less: its stage is taken as a
 * resistance.
 */
function pinVoltage({ part, offer }: Offered, above: Interval, amps: number): Interval {
  const level = part.card.controller?.io.outputHigh;
  const share = Math.min(1, amps / (toInterval(offer.limit).min || 1));
  const at = (supply: number) => (level ? supply - (supply - levelVolts(level, 'min', supply)) * share : supply);
  return interval(Math.min(at(above.min), above.max), Math.min(above.typ, above.max), above.max);
}

/**
 * @param lost in the leads to a supply ("part.supply"), V
 * @param peak of a rail, A; without it a pin is taken at the current that it is meant for
 * @returns voltage of a rail; null when nothing feeds it, or it feeds itself
 */
export function voltages(
  tree: PowerTree,
  lost: (key: string) => number,
  peak?: (ref: string) => number,
): (ref: string) => Interval | null {
  const memo = new Map<string, Interval | null>();
  const of = (ref: string): Interval | null => {
    const known = memo.get(ref);
    if (known !== undefined) return known;
    memo.set(ref, null); // a circle finds nothing
    const value = worked(ref);
    memo.set(ref, value);
    return value;
  };
  function worked(ref: string): Interval | null {
    const offered = tree.offers.get(ref);
    if (!offered) return null;
    const { offer, part, up, pin } = offered;
    if (pin) {
      const above = up ? of(up) : null;
      return above && pinVoltage(offered, above, peak ? peak(ref) : Infinity);
    }
    if (offer.voltage && (!offer.from || (up && of(up)))) return toInterval(offer.voltage);
    if (!offer.from || !up) return null;
    const above = of(up);
    const drop = lost(keyOf(part.id, offer.from.supply));
    if (!above) return null;
    const way = offer.from.drop ? toInterval(offer.from.drop) : exact(0);
    const high = above.max - way.min;
    return interval(Math.min(above.min - drop - way.max, high), Math.min(above.typ - way.typ, high), high);
  }
  return of;
}
