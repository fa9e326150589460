/** What must be joined with what: the circuit as a list of nodes, and of parts with two legs between them. */
import { printedNames } from './carrier.ts';
import { carrierOf, isFitted } from './carrier.ts';
import { contactLoads } from './contact.ts';
import type { Circuit, Net, PartNode } from './model.ts';
import { wayOf } from './way.ts';
import { pinGroundId, pinGrounds } from './pin-ground.ts';
import { quantityOf, tells, type Text, type Quantity, wordOf } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface CircuitNetlistSays {
  readonly commonGround: null;
  readonly groundFrom: { pin: Text };
  readonly ground: { source: Text };
  readonly behindContact: { offer: Text; relay: Text };
  readonly behind: { offer: Text; by: Text; label: Text };
  readonly plainEnd: null;
  readonly ringEnd: null;
  readonly behindResistor: { net: Text };
  readonly to: { part: Text; driver: Text };
  readonly longLeg: null;
  readonly shortLeg: null;
}

const tell = tells<CircuitNetlistSays>('circuit/netlist');

export interface NodePin {
  readonly part: string;
  readonly terminal: string;
}

/** What a node is of: what is read of it is read here, and never in its id. */
type NodeOf =
  | { readonly is: 'ground' }
  | { readonly is: 'rail'; readonly rail: string }
  /** What is fed through a contact, a diode, a fuse or a switch. */
  | { readonly is: 'behind' }
  | { readonly is: 'load'; readonly part: string; readonly port: string }
  /** A net, or what lies beyond a resistor in it. `of` and `line` are those of the net. */
  | { readonly is: 'line'; readonly net: string; readonly of: string; readonly line: string };

/** Ground, a supply rail, what is fed through a guard, or a line by its name. */
export interface NetNode {
  readonly id: string;
  readonly of: NodeOf;
  readonly label: Text;
  readonly role: 'ground' | 'supply' | 'signal';
  /** "sda", "data": what the colour goes by. */
  readonly line: string;
  /** The bus that the line belongs to. */
  readonly bus: string | null;
  /** Of a supply rail, V. */
  readonly voltage: number | undefined;
  readonly pins: readonly NodePin[];
}

/** A line goes by its net, however many resistors stand in it; anything else by its node. */
export const lineOf = ({ id, of }: NetNode): string => (of.is === 'line' ? of.net : id);

/** A helper with two legs. */
export interface Legged {
  /** The helper, or "helper/upper" and "helper/lower" of a divider. */
  readonly id: string;
  readonly kind: 'resistor' | 'diode' | 'switch' | 'capacitor';
  /** As it is said: "4.7 kΩ", the name of a card. */
  readonly value: Text | Quantity;
  /** Ω of a resistor. */
  readonly ohms: number | null;
  readonly card: string | null;
  /** Nodes of its two legs; of a polar one first the plain end or long leg. */
  readonly legs: readonly [string, string];
  /** Names of the legs where it matters which is which. */
  readonly polar: readonly [Text, Text] | null;
}

export interface Netlist {
  readonly nodes: readonly NetNode[];
  readonly legged: readonly Legged[];
}

const GROUND = 'ground';
const pinKey = ({ part, terminal }: NodePin): string => keyOf(part, terminal);

interface Draft {
  id: string;
  of: NodeOf;
  label: Text;
  role: NetNode['role'];
  line: string;
  bus: string | null;
  voltage: number | undefined;
  pins: Map<string, NodePin>;
}

class Builder {
  readonly nodes = new Map<string, Draft>();
  readonly legged: Legged[] = [];
  /** Nodes that a pin made one: id -> the id that it goes by. */
  private readonly merged = new Map<string, string>();
  private readonly owner = new Map<string, string>();

  constructor(readonly circuit: Circuit) {}

  idOf(id: string): string {
    const up = this.merged.get(id);
    return up === undefined ? id : this.idOf(up);
  }

  node(id: string, make: Omit<Draft, 'id' | 'pins'>): string {
    const known = this.idOf(id);
    if (!this.nodes.has(known)) this.nodes.set(known, { ...make, id: known, pins: new Map() });
    return known;
  }

