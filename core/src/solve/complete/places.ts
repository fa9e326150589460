/** Where a part can be: which way, on which bus, at which address. */
import type { Port } from '../../card/port.ts';
import { type SharedProtocol, isShared } from '../../card/protocol.ts';
import { eightBitOf } from '../../quantity/address.ts';
import type { Bench } from './alone.ts';
import type { Slot } from './slots.ts';
import { isThere } from './names.ts';
import type { Segment } from './segments.ts';
import type { PartOptions } from './ways.ts';

/** One place of a part on a bus. */
export interface Place {
  /** The option of the part that takes it. */
  readonly id: string;
  readonly part: PartOptions;
  /** Index of the way of wiring it. */
  readonly way: number;
  readonly segment: Segment;
  /** The rail beyond the translator that it hangs behind; null on the controller's side. */
  readonly far: string | null;
  readonly address: number | null;
}

/** The port of a part that is on a bus, if it has one. */
export const busPort = (part: PartOptions): (Port & { protocol: SharedProtocol }) | undefined =>
  part.node.card.ports.find((port): port is Port & { protocol: SharedProtocol } => isShared(port.protocol));

/** Addresses that a port may be given; where the plan has the 8-bit form of one of them, that one is meant. */
function addressesOf(part: PartOptions, port: Port): (number | null)[] {
  const known = port.addresses?.map(({ value }) => value) ?? [];
  const typed = part.choice.ports[port.id]?.address;
  const half = typed === undefined ? null : eightBitOf(typed, known);
  return half !== null ? [half] : known.length > 0 ? known : [null];
}

/** True for a part that something takes off the bus in turn: its address is nobody's alone, and it stays there. */
export const takesTurns = ({ circuit }: Bench, { choice }: PartOptions): boolean =>
  circuit.buses.some(({ members }) => members.some((m) => m.part === choice.id && m.selectors.length > 0));

/** Every place of every part that goes on a bus, in the order of its ways, its buses and its addresses. */
export function placesOf(bench: Bench, parts: readonly PartOptions[], segments: readonly Segment[]): Place[] {
  return parts.flatMap((part) => {
    const port = busPort(part);
    if (!port) return [];
    const addresses = addressesOf(part, port);
    const turns = takesTurns(bench, part);
    return part.ways.flatMap(({ wired: { through } }, way) =>
      segments.flatMap((segment): Place[] => {
        const { bus, protocol, behind } = segment;
        if (protocol !== port.protocol || (behind && through)) return [];
        if (turns && bus.id !== part.choice.ports[port.id]?.bus) return [];
        // A bus switch does not hang on its own channel.
        if (behind?.part === part.choice.id) return [];
        const far = through?.far ?? null;
        return addresses.map((address) => {
          const id = placedId({ way, bus: bus.id, address, slot: null });
          return { id, part, way, segment, far, address };
        });
      }),
    );
  });
}

/** A side of a bus: the controller's, or one beyond a translator. */
export interface Side {
  readonly segment: Segment;
  /** The rail beyond the translator; null on the controller's side. */
  readonly far: string | null;
  /** Parts that can be there, and their options there. */
  readonly users: ReadonlyMap<PartOptions, readonly string[]>;
  /** Of those the ones whose own pull-ups can serve it. */
  readonly pullers: ReadonlyMap<PartOptions, readonly string[]>;
}

function byPart(places: readonly Place[]): Map<PartOptions, string[]> {
  const found = new Map<PartOptions, string[]>();
  for (const { part, id } of places) found.set(part, [...(found.get(part) ?? []), id]);
  return found;
}

/** The sides that buses can have. Behind a bus switch there is the controller's alone. */
export function sidesOf(places: readonly Place[], segments: readonly Segment[], slots: readonly Slot[]): Side[] {
  const fars = [null, ...new Set(slots.map(({ far }) => far))];
  return segments.flatMap((segment) =>
    (segment.behind ? [null] : fars).map((far) => {
      const here = places.filter((place) => place.segment === segment && place.far === far);
      const pulling = here.filter(({ part, way }) => part.ways[way]?.canPull);
      return { segment, far, users: byPart(here), pullers: byPart(pulling) };
    }),
  );
}

/** Reading of an option of a part: which way, and for a part on a bus where and at which address. */
export interface Placed {
  readonly way: number;
  readonly bus: string | null;
  readonly address: number | null;
  /** The translator for lines of its own. */
  readonly slot: string | null;
}

export const placedId = ({ way, bus, address, slot }: Placed): string => JSON.stringify([way, bus, address, slot]);

export function readPlaced(id: string): Placed | null {
  if (!isThere(id) || id === '') return null;
  const [way, bus, address, slot] = JSON.parse(id) as [number, string | null, number | null, string | null];
  return { way, bus, address, slot };
}
