/**
 * Reads a finished layout as someone with a meter would: from the holes, strips, rows, legs, leads and sockets alone, without the
 * circuit that it was made for and without the numbers of the engine that made it.
 */
import type { Card } from '../card/card.ts';
import { footprintOf } from '../circuit/footprint.ts';
import { covers, pinPlaces, placedBox, type Box } from '../board/footprint.ts';
import { conductorOf, hasHole, holeAt, holeName, parseHole, pointOfHole } from '../board/grid.ts';
import { JOINT_WAYS, SCREW_WIRES } from '../standard/practice.ts';
import type { Layout, Lead, LeadPoint } from './layout.ts';

/** A terminal of a part, or the leg of a part with two legs as "helper#1". */
export type Contact = string;

export interface Conductor {
  readonly contacts: readonly Contact[];
  /** Rows, strips, joints and terminals that copper joins here. */
  readonly places: readonly string[];
}

export interface ReadLegs {
  readonly of: string;
  readonly kind: Lead['kind'];
  readonly value: string;
  /** Index of the conductor that each leg is on. */
  readonly on: readonly [number, number];
  readonly at: readonly [string, string];
}

/** Something that cannot be built. */
export interface Obstacle {
  readonly at: string;
  readonly says: string;
}

export interface Extracted {
  readonly conductors: readonly Conductor[];
  readonly legs: readonly ReadLegs[];
  readonly obstacles: readonly Obstacle[];
  /** Conductor of a contact. */
  readonly of: ReadonlyMap<Contact, number>;
}

class Copper {
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
  const grids = layout.boards.map(({ grid }) => grid);
  const copper = new Copper();
  const obstacles: Obstacle[] = [];
  const inHole = new Map<string, string>();
  const contacts = new Map<Contact, string>();
  const bodies: { part: string; box: Box }[] = [];

  const plugIn = (hole: string, what: string): string | null => {
    const parsed = parseHole(hole);
    if (!parsed || !hasHole(grids, parsed)) {
      obstacles.push({ at: hole, says: `${what} goes to ${hole}, which no board has` });
      return null;
    }
    const there = inHole.get(hole);
    if (there) obstacles.push({ at: hole, says: `${what} and ${there} are both in ${hole}` });
    inHole.set(hole, what);
    return `row ${conductorOf(grids, parsed)}`;
  };

  for (const seat of layout.seats) {
    const card = cards.get(seat.part);
    const footprint = card && footprintOf(card);
    const hole = parseHole(seat.hole);
    if (!card || !footprint || !hole) {
      obstacles.push({ at: seat.hole, says: `${seat.part} cannot stand on a board` });
      continue;
    }
    const placed = { hole, turned: seat.turned };
    for (const { terminal, place } of pinPlaces(footprint, placed)) {
      const at = holeAt(grids, place);
      const key = `${seat.part}.${terminal}`;
      if (!at) {
        obstacles.push({ at: seat.hole, says: `pin ${terminal} of ${seat.part} meets no hole` });
        continue;
      }
      const row = plugIn(holeName(at), key);
      contacts.set(key, `pin ${key}`);
      if (row) copper.join(`pin ${key}`, row);
    }
    const box = placedBox(footprint.body, placed);
    for (const other of bodies)
      if (meet(box, other.box))
        obstacles.push({ at: seat.hole, says: `${seat.part} and ${other.part} stand in one place` });
    bodies.push({ part: seat.part, box });
  }

  for (const { part, host, pairs } of layout.mated)
    for (const [own, other] of pairs) {
      contacts.set(`${part}.${own}`, `pin ${part}.${own}`);
      // A socket is reached by what is in it alone: no hole and no lead says that it is there.
      if (!cards.get(host)?.carrier) contacts.set(`${host}.${other}`, `pin ${host}.${other}`);
      copper.join(`pin ${part}.${own}`, `pin ${host}.${other}`);
    }

