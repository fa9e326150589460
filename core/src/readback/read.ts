/**
 * Reads a finished layout as someone with a meter would: from the holes, strips, rows, legs, leads and sockets alone, without the
 * circuit that it was made for and without the numbers of the engine that made it.
 */
import type { Card } from '../card/card.ts';
import { footprintOf } from '../circuit/footprint.ts';
import { covers, pinPlaces, placedBox, type Box } from '../board/footprint.ts';
import { conductorOf, type Grid, hasHole, holeAt, holeName, parseHole, pointOfHole } from '../board/grid.ts';
import type { Quantity, Text } from '../quantity/message.ts';
import { JOINT_WAYS, SCREW_WIRES } from '../standard/common-practice.ts';
import type { Layout, Lead, LeadPoint } from '../circuit/laid.ts';
import { keyOf } from '../plan/ref.ts';

/** A terminal of a part, or the leg of a part with two legs as "helper#1". */
type Contact = string;

/** A row or strip of a board, as `conductorOf` names it, or a joint. */
export type Place = { readonly kind: 'row'; readonly row: string } | { readonly kind: 'joint'; readonly joint: string };

interface Conductor {
  readonly contacts: readonly Contact[];
  /** Rows, strips and joints that copper joins here. */
  readonly places: readonly Place[];
}

interface ReadLegs {
  readonly of: string;
  readonly kind: Lead['kind'];
  readonly value: Text | Quantity;
  /** Index of the conductor that each leg is on. */
  readonly on: readonly [number, number];
  readonly at: readonly [LeadPoint, LeadPoint];
}

/** What goes into a hole: the pin of a part, a lead by its colour, or a part with two legs by its value. */
export type Thing =
  | { readonly kind: 'pin'; readonly part: string; readonly terminal: string }
  | { readonly kind: 'lead'; readonly colour: string }
  | { readonly kind: 'legs'; readonly value: Text | Quantity };

/** Why something cannot be built. */
export type Hindrance =
  | { readonly kind: 'no-hole'; readonly what: Thing; readonly hole: string }
  | { readonly kind: 'hole-taken'; readonly what: Thing; readonly there: Thing; readonly hole: string }
  | { readonly kind: 'no-stand'; readonly part: string }
  | { readonly kind: 'pin-off-board'; readonly part: string; readonly terminal: string }
  | { readonly kind: 'one-place'; readonly part: string; readonly other: string }
  | { readonly kind: 'covered'; readonly what: Thing; readonly hole: string; readonly part: string }
  | { readonly kind: 'joint-full'; readonly joint: string }
  | { readonly kind: 'no-terminal'; readonly what: Thing; readonly part: string; readonly terminal: string }
  | { readonly kind: 'terminal-full'; readonly part: string; readonly terminal: string; readonly wires: number };

/** Something that cannot be built. */
interface Obstacle {
  readonly at: string;
  readonly why: Hindrance;
}

export interface Extracted {
  readonly conductors: readonly Conductor[];
  readonly legs: readonly ReadLegs[];
  readonly obstacles: readonly Obstacle[];
  /** Conductor of a contact. */
  readonly of: ReadonlyMap<Contact, number>;
}

const ROW = 'row ';
const JOINT = 'joint ';
const rowKey = (row: string): string => ROW + row;
const jointKey = (joint: string): string => JOINT + joint;

/** The key of a place among the nodes of a network. */
export const placeKey = (place: Place): string => (place.kind === 'row' ? rowKey(place.row) : jointKey(place.joint));

const placeOf = (key: string): Place | null =>
  key.startsWith(ROW)
    ? { kind: 'row', row: key.slice(ROW.length) }
    : key.startsWith(JOINT)
      ? { kind: 'joint', joint: key.slice(JOINT.length) }
      : null;

class Connectivity {
  private readonly up = new Map<string, string>();

  root(place: string): string {
    const above = this.up.get(place);
    if (above === undefined) {
      this.up.set(place, place);
      return place;
    }
    return above === place ? place : this.root(above);
  }
  join(a: string, b: string): void {
    this.up.set(this.root(a), this.root(b));
  }
  places(): Iterable<string> {
    return this.up.keys();
  }
}

