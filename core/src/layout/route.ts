/** Joins what belongs to one node: which hole each end of each lead goes to. */
import { distance, PITCH, type Point } from '../board/grid.ts';
import type { Legged, NodePin } from '../circuit/netlist.ts';
import { JOINT_WAYS, LEG_SPAN, SCREW_WIRES } from '../standard/practice.ts';
import { terminalPlace } from './dock.ts';
import type { Docked, LeadPoint } from './layout.ts';
import type { LayoutProblem, NodeWork, Stand } from './problem.ts';

/** One lead or pair of legs, before it has a colour and a kit. */
export interface Run {
  readonly node: string;
  readonly from: LeadPoint;
  readonly to: LeadPoint;
  readonly legged: Legged | null;
  /** Steps between holes of the board; 0 for what goes beside it. */
  readonly steps: number;
}

/** Something that takes ends of leads: a conductor of the board, or a joint. */
interface Hub {
  /** Group of the field, or -1 for a joint. */
  readonly group: number;
  readonly joint: string | null;
  readonly middle: Point;
  ways: number;
}

export interface Routed {
  readonly runs: readonly Run[];
  readonly joints: readonly { id: string; node: string }[];
}

/** Why something could not be joined. */
export class NoRoom extends Error {
  constructor(readonly node: string) {
    super(node);
  }
}

export class Router {
  private readonly taken: Uint8Array;
  private readonly owner: Int16Array;
  private readonly runs: Run[] = [];
  private readonly joints: { id: string; node: string }[] = [];
  private readonly hubs: Hub[][];
  private readonly terminals = new Map<string, number>();
  private readonly docked: Map<string, Docked>;
  private readonly stripHubs: Map<number, Hub>[];
  /** Conductors that something is plugged into. */
  private readonly inUse = new Set<number>();

  constructor(
    readonly problem: LayoutProblem,
    stands: readonly (Stand | null)[],
    docked: readonly Docked[],
  ) {
    const { field, items, works } = problem;
    this.docked = new Map(docked.map((d) => [d.part, d]));
    this.taken = new Uint8Array(field.holes.length);
    this.owner = new Int16Array(field.groups.length).fill(-1);
    for (const stand of stands) for (const hole of stand?.under ?? []) this.taken[hole] = 1;
    items.forEach((item, i) =>
      stands[i]?.groups.forEach(
        (group, pin) => (this.owner[group] = (item.nodes[pin] ?? -1) < 0 ? RESERVED : (item.nodes[pin] ?? -1)),
      ),
    );
    works.forEach(({ strips }, node) => strips.forEach((group) => (this.owner[group] = node)));
    this.hubs = works.map((_, node) =>
      items.flatMap(({ nodes }, i) =>
        nodes.flatMap((n, pin) => {
          const group = stands[i]?.groups[pin];
          return n === node && group !== undefined ? [this.hub(group)] : [];
        }),
      ),
    );
    this.stripHubs = works.map(() => new Map());
  }

  private hub(group: number): Hub {
    const { holes, middle } = this.problem.field.group(group);
    return { group, joint: null, middle, ways: holes.filter((h) => !this.taken[h]).length };
  }

  route(): Routed {
    const { works, legged } = this.problem;
    works.forEach((work, node) => this.makeRoom(work, node));
    for (const legs of legged.toSorted((a, b) => this.rigid(a) - this.rigid(b))) this.legs(legs, legs.a, legs.b);
    works.forEach((work, node) => (work.strips.length > 0 ? this.toStrips(node) : this.tree(node)));
    works.forEach((work, node) => this.loose(work, node));
    works.forEach((work, node) => work.strips.length > 0 && this.bridge(node));
    return { runs: this.runs, joints: this.joints };
  }

  /** What bends least goes first. */
  private rigid({ kind, a, b }: { kind: Legged['kind']; a: number; b: number }): number {
    const strips = [a, b].filter((n) => (this.problem.works[n]?.strips.length ?? 0) > 0).length;
    return kind === 'switch' ? -1 : strips;
  }

  /** Two loose ends and nothing else meet directly. */
  private direct(work: NodeWork, node: number): boolean {
    return (
      work.strips.length === 0 && work.legs === 0 && (this.hubs[node]?.length ?? 0) === 0 && work.loose.length <= 2
    );
  }