  const wires = new Map<string, number>();
  const reach = (point: LeadPoint, what: string): string | null => {
    if (point.kind === 'hole') {
      const hole = parseHole(point.hole);
      const place = hole && pointOfHole(hole);
      const under = place && bodies.find(({ box }) => covers(box, place));
      if (under) obstacles.push({ at: point.hole, says: `${what} goes to ${point.hole}, which ${under.part} covers` });
      return plugIn(point.hole, what);
    }
    const key = point.kind === 'joint' ? `joint ${point.joint}` : `pin ${point.part}.${point.terminal}`;
    const count = (wires.get(key) ?? 0) + 1;
    wires.set(key, count);
    if (point.kind === 'joint') {
      if (count === JOINT_WAYS + 1)
        obstacles.push({ at: key, says: `joint ${point.joint} takes ${JOINT_WAYS} wires, not more` });
      return key;
    }
    const card = cards.get(point.part);
    const terminal = card?.terminals.find(({ id }) => id === point.terminal);
    if (!card || !terminal) {
      obstacles.push({ at: key, says: `${what} goes to ${point.part}.${point.terminal}, which is not there` });
      return null;
    }
    const screw = card.headers.find(({ id }) => id === terminal.header)?.kind === 'screw';
    if (count === (screw ? SCREW_WIRES : 1) + 1)
      obstacles.push({
        at: key,
        says: `${terminal.label} of ${point.part} takes ${screw ? SCREW_WIRES : 'one lead'}, not more`,
      });
    contacts.set(`${point.part}.${point.terminal}`, key);
    return key;
  };

  const legs: { lead: Lead; places: [string, string] }[] = [];
  for (const lead of leads) {
    const what = lead.kind === 'lead' || lead.kind === 'own' ? `${lead.colour} lead` : lead.value;
    const [from, to] = [reach(lead.from, what), reach(lead.to, what)];
    if (!from || !to) continue;
    if (lead.kind === 'lead' || lead.kind === 'own') copper.join(from, to);
    else {
      const places: [string, string] = [`leg ${lead.of}#1`, `leg ${lead.of}#2`];
      copper.join(places[0], from);
      copper.join(places[1], to);
      contacts.set(`${lead.of}#1`, places[0]).set(`${lead.of}#2`, places[1]);
      legs.push({ lead, places });
    }
  }

  insideJoins(cards, contacts, copper);
  return gather(copper, contacts, legs, obstacles);
}

const meet = (a: Box, b: Box): boolean =>
  a.left < b.right - 1e-9 && b.left < a.right - 1e-9 && a.top < b.bottom - 1e-9 && b.top < a.bottom - 1e-9;

/** Grounds of one part are one inside it, and so are the pins of one name on a carrier. */
function insideJoins(cards: ReadonlyMap<string, Card>, contacts: Map<Contact, string>, copper: Copper): void {
  for (const [part, card] of cards) {
    const first = new Map<string, string>();
    for (const terminal of card.terminals) {
      const key = `${part}.${terminal.id}`;
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
  copper: Copper,
  contacts: ReadonlyMap<Contact, string>,
  legs: readonly { lead: Lead; places: [string, string] }[],
  obstacles: readonly Obstacle[],
): Extracted {
  const index = new Map<string, number>();
  const found: { contacts: Contact[]; places: string[] }[] = [];
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
  for (const place of [...copper.places()])
    if (!place.startsWith('leg ') && !place.startsWith('pin ')) found[at(place)]?.places.push(place);
  return {
    conductors: found,
    of,
    obstacles,
    legs: legs.map(({ lead, places }) => ({
      of: lead.of,
      kind: lead.kind,
      value: lead.value,
      on: [at(places[0]), at(places[1])],
      at: [sayPoint(lead.from), sayPoint(lead.to)],
    })),
  };
}

const sayPoint = (point: LeadPoint): string =>
  point.kind === 'hole'
    ? point.hole
    : point.kind === 'joint'
      ? `joint ${point.joint}`
      : `${point.part}.${point.terminal}`;
