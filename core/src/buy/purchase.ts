/** What has to be paid to have so many working pieces of a card. */
import type { Offer } from '../card/card-shape.ts';

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

/** Goods whose packs hold as many of each of several kinds: leads of several colours. */
export interface Assorted {
  /** Kinds in a pack. */
  readonly kinds: number;
  /** Pieces that are missing of each kind of which any are. */
  readonly each: readonly number[];
}

/**
 * @param pieces that must work, at least 1
 * @param assorted where kinds count by themselves: what is left over of one is no other
 */
export function purchase(offer: Offer, pieces: number, sure: number, assorted?: Assorted): Purchase {
  const duds = offer.duds ?? 0;
  const order = Math.max(
    piecesToBuy(pieces, duds, sure),
    (assorted?.each ?? []).reduce((sum, n) => sum + piecesToBuy(n, duds, sure), 0),
  );
  const share = assorted ? offer.pack / assorted.kinds : 1;
  const byKind = (assorted?.each ?? []).map((n) => Math.ceil(piecesToBuy(n, duds, sure) / share - 1e-9));
  const packs = Math.max(Math.ceil(order / offer.pack), ...byKind);
  const goods = packs * offer.price;
  return { offer, order, packs, goods, each: goods / pieces };
}
