/** Joins what belongs to one node: which hole each end of each lead goes to. */
import { distance, PITCH, type Point } from '../board/grid.ts';
import type { TwoTerminal, NodePin } from '../circuit/netlist-model.ts';
import { LEG_SPAN, SCREW_WIRES } from '../standard/common-practice.ts';
import { terminalPlace } from './dock.ts';
import { Hubs, NoRoom, type Hub } from './hubs.ts';
import type { Docked, LeadPoint } from '../circuit/laid.ts';
import type { LayoutProblem, NodeWork, Stand } from './problem.ts';
import { keyOf } from '../plan/ref.ts';

/** One lead or pair of legs, before it has a colour and a kit. */
export interface Run {
  readonly node: string;
  readonly from: LeadPoint;
  readonly to: LeadPoint;
  readonly twoTerminal: TwoTerminal | null;
  /** Steps between holes of the board; 0 for what goes beside it. */
  readonly steps: number;
}

export interface Routed {
  readonly runs: readonly Run[];
  readonly joints: readonly { id: string; node: string }[];
}

export class Router {
  private readonly runs: Run[] = [];
  private readonly terminals = new Map<string, number>();
  private readonly docked: Map<string, Docked>;
  private readonly hubs: Hubs;
  /** Legs of each node that have no hole yet. */
  private readonly legsLeft: number[];

  constructor(
    readonly problem: LayoutProblem,
    stands: readonly (Stand | null)[],
    docked: readonly Docked[],
  ) {
    this.docked = new Map(docked.map((d) => [d.part, d]));
    this.hubs = new Hubs(problem, stands);
    this.legsLeft = problem.works.map(({ legs }) => legs);
  }

  /** The rows and joints of a node. */
  private rowsOf(node: number): Hub[] {
    return this.hubs.of[node] ?? [];
  }

  route(): Routed {
    const { works, twoTerminals } = this.problem;
    const free = twoTerminals.filter((legs) => !this.pinned(legs, legs.a, legs.b));
    works.forEach((work, node) => this.makeRoom(work, node));
    for (const legs of free.toSorted((a, b) => this.rigid(a) - this.rigid(b))) this.legs(legs, legs.a, legs.b);
    works.forEach((work, node) => (work.strips.length > 0 ? this.toStrips(node) : this.tree(node)));
    works.forEach((work, node) => this.loose(work, node));
    works.forEach((work, node) => work.strips.length > 0 && this.bridge(node));
    return { runs: this.runs, joints: this.hubs.joints };
  }

  /** Puts two legs where the maker wants them, as far as these holes are free and on nothing else. */
  private pinned(twoTerminal: TwoTerminal, a: number, b: number): boolean {
    const spot = this.problem.circuit.plan.spots?.[twoTerminal.id];
    const [from, to] = [spot?.hole, spot?.to].map((name) => this.problem.field.byName.get(name ?? ''));
    if (from === undefined || to === undefined) return false;
    if (!this.hubs.isOpen(a, from) || !this.hubs.isOpen(b, to) || this.hubs.isOneRow(from, to)) return false;
    const [one, other] = [this.hubs.claim(a, from), this.hubs.claim(b, to)];
    this.put(twoTerminal, a, b, { one, from, other, to });
    return true;
  }

  private put(
    twoTerminal: TwoTerminal,
    a: number,
    b: number,
    at: { one: Hub; from: number | null; other: Hub; to: number | null },
  ): void {
    for (const node of [a, b]) this.legsLeft[node] = (this.legsLeft[node] ?? 0) - 1;
    this.runs.push({
      node: this.problem.works[a]?.node.id ?? '',
      from: this.hubs.take(at.one, at.from),
      to: this.hubs.take(at.other, at.to),
      twoTerminal,
      steps: 0,
    });
  }

  /** What bends least goes first. */
  private rigid({ kind, a, b }: { kind: TwoTerminal['kind']; a: number; b: number }): number {
    const strips = [a, b].filter((n) => (this.problem.works[n]?.strips.length ?? 0) > 0).length;
    return kind === 'switch' ? -1 : strips;
  }

  /** Two loose ends and nothing else meet directly. */
  private direct(work: NodeWork, node: number): boolean {
    return work.strips.length === 0 && work.legs === 0 && this.rowsOf(node).length === 0 && work.loose.length <= 2;
  }

  private isShared(work: NodeWork): boolean {
    return this.problem.circuit.plan.rules.sharedRow === 'always' && work.node.bus !== null;
  }