  /** A terminal that is on two nodes makes them one, as copper does. */
  pin(node: string, pin: NodePin): void {
    const id = this.idOf(node);
    const key = pinKey(pin);
    const before = this.owner.get(key);
    const other = before === undefined ? undefined : this.idOf(before);
    const draft = this.nodes.get(id);
    if (!draft) return;
    if (other !== undefined && other !== id) {
      const kept = this.nodes.get(other);
      for (const [k, p] of draft.pins) kept?.pins.set(k, p);
      this.nodes.delete(id);
      this.merged.set(id, other);
      return;
    }
    draft.pins.set(key, pin);
    this.owner.set(key, id);
  }

  legs(legged: Legged): void {
    this.legged.push(legged);
  }

  done(): Netlist {
    const legged = this.legged
      .map((l): Legged => ({ ...l, legs: [this.idOf(l.legs[0]), this.idOf(l.legs[1])] }))
      .filter(({ legs }) => legs.every((id) => this.nodes.has(id)) && legs[0] !== legs[1]);
    const onLegs = new Set(legged.flatMap(({ legs }) => legs));
    const count = (id: string) => legged.filter(({ legs }) => legs.includes(id)).length;
    return {
      legged,
      nodes: [...this.nodes.values()]
        .filter(({ id, pins }) => pins.size + count(id) > 1 || onLegs.has(id))
        .map(({ pins, ...rest }) => ({ ...rest, pins: [...pins.values()] })),
    };
  }
}

/** Parts that leads go to: not what a carrier brings, nor the carrier itself, whose pins stand for the controller's. */
const isWired = (circuit: Circuit, part: string): boolean =>
  circuit.parts.has(part) && !isFitted(circuit, part) && carrierOf(circuit)?.part !== part;

/**
 * Nodes in the order of the work: ground, rails from the source on, buses, lines. Pull-ups that sit on modules are no legs: they
 * come with the part. A pin that a carrier takes counts as the controller's.
 */
export function netlistOf(circuit: Circuit): Netlist {
  const b = new Builder(circuit);
  grounds(b);
  for (const ref of railOrder(circuit)) rail(b, ref);
  const nets = [...circuit.nets.filter(({ bus }) => bus !== null), ...circuit.nets.filter(({ bus }) => bus === null)];
  for (const net of nets) if (!net.ends.some(({ part }) => isFitted(circuit, part))) line(b, net);
  for (const net of nets) dividers(b, net);
  coils(b);
  capacitors(b);
  return b.done();
}

/** Sources first, then what is made from them. */
export function railOrder(circuit: Circuit): string[] {
  const depth = (ref: string, guard = 0): number => {
    const at = circuit.rails.get(ref);
    const from = at?.offer.from && circuit.feeds.get(keyOf(at.part, at.offer.from.supply))?.rail;
    return from && guard < 32 ? 1 + depth(from, guard + 1) : 0;
  };
  return [...circuit.rails.keys()].sort((a, b) => depth(a) - depth(b));
}

/** The ground that a part is on: that of the rest, or that of a source which is kept apart and alone feeds it. */
function groundOf(circuit: Circuit, part: string): string {
  const node = circuit.parts.get(part);
  const apart = (id: string) => circuit.parts.get(id)?.choice?.apart === true;
  if (apart(part)) return `${GROUND}:${part}`;
  const sources = new Set(
    (node?.card.supplies ?? []).flatMap(({ id }) => {
      const ref = circuit.feeds.get(keyOf(part, id))?.rail;
      return ref ? (circuit.rails.get(ref)?.source ?? []) : [];
    }),
  );
  const [only] = sources;
  return sources.size === 1 && only !== undefined && apart(only) ? `${GROUND}:${only}` : GROUND;
}

function groundNode(b: Builder, part: string): string {
  const pin = pinGrounds(b.circuit.parts, b.circuit.controller).find((on) => on.part.id === part);
  if (pin) {
    const low = b.node(pinGroundId(pin.pin), {
      of: { is: 'ground' },
      label: tell('groundFrom', { pin: pin.label }),
      role: 'ground',
      line: 'ground',
      bus: null,
      voltage: undefined,
    });
    b.pin(low, { part: b.circuit.controller?.id ?? '', terminal: pin.pin });
    return low;
  }
  const id = groundOf(b.circuit, part);
  const source = b.circuit.parts.get(id.slice(GROUND.length + 1));
  return b.node(id, {
    of: { is: 'ground' },
    label: source ? tell('ground', { source: source.label }) : tell('commonGround'),
    role: 'ground',
    line: 'ground',
    bus: null,
    voltage: undefined,
  });
}

