/** What to order where: the cheapest way to have everything, packs, spares and shipping counted, that arrives in time. */
import type { Offer } from '../card/card-shape.ts';
import { equalTo, greaterEq, lessEq, solve, type Constraint } from 'yalps';
import { purchase, type Assorted, type Purchase } from './purchase.ts';

/** Something that has to be bought. */
export interface OrderLine {
  readonly id: string;
  /** Working pieces, at least 1. */
  readonly pieces: number;
  /** Where a pack holds several kinds, what is missing of each. */
  readonly assorted?: Assorted;
  readonly offers: readonly Offer[];
}

export interface SupplierSum {
  readonly supplier: string;
  readonly goods: number;
  readonly shipping: number;
  /** Goods from which on shipping is free; null where it never is. */
  readonly freeFrom: number | null;
  readonly leadDays: number;
}

export interface Order {
  /** By line. */
  readonly picks: ReadonlyMap<string, Purchase>;
  readonly suppliers: readonly SupplierSum[];
  readonly total: number;
  /** Days until the last parcel is there; 0 for an empty order. */
  readonly arrival: number;
  /** False where the search for a cheaper one was broken off. */
  readonly proved: boolean;
}

export interface OrderLimits {
  /** Days; null where there is no hurry. */
  readonly latest: number | null;
  /** How sure one wants to be of enough working pieces of each kind. */
  readonly sure: number;
}

interface Supplier {
  readonly name: string;
  readonly shipping: number;
  readonly freeFrom: number | null;
}

/** Sums of money are equal when they differ by less than this. */
const CENT = 1e-6;

/** Shipping of a supplier is the dearest of its offers, and free from the lowest threshold that any of them states. */
function suppliersOf(lines: readonly OrderLine[]): Map<string, Supplier> {
  const all = new Map<string, Supplier>();
  for (const { supplier, shipping, freeFrom } of lines.flatMap(({ offers }) => offers)) {
    const old = all.get(supplier);
    const froms = [old?.freeFrom, freeFrom].filter((f): f is number => typeof f === 'number');
    all.set(supplier, {
      name: supplier,
      shipping: Math.max(old?.shipping ?? 0, shipping),
      freeFrom: froms.length > 0 ? Math.min(...froms) : null,
    });
  }
  return all;
}

const shippingFor = ({ shipping, freeFrom }: Supplier, goods: number): number =>
  freeFrom !== null && goods >= freeFrom - CENT ? 0 : shipping;

/** What a choice of purchases costs, shipping once for each supplier; nothing is proved about it. */
export function orderOf(lines: readonly OrderLine[], picks: ReadonlyMap<string, Purchase>): Order {
  const known = suppliersOf(lines);
  const sums = new Map<string, { goods: number; leadDays: number }>();
  for (const { offer, goods } of picks.values()) {
    const old = sums.get(offer.supplier) ?? { goods: 0, leadDays: 0 };
    sums.set(offer.supplier, { goods: old.goods + goods, leadDays: Math.max(old.leadDays, offer.leadDays) });
  }
  const suppliers = [...sums].map(([name, { goods, leadDays }]): SupplierSum => {
    const supplier = known.get(name) ?? { name, shipping: 0, freeFrom: null };
    return { supplier: name, goods, shipping: shippingFor(supplier, goods), freeFrom: supplier.freeFrom, leadDays };
  });
  return {
    picks,
    suppliers: suppliers.toSorted((a, b) => b.goods - a.goods),
    total: suppliers.reduce((sum, s) => sum + s.goods + s.shipping, 0),
    arrival: Math.max(0, ...suppliers.map(({ leadDays }) => leadDays)),
    proved: false,
  };
}

/** Lines that nobody delivers in time. */
export const lateLines = (lines: readonly OrderLine[], latest: number | null): OrderLine[] =>
  lines.filter(({ offers }) => !offers.some(({ leadDays }) => latest === null || leadDays <= latest));

interface Bought {
  readonly id: string;
  readonly ways: readonly Purchase[];
}

const boughtIn = (lines: readonly OrderLine[], { latest, sure }: OrderLimits): Bought[] =>
  lines.map(({ id, pieces, offers, assorted }) => ({
    id,
    ways: offers
      .filter(({ leadDays }) => latest === null || leadDays <= latest)
      .map((offer) => purchase(offer, pieces, sure, assorted)),
  }));

/** Of orders at one price the one with the fewest parcels: what a parcel weighs beside the cents, in cents. */
const PARCEL = 1e-3;

/**
 * The cheapest order that arrives in time, as a small integer program: which offer for each line, which suppliers, and of whom enough
 * for free shipping. Held to every possible order by its test. Seconds for some forty suppliers and lines: not for the way of verify().
 * @returns null where something is not to be had in time
 */
