/** The rows, strips and joints that take ends of leads, and which of their holes are taken. */
import { distance, type Point } from '../board/grid.ts';
import { JOINT_WAYS } from '../standard/common-practice.ts';
import type { LeadPoint } from '../circuit/laid.ts';
import type { LayoutProblem, NodeWork, Stand } from './problem.ts';

/** Something that takes ends of leads: a conductor of the board, or a joint. */
export interface Hub {
  /** Group of the field, or -1 for a joint. */
  readonly group: number;
  readonly joint: string | null;
  readonly middle: Point;
  ways: number;
}

/** Two holes, and how far they are apart. */
export interface Pair {
  readonly from: number;
  readonly to: number;
  readonly steps: number;
}

/** Why something could not be joined. */
export class NoRoom extends Error {
  constructor(readonly node: string) {
    super(node);
  }
}

/** A row with a pin that is on nothing: no lead may go there. */
const RESERVED = -2;
const NOBODY = -1;

export class Hubs {
  private readonly taken: Uint8Array;
  /** Node of each conductor. */
  private readonly owner: Int16Array;
  readonly joints: { id: string; node: string }[] = [];
  /** By node: its rows and joints; strips apart. */
  readonly of: Hub[][];
  private readonly stripHubs: Map<number, Hub>[];
  /** Conductors that something is plugged into. */
  private readonly inUse = new Set<number>();

  constructor(
    readonly problem: LayoutProblem,
    stands: readonly (Stand | null)[],
  ) {
    const { field, items, works } = problem;
    this.taken = new Uint8Array(field.holes.length);
    this.owner = new Int16Array(field.groups.length).fill(NOBODY);
    for (const stand of stands) for (const hole of stand?.under ?? []) this.taken[hole] = 1;
    items.forEach((item, i) =>
      stands[i]?.groups.forEach(
        (group, pin) => (this.owner[group] = (item.nodes[pin] ?? -1) < 0 ? RESERVED : (item.nodes[pin] ?? -1)),
      ),
    );
    works.forEach(({ strips }, node) => strips.forEach((group) => (this.owner[group] = node)));
    this.of = works.map((_, node) =>
      items.flatMap(({ nodes }, i) =>
        nodes.flatMap((n, pin) => {
          const group = stands[i]?.groups[pin];
          return n === node && group !== undefined ? [this.hub(group)] : [];
        }),
      ),
    );
    this.stripHubs = works.map(() => new Map<number, Hub>());
  }

  private hub(group: number): Hub {
    const { holes, middle } = this.problem.field.group(group);
    return { group, joint: null, middle, ways: holes.filter((h) => !this.taken[h]).length };
  }

  /** The free row nearest to what meets there; a joint where there is no board. */
  newHub(work: NodeWork, node: number, goals: readonly Point[], reach: Point | null = null): Hub {
    const { field } = this.problem;
    let best: { group: number; score: number } | null = null;
    field.groups.forEach((group, index) => {
      if (group.strip || this.owner[index] !== NOBODY) return;
      const free = group.holes.filter((h) => !this.taken[h]).length;
      if (free < Math.min(4, group.holes.length)) return;
      const far = goals.reduce((sum, p) => sum + distance(p, group.middle), 0) / Math.max(1, goals.length);
      const score = (reach ? distance(reach, group.middle) * 3 : 0) + far + (5 - free) * 2;
      if (!best || score < best.score - 1e-9) best = { group: index, score };
    });
    const found = best as { group: number } | null;
    if (!found && field.groups.length > 0) throw new NoRoom(work.node.id);
    const hub: Hub = found ? this.hub(found.group) : this.joint(work);
    if (found) this.owner[found.group] = node;
    this.of[node]?.push(hub);
    return hub;
  }

  private joint(work: NodeWork): Hub {
    const id = `${this.joints.length + 1}`;
    this.joints.push({ id, node: work.node.id });
    return { group: -1, joint: id, middle: { x: 0, y: 0 }, ways: JOINT_WAYS };
  }

  freeHoles(hub: Hub): number[] {
    return hub.group < 0 ? [] : this.problem.field.group(hub.group).holes.filter((h) => !this.taken[h]);
  }

  take(hub: Hub, hole: number | null): LeadPoint {
    hub.ways -= 1;
    if (hole === null) return { kind: 'joint', joint: hub.joint ?? '' };
    this.taken[hole] = 1;
    this.inUse.add(hub.group);
    return { kind: 'hole', hole: this.problem.field.hole(hole).name };
  }

  ways(hub: Hub): number {
    return hub.group < 0 ? hub.ways : Math.min(hub.ways, this.freeHoles(hub).length);
  }

  /** The strips of a node as hubs, each made when first asked for. */
  strips(node: number): Hub[] {
    const known = this.stripHubs[node];
    return (this.problem.works[node]?.strips ?? []).map((group) => {
      const hub = known?.get(group) ?? { ...this.hub(group), ways: Infinity };
      known?.set(group, hub);
      return hub;
    });
  }

  nearest(a: Hub, b: Hub): Pair | null {
    let best: Pair | null = null;
    for (const from of this.freeHoles(a))
      for (const to of this.freeHoles(b)) {
        const steps = distance(this.problem.field.hole(from), this.problem.field.hole(to));
        if (!best || steps < best.steps - 1e-9) best = { from, to, steps };
      }
    return best;
  }

  isStrip(node: number, hub: Hub): boolean {
    return this.stripHubs[node]?.has(hub.group) ?? false;
  }

  isUsed(strip: Hub): boolean {
    return this.inUse.has(strip.group);
  }

  /** Whether a hole is free, and on that node or on nothing. */
  isOpen(node: number, hole: number): boolean {
    const owner = this.owner[this.problem.field.hole(hole).group];
    return !this.taken[hole] && (owner === node || owner === NOBODY);
  }

  isOneRow(a: number, b: number): boolean {
    return this.problem.field.hole(a).group === this.problem.field.hole(b).group;
  }

  /** The hub of a node that an open hole belongs to; a row that nobody has becomes one. */
  claim(node: number, hole: number): Hub {
    const { group } = this.problem.field.hole(hole);
    const known = [...(this.of[node] ?? []), ...this.strips(node)].find((hub) => hub.group === group);
    if (known) return known;
    const hub = this.hub(group);
    this.owner[group] = node;
    this.of[node]?.push(hub);
    return hub;
  }
}
