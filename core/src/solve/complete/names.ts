/** What choices, options and resources are called, and what there is of each resource. */
import type { Card } from '../../card/card.ts';
import type { Resource } from '../joint/problem.ts';

/** Names of choices. */
export const CHOICE = {
  part: (id: string) => `part:${id}`,
  bus: (id: string) => `bus:${id}`,
  extra: (id: string) => `extra:${id}`,
  slot: (id: string) => `slot:${id}`,
  /** Which translator takes a bus to a far rail. */
  side: (bus: string, far: string) => `side:${bus}:${far}`,
  /** What pulls a side of a bus up; `far` null on the controller's side. */
  pull: (bus: string, far: string | null) => `pull:${bus}:${far ?? 'near'}`,
  unit: (group: string) => `unit:${group}`,
  counter: (id: string) => `counter:${id}`,
  line: (wish: string) => `line:${wish}`,
  newSwitch: 'bus-switch',
} as const;

/** What choices compete for. */
export const RESOURCE = {
  /** mA; regulators that are not there take nothing */
  current: (rail: string, capacity: number): Resource => ({ id: `current:${rail}`, capacity }),
  /** The current of pins that share a limit, mA. */
  group: (id: string, capacity: number): Resource => ({ id: `group:${id}`, capacity }),
  /** The capacitance of a side of a bus, pF: the search compares capacities of about one size. */
  load: (bus: string, far: string | null, capacity: number): Resource => ({
    id: `load:${bus}:${far ?? 'near'}`,
    capacity,
  }),
  channels: (slot: string, { translator }: Card): Resource => ({
    id: `channels:${slot}`,
    capacity: translator?.channels.length ?? 0,
  }),
  address: (bus: string, address: number): Resource => ({
    id: `address:${bus}:${address}`,
    capacity: 1,
    kind: 'address',
  }),
  pin: (terminal: string): Resource => ({ id: `pin:${terminal}`, capacity: 1, kind: 'pin' }),
  unit: (peripheral: string): Resource => ({ id: `unit:${peripheral}`, capacity: 1, kind: 'unit' }),
  channel: (name: string): Resource => ({ id: `channel:${name}`, capacity: 1, kind: 'channel' }),
} as const;

export const ABSENT = 'absent';
/** The option of a part that is left out. */
export const LEFT_OUT = 'left-out';

export const isThere = (id: string): boolean => id !== ABSENT && id !== LEFT_OUT;
