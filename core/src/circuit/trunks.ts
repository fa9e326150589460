/** The lines of a plan, each from the pin of the controller (or the channel of a bus switch) to the parts on it. */
import { legsIn, helpersOf } from '../plan/helpers.ts';
import { labelOf } from './label.ts';
import { type Text } from '../quantity/message.ts';
import type { Port } from '../card/port.ts';
import { isBusLine, isShared, PORT_LINES, type Ask } from '../card/protocol.ts';
import type { Bus, PartChoice, Plan } from '../plan/plan.ts';
import type { PinChoice } from '../plan/pin-choice.ts';
import type { PartNode } from './model.ts';
import { keyOf } from '../plan/ref.ts';
import { fewOfOwner, perOwner, perOwnerAndKey } from '../quantity/memo.ts';

/** A port of a part on a line. */
export interface Station {
  readonly part: PartNode;
  readonly port: Port;
  /** The translator or divider between it and the controller. */
  readonly beyond: string | null;
}

/** A line that will become one net, or one for each side of a translator or divider. */
export interface Trunk {
  readonly id: string;
  readonly of: string;
  readonly bus: string | null;
  readonly line: string;
  readonly label: Text;
  readonly protocol: Port['protocol'];
  readonly ask: Ask;
  readonly group: string | null;
  readonly pin: string | null;
  readonly locked: boolean;
  readonly weakPull: boolean;
  readonly meant: boolean;
  /** The rail that it is tied to in place of a pin, or ground. */
  readonly tied: string | null;
  readonly clock: number | null;
  /** The bus switch or converter at its beginning, in place of a pin. */
  readonly from: { readonly part: PartNode; readonly signal: string; readonly upstream: string | null } | null;
  readonly stations: readonly Station[];
}

/** What stands between the controller and a line: by "part.port" a translator, by "part.port.line" a divider. */
export function beyondOf(plan: Plan): (part: string, port: string, line: string) => string | null {
  const map = new Map<string, string>();
  for (const { id, ports } of helpersOf(plan, 'translator'))
    for (const { part, port } of ports) map.set(keyOf(part, port), id);
  for (const { helper, part, port, line } of legsIn(plan, 'divider')) map.set(keyOf(part, port, line), helper);
  return (part, port, line) => map.get(keyOf(part, port, line)) ?? map.get(keyOf(part, port)) ?? null;
}

/** Clock of a bus: its own, or that of the bus that it is a segment of. */
export function clockOf(plan: Plan, bus: Bus, guard = 0): number | null {
  const above = bus.behind && guard < 16 ? upstreamOf(plan, bus) : undefined;
  return bus.clock ?? (above ? clockOf(plan, above, guard + 1) : null);
}

/** The bus that a bus switch is spoken to on. */
export function upstreamOf(plan: Plan, bus: Bus): Bus | undefined {
  const part = plan.parts.find(({ id }) => id === bus.behind?.part);
  const id = Object.values(part?.ports ?? {}).find((choice) => choice.bus !== undefined)?.bus;
  return plan.buses.find((other) => other.id === id && other.id !== bus.id);
}

interface PartPort {
  readonly part: PartNode;
  readonly port: Port;
  readonly choice: PartChoice['ports'][string] | undefined;
}

const portsOf = perOwner((part: PartNode): readonly PartPort[] =>
  part.card.ports.flatMap((port) => {
    const choice = part.choice?.ports[port.id];
    return part.helper && !choice ? [] : [{ part, port, choice }];
  }),
);

/** Something of a part or bus that what is made of one of its lines is remembered with. */
const slotOf = perOwnerAndKey((_of: object, _line: string) => ({}));

/** What a line of a part's own follows from; last the converter that it is on. */
type Own = readonly [part: PartNode, port: Port, line: string, beyond: string | null, on: PartNode | undefined];

/** The input of a converter at the beginning of a line. */
function inputOf(part: PartNode | undefined, terminal: string | null): Trunk['from'] {
  const signal = part?.card.converter?.inputs.find(
    (id) => part.card.signals.find((s) => s.id === id)?.terminal === terminal,
  );
  return part && signal !== undefined ? { part, signal, upstream: null } : null;
}

