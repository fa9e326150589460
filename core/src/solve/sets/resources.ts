/** Whether a controller has the pins and the buses for what a set asks. */
import type { Card } from '../../card/card.ts';
import type { Ask } from '../../card/protocol.ts';
import { pinCost } from '../../circuit/free-pins.ts';
import { functionsOf, instancesFor, type PinUse } from '../../circuit/pin-function.ts';
import type { PinWish } from '../../circuit/model.ts';
import { solvePins, type PinModel } from '../pins.ts';
import type { Demand } from './problem.ts';
import { peripheralOf } from '../../card/protocol.ts';

/**
 * The fewest buses on which every port finds an address that no other on its bus has; Infinity when a port has none.
 * Each address can be used once on each bus, so this is a matching of ports to addresses of that many places.
 */
export function busesFor(ports: readonly (readonly number[])[]): number {
  if (ports.length === 0) return 0;
  if (ports.some((options) => options.length === 0)) return Infinity;
  for (let buses = 1; buses <= ports.length; buses++) if (matched(ports, buses)) return buses;
  return ports.length;
}

function matched(ports: readonly (readonly number[])[], places: number): boolean {
  const held = new Map<number, number[]>();
  const place = (port: number, seen: Set<number>): boolean => {
    for (const address of ports[port] ?? []) {
      if (seen.has(address)) continue;
      seen.add(address);
      const holders = held.get(address) ?? [];
      if (holders.length < places) {
        held.set(address, [...holders, port]);
        return true;
      }
      for (const holder of holders) {
        if (!place(holder, seen)) continue;
        held.set(address, [...(held.get(address) ?? []).filter((p) => p !== holder), port]);
        return true;
      }
    }
    return false;
  };
  return ports.every((_, i) => place(i, new Set()));
}

/** Lines that a set of demands asks of pins, with the lines that several share counted once. */
function asksOf(demands: readonly Demand[], buses: number): { ask: Ask; group: string | null }[] {
  const out: { ask: Ask; group: string | null }[] = [];
  demands.forEach((demand, i) => {
    for (const { ask, group } of demand.asks) out.push({ ask, group: group === null ? null : `${i}/${group}` });
    for (let n = 0; n < demand.coils; n++) out.push({ ask: 'out', group: null });
  });
  if (demands.some(({ oneWire }) => oneWire)) out.push({ ask: 'inout', group: null });
  if (demands.some(({ spi }) => spi))
    out.push({ ask: 'spi.clk', group: 'spi' }, { ask: 'spi.in', group: 'spi' }, { ask: 'spi.out', group: 'spi' });
  for (let bus = 0; bus < buses; bus++) {
    out.push({ ask: 'i2c.sda', group: `bus ${bus}` }, { ask: 'i2c.scl', group: `bus ${bus}` });
  }
  return out;
}

/** Pins that a set may use without asking: none that is held at boot, none that flash, console or USB need. */
function openPins(controller: Card): PinUse[] {
  return (controller.controller?.pins ?? [])
    .filter(({ strap, reserved }) => !strap && !reserved)
    .map((pin) => ({ pin, label: pin.terminal, functions: functionsOf(controller, pin), wishes: [], led: true }));
}

/** Remembers what it was asked: a search asks the same question for thousands of sets. */
export function pinJudge(controller: Card): (demands: readonly Demand[], buses: number) => boolean {
  const pins = openPins(controller);
  const known = new Map<string, boolean>();
  return (demands, buses) => {
    if (!Number.isFinite(buses)) return false;
    const asks = asksOf(demands, buses);
    const groups = new Map<string, string>();
    for (const { ask, group } of asks) if (group !== null) groups.set(group, `${groups.get(group) ?? ''} ${ask}`);
    const key = [...asks.filter(({ group }) => group === null).map(({ ask }) => ask), ...groups.values()].sort().join();
    let answer = known.get(key);
    if (answer === undefined) known.set(key, (answer = asks.length <= pins.length && solvable(asks, pins)));
    return answer;
  };
}

function solvable(asks: readonly { ask: Ask; group: string | null }[], pins: readonly PinUse[]): boolean {
  const wishes = asks.map(({ ask, group }, i): PinWish => ({
    id: String(i),
    of: String(i),
    line: String(i),
    label: String(i),
    ask,
    pin: null,
    locked: false,
    weakPull: false,
    meant: false,
    frequency: null,
    group,
    net: '',
  }));
  const serves = wishes.map(({ ask }) => pins.map(({ functions }) => new Set(instancesFor(functions, ask))));
  const ids = [...new Set(asks.flatMap(({ group }) => group ?? []))];
  const groups = ids.map((id) => {
    const members = wishes.flatMap((wish, i) => (wish.group === id ? [i] : []));
    const options = members.map((i) => new Set(serves[i]?.flatMap((s) => [...s])));
    const instances = [...new Set(options.flatMap((o) => [...o]))].filter((x) => options.every((o) => o.has(x))).sort();
    return { id, kind: peripheralOf(wishes[members[0] ?? 0]?.ask), instances };
  });
  const model: PinModel = {
    wishes,
    pins,
    groups,
    cost: (wish, pin, instance) => {
      const can = serves[wish]?.[pin];
      const use = pins[pin];
      return can && use && (instance === null ? can.size > 0 : can.has(instance)) ? pinCost(use) : Infinity;
    },
  };
  return solvePins(model).ok;
}
