/** What to buy: parts, helpers and leads, in the packs that they are sold in. */
import type { Card, Offer } from '../card/card.ts';
import type { LeadEnd } from '../card/kinds.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { chosenOffer } from '../plan/cost.ts';
import { piecesToBuy } from '../plan/purchase.ts';
import type { Helper } from '../plan/plan.ts';
import type { HouseRules } from '../plan/house-rules.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import type { WiringPlan } from './wiring.ts';

export interface PartsLine {
  readonly card: string;
  readonly name: string;
  readonly class: string;
  readonly needed: number;
  readonly inDrawer: number;
  readonly toBuy: number;
  readonly packs: number;
  readonly offer: Offer | null;
  readonly total: number;
  /** What it is for, or the values and colours. */
  readonly use: string;
}

export interface SupplierSum {
  readonly supplier: string;
  readonly goods: number;
  readonly shipping: number;
  readonly leadDays: number;
}

export interface PartsList {
  readonly lines: readonly PartsLine[];
  readonly suppliers: readonly SupplierSum[];
  readonly currency: string;
  readonly total: number;
  /** Days until the last parcel is there. */
  readonly arrival: number;
  /** Leads by ends and colour. */
  readonly leads: readonly { ends: string; colour: string; count: number }[];
}

const endsName = (ends: readonly LeadEnd[]): string => [...ends].sort().reverse().join('–');

/** Jumpers of a wiring plan, counted by ends and colour; own wires and legs are no jumpers. */
export function countLeads(wiring: WiringPlan): PartsList['leads'] {
  const counts = new Map<string, { ends: string; colour: string; count: number }>();
  for (const step of wiring.steps) {
    for (const lead of step.leads) {
      if (lead.kind !== 'lead') continue;
      const ends = endsName(lead.ends);
      const key = `${ends} ${lead.colour}`;
      const old = counts.get(key);
      counts.set(key, { ends, colour: lead.colour, count: (old?.count ?? 0) + 1 });
    }
  }
  return [...counts.values()].sort((a, b) => (a.ends === b.ends ? b.count - a.count : a.ends < b.ends ? -1 : 1));
}

interface Demand {
  needed: number;
  uses: string[];
}

/** Values of the resistors that a helper is made of, Ω. */
const resistorsOf = (helper: Helper): number[] =>
  'ohms' in helper ? [helper.ohms] : helper.kind === 'divider' ? [helper.upper, helper.lower] : [];

function demands(circuit: Circuit, leads: PartsList['leads']): Map<string, Demand> {
  const wanted = new Map<string, Demand>();
  const want = (card: string | null | undefined, count: number, use: string) => {
    if (!card) return;
    const old = wanted.get(card) ?? { needed: 0, uses: [] };
    wanted.set(card, { needed: old.needed + count, uses: [...old.uses, use] });
  };
  const { plan } = circuit;
  for (const part of plan.parts) if (part.fittedOn === undefined) want(part.card, 1, part.label);
  const values = new Map<string, number>();
  for (const helper of plan.helpers) {
    for (const ohms of resistorsOf(helper))
      values.set(formatQuantity(ohms, 'Ω'), (values.get(formatQuantity(ohms, 'Ω')) ?? 0) + 1);
    if ('card' in helper) want(helper.card, 1, helper.kind);
  }
  for (const [value, count] of values) want(plan.resistors, count, `${count} × ${value}`);
  want(plan.board, 1, 'board');
  for (const { ends, colour, count } of leads) {
    const card = plan.leads.find((id) => endsName(circuit.cards.get(id)?.lead?.ends ?? []) === ends);
    want(card, count, `${count} × ${colour}`);
  }
  return wanted;
}

function lineOf(card: Card, demand: Demand, stock: number, buying: HouseRules['buying']): PartsLine {
  const offer = chosenOffer(card, buying) ?? null;
  const toBuy = piecesToBuy(Math.max(0, demand.needed - stock), offer?.duds ?? 0);
  const packs = offer ? Math.ceil(toBuy / offer.pack) : 0;
  return {
    card: card.id,
    name: card.name,
    class: card.class,
    needed: demand.needed,
    inDrawer: Math.min(stock, demand.needed),
    toBuy,
    packs,
    offer,
    total: offer ? packs * offer.price : 0,
    use: demand.uses.join(', '),
  };
}

/** Prices are those of the offer that the house rule takes; shipping is paid once for each supplier. */
export function partsList(circuit: Circuit, wiring: WiringPlan): PartsList {
  const leads = countLeads(wiring);
  const lines = [...demands(circuit, leads)].flatMap(([id, demand]) => {
    const card = circuit.cards.get(id);
    return card ? [lineOf(card, demand, circuit.plan.stock[id] ?? 0, circuit.plan.rules.buying)] : [];
  });
  const suppliers = new Map<string, SupplierSum>();
  for (const { offer, packs, total } of lines) {
    if (!offer || packs === 0) continue;
    const old = suppliers.get(offer.supplier);
    suppliers.set(offer.supplier, {
      supplier: offer.supplier,
      goods: (old?.goods ?? 0) + total,
      shipping: Math.max(old?.shipping ?? 0, offer.shipping),
      leadDays: Math.max(old?.leadDays ?? 0, offer.leadDays),
    });
  }
  const sums = [...suppliers.values()].sort((a, b) => b.goods - a.goods);
  return {
    lines,
    suppliers: sums,
    currency: circuit.plan.budget?.currency ?? lines.find(({ offer }) => offer)?.offer?.currency ?? '',
    total: sums.reduce((sum, s) => sum + s.goods + s.shipping, 0),
    arrival: Math.max(0, ...sums.map(({ leadDays }) => leadDays)),
    leads,
  };
}
