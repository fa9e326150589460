/** Parts on the boards while they are moved about, and what their places cost: short leads, free holes, cool neighbours. */
import { gap, overlaps } from '../board/footprint.ts';
import type { Field } from './field.ts';
import { type LayoutProblem, type Stand, warmthBetween } from './problem.ts';

/** What a place costs, in steps of lead. */
export const COST = {
  /** A used pin without a free hole beside it. */
  walled: 60,
  /** Each kelvin of warmth at a part that feels it. */
  kelvin: 40,
  /** Each used pin that has only one hole left, which forces a row of its own on shared lines. */
  tight: 1,
  /** Each step of board that the way of a plug keeps free. */
  plug: 0.5,
  /** The same while things are put down first, where the middle of the board is to stay free. */
  outside: 8,
  /** Each step that a body sticks out over the edge of its board. */
  over: 0.6,
  /** Legs that have to span from one node to another. */
  leg: 0.6,
} as const;

/** A pin on the board as a node sees it: its row, and where that has free holes. */
interface Reach {
  x: number;
  low: number;
  high: number;
}

export class Placing {
  readonly stands: (Stand | null)[];
  private readonly cover: Uint8Array;
  private readonly used: Uint8Array;
  /** Of each row how many of its holes are free, and between what heights; worked out again where a body came or went. */
  private readonly free: Uint8Array;
  private readonly low: Float64Array;
  private readonly high: Float64Array;
  private readonly stale: Uint8Array;
  /** What an item sticks out over its board, and what the way of its plug costs; none for what does not stand. */
  private readonly sticks: Float64Array;
  private readonly plugs: Float64Array;
  /** Of each item those that it warms, or that warm it, with the watts that count. */
  private readonly warmed: readonly (readonly { readonly item: number; readonly watts: number }[])[];
  private readonly field: Field;
  /** By node: items and pins on it. */
  private readonly pinsOf: { item: number; pin: number }[][];
  private readonly stripYs: number[][];
  private readonly reach: Reach[][] = [];
  cost = Infinity;
  /** Node of the pin in a row, or -1. */
  private readonly nodeAt: Int16Array;
  /** Costs as they were worked out last, and the nodes for which that is to be done again. */
  private readonly costs: Float64Array;
  private readonly legCosts: Float64Array;
  private readonly dirty = new Set<number>();
  private warmth = 0;
  /** Each step of board that the way of a plug keeps free. */
  plugCost: number = COST.plug;

  constructor(readonly problem: LayoutProblem) {
    const { field, items, works } = problem;
    this.field = field;
    this.stands = items.map(() => null);
    this.cover = new Uint8Array(field.holes.length);
    this.used = new Uint8Array(field.groups.length);
    this.nodeAt = new Int16Array(field.groups.length).fill(-1);
    this.costs = new Float64Array(works.length);
    this.legCosts = new Float64Array(problem.twoTerminals.length);
    works.forEach((_, node) => this.dirty.add(node));
    this.free = new Uint8Array(field.groups.length);
    this.low = new Float64Array(field.groups.length);
    this.high = new Float64Array(field.groups.length);
    this.stale = new Uint8Array(field.groups.length).fill(1);
    this.sticks = new Float64Array(items.length);
    this.plugs = new Float64Array(items.length);
    this.warmed = items.map((own, i) =>
      items.flatMap((other, item) => {
        const watts = (own.feels ? other.watts : 0) + (other.feels ? own.watts : 0);
        return item !== i && watts > 0 ? [{ item, watts }] : [];
      }),
    );
    this.pinsOf = works.map(() => []);
    items.forEach(({ nodes }, item) =>
      nodes.forEach((node, pin) => {
        if (node >= 0) this.pinsOf[node]?.push({ item, pin });
      }),
    );
    this.stripYs = works.map(({ strips }) => [...new Set(strips.map((group) => field.group(group).middle.y))]);
    this.reach = works.map((_, i) => (this.pinsOf[i] ?? []).map(() => ({ x: 0, low: 0, high: 0 })));
  }

  /** Whether an item could stand so beside what stands already. */
  fits(item: number, stand: Stand): boolean {
    for (const group of stand.groups) if ((this.used[group] ?? 0) > 0) return false;
    return this.clears(item, stand);
  }

  /** Whether no body or plug of another is in its way; its own place does not count, lifted or not. */
  clears(item: number, stand: Stand): boolean {
    for (let other = 0; other < this.stands.length; other++) {
      const there = this.stands[other];
      if (other === item || !there) continue;
      if (overlaps(stand.box, there.box)) return false;
      if (stand.plug && overlaps(stand.plug, there.box)) return false;
      if (there.plug && overlaps(there.plug, stand.box)) return false;
    }
    return true;
  }

  lift(item: number): Stand | null {
    const stand = this.stands[item] ?? null;
    if (!stand) return null;
    this.touch(item, stand);
    this.coverBy(stand, -1);
    stand.groups.forEach((group, pin) => {
      this.used[group] = (this.used[group] ?? 0) - 1;
      if (this.nodeAt[group] === (this.problem.items[item]?.nodes[pin] ?? -1)) this.nodeAt[group] = -1;
    });
    this.stands[item] = null;
    this.sticks[item] = this.plugs[item] = 0;
    this.warmth -= this.warmthOf(item, stand);
    return stand;
  }

  put(item: number, stand: Stand): void {
    this.coverBy(stand, 1);
    stand.groups.forEach((group, pin) => {
      this.used[group] = (this.used[group] ?? 0) + 1;
      this.nodeAt[group] = this.problem.items[item]?.nodes[pin] ?? -1;
    });
    this.warmth += this.warmthOf(item, stand);
    this.stands[item] = stand;
    this.sticks[item] = COST.over * stand.over;
    this.plugs[item] = stand.plug ? stand.plug.right - stand.plug.left : 0;
    this.touch(item, stand);
  }