  /** Rows of their own for nodes whose rows do not take all that meets there. */
  private makeRoom(work: NodeWork, node: number): void {
    if (work.strips.length > 0 || this.direct(work, node)) return;
    const hubs = this.rowsOf(node);
    const ends = work.loose.length + (this.legsLeft[node] ?? 0);
    const full = () => {
      const ways = hubs.reduce((sum, { ways: w }) => sum + w, 0);
      return hubs.length === 0 || ways < 2 * (hubs.length - 1) + ends;
    };
    if (this.isShared(work) && hubs.length + ends > 2) this.newRow(work, node);
    for (let guard = 0; full(); guard++) {
      if (guard > 60) throw new NoRoom(work.node.id);
      this.newRow(work, node);
    }
  }

  /** A row of its own, near to what meets there, or near to a place that has to be reached. */
  private newRow(work: NodeWork, node: number, reach: Point | null = null): Hub {
    const near = this.rowsOf(node)
      .filter(({ group }) => group >= 0)
      .map(({ middle }) => middle);
    return this.hubs.newHub(work, node, [...near, ...this.goalsOf(work)], reach);
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

  private join(node: number, a: Hub, b: Hub): void {
    const id = this.problem.works[node]?.node.id ?? '';
    if (a.group < 0 || b.group < 0) {
      const hole = (hub: Hub) => (hub.group < 0 ? null : (this.hubs.freeHoles(hub)[0] ?? null));
      this.runs.push({
        node: id,
        from: this.hubs.take(a, hole(a)),
        to: this.hubs.take(b, hole(b)),
        twoTerminal: null,
        steps: 0,
      });
      return;
    }
    const pair = this.hubs.nearest(a, b);
    if (!pair) throw new NoRoom(id);
    this.runs.push({
      node: id,
      from: this.hubs.take(a, pair.from),
      to: this.hubs.take(b, pair.to),
      twoTerminal: null,
      steps: pair.steps,
    });
  }

  /** Holes for two legs: of the rows that are there, the pair whose span suits best; else a new row near the other leg. */
  private legs(twoTerminal: TwoTerminal, a: number, b: number): void {
    const workA = this.problem.works[a];
    const workB = this.problem.works[b];
    if (!workA || !workB) return;
    const [least, most] = twoTerminal.kind === 'switch' ? [1, 1] : [LEG_SPAN.least, LEG_SPAN.most];
    const side = (node: number, work: NodeWork) =>
      work.strips.length > 0 ? this.hubs.strips(node) : this.rowsOf(node).filter((hub) => this.hubs.ways(hub) > 0);
    const attempt = (): boolean => {
      let best: { ha: Hub; hb: Hub; from: number; to: number; steps: number } | null = null;
      for (const ha of side(a, workA))
        for (const hb of side(b, workB)) {
          // The last hole of a row is kept for the lead that joins it.
          if (ha.group < 0 || hb.group < 0 || this.lonely(a, ha) || this.lonely(b, hb)) continue;
          if (Math.abs(ha.middle.x - hb.middle.x) > most + 30 && !workA.strips.length && !workB.strips.length) continue;
          for (const from of this.hubs.freeHoles(ha))
            for (const to of this.hubs.freeHoles(hb)) {
              const [p, q] = [this.problem.field.hole(from), this.problem.field.hole(to)];
              const steps = distance(p, q);
              if (steps < least || steps > most || (twoTerminal.kind === 'switch' && p.y !== q.y)) continue;
              if (!best || steps < best.steps - 1e-9) best = { ha, hb, from, to, steps };
            }
        }
      if (!best) return false;
      this.put(twoTerminal, a, b, { one: best.ha, from: best.from, other: best.hb, to: best.to });
      return true;
    };
    if (attempt()) return;
    const joints = [side(a, workA), side(b, workB)].map((hubs) => hubs.find(({ group }) => group < 0));
    if (joints[0] && joints[1]) {
      this.put(twoTerminal, a, b, { one: joints[0], from: null, other: joints[1], to: null });
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
        this.newRow(work, node, goal?.middle ?? null);
        if (attempt()) return;
      }
    }
    // Both legs in rows of their own, side by side.
    if (workA.strips.length === 0 && workB.strips.length === 0) {
      const first = this.newRow(workA, a);
      this.newRow(workB, b, first.middle);
      if (attempt()) return;
    }
    throw new NoRoom(workA.node.id);
  }

  /** Whether a row has but one hole left and other rows of its node to be joined with. */
  private lonely(node: number, hub: Hub): boolean {
    return !this.hubs.isStrip(node, hub) && this.hubs.ways(hub) === 1 && this.rowsOf(node).length > 1;
  }

