import { piecesOf } from '../plan/helpers.ts';
import type { Card } from '../card/card.ts';
import type { Offer } from '../card/card-shape.ts';
import type { Library } from '../card/library.ts';
import { buyingOf, priced, type Buying } from './currency.ts';
import type { Plan } from '../plan/plan.ts';

/** The offer that the house rule takes: the first to arrive, or the cheapest piece with its share of duds. */
export function chosenOffer(card: Card, { by, money }: Buying): Offer | undefined {
  const each = (o: Offer) => o.price / o.pack / (1 - (o.duds ?? 0));
  const order = (a: Offer, b: Offer) => (by === 'fast' ? a.leadDays - b.leadDays : 0) || each(a) - each(b);
  return priced(card.offers, money).offers.toSorted(order)[0];
}

/** Price of one piece in the chosen pack, in the currency of the plan; 0 when nobody sells it. */
export function piecePrice(card: Card | undefined, buying: Buying): number {
  const offer = card && chosenOffer(card, buying);
  return offer ? offer.price / offer.pack : 0;
}

/** Cards by the price of a piece, the cheapest first; of two alike, the one with the smaller id. */
export const cheapestFirst = (cards: readonly Card[], buying: Buying): Card[] =>
  cards.toSorted((a, b) => piecePrice(a, buying) - piecePrice(b, buying) || (a.id < b.id ? -1 : 1));

/** Sum of the piece prices of parts and helpers: what a remedy's cost is the difference of. Packs and shipping
 * are counted by the parts list. */
export function piecesCost(plan: Plan, cards: Library): number {
  const buying = buyingOf(plan);
  const parts = plan.parts.reduce(
    (sum, { card, fittedOn }) => sum + (fittedOn === undefined ? piecePrice(cards.get(card), buying) : 0),
    0,
  );
  const resistor = piecePrice(plan.resistors === null ? undefined : cards.get(plan.resistors), buying);
  return plan.helpers
    .map(piecesOf)
    .reduce(
      (sum, { ohms, cards: ids }) =>
        ids.reduce((both, id) => both + piecePrice(cards.get(id), buying), sum + ohms.length * resistor),
      parts,
    );
}
