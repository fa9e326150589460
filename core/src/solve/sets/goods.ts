import type { Offer } from '../../card/card-shape.ts';
import { purchase } from '../../buy/purchase.ts';
import { perOwnerAndKey } from '../../quantity/memo.ts';

/** Prices of an offer by the pieces wanted; a search asks them at every step. */
const prices = perOwnerAndKey((_offer: Offer, _sure: number): number[] => []);

/** Price of so many working pieces in their packs, as sure as the house rule wants. */
export function goodsOf(offer: Offer, pieces: number, sure: number): number {
  if (pieces === 0) return 0;
  return (prices(offer, sure)[pieces] ??= purchase(offer, pieces, sure).goods);
}
