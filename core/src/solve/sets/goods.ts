import type { Offer } from '../../card/card-shape.ts';
import { purchase } from '../../buy/purchase';

const known = new Map<number, WeakMap<Offer, number[]>>();

/** Price of so many working pieces in their packs, as sure as the house rule wants; remembered, since a search asks it at every step. */
export function goodsOf(offer: Offer, pieces: number, sure: number): number {
  if (pieces === 0) return 0;
  let offers = known.get(sure);
  if (!offers) known.set(sure, (offers = new WeakMap<Offer, number[]>()));
  let prices = offers.get(offer);
  if (!prices) offers.set(offer, (prices = []));
  return (prices[pieces] ??= purchase(offer, pieces, sure).goods);
}