  /** Every row of a node gets a lead to the nearest strip; a row without a free hole cannot. */
  private toStrips(node: number): void {
    for (const hub of this.rowsOf(node)) {
      let best: { strip: Hub; score: number } | null = null;
      for (const strip of this.hubs.strips(node)) {
        const pair = this.hubs.nearest(hub, strip);
        // A strip that nothing is on yet has to be bridged as well.
        const score = pair && pair.steps + (this.hubs.isUsed(strip) ? 0 : 4);
        if (score !== null && (!best || score < best.score - 1e-9)) best = { strip, score };
      }
      if (!best) throw new NoRoom(this.problem.works[node]?.node.id ?? '');
      this.join(node, hub, best.strip);
    }
  }

  /** The shortest tree that no row is too small for (Prim's, with the holes that are left in mind). */
  private tree(node: number): void {
    const work = this.problem.works[node];
    if (!work) return;
    const hubs = [...this.rowsOf(node)];
    if (hubs.length < 2) return;
    hubs.sort((a, b) => this.hubs.ways(b) - this.hubs.ways(a));
    const inside = [hubs.shift() as Hub];
    while (hubs.length > 0) {
      const room = inside.reduce((sum, hub) => sum + this.hubs.ways(hub), 0);
      let best: { from: Hub; to: Hub; score: number } | null = null;
      for (const from of inside) {
        if (this.hubs.ways(from) < 1) continue;
        for (const to of hubs) {
          if (this.hubs.ways(to) < 1) throw new NoRoom(work.node.id);
          const left = room - 2 + this.hubs.ways(to);
          const stuck = left < 1 && hubs.length > 1;
          const pair = this.hubs.nearest(from, to);
          const score = (pair?.steps ?? 0) + (stuck ? 1000 : 0) - (stuck ? this.hubs.ways(to) : 0);
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
    return most - (this.terminals.get(keyOf(pin.part, pin.terminal)) ?? 0);
  }

  private terminal(pins: readonly NodePin[]): { point: LeadPoint; pin: NodePin } {
    const pin = (pins.find((p) => this.wiresAt(p) > 0) ?? pins[0]) as NodePin;
    const key = keyOf(pin.part, pin.terminal);
    this.terminals.set(key, (this.terminals.get(key) ?? 0) + 1);
    return { pin, point: { kind: 'terminal', ...pin } };
  }

  /** Leads from the parts beside the board. */
  private loose(work: NodeWork, node: number): void {
    const id = work.node.id;
    if (this.direct(work, node)) {
      const [a, b] = work.loose;
      if (a && b)
        this.runs.push({
          node: id,
          from: this.terminal(a).point,
          to: this.terminal(b).point,
          twoTerminal: null,
          steps: 0,
        });
      return;
    }
    for (const pins of work.loose) {
      const { point, pin } = this.terminal(pins);
      const at = this.placeOf(pin);
      const hubs = work.strips.length > 0 ? this.hubs.strips(node) : this.rowsOf(node);
      let best: { hub: Hub; hole: number | null; score: number } | null = null;
      for (const hub of hubs) {
        if (hub.group < 0 && hub.ways > 0) best ??= { hub, hole: null, score: 1e6 };
        for (const hole of this.hubs.freeHoles(hub)) {
          const score =
            (at ? distance(at, this.problem.field.hole(hole)) : 0) +
            (work.strips.length > 0 && !this.hubs.isUsed(hub) ? 4 : 0);
          if (!best || score < best.score - 1e-9) best = { hub, hole, score };
        }
      }
      if (!best) throw new NoRoom(id);
      this.runs.push({ node: id, from: this.hubs.take(best.hub, best.hole), to: point, twoTerminal: null, steps: 0 });
    }
  }

  /** One lead from each strip that is used to the next one of the same node. */
  private bridge(node: number): void {
    const used = this.hubs.strips(node).filter((strip) => this.hubs.isUsed(strip));
    const inside = used.splice(0, 1);
    while (used.length > 0) {
      let best: { from: Hub; to: Hub; steps: number } | null = null;
      for (const from of inside)
        for (const to of used) {
          const pair = this.hubs.nearest(from, to);
          if (pair && (!best || pair.steps < best.steps - 1e-9)) best = { from, to, steps: pair.steps };
        }
      if (!best) throw new NoRoom(this.problem.works[node]?.node.id ?? '');
      this.join(node, best.from, best.to);
      inside.push(best.to);
      used.splice(used.indexOf(best.to), 1);
    }
  }
}

/** m of leads between holes. */
export const lengthOf = (runs: readonly Run[]): number => runs.reduce((sum, { steps }) => sum + steps, 0) * PITCH;