function grounds(b: Builder): void {
  const { circuit } = b;
  const behindContact = new Set(contactLoads(circuit.parts.values()).map(({ load }) => load.id));
  const onPin = ({ choice }: PartNode) => choice?.ground !== undefined;
  // The ground that all share comes first: it is what everything is measured against.
  const order = [...circuit.parts.values()].sort((a, b) => Number(onPin(a)) - Number(onPin(b)));
  for (const part of order) {
    // A coil's minus goes to its driver, not to ground; only that of one behind a contact does.
    const coil = part.card.ports.some(({ protocol }) => protocol === 'coil');
    if (!isWired(circuit, part.id) || (coil && !behindContact.has(part.id))) continue;
    const own = part.card.terminals.filter(({ role }) => role === 'ground');
    // One ground of a controller is enough: they are one on its board.
    for (const { id } of part.card.controller ? own.slice(0, 1) : own)
      b.pin(groundNode(b, part.id), { part: part.id, terminal: id });
    const direction = directionOf(circuit, part);
    if (direction?.rail === null) b.pin(groundNode(b, part.id), { part: part.id, terminal: direction.terminal });
    for (const id of tiedTo(part, GROUND)) b.pin(groundNode(b, part.id), { part: part.id, terminal: id });
    // A part that lives on its data line has its supply terminal on ground.
    if (Object.values(part.choice?.ports ?? {}).some(({ parasite }) => parasite === true))
      for (const supply of part.card.supplies)
        if (part.choice?.feeds[supply.id] === undefined)
          b.pin(groundNode(b, part.id), { part: part.id, terminal: supply.terminal });
  }
}

/** Terminals of a part that are tied to its ground, or to one of its supplies. */
const tiedTo = ({ choice }: PartNode, to: string): string[] =>
  Object.entries(choice?.ties ?? {}).flatMap(([terminal, at]) => (at === to ? [terminal] : []));

/** Where the direction of a translator is tied: its low supply's rail, or ground where `rail` is null. */
function directionOf(circuit: Circuit, node: PartNode): { terminal: string; rail: string | null } | null {
  const { translator } = node.card;
  const far = circuit.nets.find(({ beyond }) => beyond === node.id);
  if (!node.helper || !translator?.direction || !far) return null;
  const low = node.choice?.feeds[translator.lowSupply] ?? null;
  const farIsHigh = node.helper.far !== low;
  const toHigh = (wayOf(far) === 'to') === farIsHigh;
  const supply = (translator.direction.toHigh === 'supply') === toHigh;
  return { terminal: translator.direction.terminal, rail: supply ? low : null };
}

const RAIL = 'rail:';
const railId = (ref: string): string => `${RAIL}${ref}`;
/** What the checks call a node: a rail goes by its own name. */
export const subjectOf = (node: string): string => (node.startsWith(RAIL) ? node.slice(RAIL.length) : node);

const switchedId = (part: string, supply: string | undefined): string => `switched:${keyOf(part, supply)}`;
const behindId = ({ part, supply }: { part: string; supply: string }): string => `behind:${keyOf(part, supply)}`;

function railNode(b: Builder, ref: string): string | null {
  const at = b.circuit.rails.get(ref);
  if (!at || !isWired(b.circuit, at.part)) return null;
  const known = b.nodes.has(b.idOf(railId(ref)));
  const id = b.node(railId(ref), {
    of: { is: 'rail', rail: ref },
    label: at.label,
    role: 'supply',
    line: 'supply',
    bus: null,
    voltage: at.voltage?.typ,
  });
  if (!known) b.pin(id, { part: at.part, terminal: at.offer.terminal });
  return b.idOf(id);
}