  private isShared(work: NodeWork): boolean {
    return this.problem.circuit.plan.rules.sharedRow === 'always' && work.node.bus !== null;
  }

  /** Rows of their own for nodes whose rows do not take all that meets there. */
  private makeRoom(work: NodeWork, node: number): void {
    if (work.strips.length > 0 || this.direct(work, node)) return;
    const hubs = this.hubs[node] ?? [];
    const ends = work.loose.length + work.legs;
    const full = () => {
      const ways = hubs.reduce((sum, { ways: w }) => sum + w, 0);
      return hubs.length === 0 || ways < 2 * (hubs.length - 1) + ends;
    };
    if (this.isShared(work) && hubs.length + ends > 2) this.newHub(work, node, hubs);
    for (let guard = 0; full(); guard++) {
      if (guard > 60) throw new NoRoom(work.node.id);
      this.newHub(work, node, hubs);
    }
  }

  /** The free row nearest to what meets there; a joint where there is no board. */
  private newHub(work: NodeWork, node: number, near: readonly Hub[], reach: Point | null = null): Hub {
    const { field } = this.problem;
    const goals = [...near.filter(({ group }) => group >= 0).map(({ middle }) => middle), ...this.goalsOf(work)];
    let best: { group: number; score: number } | null = null;
    field.groups.forEach((group, index) => {
      if (group.strip || this.owner[index] !== -1) return;
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
    this.hubs[node]?.push(hub);
    return hub;
  }

  private joint(work: NodeWork): Hub {
    const id = `${this.joints.length + 1}`;
    this.joints.push({ id, node: work.node.id });
    return { group: -1, joint: id, middle: { x: 0, y: 0 }, ways: JOINT_WAYS };
  }

  /** Where the parts beside the board have their terminals, drawn in to its edge. */
  private goalsOf(work: NodeWork): Point[] {
    return work.loose.flatMap((pins) => {
      const [pin] = pins;
      const at = pin && this.placeOf(pin);
      return at ? [{ x: at.x, y: at.y < 0 ? 5 : Math.max(0, at.y - 8) }] : [];
    });
  }

  private placeOf(pin: NodePin): Point | null {
    const docked = this.docked.get(pin.part);
    const part = this.problem.circuit.parts.get(pin.part);
    return docked && part ? terminalPlace(part, docked.box, pin.terminal) : null;
  }

  private freeHoles(hub: Hub): number[] {
    return hub.group < 0 ? [] : this.problem.field.group(hub.group).holes.filter((h) => !this.taken[h]);
  }

  private take(hub: Hub, hole: number | null): LeadPoint {
    hub.ways -= 1;
    if (hole === null) return { kind: 'joint', joint: hub.joint ?? '' };
    this.taken[hole] = 1;
    this.inUse.add(hub.group);
    return { kind: 'hole', hole: this.problem.field.hole(hole).name };
  }

  private ways(hub: Hub): number {
    return hub.group < 0 ? hub.ways : Math.min(hub.ways, this.freeHoles(hub).length);
  }

  /** The strips of a node as hubs, each made when first asked for. */
  private strips(node: number): Hub[] {
    const known = this.stripHubs[node];
    return (this.problem.works[node]?.strips ?? []).map((group) => {
      const hub = known?.get(group) ?? { ...this.hub(group), ways: Infinity };
      known?.set(group, hub);
      return hub;
    });
  }

  private nearestHoles(a: Hub, b: Hub): { from: number; to: number; steps: number } | null {
    let best: { from: number; to: number; steps: number } | null = null;
    for (const from of this.freeHoles(a))
      for (const to of this.freeHoles(b)) {
        const steps = distance(this.problem.field.hole(from), this.problem.field.hole(to));
        if (!best || steps < best.steps - 1e-9) best = { from, to, steps };
      }
    return best;
  }

  private join(node: number, a: Hub, b: Hub): void {
    const id = this.problem.works[node]?.node.id ?? '';
    if (a.group < 0 || b.group < 0) {
      const hole = (hub: Hub) => (hub.group < 0 ? null : (this.freeHoles(hub)[0] ?? null));
      this.runs.push({ node: id, from: this.take(a, hole(a)), to: this.take(b, hole(b)), legged: null, steps: 0 });
      return;
    }
    const pair = this.nearestHoles(a, b);
    if (!pair) throw new NoRoom(id);
    this.runs.push({
      node: id,
      from: this.take(a, pair.from),
      to: this.take(b, pair.to),
      legged: null,
      steps: pair.steps,
    });
  }

  /** Holes for two legs: of the rows that are there, the pair whose span suits best; else a new row near the other leg. */
  private legs(legged: Legged, a: number, b: number): void {
    const workA = this.problem.works[a];
    const workB = this.problem.works[b];
    if (!workA || !workB) return;
    const [least, most] = legged.kind === 'switch' ? [1, 1] : [LEG_SPAN.least, LEG_SPAN.most];
    const side = (node: number, work: NodeWork) =>
      work.strips.length > 0 ? this.strips(node) : (this.hubs[node] ?? []).filter((hub) => this.ways(hub) > 0);
    const attempt = (): boolean => {
      let best: { ha: Hub; hb: Hub; from: number; to: number; steps: number } | null = null;
      for (const ha of side(a, workA))
        for (const hb of side(b, workB)) {
          // The last hole of a row is kept for the lead that joins it.
          if (ha.group < 0 || hb.group < 0 || this.lonely(a, ha) || this.lonely(b, hb)) continue;
          if (Math.abs(ha.middle.x - hb.middle.x) > most + 30 && !workA.strips.length && !workB.strips.length) continue;
          for (const from of this.freeHoles(ha))
            for (const to of this.freeHoles(hb)) {
              const [p, q] = [this.problem.field.hole(from), this.problem.field.hole(to)];
              const steps = distance(p, q);
              if (steps < least || steps > most || (legged.kind === 'switch' && p.y !== q.y)) continue;
              if (!best || steps < best.steps - 1e-9) best = { ha, hb, from, to, steps };
            }
        }
      if (!best) return false;
      this.runs.push({
        node: workA.node.id,
        from: this.take(best.ha, best.from),
        to: this.take(best.hb, best.to),
        legged,
        steps: 0,
      });
      return true;
    };
    if (attempt()) return;
    const joints = [side(a, workA), side(b, workB)].map((hubs) => hubs.find(({ group }) => group < 0));
    if (joints[0] && joints[1]) {
      this.runs.push({
        node: workA.node.id,
        from: this.take(joints[0], null),
        to: this.take(joints[1], null),
        legged,
        steps: 0,
      });
      return;
    }
    for (const [work, node, other] of [
      [workA, a, b],
      [workB, b, a],
    ] as const) {
      if (work.strips.length > 0) continue;
      for (const goal of this.problem.works[other]?.strips.length
        ? [null]
        : side(other, this.problem.works[other] as NodeWork)) {
        this.newHub(work, node, this.hubs[node] ?? [], goal?.middle ?? null);
        if (attempt()) return;
      }
    }
    // Both legs in rows of their own, side by side.
    if (workA.strips.length === 0 && workB.strips.length === 0) {
      const first = this.newHub(workA, a, this.hubs[a] ?? []);
      this.newHub(workB, b, [], first.middle);
      if (attempt()) return;
    }
    throw new NoRoom(workA.node.id);
  }

  /** Whether a row has but one hole left and other rows of its node to be joined with. */
  private lonely(node: number, hub: Hub): boolean {
    return !this.stripHubs[node]?.has(hub.group) && this.ways(hub) === 1 && (this.hubs[node]?.length ?? 0) > 1;
  }

  /** Every row of a node gets a lead to the nearest strip; a row without a free hole cannot. */
  private toStrips(node: number): void {
    for (const hub of this.hubs[node] ?? []) {
      const used = this.stripHubs[node] ?? new Map<number, Hub>();
      let best: { strip: Hub; score: number } | null = null;
      for (const strip of this.strips(node)) {
        const pair = this.nearestHoles(hub, strip);
        // A strip that nothing is on yet has to be bridged as well.
        const score = pair && pair.steps + (this.isUsed(strip) ? 0 : 4);
        if (score !== null && (!best || score < best.score - 1e-9)) best = { strip, score };
      }
      if (!best) throw new NoRoom(this.problem.works[node]?.node.id ?? '');
      used.set(best.strip.group, best.strip);
      this.join(node, hub, best.strip);
    }
  }

  private isUsed(strip: Hub): boolean {
    return this.inUse.has(strip.group);
  }

  /** The shortest tree that no row is too small for (Prim's, with the holes that are left in mind). */
  private tree(node: number): void {
    const work = this.problem.works[node];
    if (!work) return;
    const hubs = [...(this.hubs[node] ?? [])];
    if (hubs.length < 2) return;
    hubs.sort((a, b) => this.ways(b) - this.ways(a));
    const inside = [hubs.shift() as Hub];
    while (hubs.length > 0) {
      const room = inside.reduce((sum, hub) => sum + this.ways(hub), 0);
      let best: { from: Hub; to: Hub; score: number } | null = null;
      for (const from of inside) {
        if (this.ways(from) < 1) continue;
        for (const to of hubs) {
          if (this.ways(to) < 1) throw new NoRoom(work.node.id);
          const left = room - 2 + this.ways(to);
          const stuck = left < 1 && hubs.length > 1;
          const pair = this.nearestHoles(from, to);
          const score = (pair?.steps ?? 0) + (stuck ? 1000 : 0) - (stuck ? this.ways(to) : 0);
          if (!best || score < best.score - 1e-9) best = { from, to, score };
        }
      }
      if (!best) throw new NoRoom(work.node.id);
      this.join(node, best.from, best.to);
      inside.push(best.to);
      hubs.splice(hubs.indexOf(best.to), 1);
    }
  }

  private wiresAt(pin: NodePin): number {
    const part = this.problem.circuit.parts.get(pin.part);
    const terminal = part?.card.terminals.find(({ id }) => id === pin.terminal);
    const header = part?.card.headers.find(({ id }) => id === terminal?.header)?.kind;
    const most = header === 'screw' ? SCREW_WIRES : 1;
    return most - (this.terminals.get(`${pin.part}.${pin.terminal}`) ?? 0);
  }

  private terminal(pins: readonly NodePin[]): { point: LeadPoint; pin: NodePin } {
    const pin = (pins.find((p) => this.wiresAt(p) > 0) ?? pins[0]) as NodePin;
    const key = `${pin.part}.${pin.terminal}`;
    this.terminals.set(key, (this.terminals.get(key) ?? 0) + 1);
    return { pin, point: { kind: 'terminal', ...pin } };
  }

  /** Leads from the parts beside the board. */
  private loose(work: NodeWork, node: number): void {
    const id = work.node.id;
    if (this.direct(work, node)) {
      const [a, b] = work.loose;
      if (a && b)
        this.runs.push({ node: id, from: this.terminal(a).point, to: this.terminal(b).point, legged: null, steps: 0 });
      return;
    }
    for (const pins of work.loose) {
      const { point, pin } = this.terminal(pins);
      const at = this.placeOf(pin);
      const hubs = work.strips.length > 0 ? this.strips(node) : (this.hubs[node] ?? []);
      let best: { hub: Hub; hole: number | null; score: number } | null = null;
      for (const hub of hubs) {
        if (hub.group < 0 && hub.ways > 0) best ??= { hub, hole: null, score: 1e6 };
        for (const hole of this.freeHoles(hub)) {
          const score =
            (at ? distance(at, this.problem.field.hole(hole)) : 0) +
            (work.strips.length > 0 && !this.isUsed(hub) ? 4 : 0);
          if (!best || score < best.score - 1e-9) best = { hub, hole, score };
        }
      }
      if (!best) throw new NoRoom(id);
      this.runs.push({ node: id, from: this.take(best.hub, best.hole), to: point, legged: null, steps: 0 });
    }
  }

  /** One lead from each strip that is used to the next one of the same node. */
  private bridge(node: number): void {
    const used = this.strips(node).filter((strip) => this.isUsed(strip));
    const inside = used.splice(0, 1);
    while (used.length > 0) {
      let best: { from: Hub; to: Hub; steps: number } | null = null;
      for (const from of inside)
        for (const to of used) {
          const pair = this.nearestHoles(from, to);
          if (pair && (!best || pair.steps < best.steps - 1e-9)) best = { from, to, steps: pair.steps };
        }
      if (!best) throw new NoRoom(this.problem.works[node]?.node.id ?? '');
      this.join(node, best.from, best.to);
      inside.push(best.to);
      used.splice(used.indexOf(best.to), 1);
    }
  }
}

const RESERVED = -2;

/** m of leads between holes. */
export const lengthOf = (runs: readonly Run[]): number => runs.reduce((sum, { steps }) => sum + steps, 0) * PITCH;