export function cheapestOrder(lines: readonly OrderLine[], limits: OrderLimits): Order | null {
  if (lateLines(lines, limits.latest).length > 0) return null;
  if (lines.length === 0) return { ...orderOf(lines, new Map()), proved: true };
  const bought = boughtIn(lines, limits);
  const names = new Set(bought.flatMap(({ ways }) => ways.map(({ offer }) => offer.supplier)));
  const suppliers = [...suppliersOf(lines).values()].filter(({ name }) => names.has(name));
  const { variables, constraints, binaries } = program(bought, suppliers);
  const found = solve(
    { direction: 'minimize', objective: 'cents', variables, constraints, binaries },
    { tolerance: 0, maxIterations: Infinity, timeout: Infinity },
  );
  const taken = new Set(found.variables.flatMap(([name, value]) => (value > 0.5 ? [name] : [])));
  const picks = new Map(
    bought.flatMap(({ id, ways }, l) =>
      ways.flatMap((way, w) => (taken.has(`way ${l} ${w}`) ? [[id, way] as const] : [])),
    ),
  );
  if (found.status !== 'optimal' || picks.size < lines.length) return null;
  return { ...orderOf(lines, picks), proved: true };
}

type Row = Map<string, number>;

/** Costs in cents; a supplier is open where something is bought of it, and free where enough is. */
function program(bought: readonly Bought[], suppliers: readonly Supplier[]) {
  const variables = new Map<string, Row>();
  const constraints = new Map<string, Constraint>();
  const at = new Map(suppliers.map(({ name }, s) => [name, s]));
  suppliers.forEach(({ shipping, freeFrom }, s) => {
    const open: Row = new Map([['cents', Math.round(shipping * 100) + PARCEL]]);
    variables.set(`open ${s}`, open);
    if (freeFrom === null || shipping === 0) return;
    constraints.set(`free ${s}`, lessEq(0)).set(`enough ${s}`, greaterEq(0));
    open.set(`free ${s}`, -1);
    variables.set(
      `free ${s}`,
      new Map([
        ['cents', -Math.round(shipping * 100)],
        [`free ${s}`, 1],
        [`enough ${s}`, -Math.round(freeFrom * 100)],
      ]),
    );
  });
  bought.forEach(({ ways }, l) => {
    constraints.set(`line ${l}`, equalTo(1));
    ways.forEach(({ offer, goods }, w) => {
      const s = at.get(offer.supplier) ?? -1;
      const cents = Math.round(goods * 100);
      const name = `way ${l} ${w}`;
      // One bound for each offer: the relaxation is nearly whole then.
      constraints.set(name, lessEq(0));
      variables.get(`open ${s}`)?.set(name, -1);
      const row: Row = new Map([
        ['cents', cents],
        [`line ${l}`, 1],
        [name, 1],
      ]);
      if (constraints.has(`enough ${s}`)) row.set(`enough ${s}`, cents);
      variables.set(name, row);
    });
  });
  return { variables, constraints, binaries: [...variables.keys()] };
}

/** Suppliers of whom every set is tried for a quick order. */
const MAX_SETS = 6;

/**
 * What an order costs, found at once: no order costs less than `least`, and one that costs `most` is at hand. Between the two only
 * the integer program tells.
 * @returns null where something is not to be had in time
 */
export function orderBounds(lines: readonly OrderLine[], limits: OrderLimits): { least: number; order: Order } | null {
  if (lateLines(lines, limits.latest).length > 0) return null;
  const bought = boughtIn(lines, limits);
  const cheapest = (among: ReadonlySet<string> | null) =>
    new Map(
      bought.flatMap(({ id, ways }) => {
        const [best] = ways
          .filter(({ offer }) => among === null || among.has(offer.supplier))
          .toSorted((a, b) => a.goods - b.goods);
        return best ? [[id, best] as const] : [];
      }),
    );
  const plain = cheapest(null);
  const least = [...plain.values()].reduce((sum, { goods }) => sum + goods, 0);
  let order = orderOf(lines, plain);
  const tryWith = (names: readonly string[]): boolean => {
    const picks = cheapest(new Set(names));
    const next = picks.size === lines.length ? orderOf(lines, picks) : null;
    if (!next || next.total >= order.total - CENT) return false;
    order = next;
    return true;
  };
  const all = [...new Set(bought.flatMap(({ ways }) => ways.map(({ offer }) => offer.supplier)))];
  if (all.length <= MAX_SETS)
    for (let set = 1; set < 1 << all.length; set++) tryWith(all.filter((_name, i) => set & (1 << i)));
  // One supplier after the other is left out as long as that saves something.
  else
    for (let better = true; better;) {
      const now = order.suppliers.map(({ supplier }) => supplier);
      better = now.some((name) => tryWith(now.filter((other) => other !== name)));
    }
  return { least, order };
}

/**
 * What waiting buys: the cheapest order for each day on which something more can arrive, those left out that cost no less than an
 * earlier one. From the earliest to the cheapest.
 */
export function orderFront(lines: readonly OrderLine[], sure: number): Order[] {
  const days = [...new Set(lines.flatMap(({ offers }) => offers.map(({ leadDays }) => leadDays)))].sort(
    (a, b) => a - b,
  );
  const front: Order[] = [];
  for (const latest of lines.length > 0 ? days : []) {
    const order = cheapestOrder(lines, { latest, sure });
    const before = front.at(-1);
    if (order && (!before || order.total < before.total - CENT)) front.push(order);
  }
  return front;
}
