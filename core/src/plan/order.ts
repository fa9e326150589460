/** What to order where: the cheapest way to have everything, packs, spares and shipping counted, that arrives in time. Exact. */
import type { Offer } from '../card/card.ts';
import { purchase, type Purchase } from './purchase.ts';

/** Something that has to be bought. */
export interface OrderLine {
  readonly id: string;
  /** Working pieces, at least 1. */
  readonly pieces: number;
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

/**
 * The cheapest order that arrives in time, proved: every set of suppliers is looked at, and every choice of those among them whose
 * threshold of free shipping is reached; within it branch and bound, with the thresholds priced into the bound (Lagrangian
 * relaxation). Of orders at one price the one with the fewest parcels.
 * @returns null where something is not to be had in time
 */
export function cheapestOrder(lines: readonly OrderLine[], { latest, sure }: OrderLimits): Order | null {
  if (lateLines(lines, latest).length > 0) return null;
  const bought = lines.map(({ id, pieces, offers }) => ({
    id,
    ways: offers
      .filter(({ leadDays }) => latest === null || leadDays <= latest)
      .map((offer) => purchase(offer, pieces, sure)),
  }));
  const suppliers = [...suppliersOf(lines).values()].filter(({ name }) =>
    bought.some(({ ways }) => ways.some(({ offer }) => offer.supplier === name)),
  );
  let best: Found | null = null;
  let proved = true;
  // Few suppliers first: of two orders at one price the one with fewer parcels is found before the other.
  const sets = Array.from({ length: 1 << suppliers.length }, (_, set) => suppliers.filter((_s, i) => set & (1 << i)));
  for (const open of sets.toSorted((a, b) => a.length - b.length))
    for (const free of thresholds(open)) {
      const search: Within = new Within(bought, open, free, best?.total ?? Infinity);
      best = search.run() ?? best;
      proved &&= search.proved;
    }
  return best && { ...orderOf(lines, best.picks), proved };
}

interface Bought {
  readonly id: string;
  readonly ways: readonly Purchase[];
}
interface Found {
  readonly picks: ReadonlyMap<string, Purchase>;
  readonly total: number;
}

/** Every choice of suppliers whose threshold is to be reached. */
function thresholds(open: readonly Supplier[]): Supplier[][] {
  const able = open.filter(({ freeFrom, shipping }) => freeFrom !== null && shipping > 0);
  return Array.from({ length: 1 << able.length }, (_, set) => able.filter((_s, i) => set & (1 << i)));
}

/** Branchings after which a search gives up its proof; no order of a build comes near it. */
const MOST_NODES = 400_000;
/** Rounds in which the prices of the thresholds are tuned. */
const ROUNDS = 60;

/** The cheapest way to buy all from some suppliers, of whom those in `free` must get enough for free shipping. */
class Within {
  private readonly lines: Bought[];
  private readonly must: { name: string; from: number }[];
  /** Shipping that is paid. */
  private readonly shipping: number;
  /** Cheapest that is left from each line on: plain, and with the thresholds priced in. */
  private readonly plain: number[];
  private priced: number[] = [];
  private prices: number[];
  /** The most that each line and those after it can add to a threshold. */
  private readonly reach: number[][];
  private readonly sums: number[];
  private readonly chosen: Purchase[] = [];
  private best: Found | null = null;
  private nodes = 0;
  proved = true;

  constructor(
    lines: readonly Bought[],
    open: readonly Supplier[],
    free: readonly Supplier[],
    /** Only what costs less is of interest. */
    private most: number,
  ) {
    const names = new Set(open.map(({ name }) => name));
    this.must = free.map(({ name, freeFrom }) => ({ name, from: freeFrom ?? 0 }));
    this.shipping = open.reduce((sum, s) => sum + (free.includes(s) ? 0 : s.shipping), 0);
    this.lines = lines
      .map(({ id, ways }) => ({
        id,
        ways: ways.filter(({ offer }) => names.has(offer.supplier)).toSorted((a, b) => a.goods - b.goods),
      }))
      // Where the choice costs most first.
      .toSorted((a, b) => spreadOf(b.ways) - spreadOf(a.ways));
    this.sums = this.must.map(() => 0);
    this.prices = this.must.map(() => 0);
    this.plain = this.suffix(({ goods }) => goods);
    this.reach = this.must.map(({ name }) => {
      const most = new Array<number>(this.lines.length + 1).fill(0);
      for (let i = this.lines.length - 1; i >= 0; i--) {
        const own = (this.lines[i]?.ways ?? []).filter(({ offer }) => offer.supplier === name);
        most[i] = (most[i + 1] ?? 0) + Math.max(0, ...own.map(({ goods }) => goods));
      }
      return most;
    });
  }

