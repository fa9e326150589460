/** Where an end of a lead goes, in words. */
import { conductorOf, parseHole } from '../board/grid.ts';
import { holeText } from '../board/hole-text.ts';
import { labelOf } from '../circuit/label.ts';
import { pinHoles } from '../board/footprint.ts';
import { footprintOf } from '../circuit/footprint.ts';
import type { Circuit } from '../circuit/model.ts';
import { netlistOf } from '../circuit/netlist.ts';
import { type NetNode } from '../circuit/netlist-model.ts';
import type { Layout, LeadPoint } from '../circuit/laid.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverPlacesSays {
  readonly joint: { joint: Text };
  readonly terminal: { part: Text; terminal: string };
  readonly holding: { hole: Text; holds: Text };
}

const tell = tells<DeliverPlacesSays>('deliver/places');

/** Names of the places of one layout. */
export class Places {
  /** Conductor -> what stands in it. */
  private readonly pins = new Map<string, { part: string; says: Text }>();
  private readonly strips = new Map<string, Text>();
  private readonly rows = new Map<string, Text>();

  constructor(
    readonly circuit: Circuit,
    readonly layout: Layout,
  ) {
    const grids = this.grids();
    for (const { part, hole, turned } of layout.seats) {
      const card = circuit.parts.get(part)?.card;
      const footprint = card && footprintOf(card);
      const at = parseHole(hole);
      if (!card || !footprint || !at) continue;
      for (const pin of pinHoles(grids, footprint, { hole: at, turned })) {
        const label = card.terminals.find(({ id }) => id === pin.terminal)?.label ?? pin.terminal;
        if (pin.hole)
          this.pins.set(conductorOf(grids, pin.hole), {
            part,
            says: labelOf(circuit.parts.get(part)?.label ?? part, label),
          });
      }
    }
    const nodes = new Map(netlistOf(circuit).nodes.map((node) => [node.id, node]));
    // A row that only joins leads goes by what it joins.
    for (const lead of layout.leads)
      for (const point of [lead.from, lead.to]) {
        const hole = point.kind === 'hole' ? parseHole(point.hole) : null;
        const node = nodes.get(lead.of);
        if (hole?.kind !== 'row' || !node) continue;
        const key = conductorOf(grids, hole);
        if (!this.pins.has(key)) this.rows.set(key, this.nameOf(node));
      }
    for (const { board, strip, node } of layout.strips) {
      const carried = nodes.get(node);
      if (carried) this.strips.set(`${board}:${strip}`, this.nameOf(carried));
    }
  }

  private nameOf({ of, label }: NetNode): Text {
    return (of.is === 'rail' && this.circuit.rails.get(of.rail)?.offer.name) || label;
  }

  private grids() {
    return this.layout.boards.map(({ grid }) => grid);
  }

  /** The part whose pin stands in the row of a hole. */
  partAt(point: LeadPoint): string | null {
    if (point.kind === 'terminal') return point.part;
    const hole = point.kind === 'hole' ? parseHole(point.hole) : null;
    return hole ? (this.pins.get(conductorOf(this.grids(), hole))?.part ?? null) : null;
  }

  isStrip(point: LeadPoint): boolean {
    return point.kind === 'hole' && parseHole(point.hole)?.kind === 'strip';
  }

  /** "a35 (controller P10)", "upper + 30 (3.3 V)", "door contact, white 1", "joint 2". */
  say(point: LeadPoint): Text {
    if (point.kind === 'joint') return tell('joint', { joint: point.joint });
    if (point.kind === 'terminal') {
      const part = this.circuit.parts.get(point.part);
      const label = part?.card.terminals.find(({ id }) => id === point.terminal)?.label ?? point.terminal;
      return tell('terminal', { part: part?.label ?? point.part, terminal: label });
    }
    const hole = parseHole(point.hole);
    if (!hole) return point.hole;
    const in_ =
      hole.kind === 'strip'
        ? this.strips.get(`${hole.board}:${hole.strip}`)
        : (this.pins.get(conductorOf(this.grids(), hole))?.says ?? this.rows.get(conductorOf(this.grids(), hole)));
    const name = this.hole(point.hole);
    return in_ ? tell('holding', { hole: name, holds: in_ }) : name;
  }

  hole(name: string): Text {
    return holeText(name, this.layout.boards.length);
  }
}
