/** Holds what was read from a layout against what the circuit wants: missing, extra, shorted, swapped. */
import { parseHole } from '../board/grid.ts';
import { sayHole } from '../board/grid.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { matedPairs } from '../circuit/mated.ts';
import { netlistOf, type Netlist, type NetNode, type NodePin } from '../circuit/netlist.ts';
import { extract, type Extracted } from './extract.ts';
import type { Layout, Lead } from './layout.ts';

export interface Discord {
  readonly kind: 'missing' | 'extra' | 'shorted' | 'swapped' | 'legs' | 'obstacle';
  /** Terminals, helpers or holes that it is about. */
  readonly subjects: readonly string[];
  readonly says: string;
}

export interface LayoutProof {
  readonly agrees: boolean;
  readonly discords: readonly Discord[];
  /** Nodes that were followed, and joints of them that hold. */
  readonly nodes: number;
  readonly contacts: number;
}

/** @param leads those of the steps */
export function proveLayout(circuit: Circuit, layout: Layout, leads: readonly Lead[]): LayoutProof {
  const cards = new Map([...circuit.parts].map(([id, { card }]) => [id, card]));
  // What is in a socket is read from the plan, not from what the layout says of it.
  const read = extract({ ...layout, mated: matedPairs(circuit) }, cards, leads);
  const netlist = netlistOf(circuit);
  return new Comparison(circuit, layout, netlist, read).prove();
}

class Comparison {
  private readonly discords: Discord[] = [];
  /** Node of a contact, by the circuit. */
  private readonly wanted = new Map<string, NetNode>();
  private readonly boards: number;

  constructor(
    readonly circuit: Circuit,
    layout: Layout,
    readonly netlist: Netlist,
    readonly read: Extracted,
  ) {
    this.boards = layout.boards.length;
    for (const node of netlist.nodes) for (const pin of node.pins) this.wanted.set(keyOf(pin), node);
  }

  prove(): LayoutProof {
    for (const { at, says } of this.read.obstacles) this.say('obstacle', [at], this.said(says));
    const homes = this.homes();
    const swapped = this.swaps(homes);
    this.missing(homes, swapped);
    this.shorts(homes, swapped);
    this.extras();
    this.legs(homes);
    return {
      agrees: this.discords.length === 0,
      discords: this.discords,
      nodes: this.netlist.nodes.length,
      contacts: this.wanted.size + 2 * this.netlist.legged.length,
    };
  }

  private say(kind: Discord['kind'], subjects: readonly string[], says: string): void {
    this.discords.push({ kind, subjects, says });
  }

  /** "Top shelf sensor, SDA", found by its key. */
  private name(key: string): string {
    const [part = '', terminal = ''] = key.split('.');
    const node = this.circuit.parts.get(part);
    const label = node?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;
    return node ? `${node.label}, ${label}` : key;
  }

  private said(text: string): string {
    return text
      .replace(/\d:(?:[a-j]|[ul][+-])\d+/g, (hole) => (parseHole(hole) ? sayHole(hole, this.boards) : hole))
      .replace(/[a-z0-9-]+\.[a-z0-9-]+/g, (key) =>
        this.wanted.has(key) || this.circuit.parts.has(key.split('.')[0] ?? '') ? this.name(key) : key,
      )
      .replace(/(^|\s)([a-z0-9-]+)(?= (?:and|stand|covers|cannot)|$)/g, (whole, space: string, id: string) => {
        const part = this.circuit.parts.get(id);
        return part ? `${space}${part.label}` : whole;
      });
  }

  private where(conductor: number): string {
    const { places = [], contacts = [] } = this.read.conductors[conductor] ?? {};
    const rows = places.map((place) =>
      place.replace(/^row \d:/, this.boards > 1 ? '$&' : 'row ').replace(/^row row/, 'row'),
    );
    const [first] = contacts;
    return rows.length > 0 ? rows.slice(0, 3).join(', ') : first ? this.name(first) : '';
  }

  /** For each node the conductor that most of its contacts are on. */
  private homes(): Map<string, number> {
    const homes = new Map<string, number>();
    for (const node of this.netlist.nodes) {
      const votes = new Map<number, number>();
      const vote = (contact: string) => {
        const on = this.read.of.get(contact);
        if (on !== undefined) votes.set(on, (votes.get(on) ?? 0) + 1);
      };
      for (const pin of node.pins) vote(keyOf(pin));
      for (const { id, legs } of this.netlist.legged) {
        if (legs[0] === node.id) vote(`${id}#1`);
        if (legs[1] === node.id) vote(`${id}#2`);
      }
      const [best] = [...votes].toSorted((a, b) => b[1] - a[1]);
      if (best) homes.set(node.id, best[0]);
    }
    return homes;
  }

  /** Two contacts each on the other's node. */
  private swaps(homes: ReadonlyMap<string, number>): Set<string> {
    const astray = [...this.wanted].flatMap(([key, node]) => {
      const on = this.read.of.get(key);
      const home = homes.get(node.id);
      return on !== undefined && home !== undefined && on !== home ? [{ key, on, home, node }] : [];
    });
    const done = new Set<string>();
    for (const a of astray)
      for (const b of astray) {
        if (done.has(a.key) || done.has(b.key) || a.key === b.key || a.on !== b.home || b.on !== a.home) continue;
        done.add(a.key).add(b.key);
        this.say(
          'swapped',
          [a.key, b.key],
          `${this.name(a.key)} and ${this.name(b.key)} are exchanged: the first is on ${b.node.label}, the second on ${a.node.label}.`,
        );
      }
    return done;
  }

