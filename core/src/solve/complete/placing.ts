/** Where a part can be: which way, on which bus, at which address. */
import type { Port } from '../../card/port.ts';
import { type SharedProtocol, isShared } from '../../card/protocol.ts';
import { eightBitOf } from '../../quantity/address.ts';
import { isThere } from './making.ts';
import type { Segment } from './segments.ts';
import type { PartOptions } from './ways.ts';

/** The port of a part that is on a bus, if it has one. */
export const busPort = (part: PartOptions): (Port & { protocol: SharedProtocol }) | undefined =>
  part.node.card.ports.find((port): port is Port & { protocol: SharedProtocol } => isShared(port.protocol));

/** Addresses that a port may be given; where the plan has the 8-bit form of one of them, that one is meant. */
export function addressesOf(part: PartOptions, port: Port): (number | null)[] {
  const known = port.addresses?.map(({ value }) => value) ?? [];
  const typed = part.choice.ports[port.id]?.address;
  const half = typed === undefined ? null : eightBitOf(typed, known);
  return half !== null ? [half] : known.length > 0 ? known : [null];
}

export const addressResource = (segment: Segment, address: number): string => `address:${segment.bus.id}:${address}`;

/** Options of a part in which it is on this side of the bus, by name. @param pulling only those in which its own pull-ups can serve */
export function optionsAt(
  part: PartOptions,
  { bus, protocol, behind }: Segment,
  far: string | null,
  pulling = false,
): string[] {
  const port = busPort(part);
  if (port?.protocol !== protocol) return [];
  return part.ways.flatMap(({ canPull, wired }, way) => {
    if ((pulling && !canPull) || (wired.through?.far ?? null) !== far) return [];
    if (behind && (wired.through || behind.part === part.choice.id)) return [];
    const addresses = addressesOf(part, port);
    return addresses.map((address) => placedId({ way, bus: bus.id, address, slot: null }));
  });
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
