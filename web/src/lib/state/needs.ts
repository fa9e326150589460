/** What the Need station asks of the core: who qualifies, in words. */
import { QUANTITIES, type Library } from '@idle-breadboard/core/card';
import type { Circuit, Front } from '@idle-breadboard/core/circuit';
import {
  type Need,
  type PartChoice,
  type Place,
  type Plan,
  type SenseNeed,
  changeNeed,
  keyOf,
} from '@idle-breadboard/core/plan';
import {
  nearestMiss,
  qualify,
  ruledOut,
  usualNeed,
  settingOf,
  type NearMiss,
  type Qualified,
  type Reason,
} from '@idle-breadboard/core/verify';

/** How an analog sensor's voltage would reach the controller of the plan. */
export function frontOf(circuit: Circuit): Front {
  const { controller, plan } = circuit;
  const logic = controller?.card.controller?.io.reference;
  const rail = controller && logic ? circuit.rails.get(keyOf(controller.id, logic)) : undefined;
  return { adc: controller?.card.controller?.adc, supply: rail?.voltage?.typ ?? 0, series: plan.rules.series };
}

export const candidates = (library: Library, circuit: Circuit, need: Need): Qualified =>
  qualify(library.values(), need, settingOf(circuit.plan, need, frontOf(circuit)));

export const REASON_WORDS: Readonly<Record<Reason, string>> = {
  quantity: 'quantity',
  range: 'range',
  accuracy: 'accuracy',
  interval: 'interval',
  ambient: 'air temperature at the place',
  water: 'water at the place',
  price: 'price',
  date: 'arrival',
  service: 'what it does',
};

/** Quantities that some card measures, with their unit: what a sentence can ask for. */
export function quantities(library: Library): readonly { quantity: string; unit: string }[] {
  const all = [...library.values()].flatMap(({ measures }) =>
    measures.map(({ quantity, unit }) => ({ quantity, unit })),
  );
  const order = new Map(QUANTITIES.map(({ quantity }, i) => [quantity, i]));
  const rank = (q: string) => order.get(q) ?? order.size;
  return [...new Map(all.map((q) => [q.quantity, q])).values()].sort(
    (a, b) => rank(a.quantity) - rank(b.quantity) || (a.quantity < b.quantity ? -1 : 1),
  );
}

/** Where a new sentence begins: a range, an accuracy and an interval that some card keeps. */
export function usualRange(
  library: Library,
  asked: { quantity: string; unit: string },
  years: number,
): Pick<SenseNeed, 'from' | 'to' | 'accuracy' | 'interval'> {
  return (
    usualNeed(library.values(), asked, { years, place: undefined }) ?? { from: 0, to: 1, accuracy: 0.1, interval: 60 }
  );
}

/** The card that comes nearest to a need that none meets. */
export const nearest = (library: Library, circuit: Circuit, need: SenseNeed): NearMiss | null =>
  nearestMiss(library.values(), need, settingOf(circuit.plan, need, frontOf(circuit)));

/** Parts of the plan that can serve a need and do not yet. */
export const mayServe = (circuit: Circuit, need: Need): PartChoice[] =>
  circuit.plan.parts.filter((part) => {
    const card = circuit.parts.get(part.id)?.card;
    if (!card || part.needs.includes(need.id)) return false;
    const judged = need.kind === 'sense' || (need.kind !== 'trigger' && need.service !== undefined);
    return !judged || ruledOut(card, need, settingOf(circuit.plan, need, frontOf(circuit))) === null;
  });

/** Names of places that needs are at, in the order of the needs, and those that were described already. */
export const placeNames = (plan: Plan): string[] => [
  ...new Set([
    ...plan.needs.flatMap((need) => (need.kind === 'trigger' ? [] : [need.place])),
    ...plan.places.map(({ name }) => name),
  ]),
];

export const placeOf = (plan: Plan, name: string): Place =>
  plan.places.find((place) => place.name === name) ?? { name, water: 'dry', outdoors: false, closed: false };

export const changePlace = (plan: Plan, name: string, change: (place: Place) => Place): Plan => ({
  ...plan,
  places: [...plan.places.filter((place) => place.name !== name), change(placeOf(plan, name))],
});

/**
 * How a sentence changes its need: from the need as it stands, which may be ahead of the one that is shown while a
 * verdict is on its way.
 */
export type Change<N extends Need> = (next: (now: N) => N, why: string) => void;

export const changeOf =
  <N extends Need>(
    edit: (change: (plan: Plan) => Plan, why: string) => void,
    id: string,
    is: (need: Need) => need is N,
  ): Change<N> =>
  (next, why) =>
    edit((plan) => changeNeed(plan, id, (now) => (is(now) ? next(now) : now)), why);