  private missing(homes: ReadonlyMap<string, number>, swapped: ReadonlySet<string>): void {
    for (const node of this.netlist.nodes) {
      const home = homes.get(node.id);
      for (const pin of node.pins) {
        const key = keyOf(pin);
        if (this.pinJoined(key, home) || swapped.has(key)) continue;
        const others = node.pins.filter((p) => keyOf(p) !== key && this.read.of.get(keyOf(p)) === home);
        const to = others[0] ? this.name(keyOf(others[0])) : node.label;
        this.say('missing', [key], `${this.name(key)} is not joined with ${to}: ${node.label} is open there.`);
      }
    }
  }

  private pinJoined(key: string, home: number | undefined): boolean {
    const on = this.read.of.get(key);
    return on !== undefined && on === home;
  }

  /** A conductor that is home to two nodes, or holds a contact of another. */
  private shorts(homes: ReadonlyMap<string, number>, swapped: ReadonlySet<string>): void {
    const byHome = new Map<number, NetNode[]>();
    for (const node of this.netlist.nodes) {
      const home = homes.get(node.id);
      if (home !== undefined) byHome.set(home, [...(byHome.get(home) ?? []), node]);
    }
    for (const [conductor, nodes] of byHome) {
      const [first, ...rest] = nodes;
      for (const other of rest)
        if (first)
          this.say(
            'shorted',
            [first.id, other.id],
            `${first.label} and ${other.label} are one piece of copper, at ${this.where(conductor)}.`,
          );
      for (const contact of this.read.conductors[conductor]?.contacts ?? []) {
        const node = this.wanted.get(contact);
        if (!node || swapped.has(contact) || nodes.includes(node) || homes.get(node.id) === undefined) continue;
        this.say(
          'shorted',
          [contact, first?.id ?? ''],
          `${this.name(contact)} belongs to ${node.label} and is joined with ${first?.label}, at ${this.where(conductor)}.`,
        );
      }
    }
  }

  /** A terminal that belongs to nothing and is joined with something. */
  private extras(): void {
    const inside = (a: string, b: string) => a.split('.')[0] === b.split('.')[0];
    for (const { contacts } of this.read.conductors) {
      for (const contact of contacts) {
        if (contact.includes('#') || this.wanted.has(contact)) continue;
        const [part = '', terminal = ''] = contact.split('.');
        const card = this.circuit.parts.get(part)?.card;
        const role = card?.terminals.find(({ id }) => id === terminal)?.role;
        // Further grounds of a controller, and what a carrier passes on, are joined inside.
        const own = (role === 'ground' && card?.controller) || card?.carrier || this.isMated(part);
        const other = contacts.find(
          (c) => c !== contact && !c.includes('#') && !inside(c, contact) && this.wanted.has(c),
        );
        if (!own && other)
          this.say('extra', [contact], `${this.name(contact)} is not used and is joined with ${this.name(other)}.`);
        else if (role === 'ground' && !card?.carrier && !this.isMated(part)) {
          const wrong = contacts.map((c) => this.wanted.get(c)).find((node) => node && node.role !== 'ground');
          if (wrong)
            this.say('extra', [contact], `${this.name(contact)} is a ground and is joined with ${wrong.label}.`);
        }
      }
    }
  }

  private isMated(part: string): boolean {
    return this.circuit.parts.get(part)?.choice?.on !== undefined || this.circuit.controller?.id === part;
  }

  private legs(homes: ReadonlyMap<string, number>): void {
    const wanted = new Map(this.netlist.legged.map((l) => [l.id, l]));
    for (const legged of this.netlist.legged)
      if (!this.read.legs.some(({ of }) => of === legged.id))
        this.say('missing', [legged.id], `${legged.value} (${legged.kind}) is not in.`);
    const seen = new Set<string>();
    for (const { of, kind, value, on, at } of this.read.legs) {
      const legged = wanted.get(of);
      const places = at.map((hole) => this.said(hole)).join(' and ');
      if (!legged || seen.has(of)) {
        this.say('extra', [of], `${value} (${kind}) at ${places} belongs to nothing.`);
        continue;
      }
      seen.add(of);
      if (value !== legged.value || kind !== legged.kind)
        this.say('legs', [of], `${value} stands at ${places}, where ${legged.value} is wanted.`);
      const want = legged.legs.map((id) => homes.get(id));
      const names = legged.legs.map((id) => this.netlist.nodes.find((n) => n.id === id)?.label ?? id);
      if (on[0] === on[1]) this.say('shorted', [of], `${value}: both legs are on one strip, at ${places}.`);
      else if (on[0] === want[0] && on[1] === want[1]) continue;
      else if (on[0] === want[1] && on[1] === want[0]) {
        if (legged.polar)
          this.say('swapped', [of], `${value} is the wrong way round: its ${legged.polar[1]} belongs on ${names[1]}.`);
      } else
        this.say('legs', [of], `${value} stands between ${places}; it belongs between ${names[0]} and ${names[1]}.`);
    }
  }
}

const keyOf = ({ part, terminal }: NodePin): string => `${part}.${terminal}`;