function rail(b: Builder, ref: string): void {
  const { circuit } = b;
  const contacts = contactLoads(circuit.parts.values());
  const id = railNode(b, ref);
  if (!id) return;
  for (const { part, supply, rail: own } of circuit.feeds.values()) {
    const fed = own === ref || circuit.parts.get(part)?.choice?.also?.[supply.id] === ref;
    if (!fed || !isWired(circuit, part)) continue;
    const pin = { part, terminal: supply.terminal };
    const node = circuit.parts.get(part);
    const ties = node ? tiedTo(node, supply.id).map((terminal) => ({ part, terminal })) : [];
    const contact = contacts.find((c) => c.load.id === part && c.supply === supply.id);
    if (contact) {
      b.pin(id, { part: contact.relay.id, terminal: contact.contact.common });
      const switched = b.node(switchedId(part, supply.id), {
        of: { is: 'behind' },
        label: tell('behindContact', { offer: circuit.rails.get(ref)?.offer.name ?? ref, relay: contact.relay.label }),
        role: 'supply',
        line: 'supply',
        bus: null,
        voltage: circuit.rails.get(ref)?.voltage?.typ,
      });
      b.pin(switched, { part: contact.relay.id, terminal: contact.terminal });
      b.pin(switched, pin);
      continue;
    }
    const guard = circuit.guards.find((g) => g.part === part && g.supply === supply.id && g.rail === ref);
    if (!guard) {
      for (const at of [pin, ...ties]) b.pin(id, at);
      continue;
    }
    const label = circuit.parts.get(part)?.label ?? part;
    const behind = b.node(behindId(guard), {
      of: { is: 'behind' },
      label: tell('behind', { offer: circuit.rails.get(ref)?.offer.name ?? ref, by: wordOf('guard', guard.by), label }),
      role: 'supply',
      line: 'supply',
      bus: null,
      voltage: circuit.rails.get(ref)?.voltage?.typ,
    });
    for (const at of [pin, ...ties]) b.pin(behind, at);
    b.legs({
      id: guard.helper,
      kind: guard.by,
      value: circuit.cards.get(guard.card)?.name ?? guard.by,
      ohms: null,
      card: guard.card,
      legs: [id, behind],
      polar: guard.by === 'diode' ? [tell('plainEnd'), tell('ringEnd')] : null,
    });
  }
  for (const node of circuit.parts.values()) {
    const tied = directionOf(circuit, node);
    if (tied?.rail === ref) b.pin(id, { part: node.id, terminal: tied.terminal });
  }
  // The enable of a translator that nothing switches is tied to the supply of its low side.
  for (const node of circuit.parts.values()) {
    const { translator } = node.card;
    const port = node.card.ports.find(({ id: p }) => p === translator?.enable);
    const signal = node.card.signals.find(({ id: s }) => s === Object.values(port?.lines ?? {})[0]);
    if (node.helper && !node.helper.gate && translator && signal && node.choice?.feeds[translator.lowSupply] === ref)
      b.pin(id, { part: node.id, terminal: signal.terminal });
  }
}

const netNode = (b: Builder, net: Net, id = net.id): string =>
  b.node(id, {
    of: { is: 'line', net: net.id, of: net.of, line: net.line },
    label: id === net.id ? net.label : tell('behindResistor', { net: net.label }),
    role: 'signal',
    line: net.line,
    bus: net.bus,
    voltage: undefined,
  });

function resistor(b: Builder, id: string, ohms: number, legs: readonly [string, string]): void {
  b.legs({
    id,
    kind: 'resistor',
    value: quantityOf(ohms, 'Ω'),
    ohms,
    card: b.circuit.plan.resistors,
    legs,
    polar: null,
  });
}

function line(b: Builder, net: Net): void {
  const pins = net.ends
    .filter((end) => !end.divider && end.terminal !== '' && isWired(b.circuit, end.part))
    .map(({ part, terminal }) => ({ part, terminal }));
  const near = netNode(b, net);
  const [first, ...rest] = pins;
  const series = net.series.filter(({ helper }) => {
    const own = b.circuit.plan.helpers.find(({ id }) => id === helper);
    return own?.kind !== 'series' || net.ends.some(({ part }) => part === own.part);
  });
  if (first) b.pin(near, first);
  let at = near;
  if (rest.length > 0)
    series.forEach(({ helper, ohms }, i) => {
      const next = netNode(b, net, `${net.id}~${i + 1}`);
      resistor(b, helper, ohms, [at, next]);
      at = next;
    });
  for (const pin of rest) b.pin(at, pin);
  for (const { helper, rail: ref, ohms } of net.pullUps) {
    const to = helper === null ? null : railNode(b, ref);
    if (helper !== null && to) resistor(b, helper, ohms.typ, [near, to]);
  }
  const fixed = net.fixed && railNode(b, net.fixed.rail);
  if (net.fixed && fixed) resistor(b, net.fixed.helper, net.fixed.ohms.typ, [near, fixed]);
  for (const { helper, ohms } of net.pullDowns)
    if (helper !== null) resistor(b, helper, ohms.typ, [near, groundNode(b, first?.part ?? '')]);
  for (const { helper, farads } of net.filters)
    capacitor(b, helper, farads, [near, groundNode(b, first?.part ?? '')], false);
}

