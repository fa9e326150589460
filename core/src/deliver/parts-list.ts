/** What to buy: parts, helpers, leads, joints and headers, in the packs that they are sold in, from whom, and when it is there. */
import { colourText } from '../circuit/label.ts';
import type { Card } from '../card/card.ts';
import type { Offer } from '../card/card-shape.ts';
import type { LeadEnd } from '../card/kinds.ts';
import { goodsOf, resistorCounts, wantedOf, type Demands, type ResistorCount, type Wanted } from '../buy/goods.ts';
import type { Circuit } from '../circuit/model.ts';
import type { Layout } from '../circuit/laid.ts';
import { cheapestOrder, lateLines, orderFront, type Order, type OrderLine, type SupplierSum } from '../buy/order.ts';
import { moneyOf } from '../buy/currency.ts';
import { chanceOfEnough, type Assorted, type Purchase } from '../buy/purchase.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverPartsListSays {
  readonly jointsBareWires: null;
  readonly colours: { colours: readonly Text[] };
  readonly colour: { colour: Text; count: number };
}

const tell = tells<DeliverPartsListSays>('deliver/parts-list');

export interface PartsLine {
  readonly card: string;
  readonly name: string;
  readonly class: string;
  readonly needed: number;
  readonly inDrawer: number;
  readonly toBuy: number;
  /** Of those to buy, how many only stand in for duds. */
  readonly spares: number;
  readonly packs: number;
  /** Where it is ordered; null where nothing is to be bought, or nobody sells it. */
  readonly offer: Offer | null;
  readonly total: number;
  /** That of the pieces ordered enough work. */
  readonly chance: number;
  /** What it is for, or the values and colours. */
  /** What it is for. */
  readonly uses: readonly Text[];
  /** True where it is to be bought and nobody offers it. */
  readonly unsold: boolean;
  /** Currencies of offers that no rate is known for. */
  readonly unpriced: readonly string[];
}

interface LeadCount {
  readonly ends: string;
  /** m */
  readonly length: number;
  readonly colour: string;
  readonly count: number;
}

interface HeaderCount {
  readonly part: string;
  readonly pins: number;
}

/** Another order, against the one that is taken. */
export interface Alternative {
  readonly arrival: number;
  readonly total: number;
  readonly taken: boolean;
}

export interface PartsList {
  readonly lines: readonly PartsLine[];
  readonly suppliers: readonly SupplierSum[];
  readonly currency: string;
  /** Currencies of offers that could not be counted. */
  readonly unpriced: readonly string[];
  readonly total: number;
  /** Days until the last parcel is there. */
  readonly arrival: number;
  /** Leads by ends, length and colour. */
  readonly leads: readonly LeadCount[];
  readonly resistors: readonly ResistorCount[];
  /** Headers that have to be soldered on. */
  readonly headers: readonly HeaderCount[];
  /** That of every kind enough pieces work. */
  readonly chance: number;
  /** From the earliest to the cheapest. */
  readonly front: readonly Alternative[];
  /** Cards that nobody delivers by the day that the plan names. */
  readonly late: readonly string[];
  /** Leads for which no card of the plan has the ends, as "male–female". */
  readonly noLead: readonly string[];
}

const endsName = (ends: readonly LeadEnd[]): string => [...ends].sort().reverse().join('–');

/** Jumpers of a layout, counted by ends, length and colour; a lead made of several counts each. Own wires and legs are no jumpers. */
function countLeads(circuit: Circuit, layout: Layout): LeadCount[] {
  const counts = new Map<string, LeadCount>();
  for (const { kind, colour, kit, ends } of layout.leads) {
    if (kind !== 'lead') continue;
    const pieces = kit.length > 0 ? kit : [{ card: '', pieces: 1 }];
    for (const { card, pieces: count } of pieces) {
      const own = circuit.cards.get(card)?.lead;
      const entry = { ends: endsName(own?.ends ?? ends), length: own?.length ?? 0, colour };
      const key = `${entry.ends} ${entry.length} ${colour}`;
      counts.set(key, { ...entry, count: (counts.get(key)?.count ?? 0) + count });
    }
  }
  return [...counts.values()].sort((a, b) =>
    a.ends === b.ends ? a.length - b.length || b.count - a.count : a.ends < b.ends ? -1 : 1,
  );
}

function wantLeads(circuit: Circuit, layout: Layout, demands: Demands): void {
  const byCard = new Map<string, Map<string, number>>();
  for (const { kind, colour, kit } of layout.leads)
    for (const { card, pieces } of kind === 'lead' ? kit : []) {
      const colours = byCard.get(card) ?? new Map<string, number>();
      byCard.set(card, colours.set(colour, (colours.get(colour) ?? 0) + pieces));
    }
  for (const [card, colours] of byCard) {
    const pieces = [...colours.values()].reduce((sum, n) => sum + n, 0);
    demands.want(
      card,
      pieces,
      tell('colours', {
        colours: [...colours].map(([colour, count]) => tell('colour', { colour: colourText(colour), count })),
      }),
      colours,
    );
  }
  demands.want(circuit.plan.joint, layout.joints.length, tell('jointsBareWires'));
}

