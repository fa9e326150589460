/** Which pin of which part an end of a lead goes to, and where it could go by mistake. */
import { conductorOf, hasHole, holeName, parseHole, pointOfHole, type Grid, type Hole } from '../board/grid.ts';
import { covers, pinHoles, placedBox, type Box } from '../board/footprint.ts';
import type { Circuit } from '../circuit/model.ts';
import { footprintOf } from '../circuit/footprint.ts';
import { pointKey } from '../layout/finish.ts';
import type { Layout, LeadPoint } from '../circuit/laid.ts';
import type { MovedTo } from './fault.ts';

export interface PinRef {
  readonly part: string;
  readonly terminal: string;
}

export class LeadEnds {
  private readonly grids: readonly Grid[];
  private readonly pins = new Map<string, PinRef>();
  private readonly taken = new Set<string>();
  private readonly bodies: Box[] = [];

  constructor(
    readonly circuit: Circuit,
    readonly layout: Layout,
  ) {
    this.grids = layout.boards.map(({ grid }) => grid);
    for (const { part, hole: name, turned } of layout.seats) {
      const card = circuit.parts.get(part)?.card;
      const footprint = card && footprintOf(card);
      const hole = parseHole(name);
      if (!footprint || !hole) continue;
      this.bodies.push(placedBox(footprint.body, { hole, turned }));
      for (const pin of pinHoles(this.grids, footprint, { hole, turned })) {
        if (!pin.hole) continue;
        this.pins.set(conductorOf(this.grids, pin.hole), { part, terminal: pin.terminal });
        this.taken.add(holeName(pin.hole));
      }
    }
    for (const { from, to } of layout.leads)
      for (const point of [from, to]) this.taken.add(point.kind === 'hole' ? point.hole : pointKey(point));
  }

  /** The pin that an end goes to: a terminal, or the pin whose row it is in. */
  pinAt(point: LeadPoint): PinRef | null {
    if (point.kind === 'terminal') return { part: point.part, terminal: point.terminal };
    const hole = point.kind === 'hole' ? parseHole(point.hole) : null;
    return hole ? (this.pins.get(conductorOf(this.grids, hole)) ?? null) : null;
  }

  isStrip(point: LeadPoint): boolean {
    return point.kind === 'hole' && parseHole(point.hole)?.kind === 'strip';
  }

  private isFree(hole: Hole): boolean {
    return (
      hasHole(this.grids, hole) &&
      !this.taken.has(holeName(hole)) &&
      !this.bodies.some((box) => covers(box, pointOfHole(hole)))
    );
  }

  /** Holes and pins right beside, into which nothing else is plugged. */
  beside(point: LeadPoint): MovedTo[] {
    if (point.kind === 'joint') return [];
    if (point.kind === 'terminal') {
      const card = this.circuit.parts.get(point.part)?.card;
      const own = card?.terminals.find(({ id }) => id === point.terminal);
      return (card?.terminals ?? [])
        .filter((t) => own && t.header === own.header && Math.abs(t.position - own.position) === 1)
        .filter((t) => !this.taken.has(pointKey({ kind: 'terminal', part: point.part, terminal: t.id })))
        .map((t) => ({ kind: 'terminal', part: point.part, terminal: t.id }));
    }
    const hole = parseHole(point.hole);
    if (!hole) return [];
    const others: Hole[] =
      hole.kind === 'row'
        ? [-1, 1].map((by) => ({ ...hole, row: hole.row + by }))
        : [{ ...hole, strip: OTHER_STRIP[hole.strip] }];
    return others.filter((h) => this.isFree(h)).map((h) => ({ kind: 'hole', hole: holeName(h) }));
  }

  /** A free hole of a strip that carries a node, the nearest to where an end is. */
  freeOn(node: string, near: LeadPoint): MovedTo | null {
    const from = near.kind === 'hole' ? parseHole(near.hole) : null;
    const at = from ? pointOfHole(from) : { x: 0, y: 0 };
    let best: { hole: Hole; far: number } | null = null;
    for (const { board, strip, node: carried } of this.layout.strips) {
      if (carried !== node) continue;
      for (let place = 1; place < 60; place++) {
        const hole: Hole = { kind: 'strip', board, strip, place };
        if (!this.isFree(hole)) continue;
        const { x, y } = pointOfHole(hole);
        const far = Math.hypot(x - at.x, y - at.y);
        if (!best || far < best.far) best = { hole, far };
      }
    }
    return best && { kind: 'hole', hole: holeName(best.hole) };
  }
}

/** A strip and the one of the other sign beside it. */
const OTHER_STRIP = { 'u+': 'u-', 'u-': 'u+', 'l-': 'l+', 'l+': 'l-' } as const;
