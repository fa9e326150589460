/** Whether the parts can be had: for the money, in time, and without a soldering iron where the house rule says so. */
import type { Circuit } from '../circuit/model.ts';
import { goodsOf, wantedOf } from '../buy/goods.ts';
import { lateLines, orderBounds, type OrderLine } from '../buy/order.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';
import { priceOf, tells, type Text, type Price } from '../quantity/message.ts';
import { perOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface PartsBuyingSays {
  readonly days: { supplier: Text; leadDays: number };
  readonly goodsShipping: { goods: Price; shipping: Price };
  readonly time: null;
  readonly holds: { late: Text; total: Price; most: Price };
  readonly goodsAloneCostMore: { least: Price; over: Price; most: Price };
  readonly orderCostsMoreThan: { late: Text; total: Price; overTotal: Price; most: Price };
  readonly meaning: null;
  readonly nobodyOffers: { name: Text };
  readonly late: { name: Text; soonest: number; readyInDays: number };
  readonly canBeHereDays: { name: Text; soonest: number; readyInDays: number };
  readonly whatComesLateHolds: null;
  readonly plain: { card: Text };
  readonly hasBeSolderedHouse: { card: Text };
  readonly solderingIronHotFumes: null;
}

const tell = tells<PartsBuyingSays>('parts/buying');

const budget = {
  id: 'parts/budget',
  station: 'parts',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;
const arrival = {
  id: 'parts/arrival',
  station: 'parts',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;
const solder = {
  id: 'parts/solder',
  station: 'parts',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

/** What is to be bought, leads by their packs. */
const linesOf = perOwner((circuit: Circuit): readonly OrderLine[] => {
  const { plan } = circuit;
  // A board alone is no build.
  if (plan.parts.length === 0) return [];
  const demands = goodsOf(circuit);
  for (const id of plan.leads) demands.want(id, 1, 'leads');
  return wantedOf(circuit, demands).flatMap(({ card, needed, inDrawer, line }) =>
    needed > inDrawer ? [line ?? { id: card.id, pieces: needed - inDrawer, offers: [] }] : [],
  );
});

const partsOf = (circuit: Circuit, cards: readonly string[]): string[] =>
  [...circuit.parts.values()].filter(({ card }) => cards.includes(card.id)).map(({ id }) => id);

const nameOf = (circuit: Circuit, id: string): string => circuit.cards.get(id)?.name ?? id;

export const partsBudget = {
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
    const money = (value: number) => priceOf(value, currency);
    const over = order.total > most + 1e-9;
    const workings: Step[] = order.suppliers.map(({ supplier, goods, shipping, leadDays }) => ({
      name: tell('days', { supplier, leadDays }),
      sum: tell('goodsShipping', { goods: money(goods), shipping: money(shipping) }),
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
          ? tell('holds', { late: late ? '' : tell('time'), total: money(order.total), most: money(most) })
          : least > most
            ? tell('goodsAloneCostMore', { least: money(least), over: money(least - most), most: money(most) })
            : tell('orderCostsMoreThan', {
                late: late ? '' : tell('time'),
                total: money(order.total),
                overTotal: money(order.total - most),
                most: money(most),
              }),
        meaning: tell('meaning'),
        workings,
      }),
    ];
  },
} satisfies Check;

export const partsArrival = {
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
          ? tell('nobodyOffers', { name })
          : late
            ? tell('late', { name, soonest, readyInDays })
            : tell('canBeHereDays', { name, soonest, readyInDays }),
        meaning: tell('whatComesLateHolds'),
      });
    });
  },
} satisfies Check;

export const partsSolder = {
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
          message: plain ? tell('plain', { card: card.name }) : tell('hasBeSolderedHouse', { card: card.name }),
          meaning: tell('solderingIronHotFumes'),
        });
      });
  },
} satisfies Check;
