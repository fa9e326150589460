/** One currency for a plan: offers in another one count at the rate that the maker entered, or not at all. */
import type { Offer } from '../card/card-shape.ts';
import type { HouseRules } from '../plan/house-rules.ts';
import type { Plan } from '../plan/plan.ts';

export interface Money {
  readonly currency: string;
  /** Another currency -> how much one of it is in this one. */
  readonly rates: Readonly<Record<string, number>>;
}

/** How offers are chosen: the house rule, and what they are counted in. */
export interface Buying {
  readonly by: HouseRules['buying'];
  readonly money: Money;
}

/** What a plan is counted in that says nothing. */
const USUAL_CURRENCY = 'EUR';

export const moneyOf = ({ currency, budget, rates }: Pick<Plan, 'currency' | 'budget' | 'rates'>): Money => ({
  currency: budget?.currency ?? currency ?? USUAL_CURRENCY,
  rates: rates ?? {},
});

export const buyingOf = (plan: Pick<Plan, 'currency' | 'budget' | 'rates' | 'rules'>): Buying => ({
  by: plan.rules.buying,
  money: moneyOf(plan),
});

/** An offer in the currency of the plan; null where no rate is known for its own. */
export function inMoney(offer: Offer, { currency, rates }: Money): Offer | null {
  if (offer.currency === currency) return offer;
  const rate = rates[offer.currency];
  if (rate === undefined) return null;
  const cents = (value: number) => Math.round(value * rate * 100) / 100;
  const { freeFrom } = offer;
  return {
    ...offer,
    currency,
    price: cents(offer.price),
    shipping: cents(offer.shipping),
    ...(freeFrom === undefined ? {} : { freeFrom: cents(freeFrom) }),
  };
}

/** The offers that can be counted, and the currencies of those that cannot. */
export function priced(offers: readonly Offer[], money: Money): { offers: Offer[]; unpriced: string[] } {
  const known = offers.flatMap((offer) => inMoney(offer, money) ?? []);
  const unpriced = offers.filter((offer) => inMoney(offer, money) === null).map(({ currency }) => currency);
  return { offers: known, unpriced: [...new Set(unpriced)].sort() };
}