  private suffix(price: (way: Purchase) => number): number[] {
    const left = new Array<number>(this.lines.length + 1).fill(0);
    for (let i = this.lines.length - 1; i >= 0; i--)
      left[i] = (left[i + 1] ?? 0) + Math.min(...(this.lines[i]?.ways ?? []).map(price));
    return left;
  }

  private priceOf(way: Purchase): number {
    const i = this.must.findIndex(({ name }) => name === way.offer.supplier);
    return way.goods * (1 - (this.prices[i] ?? 0));
  }

  /** Raises the price of a threshold that is missed and lowers that of one that is passed (subgradient steps). */
  private tune(): void {
    let top = -Infinity;
    let kept = this.prices;
    for (let round = 0; round < ROUNDS && this.must.length > 0; round++) {
      const got = this.must.map(() => 0);
      let bound = 0;
      for (const { ways } of this.lines) {
        const [least] = ways.toSorted((a, b) => this.priceOf(a) - this.priceOf(b));
        if (!least) continue;
        bound += this.priceOf(least);
        const i = this.must.findIndex(({ name }) => name === least.offer.supplier);
        if (i >= 0) got[i] = (got[i] ?? 0) + least.goods;
      }
      this.must.forEach(({ from }, i) => (bound += (this.prices[i] ?? 0) * from));
      if (bound > top) {
        top = bound;
        kept = [...this.prices];
      }
      this.prices = this.prices.map((price, i) => {
        const from = this.must[i]?.from ?? 1;
        return Math.max(0, Math.min(1, price + (0.5 / (1 + round)) * ((from - (got[i] ?? 0)) / from)));
      });
    }
    this.prices = kept;
    this.priced = this.suffix((way) => this.priceOf(way));
  }

  run(): Found | null {
    if (this.lines.some(({ ways }) => ways.length === 0)) return null;
    this.tune();
    this.go(0, this.shipping);
    return this.best;
  }

  /** The least that any completion costs, on the next whole cent: prices are in cents. */
  private bound(i: number, spent: number): number {
    let priced = this.priced[i] ?? 0;
    this.must.forEach(({ from }, k) => (priced += (this.prices[k] ?? 0) * (from - (this.sums[k] ?? 0))));
    const least = spent + Math.max(this.plain[i] ?? 0, priced);
    return Math.ceil(least * 100 - 1e-4) / 100;
  }

  private go(i: number, spent: number): void {
    if (this.must.some(({ from }, k) => (this.sums[k] ?? 0) + (this.reach[k]?.[i] ?? 0) < from - CENT)) return;
    if (this.bound(i, spent) > this.most - CENT) return;
    if (i === this.lines.length) {
      this.most = spent;
      this.best = { total: spent, picks: new Map(this.lines.map(({ id }, k) => [id, this.chosen[k] as Purchase])) };
      return;
    }
    if ((this.nodes += 1) > MOST_NODES) {
      this.proved = false;
      return;
    }
    for (const way of (this.lines[i]?.ways ?? []).toSorted((a, b) => this.priceOf(a) - this.priceOf(b))) {
      const k = this.must.findIndex(({ name }) => name === way.offer.supplier);
      if (k >= 0) this.sums[k] = (this.sums[k] ?? 0) + way.goods;
      this.chosen.push(way);
      this.go(i + 1, spent + way.goods);
      this.chosen.pop();
      if (k >= 0) this.sums[k] = (this.sums[k] ?? 0) - way.goods;
    }
  }
}

const spreadOf = (ways: readonly Purchase[]): number => (ways.at(-1)?.goods ?? 0) - (ways[0]?.goods ?? 0);

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
