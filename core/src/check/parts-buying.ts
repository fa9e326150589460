/** Whether the parts can be had: for the money, in time, and without a soldering iron where the house rule says so. */
import type { Circuit } from '../circuit/circuit.ts';
import { goodsOf, wantedOf } from '../circuit/goods.ts';
import { lateLines, orderBounds, type OrderLine } from '../plan/order.ts';
import { formatMoney } from '../quantity/money.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';

const budget: CheckMeta = {
  id: 'parts/budget',
  title: 'The parts cost no more than they may',
  station: 'parts',
  rule: 'An order that arrives in time (packs, spares for duds, shipping once for each supplier, the drawer considered) ≤ the budget. Leads count a pack of each kind that the drawer does not hold; the parts list counts them one by one.',
  source: 'the cards; binomial distribution for the spares',
  breaks: 'caution',
};
const arrival: CheckMeta = {
  id: 'parts/arrival',
  title: 'The parts arrive in time',
  station: 'parts',
  rule: 'For each card that is to be bought somebody delivers within the days that the plan names.',
  source: 'the cards',
  breaks: 'caution',
};
const solder: CheckMeta = {
  id: 'parts/solder',
  title: 'Soldering is as the house rule wants it',
  station: 'parts',
  rule: 'Where the house rule says no soldering, each card is offered by somebody without it.',
  source: 'the cards',
  breaks: 'caution',
};

/** What is to be bought, leads by their packs. */
function linesOf(circuit: Circuit): OrderLine[] {
  const { plan } = circuit;
  // A board alone is no build.
  if (plan.parts.length === 0) return [];
  const demands = goodsOf(circuit);
  for (const id of plan.leads) demands.want(id, 1, 'leads');
  return wantedOf(circuit, demands).flatMap(({ card, needed, inDrawer, line }) =>
    needed > inDrawer ? [line ?? { id: card.id, pieces: needed - inDrawer, offers: [] }] : [],
  );
}

const partsOf = (circuit: Circuit, cards: readonly string[]): string[] =>
  [...circuit.parts.values()].filter(({ card }) => cards.includes(card.id)).map(({ id }) => id);

const nameOf = (circuit: Circuit, id: string): string => circuit.cards.get(id)?.name ?? id;

export const partsBudget: Check = {
  meta: budget,
  run: (circuit): Result[] => {
    const { plan } = circuit;
    const lines = plan.budget ? linesOf(circuit).filter(({ offers }) => offers.length > 0) : [];
    if (!plan.budget || plan.parts.length === 0) return [];
    const late = lateLines(lines, plan.readyInDays ?? null).length > 0;
    const limits = { latest: late ? null : (plan.readyInDays ?? null), sure: plan.rules.sure };
    const quick = orderBounds(lines, limits);
    if (!quick) return [];
    const { order, least } = quick;
    const { most, currency } = plan.budget;
    const money = (value: number) => formatMoney(value, currency);
    const over = order.total > most + 1e-9;
    const workings: Step[] = order.suppliers.map(({ supplier, goods, shipping, leadDays }) => ({
      name: `${supplier}, ${leadDays} days`,
      sum: `${money(goods)} of goods + ${money(shipping)} of shipping`,
      value: goods + shipping,
      unit: currency,
    }));
    return [
      result(circuit, budget, {
        subjects: ['budget'],
        severity: over ? 'caution' : null,
        measured: order.total,
        limit: most,
        unit: currency,
        margin: most - order.total,
        ranked: false,
        message: !over
          ? `An order ${late ? '' : 'in time '}costs ${money(order.total)} of ${money(most)}.`
          : least > most
            ? `The goods alone cost ${money(least)}, ${money(least - most)} more than the budget of ${money(most)}.`
            : `An order ${late ? '' : 'in time '}costs ${money(order.total)}, ${money(order.total - most)} more than the budget of ${money(most)}. The parts list looks for a cheaper one.`,
        meaning: 'The build works all the same; something has to be cheaper, or the budget larger.',
        workings,
      }),
    ];
  },
};

export const partsArrival: Check = {
  meta: arrival,
  run: (circuit): Result[] => {
    const { readyInDays } = circuit.plan;
    if (readyInDays === undefined) return [];
    return linesOf(circuit).map(({ id, offers }) => {
      const soonest = Math.min(...offers.map(({ leadDays }) => leadDays));
      const name = nameOf(circuit, id);
      const late = soonest > readyInDays;
      return result(circuit, arrival, {
        subjects: [id, ...partsOf(circuit, [id])],
        keyed: [id],
        severity: late ? 'caution' : null,
        measured: Number.isFinite(soonest) ? soonest : null,
        limit: readyInDays,
        unit: 'days',
        margin: Number.isFinite(soonest) ? readyInDays - soonest : null,
        ranked: false,
        message: !Number.isFinite(soonest)
          ? `Nobody offers ${name}.`
          : late
            ? `${name} takes ${soonest} days at the soonest; the build is to be ready in ${readyInDays}.`
            : `${name} can be here in ${soonest} days of ${readyInDays}.`,
        meaning: 'What comes late holds up the whole build.',
      });
    });
  },
};

export const partsSolder: Check = {
  meta: solder,
  run: (circuit): Result[] => {
    if (circuit.plan.rules.soldering !== 'none') return [];
    const cards = new Set(
      [...circuit.parts.values()].filter(({ choice }) => choice?.fittedOn === undefined).map(({ card }) => card),
    );
    return [...cards]
      .filter(({ offers }) => offers.length > 0)
      .map((card) => {
        const plain = card.offers.some(({ soldering }) => !soldering);
        return result(circuit, solder, {
          subjects: [card.id, ...partsOf(circuit, [card.id])],
          keyed: [card.id],
          severity: plain ? null : 'caution',
          ranked: false,
          message: plain
            ? `${card.name} comes without soldering.`
            : `${card.name} has to be soldered, and the house rule says no soldering.`,
          meaning:
            'A soldering iron is hot and its fumes are not to be breathed; a breakout of the same class plugs in as it comes.',
        });
      });
  },
};
