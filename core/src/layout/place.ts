/** Finds a place for every part: short leads, free holes, cool neighbours. Annealing with a fixed seed, so that the same plan always gives the same places. */
import { gap, overlaps } from '../board/footprint.ts';
import type { Field } from './field.ts';
import { warmthBetween, type LayoutProblem, type Stand } from './problem.ts';

/** What a place costs, in steps of lead. */
const COST = {
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
  private warmed = 0;
  /** Whether anything here feels warmth at all. */
  private readonly warm: boolean;
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
    this.warm = items.some(({ feels }) => feels) && items.some(({ watts }) => watts > 0);
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
    for (const hole of stand.under) this.cover[hole] = (this.cover[hole] ?? 0) - 1;
    stand.groups.forEach((group, pin) => {
      this.used[group] = (this.used[group] ?? 0) - 1;
      if (this.nodeAt[group] === (this.problem.items[item]?.nodes[pin] ?? -1)) this.nodeAt[group] = -1;
    });
    this.stands[item] = null;
    this.warmed -= this.warmthOf(item, stand);
    return stand;
  }

  put(item: number, stand: Stand): void {
    for (const hole of stand.under) this.cover[hole] = (this.cover[hole] ?? 0) + 1;
    stand.groups.forEach((group, pin) => {
      this.used[group] = (this.used[group] ?? 0) + 1;
      this.nodeAt[group] = this.problem.items[item]?.nodes[pin] ?? -1;
    });
    this.warmed += this.warmthOf(item, stand);
    this.stands[item] = stand;
    this.touch(item, stand);
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
    for (const stand of this.stands) if (stand) cost += COST.over * stand.over;
    for (const stand of this.stands) if (stand?.plug) cost += this.plugCost * (stand.plug.right - stand.plug.left);
    return cost + this.warmed;
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
      const { holes, middle } = this.field.group(group);
      let free = 0;
      at.low = Infinity;
      at.high = -Infinity;
      for (const hole of holes) {
        if ((this.cover[hole] ?? 0) > 0) continue;
        free += 1;
        const { y } = this.field.hole(hole);
        if (y < at.low) at.low = y;
        if (y > at.high) at.high = y;
      }
      if (free === 0) {
        cost += COST.walled;
        at.low = at.high = middle.y;
      } else if (free === 1) cost += COST.tight;
      at.x = middle.x;
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
    const { items } = this.problem;
    const own = items[item];
    if (!own || !this.warm) return 0;
    let cost = 0;
    for (let k = 0; k < items.length; k++) {
      const [other, there] = [items[k], this.stands[k]];
      if (k === item || !other || !there) continue;
      const watts = (own.feels ? other.watts : 0) + (other.feels ? own.watts : 0);
      if (watts > 0) cost += COST.kelvin * warmthBetween(watts, gap(stand.box, there.box));
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

/** Puts each item where it costs least, in the order given. @param outside plugs at the very end of the board @returns the item for which there is no room, or null */
export function firstPlaces(placing: Placing, order: readonly number[], outside: boolean): number | null {
  placing.plugCost = outside ? COST.outside : COST.plug;
  for (const item of order) {
    let best: { stand: Stand; cost: number } | null = null;
    for (const stand of placing.problem.items[item]?.stands ?? []) {
      // What the maker put down stays there; the reader says so where it cannot.
      if (!placing.problem.items[item]?.pinned && !placing.fits(item, stand)) continue;
      placing.put(item, stand);
      const cost = placing.measure();
      placing.lift(item);
      if (!best || cost < best.cost - 1e-9) best = { stand, cost };
    }
    if (!best) return item;
    placing.put(item, best.stand);
  }
  placing.plugCost = COST.plug;
  placing.cost = placing.measure();
  return null;
}

/** Temperatures of the annealing, in steps of lead: from a move across half a board to one that no longer matters. */
const HOT = 12;
const COLD = 0.05;

/** Improves places by moving and exchanging items. @param random from 0 to 1 @returns the best that was met */
export function anneal(placing: Placing, moves: number, random: () => number): readonly (Stand | null)[] {
  const { items } = placing.problem;
  const free = items.flatMap(({ stands }, i) => (stands.length > 1 ? [i] : []));
  let best = [...placing.stands];
  let least = placing.cost;
  if (free.length === 0) return best;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  for (let move = 0; move < moves; move++) {
    const heat = HOT * (COLD / HOT) ** (move / moves);
    const touched = random() < 0.2 && free.length > 1 ? exchange(placing, pick(free), pick(free)) : null;
    const undo = touched ?? shift(placing, pick(free), move / moves, random);
    if (!undo) continue;
    const cost = placing.measure();
    if (cost <= placing.cost || random() < Math.exp((placing.cost - cost) / heat)) {
      placing.cost = cost;
      if (cost < least - 1e-9) {
        least = cost;
        best = [...placing.stands];
      }
    } else undo();
  }
  return best;
}

type Undo = () => void;

/** Moves one item: anywhere at first, to neighbouring places later. */
function shift(placing: Placing, item: number, done: number, random: () => number): Undo | null {
  const stands = placing.problem.items[item]?.stands ?? [];
  const before = placing.lift(item);
  if (!before) return null;
  const near = random() < done;
  const at = stands.indexOf(before);
  const index = near && at >= 0 ? at + Math.round((random() - 0.5) * 12) : Math.floor(random() * stands.length);
  const stand = stands[index];
  if (!stand || stand === before || !placing.fits(item, stand)) {
    placing.put(item, before);
    return null;
  }
  placing.put(item, stand);
  return () => {
    placing.lift(item);
    placing.put(item, before);
  };
}

/** Lets two items take each other's first row and side, where both fit. */
function exchange(placing: Placing, a: number, b: number): Undo | null {
  if (a === b) return null;
  const [wasA, wasB] = [placing.lift(a), placing.lift(b)];
  const back = () => {
    placing.lift(a);
    placing.lift(b);
    if (wasA) placing.put(a, wasA);
    if (wasB) placing.put(b, wasB);
  };
  const like = (item: number, other: Stand | null) => {
    const group = other?.groups[0];
    return placing.problem.items[item]?.stands.find((s) => s.groups[0] === group && s.turned === other?.turned);
  };
  const [toA, toB] = [like(a, wasB), like(b, wasA)];
  if (!toA || !toB || !placing.fits(a, toA)) {
    back();
    return null;
  }
  placing.put(a, toA);
  if (!placing.fits(b, toB)) {
    back();
    return null;
  }
  placing.put(b, toB);
  return back;
}
