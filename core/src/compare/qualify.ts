/** Which cards can meet a need, and what rules the others out. */
import { WATER } from '../card/kinds.ts';
import type { Card } from '../card/card.ts';
import { errorOver, measureFor, rangeMargin, shortestInterval } from '../check/sense-error.ts';
import type { Front } from '../physics/analog-chain.ts';
import type { Need, Place, Plan, SenseNeed } from '../plan/plan.ts';

const REASONS = ['quantity', 'range', 'accuracy', 'interval', 'ambient', 'water', 'price', 'date', 'service'] as const;
export type Reason = (typeof REASONS)[number];

/** What a card is held against besides the need itself. */
export interface Setting {
  readonly years: number;
  readonly place: Place | undefined;
  readonly front?: Front | undefined;
  /** A single piece may not cost more than the whole. */
  readonly most?: number | undefined;
  readonly days?: number | undefined;
}

export function settingOf(plan: Plan, need: Need, front?: Front): Setting {
  const place = need.kind === 'trigger' ? undefined : plan.places.find(({ name }) => name === need.place);
  return { years: plan.lifeYears, place, front, most: plan.budget?.most, days: plan.readyInDays };
}

/** How a card stands to a need: null when it qualifies, else the first reason that rules it out. */
export function disqualifies(card: Card, need: SenseNeed, setting: Setting): Reason | null {
  const measure = measureFor(card, need);
  if (!measure) return 'quantity';
  if (rangeMargin(measure, need).margin < 0) return 'range';
  const sum = errorOver(card, measure, need, setting.years, setting.front);
  if (!sum || sum.total > need.accuracy + 1e-9) return 'accuracy';
  if (shortestInterval(measure).seconds > need.interval) return 'interval';
  return unfit(card, setting);
}

/** What rules a card out at a place, or by price and date, whatever it does. */
function unfit(card: Card, { place, most, days }: Setting): Reason | null {
  const ambient = card.body?.ambient;
  if (place?.air && ambient) {
    if ((ambient.min ?? -Infinity) > place.air.from || (ambient.max ?? Infinity) < place.air.to) return 'ambient';
  }
  if (place && WATER.indexOf(card.body?.water?.rating ?? 'dry') < WATER.indexOf(place.water)) return 'water';
  if (card.offers.length > 0) {
    const able = card.offers.filter((o) => days === undefined || o.leadDays <= days);
    if (able.length === 0) return 'date';
    if (most !== undefined && able.every((o) => o.price > most)) return 'price';
  }
  return null;
}

/** For any need: null when the card qualifies. A need without a service can be judged by the maker alone. */
export function ruledOut(card: Card, need: Need, setting: Setting): Reason | null {
  if (need.kind === 'sense') return disqualifies(card, need, setting);
  if (need.kind === 'trigger' || !need.service) return 'service';
  return card.serves?.includes(need.service) ? unfit(card, setting) : 'service';
}

/** Reasons that say that a card is about something else, and is not worth counting. */
const BESIDE: ReadonlySet<Reason> = new Set<Reason>(['quantity', 'service']);

export interface Qualified {
  readonly able: readonly Card[];
  readonly out: readonly { readonly reason: Reason; readonly cards: readonly Card[] }[];
}

/** Cards that meet a need, and the rest by the reason that rules them out. */
export function qualify(cards: Iterable<Card>, need: Need, setting: Setting): Qualified {
  const able: Card[] = [];
  const out = new Map<Reason, Card[]>();
  for (const card of cards) {
    const reason = ruledOut(card, need, setting);
    if (reason === null) able.push(card);
    else if (!BESIDE.has(reason)) out.set(reason, [...(out.get(reason) ?? []), card]);
  }
  return {
    able,
    out: REASONS.flatMap((reason) => (out.has(reason) ? [{ reason, cards: out.get(reason) ?? [] }] : [])),
  };
}
