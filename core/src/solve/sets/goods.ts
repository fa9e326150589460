import type { Offer } from '../../card/card.ts';
import { purchase } from '../../plan/purchase.ts';

const known = new WeakMap<Offer, number[]>();

/** Price of so many working pieces in their packs; remembered, since a search asks it at every step. */
export function goodsOf(offer: Offer, pieces: number): number {
  if (pieces === 0) return 0;
  let prices = known.get(offer);
  if (!prices) known.set(offer, (prices = []));
  return (prices[pieces] ??= purchase(offer, pieces).goods);
}