/**
 * @param cards by part: what its header looks like, and which of its terminals are one inside
 * @param leads those of the steps, which is what the maker will put in
 */
export function extract(layout: Layout, cards: ReadonlyMap<string, Card>, leads: readonly Lead[]): Extracted {
  const work = new Extraction(layout, cards);
  for (const seat of layout.seats) work.seat(seat);
  work.mate();
  const legs = leads.flatMap((lead) => work.lead(lead) ?? []);
  insideJoins(cards, work.contacts, work.copper);
  return gather(work.copper, work.contacts, legs, work.obstacles);
}

interface Legs {
  readonly lead: Lead;
  readonly places: [string, string];
}

/** What is found on the boards so far: seat by seat, then lead by lead. */
class Extraction {
  readonly copper = new Connectivity();
  readonly obstacles: Obstacle[] = [];
  readonly contacts = new Map<Contact, string>();
  private readonly inHole = new Map<string, Thing>();
  private readonly bodies: { part: string; box: Box }[] = [];
  private readonly wires = new Map<string, number>();
  private readonly grids: readonly Grid[];

  constructor(
    private readonly layout: Layout,
    private readonly cards: ReadonlyMap<string, Card>,
  ) {
    this.grids = layout.boards.map(({ grid }) => grid);
  }

  /** @returns the row that the hole is of; null where there is none */
  private plugIn(hole: string, what: Thing): string | null {
    const parsed = parseHole(hole);
    if (!parsed || !hasHole(this.grids, parsed)) {
      this.obstacles.push({ at: hole, why: { kind: 'no-hole', what, hole } });
      return null;
    }
    const there = this.inHole.get(hole);
    if (there) this.obstacles.push({ at: hole, why: { kind: 'hole-taken', what, there, hole } });
    this.inHole.set(hole, what);
    return rowKey(conductorOf(this.grids, parsed));
  }

  seat({ part, hole: at, turned }: Layout['seats'][number]): void {
    const card = this.cards.get(part);
    const footprint = card && footprintOf(card);
    const hole = parseHole(at);
    if (!card || !footprint || !hole) {
      this.obstacles.push({ at, why: { kind: 'no-stand', part } });
      return;
    }
    const placed = { hole, turned };
    for (const { terminal, place } of pinPlaces(footprint, placed)) {
      const pin = holeAt(this.grids, place);
      const key = keyOf(part, terminal);
      if (!pin) {
        this.obstacles.push({ at, why: { kind: 'pin-off-board', part, terminal } });
        continue;
      }
      const row = this.plugIn(holeName(pin), { kind: 'pin', part, terminal });
      this.contacts.set(key, `pin ${key}`);
      if (row) this.copper.join(`pin ${key}`, row);
    }
    const box = placedBox(footprint.body, placed);
    for (const other of this.bodies)
      if (meet(box, other.box)) this.obstacles.push({ at, why: { kind: 'one-place', part, other: other.part } });
    this.bodies.push({ part, box });
  }

  /** Headers that are plugged into sockets. */
  mate(): void {
    for (const { part, host, pairs } of this.layout.mated)
      for (const [own, other] of pairs) {
        this.contacts.set(keyOf(part, own), `pin ${keyOf(part, own)}`);
        // A socket is reached by what is in it alone: no hole and no lead says that it is there.
        if (!this.cards.get(host)?.carrier) this.contacts.set(keyOf(host, other), `pin ${keyOf(host, other)}`);
        this.copper.join(`pin ${keyOf(part, own)}`, `pin ${keyOf(host, other)}`);
      }
  }

  /** @returns the legs of a part that stands in the place of a lead */
  lead(lead: Lead): Legs | null {
    const isWire = lead.kind === 'lead' || lead.kind === 'own';
    const what: Thing = isWire ? { kind: 'lead', colour: lead.colour } : { kind: 'legs', value: lead.value };
    const [from, to] = [this.reach(lead.from, what), this.reach(lead.to, what)];
    if (!from || !to) return null;
    if (isWire) {
      this.copper.join(from, to);
      return null;
    }
    const places: [string, string] = [`leg ${lead.of}#1`, `leg ${lead.of}#2`];
    this.copper.join(places[0], from);
    this.copper.join(places[1], to);
    this.contacts.set(`${lead.of}#1`, places[0]).set(`${lead.of}#2`, places[1]);
    return { lead, places };
  }