/** The upper resistor stands between the part and the pin, the lower one between the pin and ground. */
function dividers(b: Builder, net: Net): void {
  for (const helper of b.circuit.plan.helpers) {
    if (helper.kind !== 'divider' || net.beyond !== helper.id) continue;
    const pin = b.circuit.nets.find(({ id }) => id === net.trunk);
    if (!pin) continue;
    const [above, below] = [netNode(b, net), netNode(b, pin)];
    resistor(b, `${helper.id}/upper`, helper.upper, [above, below]);
    resistor(b, `${helper.id}/lower`, helper.lower, [below, groundNode(b, helper.part)]);
  }
}

function coils(b: Builder): void {
  const { circuit } = b;
  for (const part of circuit.parts.values())
    for (const port of part.card.ports) {
      const driver = circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
      const minus = part.card.terminals.find(({ role }) => role === 'ground');
      if (driver?.card.contact && minus)
        diodes(b, part.id, groundNode(b, part.id), switchedId(part.id, part.card.supplies[0]?.id));
      if (port.protocol !== 'coil' || !driver?.card.driver || !minus) continue;
      const id = b.node(`load:${keyOf(part.id, port.id)}`, {
        of: { is: 'load', part: part.id, port: port.id },
        label: tell('to', { part: part.label, driver: driver.label }),
        role: 'signal',
        line: 'load',
        bus: null,
        voltage: undefined,
      });
      b.pin(id, { part: driver.id, terminal: driver.card.driver.terminal });
      b.pin(id, { part: part.id, terminal: minus.id });
      const [supply] = part.card.supplies;
      const feed = supply && circuit.feeds.get(keyOf(part.id, supply.id))?.rail;
      if (feed) diodes(b, part.id, id, railId(feed));
    }
}

/** Diodes across a coil: their ring end on its plus. */
function diodes(b: Builder, part: string, minus: string, plus: string): void {
  for (const helper of b.circuit.plan.helpers)
    if (helper.kind === 'diode' && helper.part === part)
      b.legs({
        id: helper.id,
        kind: 'diode',
        value: b.circuit.cards.get(helper.card)?.name ?? helper.card,
        ohms: null,
        card: helper.card,
        legs: [minus, plus],
        polar: [tell('plainEnd'), tell('ringEnd')],
      });
}

function capacitor(b: Builder, id: string, farads: number, legs: readonly [string, string], polar: boolean): void {
  const own = b.circuit.plan.helpers.find((helper) => helper.id === id);
  b.legs({
    id,
    kind: 'capacitor',
    value: quantityOf(farads, 'F'),
    ohms: null,
    card: own && 'card' in own ? own.card : null,
    legs,
    polar: polar ? [tell('longLeg'), tell('shortLeg')] : null,
  });
}

/** Capacitors across supplies. */
function capacitors(b: Builder): void {
  for (const helper of b.circuit.plan.helpers) {
    const feed = helper.kind === 'capacitor' && b.circuit.feeds.get(keyOf(helper.part, helper.supply));
    if (helper.kind !== 'capacitor' || !feed || !feed.rail) continue;
    const behind = behindId(helper);
    const plus = b.nodes.has(behind) ? behind : railId(feed.rail);
    capacitor(b, helper.id, helper.farads, [plus, groundNode(b, helper.part)], helper.polar);
  }
}

/** The terminal that a lead to a pin goes to: the carrier's where the controller sits in one. */
export function reachedAt(circuit: Circuit, pin: NodePin): readonly NodePin[] {
  const carrier = carrierOf(circuit);
  const controller = circuit.controller;
  if (!carrier || !controller || pin.part !== controller.id) return [pin];
  const label =
    printedNames(circuit)?.get(pin.terminal)?.name ??
    controller.card.terminals.find(({ id }) => id === pin.terminal)?.label;
  const at = carrier.card.terminals.filter((t) => t.label === label);
  return at.length > 0 ? at.map(({ id }) => ({ part: carrier.part, terminal: id })) : [pin];
}
