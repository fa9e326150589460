/** Buses with the parts on them, and what can take each of those off. */
import { helpersOf } from '../plan/helpers.ts';
import type { BusNode, Member, PartNode, PowerGraph, Selector } from './model.ts';
import type { Topology } from './topology.ts';
import { beyondOf, clockOf, upstreamOf } from './trunks.ts';
import { keyOf } from '../plan/ref.ts';

export function deriveBuses({ plan, parts }: Topology, power: PowerGraph): BusNode[] {
  const beyond = beyondOf(plan);
  const gated = new Set(helpersOf(plan, 'translator').flatMap(({ id, gate }) => (gate ? [id] : [])));
  const members = new Map<string, Member[]>(plan.buses.map(({ id }) => [id, []]));
  const above = new Map(plan.buses.map((bus) => [bus.id, upstreamOf(plan, bus)?.id ?? null]));
  const channels = new Map(
    plan.buses.map(({ id, behind }) => [
      id,
      behind
        ? { part: behind.part, channel: isTogether(parts, behind.part) ? ('all' as const) : behind.channel }
        : null,
    ]),
  );
  for (const part of parts.values()) {
    for (const port of part.card.ports) {
      const choice = part.choice?.ports[port.id];
      if (!choice?.bus) continue;
      const line = Object.keys(port.lines)[0] ?? '';
      const behind = beyond(part.id, port.id, line);
      members.get(choice.bus)?.push({
        part: part.id,
        label: part.label,
        port: port.id,
        address: choice.address ?? port.addresses?.[0]?.value ?? null,
        options: port.addresses ?? [],
        beyond: behind,
        selectors: [
          ...(behind && gated.has(behind) ? [{ part: behind, channel: null }] : []),
          ...wayUp(choice.bus, above).flatMap((bus) => channels.get(bus) ?? []),
          ...supplySwitches(part, power),
        ],
      });
    }
  }
  return plan.buses.map((bus) => ({
    id: bus.id,
    name: bus.name,
    protocol: bus.protocol,
    clock: clockOf(plan, bus),
    behind: bus.behind ?? null,
    root: wayUp(bus.id, above).at(-1) ?? bus.id,
    members: members.get(bus.id) ?? [],
  }));
}

/** Whether the program keeps all used channels of a bus switch on at once. */
export const isTogether = (parts: ReadonlyMap<string, PartNode>, id: string): boolean =>
  Object.values(parts.get(id)?.choice?.ports ?? {}).some(({ together }) => together === true);

/** A bus and those above it, up to the one with pins. */
function wayUp(bus: string, above: ReadonlyMap<string, string | null>): string[] {
  const way: string[] = [];
  for (let at: string | null = bus; at !== null && !way.includes(at); at = above.get(at) ?? null) way.push(at);
  return way;
}

function supplySwitches(part: PartNode, power: PowerGraph): Selector[] {
  return part.card.supplies.flatMap(({ id }) => {
    const rail = power.feeds.get(keyOf(part.id, id))?.rail;
    return (rail && power.rails.get(rail)?.switches.map((by) => ({ part: by, channel: null }))) || [];
  });
}

/**
 * True when each of two parts at one address can be spoken to without the other answering: each has something that takes
 * it off the bus and leaves the other on.
 */
export function takesTurns(a: Member, b: Member): boolean {
  const alone = (one: Member, other: Member) =>
    one.selectors.some((s) => !other.selectors.some(({ part, channel }) => part === s.part && channel === s.channel));
  return alone(a, b) && alone(b, a);
}