const ownTrunk = fewOfOwner((_slot: object, [part, port, line, beyond, on]: Own): Trunk => {
  const choice: PinChoice | undefined = part.choice?.ports[port.id]?.lines?.[line];
  const own = part.card.ports.flatMap((p) => Object.keys(p.lines).filter((l) => !isBusLine(p.protocol, l)));
  const alone = own.length === 1;
  // Of several ports with one line each it is the port that tells them apart.
  const name = Object.keys(port.lines).length === 1 ? port.id : line;
  const from = choice?.on === undefined ? null : inputOf(on, choice.pin);
  return {
    id: keyOf(part.id, port.id, line),
    of: keyOf(part.id, port.id),
    bus: null,
    line,
    label: alone && !isShared(port.protocol) ? part.label : labelOf(part.label, name),
    protocol: port.protocol,
    ask: port.interrupts?.lines.includes(line) ? 'irq' : (PORT_LINES[port.protocol][line] ?? 'inout'),
    group: port.protocol === 'uart' ? keyOf(part.id, port.id) : null,
    pin: choice?.on === undefined && choice?.tied === undefined ? (choice?.pin ?? null) : null,
    locked: choice?.locked ?? false,
    weakPull: choice?.weakPull ?? false,
    meant: choice?.meant ?? false,
    tied: choice?.tied ?? null,
    clock: null,
    from,
    stations: [{ part, port, beyond }],
  };
});

/** Buses first, each with all its lines, then the lines that parts have for themselves. */
export function deriveTrunks(plan: Plan, parts: ReadonlyMap<string, PartNode>): Trunk[] {
  const beyond = beyondOf(plan);
  // A translator's enable takes a pin only where it is to be switched.
  const ports = [...parts.values()].flatMap(portsOf);
  const members = new Map<string, PartPort[]>();
  for (const of of ports) {
    const bus = isShared(of.port.protocol) ? of.choice?.bus : undefined;
    const there = bus === undefined ? undefined : members.get(bus);
    if (there) there.push(of);
    else if (bus !== undefined) members.set(bus, [of]);
  }
  return [
    ...plan.buses.flatMap((bus) => busTrunks(plan, parts, bus, members.get(bus.id) ?? [], beyond)),
    ...ports.flatMap(({ part, port, choice }) =>
      Object.keys(port.lines)
        .filter((line) => !isBusLine(port.protocol, line))
        .map((line) => {
          const on = choice?.lines?.[line]?.on;
          const at = on === undefined ? undefined : parts.get(on);
          return ownTrunk(slotOf(part, `${port.id} ${line}`), [part, port, line, beyond(part.id, port.id, line), at]);
        }),
    ),
  ];
}

function busTrunks(
  plan: Plan,
  parts: ReadonlyMap<string, PartNode>,
  bus: Bus,
  members: readonly { readonly part: PartNode; readonly port: Port }[],
  beyond: ReturnType<typeof beyondOf>,
): Trunk[] {
  if (members.length === 0) return [];
  return Object.entries(PORT_LINES[bus.protocol]).flatMap(([line, ask]): Trunk[] => {
    if (!isBusLine(bus.protocol, line)) return [];
    const stations = members
      .filter(({ port }) => port.lines[line] !== undefined)
      .map(({ part, port }) => ({ part, port, beyond: beyond(part.id, port.id, line) }));
    const above = {
      clock: clockOf(plan, bus),
      upstream: upstreamOf(plan, bus)?.id,
      behind: parts.get(bus.behind?.part ?? ''),
    };
    const given = [...Object.values(above), ...stations.flatMap(({ part, port, beyond: by }) => [part, port, by])];
    return [busTrunk(slotOf(bus, line), given, bus, line, ask, above, stations)];
  });
}

/** What a bus has from what it is a segment of. */
interface Above {
  readonly clock: number | null;
  readonly upstream: string | undefined;
  /** The bus switch. */
  readonly behind: PartNode | undefined;
}

const busTrunk = fewOfOwner(
  (
    _slot: object,
    _given: readonly unknown[],
    bus: Bus,
    line: string,
    ask: Ask,
    { clock, upstream, behind }: Above,
    stations: readonly Station[],
  ): Trunk => {
    const choice = bus.lines[line];
    return {
      id: keyOf(bus.id, line),
      of: bus.id,
      bus: bus.id,
      line,
      label: `${bus.name} ${line.toUpperCase()}`,
      protocol: bus.protocol,
      ask,
      group: bus.protocol === 'onewire' ? null : bus.id,
      pin: bus.behind ? null : (choice?.pin ?? null),
      locked: choice?.locked ?? false,
      weakPull: !bus.behind && (choice?.weakPull ?? false),
      meant: false,
      tied: null,
      clock,
      from: channelOf(bus, line, behind, upstream),
      stations,
    };
  },
);

function channelOf(bus: Bus, line: string, part: PartNode | undefined, upstream: string | undefined): Trunk['from'] {
  const channel = part?.card.busSwitch?.channels[bus.behind?.channel ?? -1];
  const signal = line === 'sda' ? channel?.sda : line === 'scl' ? channel?.scl : undefined;
  return part && signal ? { part, signal, upstream: upstream === undefined ? null : keyOf(upstream, line) } : null;
}
