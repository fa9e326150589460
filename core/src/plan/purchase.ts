/** What has to be paid to have so many working pieces of a card. */
import type { Offer } from '../card/card.ts';

/**
 * The chance that of `order` pieces at least `needed` work, when each is dead on arrival with probability `duds` (binomial
 * distribution).
 * @example chanceOfEnough(4, 3, 0.04) is 0.96⁴ + 4 · 0.04 · 0.96³
 */
export function chanceOfEnough(order: number, needed: number, duds: number): number {
  let enough = 0;
  let ways = 1; // order choose dead
  for (let dead = 0; dead <= order - needed; dead++) {
    enough += ways * duds ** dead * (1 - duds) ** (order - dead);
    ways = (ways * (order - dead)) / (dead + 1);
  }
  return enough;
}

/**
 * The smallest order of which at least `needed` pieces work with a probability of at least `sure`.
 * @example piecesToBuy(1, 0.04, 0.9) === 1, piecesToBuy(3, 0.04, 0.9) === 4
 */
export function piecesToBuy(needed: number, duds: number, sure: number): number {
  if (needed === 0 || duds === 0) return needed;
  const most = 2 * needed + 20;
  for (let order = needed; order < most; order++) if (chanceOfEnough(order, needed, duds) >= sure) return order;
  return most;
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
export function purchase(offer: Offer, pieces: number, sure: number): Purchase {
  const order = piecesToBuy(pieces, offer.duds ?? 0, sure);
  const packs = Math.ceil(order / offer.pack);
  const goods = packs * offer.price;
  return { offer, order, packs, goods, each: goods / pieces };
}
