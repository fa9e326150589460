/** What has to be paid to have so many working pieces of a card. */
import type { Offer } from '../card/card.ts';

/** How sure the maker wants to be that enough pieces work. Common practice. */
const CONFIDENCE = 0.9;

/**
 * The smallest order of which at least `needed` pieces work with a probability of nine in ten, when each is dead
 * on arrival with probability `duds` (binomial).
 * @example piecesToBuy(1, 0.04) === 1, piecesToBuy(3, 0.04) === 4
 */
export function piecesToBuy(needed: number, duds: number): number {
  if (needed === 0 || duds === 0) return needed;
  for (let order = needed; order < 2 * needed + 20; order++) {
    let enough = 0;
    let ways = 1; // order choose dead
    for (let dead = 0; dead <= order - needed; dead++) {
      enough += ways * duds ** dead * (1 - duds) ** (order - dead);
      ways = (ways * (order - dead)) / (dead + 1);
    }
    if (enough >= CONFIDENCE) return order;
  }
  return 2 * needed + 20;
}

export interface Purchase {
  readonly offer: Offer;
  /** Pieces to order, spares for duds included. */
  readonly order: number;
  readonly packs: number;
  /** Packs × price; shipping comes on top, once for each supplier. */
  readonly goods: number;
  /** Goods for each piece that is needed. */
  readonly each: number;
}

/** @param pieces that must work, at least 1 */
export function purchase(offer: Offer, pieces: number): Purchase {
  const order = piecesToBuy(pieces, offer.duds ?? 0);
  const packs = Math.ceil(order / offer.pack);
  const goods = packs * offer.price;
  return { offer, order, packs, goods, each: goods / pieces };
}
