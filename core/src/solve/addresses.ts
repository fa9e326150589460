/** Settles which part answers at which address on which bus: straps first, then further buses. */
import type { Library } from '../card/library.ts';
import { addEmptyBus, setAddress, setBus } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';

interface PortOnBus {
  readonly part: string;
  readonly port: string;
  readonly bus: string;
  readonly address: number | undefined;
  readonly options: readonly number[];
}

function portsOf(plan: Plan, library: Library): PortOnBus[] {
  return plan.parts.flatMap((part) =>
    (library.get(part.card)?.ports ?? []).flatMap((port) => {
      const choice = part.ports[port.id];
      if (port.protocol !== 'i2c' || !choice?.bus || !port.addresses) return [];
      const options = port.addresses.map(({ value }) => value);
      return [{ part: part.id, port: port.id, bus: choice.bus, address: choice.address ?? options[0], options }];
    }),
  );
}

/**
 * The plan with every I²C port at an address of its own on its bus. What is settled stays; a strap is moved before a
 * part is put on another bus, and a bus is added only when the others cannot hold it (matching by augmenting paths).
 */
export function settleAddresses(plan: Plan, library: Library): Plan {
  const ports = portsOf(plan, library);
  let next = plan;
  for (let extra = 0; extra <= ports.length; extra++) {
    const buses = next.buses.filter(({ protocol, behind }) => protocol === 'i2c' && !behind).map(({ id }) => id);
    const placed = place(ports, buses);
    if (placed) {
      return ports.reduce((p, port, i) => {
        const [bus = port.bus, address = port.address] = placed[i] ?? [];
        const moved = bus === port.bus ? p : setBus(p, port.part, port.port, bus);
        return address === undefined || address === port.address
          ? moved
          : setAddress(moved, port.part, port.port, address);
      }, next);
    }
    next = addEmptyBus(next, 'i2c').plan;
  }
  return plan;
}

function place(
  ports: readonly PortOnBus[],
  buses: readonly string[],
): (readonly [bus: string, address: number])[] | null {
  const held = new Map<string, number>();
  const at: (readonly [string, number] | undefined)[] = [];
  const wishes = ports.map((port) => {
    const order = [port.bus, ...buses.filter((bus) => bus !== port.bus)];
    const addresses = [...port.options].sort((a, b) => Number(b === port.address) - Number(a === port.address));
    return order.flatMap((bus) => addresses.map((address) => [bus, address] as const));
  });
  const put = (i: number, seen: Set<string>): boolean => {
    for (const wish of wishes[i] ?? []) {
      const key = wish.join();
      if (seen.has(key)) continue;
      seen.add(key);
      const holder = held.get(key);
      if (holder !== undefined && !put(holder, seen)) continue;
      held.set(key, i);
      at[i] = wish;
      return true;
    }
    return false;
  };
  if (!ports.every((_, i) => put(i, new Set()))) return null;
  return at.flatMap((wish) => (wish ? [wish] : []));
}
