/** Nodes as they grow: a terminal that comes to two of them makes them one. */
import { pinGroundId, pinGrounds } from './pin-ground.ts';
import { keyOf, legKey, legOwner } from '../plan/ref.ts';
import { type Text, tells } from '../quantity/message.ts';
import { carrierOf, isFitted } from './carrier.ts';
import { type Circuit } from './model.ts';
import { type NetNode, type Netlist, type NodeOf, type NodePin, type TwoTerminal } from './netlist-model.ts';

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

export const tell = tells<CircuitNetlistSays>('circuit/netlist');

export const GROUND = 'ground';

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

export class Builder {
  readonly nodes = new Map<string, Draft>();
  readonly twoTerminals: TwoTerminal[] = [];
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

  /** A helper of several pieces has its own name for the first, and numbers the others. */
  legs(twoTerminal: TwoTerminal): void {
    const others = this.twoTerminals.filter(({ id }) => legOwner(id) === twoTerminal.id).length;
    const id = others === 0 ? twoTerminal.id : legKey(twoTerminal.id, String(others + 1));
    this.twoTerminals.push({ ...twoTerminal, id });
  }

  done(): Netlist {
    const twoTerminals = this.twoTerminals
      .map((l): TwoTerminal => ({ ...l, legs: [this.idOf(l.legs[0]), this.idOf(l.legs[1])] }))
      .filter(({ legs }) => legs.every((id) => this.nodes.has(id)) && legs[0] !== legs[1]);
    const onLegs = new Set(twoTerminals.flatMap(({ legs }) => legs));
    const count = (id: string) => twoTerminals.filter(({ legs }) => legs.includes(id)).length;
    return {
      twoTerminals,
      nodes: [...this.nodes.values()]
        .filter(({ id, pins }) => pins.size + count(id) > 1 || onLegs.has(id))
        .map(({ pins, ...rest }) => ({ ...rest, pins: [...pins.values()] })),
    };
  }
}

/** Parts that leads go to: not what a carrier brings, nor the carrier itself, whose pins stand for the controller's. */
export const isWired = (circuit: Circuit, part: string): boolean =>
  circuit.parts.has(part) && !isFitted(circuit, part) && carrierOf(circuit)?.part !== part;

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

export function groundNode(b: Builder, part: string): string {
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

const RAIL = 'rail:';

export const railId = (ref: string): string => `${RAIL}${ref}`;

/** What the checks call a node: a rail goes by its own name. */
export const subjectOf = (node: string): string => (node.startsWith(RAIL) ? node.slice(RAIL.length) : node);

export const switchedId = (part: string, supply: string | undefined): string => `switched:${keyOf(part, supply)}`;

export const behindId = ({ part, supply }: { part: string; supply: string }): string => `behind:${keyOf(part, supply)}`;

export function railNode(b: Builder, ref: string): string | null {
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
