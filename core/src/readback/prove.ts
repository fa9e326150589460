/** Holds what was read from a layout against what the circuit wants: missing, extra, shorted, swapped. */
import { colourText } from '../circuit/label.ts';
import { holeText, rowText } from '../board/hole-text.ts';
import type { Circuit } from '../circuit/model.ts';
import { matedPairs } from '../circuit/mated.ts';
import { netlistOf } from '../circuit/netlist.ts';
import { type Netlist, type NetNode, type NodePin } from '../circuit/netlist-model.ts';
import { extract, type Extracted, type Hindrance, type Thing } from './read.ts';
import type { Layout, Lead, LeadPoint } from '../circuit/laid.ts';
import { tells, wordOf, type Message, type Quantity, type Text } from '../quantity/message.ts';
import { JOINT_WAYS } from '../standard/common-practice.ts';
import { keyOf, ownerOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface ReadbackProveSays {
  readonly pin: { part: Text; terminal: string };
  readonly lead: { colour: Text };
  readonly joint: { joint: string };
  readonly places: { places: readonly Text[] };
  readonly noHole: { what: Text | Quantity; hole: Text };
  readonly holeTaken: { what: Text | Quantity; there: Text | Quantity; hole: Text };
  readonly noStand: { part: Text };
  readonly pinOffBoard: { part: Text; terminal: string };
  readonly onePlace: { part: Text; other: Text };
  readonly covered: { what: Text | Quantity; hole: Text; part: Text };
  readonly jointFull: { joint: string; wires: number };
  readonly noTerminal: { what: Text | Quantity; part: Text; terminal: string };
  readonly terminalFull: { part: Text; terminal: string; wires: number };
  readonly exchanged: { one: Text; other: Text; node: Text; otherNode: Text };
  readonly open: { pin: Text; to: Text; node: Text };
  readonly oneCopper: { node: Text; other: Text; where: Text };
  readonly astray: { pin: Text; node: Text; other: Text; where: Text };
  readonly unusedJoined: { pin: Text; other: Text };
  readonly groundJoined: { pin: Text; other: Text };
  readonly legsMissing: { value: Text | Quantity; kind: Text };
  readonly legsExtra: { value: Text | Quantity; kind: Text; places: readonly Text[] };
  readonly legsOther: { value: Text | Quantity; wanted: Text | Quantity; places: readonly Text[] };
  readonly legsOneStrip: { value: Text | Quantity; places: readonly Text[] };
  readonly legsTurned: { value: Text | Quantity; leg: Text; node: Text };
  readonly legsElsewhere: { value: Text | Quantity; places: readonly Text[]; nodes: readonly Text[] };
}

const tell = tells<ReadbackProveSays>('readback/prove');

export interface Mismatch {
  readonly kind: 'missing' | 'extra' | 'shorted' | 'swapped' | 'legs' | 'obstacle';
  /** Terminals, helpers or holes that it is about. */
  readonly subjects: readonly string[];
  readonly says: Message;
}

export interface LayoutProof {
  readonly agrees: boolean;
  readonly mismatches: readonly Mismatch[];
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
  private readonly mismatches: Mismatch[] = [];
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
    for (const node of netlist.nodes) for (const pin of node.pins) this.wanted.set(keyOfPin(pin), node);
  }

  prove(): LayoutProof {
    for (const { at, why } of this.read.obstacles) this.say('obstacle', [at], this.hindrance(why));
    const homes = this.homes();
    const swapped = this.swaps(homes);
    this.missing(homes, swapped);
    this.shorts(homes, swapped);
    this.extras();
    this.legs(homes);
    return {
      agrees: this.mismatches.length === 0,
      mismatches: this.mismatches,
      nodes: this.netlist.nodes.length,
      contacts: this.wanted.size + 2 * this.netlist.twoTerminals.length,
    };
  }

  private say(kind: Mismatch['kind'], subjects: readonly string[], says: Message): void {
    this.mismatches.push({ kind, subjects, says });
  }

  private part = (id: string): Text => this.circuit.parts.get(id)?.label ?? id;
  private hole = (name: string): Text => holeText(name, this.boards);

  /** What is printed at a terminal. */
  private printed = (part: string, terminal: string): string =>
    this.circuit.parts.get(part)?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;

  /** A contact by its key. */
  private name(key: string): Text {
    const { part, own: terminal = '' } = parseRef(key);
    return this.circuit.parts.has(part) ? this.pin(part, terminal) : key;
  }

  private pin = (part: string, terminal: string): Message =>
    tell('pin', { part: this.part(part), terminal: this.printed(part, terminal) });

  private thing(what: Thing): Text | Quantity {
    switch (what.kind) {
      case 'pin':
        return this.pin(what.part, what.terminal);
      case 'lead':
        return tell('lead', { colour: colourText(what.colour) });
      case 'legs':
        return what.value;
    }
  }

  private hindrance(why: Hindrance): Message {
    switch (why.kind) {
      case 'no-hole':
        return tell('noHole', { what: this.thing(why.what), hole: this.hole(why.hole) });
      case 'hole-taken':
        return tell('holeTaken', {
          what: this.thing(why.what),
          there: this.thing(why.there),
          hole: this.hole(why.hole),
        });
      case 'no-stand':
        return tell('noStand', { part: this.part(why.part) });
      case 'pin-off-board':
        return tell('pinOffBoard', { part: this.part(why.part), terminal: this.printed(why.part, why.terminal) });
      case 'one-place':
        return tell('onePlace', { part: this.part(why.part), other: this.part(why.other) });
      case 'covered':
        return tell('covered', { what: this.thing(why.what), hole: this.hole(why.hole), part: this.part(why.part) });
      case 'joint-full':
        return tell('jointFull', { joint: why.joint, wires: JOINT_WAYS });
      case 'no-terminal':
        return tell('noTerminal', { what: this.thing(why.what), part: this.part(why.part), terminal: why.terminal });
      case 'terminal-full':
        return tell('terminalFull', {
          part: this.part(why.part),
          terminal: this.printed(why.part, why.terminal),
          wires: why.wires,
        });
    }
  }

  private point(point: LeadPoint): Text {
    switch (point.kind) {
      case 'hole':
        return this.hole(point.hole);
      case 'joint':
        return tell('joint', { joint: point.joint });
      case 'terminal':
        return this.pin(point.part, point.terminal);
    }
  }

  private where(conductor: number): Text {
    const { places = [], contacts = [] } = this.read.conductors[conductor] ?? {};
    const [first] = contacts;
    if (places.length === 0) return first ? this.name(first) : '';
    return tell('places', {
      places: places
        .slice(0, 3)
        .map((place) =>
          place.kind === 'row' ? rowText(place.row, this.boards) : tell('joint', { joint: place.joint }),
        ),
    });
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
      for (const pin of node.pins) vote(keyOfPin(pin));
      for (const { id, legs } of this.netlist.twoTerminals) {
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
          tell('exchanged', {
            one: this.name(a.key),
            other: this.name(b.key),
            node: b.node.label,
            otherNode: a.node.label,
          }),
        );
      }
    return done;
  }

  private missing(homes: ReadonlyMap<string, number>, swapped: ReadonlySet<string>): void {
    for (const node of this.netlist.nodes) {
      const home = homes.get(node.id);
      for (const pin of node.pins) {
        const key = keyOfPin(pin);
        if (this.pinJoined(key, home) || swapped.has(key)) continue;
        const others = node.pins.filter((p) => keyOfPin(p) !== key && this.read.of.get(keyOfPin(p)) === home);
        const to = others[0] ? this.name(keyOfPin(others[0])) : node.label;
        this.say('missing', [key], tell('open', { pin: this.name(key), to, node: node.label }));
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
            tell('oneCopper', { node: first.label, other: other.label, where: this.where(conductor) }),
          );
      for (const contact of this.read.conductors[conductor]?.contacts ?? []) {
        const node = this.wanted.get(contact);
        if (!node || swapped.has(contact) || nodes.includes(node) || homes.get(node.id) === undefined) continue;
        this.say(
          'shorted',
          [contact, first?.id ?? ''],
          tell('astray', {
            pin: this.name(contact),
            node: node.label,
            other: first?.label ?? '',
            where: this.where(conductor),
          }),
        );
      }
    }
  }

  /** A terminal that belongs to nothing and is joined with something. */
  private extras(): void {
    const inside = (a: string, b: string) => ownerOf(a) === ownerOf(b);
    for (const { contacts } of this.read.conductors) {
      for (const contact of contacts) {
        if (contact.includes('#') || this.wanted.has(contact)) continue;
        const { part, own: terminal = '' } = parseRef(contact);
        const card = this.circuit.parts.get(part)?.card;
        const role = card?.terminals.find(({ id }) => id === terminal)?.role;
        // Further grounds of a controller, and what a carrier passes on, are joined inside.
        const own = (role === 'ground' && card?.controller) || card?.carrier || this.isMated(part);
        const other = contacts.find(
          (c) => c !== contact && !c.includes('#') && !inside(c, contact) && this.wanted.has(c),
        );
        if (!own && other)
          this.say('extra', [contact], tell('unusedJoined', { pin: this.name(contact), other: this.name(other) }));
        else if (role === 'ground' && !card?.carrier && !this.isMated(part)) {
          const wrong = contacts.map((c) => this.wanted.get(c)).find((node) => node && node.role !== 'ground');
          if (wrong)
            this.say('extra', [contact], tell('groundJoined', { pin: this.name(contact), other: wrong.label }));
        }
      }
    }
  }

  private isMated(part: string): boolean {
    return this.circuit.parts.get(part)?.choice?.on !== undefined || this.circuit.controller?.id === part;
  }

  private legs(homes: ReadonlyMap<string, number>): void {
    const wanted = new Map(this.netlist.twoTerminals.map((l) => [l.id, l]));
    for (const twoTerminal of this.netlist.twoTerminals)
      if (!this.read.legs.some(({ of }) => of === twoTerminal.id))
        this.say(
          'missing',
          [twoTerminal.id],
          tell('legsMissing', { value: twoTerminal.value, kind: wordOf('legs', twoTerminal.kind) }),
        );
    const seen = new Set<string>();
    for (const { of, kind, value, on, at } of this.read.legs) {
      const twoTerminal = wanted.get(of);
      const places = at.map((point) => this.point(point));
      if (!twoTerminal || seen.has(of)) {
        this.say('extra', [of], tell('legsExtra', { value, kind: wordOf('legs', kind), places }));
        continue;
      }
      seen.add(of);
      if (!sameValue(value, twoTerminal.value) || kind !== twoTerminal.kind)
        this.say('legs', [of], tell('legsOther', { value, places, wanted: twoTerminal.value }));
      const want = twoTerminal.legs.map((id) => homes.get(id));
      const names = twoTerminal.legs.map((id) => this.netlist.nodes.find((n) => n.id === id)?.label ?? id);
      if (on[0] === on[1]) this.say('shorted', [of], tell('legsOneStrip', { value, places }));
      else if (on[0] === want[0] && on[1] === want[1]) continue;
      else if (on[0] === want[1] && on[1] === want[0]) {
        if (twoTerminal.polar)
          this.say('swapped', [of], tell('legsTurned', { value, leg: twoTerminal.polar[1], node: names[1] ?? '' }));
      } else this.say('legs', [of], tell('legsElsewhere', { value, places, nodes: names }));
    }
  }
}

const keyOfPin = ({ part, terminal }: NodePin): string => keyOf(part, terminal);

/** A value is a name or a figure; figures are read from the layout as they were written there. */
const sameValue = (a: Text | Quantity, b: Text | Quantity): boolean => JSON.stringify(a) === JSON.stringify(b);
