/** Lays leads between points, minding how many each point can take. */
import type { Terminal } from '../card/card.ts';
import type { LeadEnd } from '../card/kinds.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { colourFor, type ColourTurns } from './colour.ts';

/** A terminal of a part, a strip of the board, or a free row of it that only joins leads. */
export type Point =
  | { readonly kind: 'terminal'; readonly part: string; readonly terminal: string; readonly label: string }
  | { readonly kind: 'strip' | 'row'; readonly id: string; readonly label: string };

export interface Lead {
  readonly key: string;
  readonly from: Point;
  readonly to: Point;
  /** A jumper, a wire that the part itself ends in, or a two-legged part. */
  readonly kind: 'lead' | 'own' | 'resistor' | 'diode' | 'switch';
  readonly colour: string;
  readonly ends: readonly [LeadEnd, LeadEnd];
  /** "4.7 kΩ" for a resistor, the card's name for a diode. */
  readonly value: string;
  readonly net: string;
}

export const pointKey = (point: Point): string =>
  point.kind === 'terminal' ? `${point.part}.${point.terminal}` : `${point.kind}:${point.id}`;

/** Holes of one row of a breadboard. */
export const ROW_HOLES = 5;
/** Wires that one screw terminal clamps well. Common practice. */
export const SCREW_WIRES = 2;

/** Something that takes one place at a point: makes the lead once the point is known. */
export type Item = (from: Point) => Lead;

export class Wirer {
  private readonly turns: ColourTurns = { next: 0 };
  private readonly used = new Map<string, number>();
  private rows = 0;
  private readonly keys = new Map<string, number>();

  constructor(readonly circuit: Circuit) {}

  terminal(part: PartNode, id: string): Point {
    const label = part.card.terminals.find((t) => t.id === id)?.label ?? id;
    return { kind: 'terminal', part: part.id, terminal: id, label: `${part.label}, ${label}` };
  }

  private at(point: Point): { part: PartNode; terminal: Terminal; header: string } | null {
    if (point.kind !== 'terminal') return null;
    const part = this.circuit.parts.get(point.part);
    const terminal = part?.card.terminals.find(({ id }) => id === point.terminal);
    if (!part || !terminal) return null;
    return { part, terminal, header: part.card.headers.find(({ id }) => id === terminal.header)?.kind ?? 'male' };
  }

  onBoard(point: Point): boolean {
    return point.kind !== 'terminal' || this.at(point)?.part.card.mount === 'breadboard';
  }

  /** Leads that a point can still take. */
  free(point: Point): number {
    if (point.kind === 'strip') return Infinity;
    const used = this.used.get(pointKey(point)) ?? 0;
    if (point.kind === 'row') return ROW_HOLES - used;
    if (this.onBoard(point)) return ROW_HOLES - 1 - used; // the part's own pin takes one
    return (this.at(point)?.header === 'screw' ? SCREW_WIRES : 1) - used;
  }

  /** Two resistors may lie between the same two points: the second is told apart by its number. */
  private key(from: Point, to: Point, what: string): string {
    const base = `${pointKey(from)}>${pointKey(to)}${what && `:${what}`}`;
    const count = (this.keys.get(base) ?? 0) + 1;
    this.keys.set(base, count);
    return count === 1 ? base : `${base}#${count}`;
  }

  private take(point: Point): void {
    this.used.set(pointKey(point), (this.used.get(pointKey(point)) ?? 0) + 1);
  }

  /** A lead into the board ends male; on a loose part it is the mate of the part's header. */
  private end(point: Point): LeadEnd {
    if (this.onBoard(point)) return 'male';
    const header = this.at(point)?.header;
    // A screw terminal clamps the pin of a jumper: common practice.
    return header === 'male' ? 'female' : header === 'female' || header === 'screw' ? 'male' : 'bare';
  }

  lead(from: Point, to: Point, net: string, role: string, voltage?: number): Lead {
    const own = this.at(to)?.terminal.lead ?? this.at(from)?.terminal.lead;
    this.take(from);
    this.take(to);
    return {
      key: this.key(from, to, ''),
      from,
      to,
      kind: own ? 'own' : 'lead',
      colour: own?.colour ?? colourFor(this.circuit, role, voltage, this.turns),
      ends: [this.end(from), this.end(to)],
      value: '',
      net,
    };
  }

  legs(kind: 'resistor' | 'diode' | 'switch', from: Point, to: Point, value: string, net: string): Lead {
    this.take(from);
    this.take(to);
    return {
      key: this.key(from, to, `${kind} ${value}`),
      from,
      to,
      kind,
      colour: '',
      ends: ['bare', 'bare'],
      value,
      net,
    };
  }

  /** A row of the board that nothing stands in yet. */
  freeRow(what: string): Point {
    this.rows += 1;
    return { kind: 'row', id: `${this.rows}`, label: `free row ${this.rows} (${what})` };
  }

  /**
   * Puts the items on a point; when it gets full, a lead goes on to a free row and the rest follows there.
   * @param bridge makes the lead from one point to the next row
   */
  fan(start: Point, items: readonly Item[], what: string, bridge: (from: Point, to: Point) => Lead): Lead[] {
    const leads: Lead[] = [];
    let at = start;
    items.forEach((item, i) => {
      if (this.free(at) <= 1 && i < items.length - 1) {
        const row = this.freeRow(what);
        leads.push(bridge(at, row));
        at = row;
      }
      leads.push(item(at));
    });
    return leads;
  }

  /**
   * Joins points and further items (legs of resistors) into one net.
   * Two loose ends meet directly; everything else meets in the row of a part on the board, or in a free row.
   */
  join(
    points: readonly Point[],
    extra: readonly Item[],
    net: string,
    role: string,
    what: string,
    voltage?: number,
  ): Lead[] {
    const [first, second] = points;
    if (!first || points.length + extra.length < 2) return [];
    if (second && points.length === 2 && extra.length === 0 && !points.some((p) => this.onBoard(p))) {
      return [this.lead(first, second, net, role, voltage)];
    }
    const hub = points.find((p) => this.onBoard(p) && this.free(p) > 0) ?? this.freeRow(what);
    const items = points
      .filter((p) => p !== hub)
      .map(
        (p): Item =>
          (from) =>
            this.lead(from, p, net, role, voltage),
      );
    return this.fan(hub, [...items, ...extra], what, (from, to) => this.lead(from, to, net, role, voltage));
  }
}