  private reach(point: LeadPoint, what: Thing): string | null {
    switch (point.kind) {
      case 'hole':
        return this.reachHole(point.hole, what);
      case 'joint':
        return this.reachJoint(point.joint);
      default:
        return this.reachTerminal(point.part, point.terminal, what);
    }
  }

  private reachHole(at: string, what: Thing): string | null {
    const hole = parseHole(at);
    const place = hole && pointOfHole(hole);
    const under = place && this.bodies.find(({ box }) => covers(box, place));
    if (under) this.obstacles.push({ at, why: { kind: 'covered', what, hole: at, part: under.part } });
    return this.plugIn(at, what);
  }

  /** One more wire there. @returns how many */
  private count(key: string): number {
    const count = (this.wires.get(key) ?? 0) + 1;
    this.wires.set(key, count);
    return count;
  }

  private reachJoint(joint: string): string {
    const key = jointKey(joint);
    if (this.count(key) === JOINT_WAYS + 1) this.obstacles.push({ at: key, why: { kind: 'joint-full', joint } });
    return key;
  }

  private reachTerminal(part: string, id: string, what: Thing): string | null {
    const key = `pin ${keyOf(part, id)}`;
    const count = this.count(key);
    const card = this.cards.get(part);
    const terminal = card?.terminals.find((t) => t.id === id);
    if (!card || !terminal) {
      this.obstacles.push({ at: key, why: { kind: 'no-terminal', what, part, terminal: id } });
      return null;
    }
    const screw = card.headers.find((header) => header.id === terminal.header)?.kind === 'screw';
    const wires = screw ? SCREW_WIRES : 1;
    if (count === wires + 1)
      this.obstacles.push({ at: key, why: { kind: 'terminal-full', part, terminal: id, wires } });
    this.contacts.set(keyOf(part, id), key);
    return key;
  }
}

const meet = (a: Box, b: Box): boolean =>
  a.left < b.right - 1e-9 && b.left < a.right - 1e-9 && a.top < b.bottom - 1e-9 && b.top < a.bottom - 1e-9;

/** Grounds of one part are one inside it, and so are the pins of one name on a carrier. */
function insideJoins(cards: ReadonlyMap<string, Card>, contacts: Map<Contact, string>, copper: Connectivity): void {
  for (const [part, card] of cards) {
    const first = new Map<string, string>();
    for (const terminal of card.terminals) {
      const key = keyOf(part, terminal.id);
      const alike = card.carrier ? terminal.label : terminal.role === 'ground' && card.controller ? 'ground' : null;
      if (alike === null) continue;
      const other = first.get(alike);
      if (other) copper.join(`pin ${other}`, `pin ${key}`);
      else first.set(alike, key);
      if (!contacts.has(key)) contacts.set(key, `pin ${key}`);
    }
  }
}

function gather(
  copper: Connectivity,
  contacts: ReadonlyMap<Contact, string>,
  legs: readonly { lead: Lead; places: [string, string] }[],
  obstacles: readonly Obstacle[],
): Extracted {
  const index = new Map<string, number>();
  const found: { contacts: Contact[]; places: Place[] }[] = [];
  const at = (place: string): number => {
    const root = copper.root(place);
    const known = index.get(root) ?? found.push({ contacts: [], places: [] }) - 1;
    index.set(root, known);
    return known;
  };
  const of = new Map<Contact, number>();
  for (const [contact, place] of contacts) {
    const i = at(place);
    of.set(contact, i);
    found[i]?.contacts.push(contact);
  }
  for (const key of [...copper.places()]) {
    const place = placeOf(key);
    if (place) found[at(key)]?.places.push(place);
  }
  return {
    conductors: found,
    of,
    obstacles,
    legs: legs.map(({ lead, places }) => ({
      of: lead.of,
      kind: lead.kind,
      value: lead.value,
      on: [at(places[0]), at(places[1])],
      at: [lead.from, lead.to],
    })),
  };
}