/** Pins of the headers that come loose with the offers taken. */
function headersOf(circuit: Circuit, picks: ReadonlyMap<string, Purchase>): HeaderCount[] {
  return circuit.plan.parts.flatMap(({ card: id, label, fittedOn }): HeaderCount[] => {
    const card = circuit.cards.get(id);
    if (!card || fittedOn !== undefined || !picks.get(id)?.offer.soldering) return [];
    const loose = card.headers.filter(({ kind }) => kind === 'male' || kind === 'pads').map((header) => header.id);
    const pins = card.terminals.filter(({ header }) => loose.includes(header)).length;
    return pins > 0 ? [{ part: label, pins }] : [];
  });
}

/** Fast: the first day on which everything can be there. Cheap: the day that the plan names. Either at its least cost. */
function orderFor(circuit: Circuit, lines: readonly OrderLine[], front: readonly Order[]): Order | null {
  const { rules, readyInDays } = circuit.plan;
  const limits = { latest: readyInDays ?? null, sure: rules.sure };
  if (rules.buying === 'fast') return front[0] ?? null;
  return cheapestOrder(lines, limits) ?? front[0] ?? null;
}

const NOTHING: Order = { picks: new Map(), suppliers: [], total: 0, arrival: 0, proved: true };

export function partsList(circuit: Circuit, layout: Layout): PartsList {
  const { plan } = circuit;
  const resistors = resistorCounts(circuit);
  const demands = goodsOf(circuit);
  wantLeads(circuit, layout, demands);
  const wanted = wantedOf(circuit, demands);
  const lines = wanted.flatMap(({ line }) => line ?? []);
  const front = orderFront(lines, plan.rules.sure);
  const order = orderFor(circuit, lines, front) ?? NOTHING;
  const listed = wanted.map((one) => lineOf(one, order.picks.get(one.card.id), resistors));
  const { suppliers, total, arrival } = order;
  return {
    lines: listed,
    suppliers,
    currency: moneyOf(plan).currency,
    unpriced: [...new Set(listed.flatMap(({ unpriced }) => unpriced))].sort(),
    total,
    arrival,
    leads: countLeads(circuit, layout),
    resistors,
    headers: headersOf(circuit, order.picks),
    chance: listed.reduce((all, line) => all * line.chance, 1),
    front: alternatives(front, order),
    late: lateLines(lines, plan.readyInDays ?? null).map(({ id }) => id),
    noLead: [
      ...new Set(
        layout.leads.flatMap(({ kind, kit, ends }) => (kind === 'lead' && kit.length === 0 ? [endsName(ends)] : [])),
      ),
    ],
  };
}

/** That enough of the pieces work: of an assortment enough of each value or colour. */
function chanceOf(
  card: Card,
  { packs, offer }: Purchase,
  pieces: number,
  assorted: Assorted | undefined,
  resistors: readonly ResistorCount[],
): number {
  const duds = offer.duds ?? 0;
  const every = (each: readonly number[], share: number): number =>
    each.reduce((all, n) => all * chanceOfEnough(Math.floor(packs * share), n, duds), 1);
  if (card.assortment) {
    const box = card.assortment.each;
    return every(
      resistors.filter(({ inBox }) => inBox).map(({ count }) => Math.min(count, packs * box)),
      box,
    );
  }
  if (assorted && assorted.each.length > 0) return every(assorted.each, offer.pack / assorted.kinds);
  return chanceOfEnough(packs * offer.pack, pieces, duds);
}

function lineOf(
  { card, needed, inDrawer, uses, unpriced, line }: Wanted,
  pick: Purchase | undefined,
  resistors: readonly ResistorCount[],
): PartsLine {
  const pieces = needed - inDrawer;
  return {
    card: card.id,
    name: card.name,
    class: card.class,
    needed,
    inDrawer,
    toBuy: pick?.order ?? 0,
    spares: pick ? pick.order - pieces : 0,
    packs: pick?.packs ?? 0,
    offer: pick?.offer ?? null,
    total: pick?.goods ?? 0,
    // What a pack holds beyond the order helps as well.
    chance: pick ? chanceOf(card, pick, pieces, line?.assorted, resistors) : 1,
    uses,
    unpriced,
    unsold: pieces > 0 && !pick,
  };
}

function alternatives(front: readonly Order[], taken: Order): Alternative[] {
  const all = front.some(({ arrival, total }) => arrival === taken.arrival && total === taken.total)
    ? front
    : [...front, taken];
  return all
    .map(({ arrival, total }) => ({ arrival, total, taken: arrival === taken.arrival && total === taken.total }))
    .toSorted((a, b) => a.arrival - b.arrival);
}
