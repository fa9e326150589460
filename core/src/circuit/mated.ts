/** Parts that plug into one another without a lead. */
import type { PartChoice } from '../plan/plan.ts';
import { carrierOf, printedNames } from './carrier.ts';
import type { Circuit, PartNode } from './model.ts';
import type { Netlist, NetNode } from './netlist-model.ts';

export interface MatedPart {
  readonly part: string;
  readonly host: string;
  /** Terminal of the part -> terminal of the host, pin by pin. */
  readonly pairs: readonly (readonly [string, string])[];
}

/** Whether a part stands in a socket of another. */
export const plugged = (circuit: Circuit, part: string): boolean => circuit.parts.get(part)?.choice?.on !== undefined;

export type Socket = NonNullable<PartChoice['on']>;

/** Pin by pin what the first header of a part meets in a socket of the host. */
function pairsIn(part: PartNode, host: PartNode, { at, turned, header: socket }: Socket): MatedPart['pairs'] {
  const [header] = part.card.headers;
  const own = part.card.terminals.filter((t) => t.header === header?.id);
  const last = Math.max(...own.map(({ position }) => position));
  return own.flatMap(({ id, position }) => {
    const there = at + (turned ? last - position : position - 1);
    const other = host.card.terminals.find((t) => t.header === socket && t.position === there);
    return other ? [[id, other.id] as const] : [];
  });
}

/** One pin of a part in a socket, what it meets there, and whether that is its own line. */
export interface MetPin {
  readonly own: string;
  readonly other: string;
  /** What the circuit has the other one on. */
  readonly theirs: NetNode | undefined;
  readonly mine: NetNode | undefined;
  readonly agrees: boolean;
}

const nodeOf = (netlist: Netlist, part: string, terminal: string) =>
  netlist.nodes.find(({ pins }) => pins.some((pin) => pin.part === part && pin.terminal === terminal));

export function metPins(netlist: Netlist, part: PartNode, host: PartNode, pairs: MatedPart['pairs']): MetPin[] {
  const role = (node: PartNode, id: string) => node.card.terminals.find((t) => t.id === id)?.role;
  // Of the grounds of a host one is wired; the others are the same inside.
  const ground = host.card.terminals
    .filter((t) => t.role === 'ground')
    .flatMap(({ id }) => nodeOf(netlist, host.id, id) ?? [])[0];
  return pairs.map(([own, other]) => {
    const mine = nodeOf(netlist, part.id, own);
    const theirs = nodeOf(netlist, host.id, other) ?? (role(host, other) === 'ground' ? ground : undefined);
    // A pin that is on nothing may meet whatever it likes, as long as that is on nothing, too.
    return { own, other, mine, theirs, agrees: mine?.id === theirs?.id };
  });
}

/** Every place in the sockets of a host in which all pins of a part's one header have a hole. */
export function socketPlaces(part: PartNode, host: PartNode): { on: Socket; pairs: MatedPart['pairs'] }[] {
  const [header, second] = part.card.headers;
  if (!header || second || header.kind !== 'male' || host.id === part.id) return [];
  const pins = part.card.terminals.filter((t) => t.header === header.id);
  return host.card.headers
    .filter(({ kind, rows }) => kind === 'female' && rows === header.rows)
    .flatMap(({ id: socket }) => {
      const length = Math.max(0, ...host.card.terminals.map((t) => (t.header === socket ? t.position : 0)));
      const starts = Array.from({ length: Math.max(0, length - pins.length + 1) }, (_, i) => i + 1);
      return starts
        .flatMap((at) => [false, true].map((turned) => ({ part: host.id, header: socket, at, turned })))
        .map((on) => ({ on, pairs: pairsIn(part, host, on) }))
        .filter(({ pairs }) => pairs.length === pins.length);
    });
}

/** Sockets of other parts in which every pin of a part meets its own line as the plan is: it needs no lead there. */
export function socketsFor(circuit: Circuit, netlist: Netlist, id: string): Socket[] {
  const part = circuit.parts.get(id);
  if (!part) return [];
  return [...circuit.parts.values()].flatMap((host) =>
    socketPlaces(part, host)
      .filter(({ pairs }) => metPins(netlist, part, host, pairs).every((m) => m.agrees))
      .map(({ on }) => on),
  );
}

/** Sources on a cable in a board's socket: their two wires meet its own, and no lead is needed. */
export function pluggedSources(circuit: Circuit): MatedPart[] {
  return [...circuit.feeds.values()].flatMap(({ part, supply, rail, by }): MatedPart[] => {
    const from = by === 'cable' && rail ? circuit.rails.get(rail) : undefined;
    const source = from && circuit.parts.get(from.part);
    const ground = (node: PartNode | undefined) => node?.card.terminals.find(({ role }) => role === 'ground')?.id;
    const [own, other] = [ground(source), ground(circuit.parts.get(part))];
    if (!from || !source || !own || !other) return [];
    const pairs = [
      [from.offer.terminal, supply.terminal],
      [own, other],
    ] as const;
    return [{ part: source.id, host: part, pairs }];
  });
}

/** True for a contact inside a socket or plug, which no lead and no probe reaches. */
export function inPlug(circuit: Circuit, pin: { readonly part: string; readonly terminal: string }): boolean {
  const card = circuit.parts.get(pin.part)?.card;
  const header = card?.terminals.find(({ id }) => id === pin.terminal)?.header;
  const kind = card?.headers.find(({ id }) => id === header)?.kind;
  return kind === 'socket' || kind === 'plug';
}

/** Header on header, as the plan says, and the controller in its carrier. */
export function matedPairs(circuit: Circuit): MatedPart[] {
  const stacked = [...circuit.parts.values()].flatMap((part): MatedPart[] => {
    const on = part.choice?.on;
    const host = on && circuit.parts.get(on.part);
    return on && host ? [{ part: part.id, host: host.id, pairs: pairsIn(part, host, on) }] : [];
  });
  const plugs = pluggedSources(circuit);
  const carrier = carrierOf(circuit);
  const { controller } = circuit;
  if (!carrier || !controller) return [...stacked, ...plugs];
  const names = printedNames(circuit);
  const pairs = controller.card.terminals.flatMap((t) => {
    const label = names?.get(t.id)?.name ?? t.label;
    return carrier.card.terminals.filter((c) => c.label === label).map((c) => [t.id, c.id] as const);
  });
  return [...stacked, ...plugs, { part: controller.id, host: carrier.part, pairs }];
}