  private coverBy(stand: Stand, by: 1 | -1): void {
    for (const hole of stand.under) {
      this.cover[hole] = (this.cover[hole] ?? 0) + by;
      this.stale[this.field.hole(hole).group] = 1;
    }
  }

  /** What a part at a stand has a say in: its own nodes, and those whose rows its body covers. */
  private touch(item: number, stand: Stand): void {
    for (const node of this.problem.items[item]?.nodes ?? []) if (node >= 0) this.dirty.add(node);
    for (const hole of stand.under) {
      const node = this.nodeAt[this.field.hole(hole).group] ?? -1;
      if (node >= 0) this.dirty.add(node);
    }
  }

  /** The cost of everything that stands, in steps. Only what was touched since the last time is worked out again. */
  measure(): number {
    for (const node of this.dirty) this.costs[node] = this.nodeCost(node);
    this.problem.twoTerminals.forEach(({ a, b }, i) => {
      if (this.dirty.has(a) || this.dirty.has(b)) this.legCosts[i] = COST.leg * this.between(a, b);
    });
    this.dirty.clear();
    let cost = 0;
    for (const one of this.costs) cost += one;
    for (const one of this.legCosts) cost += one;
    for (const one of this.sticks) cost += one;
    for (const one of this.plugs) cost += this.plugCost * one;
    return cost + this.warmth;
  }

  private nodeCost(node: number): number {
    const pins = this.pinsOf[node] ?? [];
    const reach = this.reach[node] ?? [];
    let cost = 0;
    let count = 0;
    for (const { item, pin } of pins) {
      const stand = this.stands[item];
      const group = stand?.groups[pin];
      const at = reach[count];
      if (!stand || group === undefined || !at) continue;
      if (this.stale[group]) this.lookAt(group);
      const free = this.free[group] ?? 0;
      if (free === 0) cost += COST.walled;
      else if (free === 1) cost += COST.tight;
      at.low = this.low[group] ?? 0;
      at.high = this.high[group] ?? 0;
      at.x = this.field.group(group).middle.x;
      count += 1;
    }
    this.counts[node] = count;
    const strips = this.stripYs[node] ?? [];
    if (strips.length > 0) {
      for (let i = 0; i < count; i++) cost += toStrip(reach[i] as Reach, strips);
      return cost;
    }
    return cost + spanning(reach, count);
  }
  private readonly counts: number[] = [];

  /** The free holes of a row. */
  private lookAt(group: number): void {
    const { holes, middle } = this.field.group(group);
    let free = 0;
    let low = Infinity;
    let high = -Infinity;
    for (const hole of holes) {
      if ((this.cover[hole] ?? 0) > 0) continue;
      free += 1;
      const { y } = this.field.hole(hole);
      if (y < low) low = y;
      if (y > high) high = y;
    }
    this.free[group] = free;
    this.low[group] = free === 0 ? middle.y : low;
    this.high[group] = free === 0 ? middle.y : high;
    this.stale[group] = 0;
  }

  /** From the nearest of one node to the nearest of another. */
  private between(a: number, b: number): number {
    const [stripsA, stripsB] = [this.stripYs[a] ?? [], this.stripYs[b] ?? []];
    if (stripsA.length > 0 && stripsB.length > 0) return 0;
    if (stripsA.length > 0) return this.toStrips(b, stripsA);
    if (stripsB.length > 0) return this.toStrips(a, stripsB);
    let least = Infinity;
    for (let i = 0; i < (this.counts[a] ?? 0); i++)
      for (let k = 0; k < (this.counts[b] ?? 0); k++)
        least = Math.min(least, apart(this.reach[a]?.[i] as Reach, this.reach[b]?.[k] as Reach));
    return least === Infinity ? 0 : Math.max(0, least - 4);
  }

  private toStrips(node: number, strips: readonly number[]): number {
    let least = Infinity;
    for (let i = 0; i < (this.counts[node] ?? 0); i++)
      least = Math.min(least, toStrip(this.reach[node]?.[i] as Reach, strips));
    return least === Infinity ? 0 : least;
  }

  /** What warmth between one item and all others that stand costs. */
  private warmthOf(item: number, stand: Stand): number {
    let cost = 0;
    for (const { item: other, watts } of this.warmed[item] ?? []) {
      const there = this.stands[other];
      if (there) cost += COST.kelvin * warmthBetween(watts, gap(stand.box, there.box));
    }
    return cost;
  }
}

const apart = (a: Reach, b: Reach): number => Math.hypot(a.x - b.x, Math.max(0, a.low - b.high, b.low - a.high));

const toStrip = ({ low, high }: Reach, strips: readonly number[]): number => {
  let least = Infinity;
  for (const y of strips) least = Math.min(least, Math.max(low - y, y - high, 0));
  return least;
};

/** Length of a shortest tree over the first `count` points (Prim). */
function spanning(points: readonly Reach[], count: number): number {
  if (count < 2) return 0;
  let sum = 0;
  const far = new Array<number>(count).fill(Infinity);
  let at = 0;
  for (let left = count - 1; left > 0; left--) {
    far[at] = -1;
    let next = -1;
    for (let i = 0; i < count; i++) {
      if ((far[i] ?? 0) < 0) continue;
      const d = apart(points[at] as Reach, points[i] as Reach);
      if (d < (far[i] ?? 0)) far[i] = d;
      if (next < 0 || (far[i] ?? 0) < (far[next] ?? 0)) next = i;
    }
    sum += far[next] ?? 0;
    at = next;
  }
  return sum;
}
