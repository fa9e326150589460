/** The lines of a plan, each from the pin of the controller (or the channel of a bus switch) to the parts on it. */
import { legsIn, helpersOf } from '../plan/helpers.ts';
import { labelOf } from './label.ts';
import { type Text } from '../quantity/message.ts';
import type { Port } from '../card/port.ts';
import { isBusLine, isShared, PORT_LINES, type Ask } from '../card/protocol.ts';
import type { Bus, Plan } from '../plan/plan.ts';
import type { PinChoice } from '../plan/pin-choice.ts';
import type { PartNode } from './model.ts';
import { keyOf } from '../plan/ref.ts';

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

interface Own {
  readonly part: PartNode;
  readonly port: Port;
  readonly line: string;
  readonly choice: PinChoice | undefined;
  readonly beyond: string | null;
}

/** The input of a converter at the beginning of a line. */
function inputOf(part: PartNode | undefined, terminal: string | null): Trunk['from'] {
  const signal = part?.card.converter?.inputs.find(
    (id) => part.card.signals.find((s) => s.id === id)?.terminal === terminal,
  );
  return part && signal !== undefined ? { part, signal, upstream: null } : null;
}

function ownTrunk({ part, port, line, choice, beyond }: Own, parts: ReadonlyMap<string, PartNode>): Trunk {
  const own = part.card.ports.flatMap((p) => Object.keys(p.lines).filter((l) => !isBusLine(p.protocol, l)));
  const alone = own.length === 1;
  // Of several ports with one line each it is the port that tells them apart.
  const name = Object.keys(port.lines).length === 1 ? port.id : line;
  const from = choice?.on === undefined ? null : inputOf(parts.get(choice.on), choice.pin);
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
}

/** Buses first, each with all its lines, then the lines that parts have for themselves. */
export function deriveTrunks(plan: Plan, parts: ReadonlyMap<string, PartNode>): Trunk[] {
  const beyond = beyondOf(plan);
  // A translator's enable takes a pin only where it is to be switched.
  const ports = [...parts.values()].flatMap((part) =>
    part.card.ports.flatMap((port) => {
      const choice = part.choice?.ports[port.id];
      return part.helper && !choice ? [] : [{ part, port, choice }];
    }),
  );
  const onBus = (bus: string) => ports.filter(({ port, choice }) => isShared(port.protocol) && choice?.bus === bus);
  return [
    ...plan.buses.flatMap((bus) => busTrunks(plan, parts, bus, onBus(bus.id), beyond)),
    ...ports.flatMap(({ part, port, choice }) =>
      Object.keys(port.lines)
        .filter((line) => !isBusLine(port.protocol, line))
        .map((line) =>
          ownTrunk({ part, port, line, choice: choice?.lines?.[line], beyond: beyond(part.id, port.id, line) }, parts),
        ),
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
    const choice = bus.lines[line];
    return [
      {
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
        clock: clockOf(plan, bus),
        from: channelOf(plan, parts, bus, line),
        stations: members
          .filter(({ port }) => port.lines[line] !== undefined)
          .map(({ part, port }) => ({ part, port, beyond: beyond(part.id, port.id, line) })),
      },
    ];
  });
}

function channelOf(plan: Plan, parts: ReadonlyMap<string, PartNode>, bus: Bus, line: string): Trunk['from'] {
  const part = parts.get(bus.behind?.part ?? '');
  const channel = part?.card.busSwitch?.channels[bus.behind?.channel ?? -1];
  const signal = line === 'sda' ? channel?.sda : line === 'scl' ? channel?.scl : undefined;
  const upstream = upstreamOf(plan, bus);
  return part && signal ? { part, signal, upstream: upstream ? keyOf(upstream.id, line) : null } : null;
}
