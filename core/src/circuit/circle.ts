/** Supplies that are fed by what they feed themselves. */
import { keyOf } from '../plan/ref.ts';
import type { Circuit, Feed, Rail } from './model.ts';

/** The rails that a rail is made of, itself first, up to its source, or once round where it is made of itself. */
function wayUp(circuit: Circuit, from: Rail | undefined): Rail[] {
  const way: Rail[] = [];
  for (let rail = from; rail && !way.includes(rail);) {
    way.push(rail);
    const made = rail.offer.from;
    rail = made && circuit.rails.get(circuit.feeds.get(keyOf(rail.part, made.supply))?.rail ?? '');
  }
  return way;
}

/** The rails of the circle that a supply is part of; null where it is part of none. */
export function circleOf(circuit: Circuit, feed: Feed): readonly Rail[] | null {
  const way = wayUp(circuit, circuit.rails.get(feed.rail ?? ''));
  const at = way.findIndex(({ part, offer }) => part === feed.part && offer.from?.supply === feed.supply.id);
  return at < 0 ? null : way.slice(0, at + 1);
}

/** Whether feeding a supply of a part from a rail would make the part feed itself. */
export const wouldCircle = (circuit: Circuit, part: string, supply: string, rail: Rail): boolean =>
  wayUp(circuit, rail).some((above) => above.part === part && above.offer.from?.supply === supply);
