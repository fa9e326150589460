/** What a program must be told of a build, as data: each language writes the same list in its own way. */
import type { Text } from '../../quantity/message.ts';
import type { Formula } from './formula.ts';

/** What each kind of value is, which says how a language writes it. Names of pins are what the board prints. */
export const SETTING_KINDS = {
  pin: 'pin',
  rest: 'count',
  pullUp: 'flag',
  everyEdge: 'flag',
  frequency: 'real',
  bus: 'count',
  unit: 'text',
  clock: 'real',
  ownPulls: 'flag',
  behind: 'hex',
  channel: 'count',
  channelByte: 'hex',
  driver: 'pin',
  type: 'text',
  on: 'count',
  address: 'hex',
  number: 'text',
  noHold: 'flag',
  rate: 'count',
  mode: 'count',
  lights: 'count',
  register: 'hex',
  word: 'hex',
  bits: 'count',
  every: 'real',
  step: 'real',
  conversion: 'real',
  shortest: 'real',
  warmUp: 'real',
  burnIn: 'real',
  gain: 'real',
  offset: 'real',
  columns: 'count',
  rows: 'count',
  above: 'flag',
  level: 'real',
  endsAt: 'real',
  sticky: 'flag',
} as const;
export type SettingId = keyof typeof SETTING_KINDS;

export interface Setting {
  readonly id: SettingId;
  /** Which of several: a port, a word, a quantity. */
  readonly of?: string;
  readonly value: number | string | boolean;
  readonly unit?: string;
  /** Beside its value: the 8-bit form of an address, what a choice of a word means. */
  readonly note?: Text;
}

/** How a count of a converter becomes a reading. */
export interface Conversion {
  readonly quantity: string;
  readonly unit: string;
  readonly formula: Formula;
}

/** Everything about one line, bus, part or trigger. */
export interface SettingGroup {
  readonly kind: 'pin' | 'bus' | 'part' | 'trigger';
  /** Of the plan: "bus.line" or "part.port.line" for a line. */
  readonly id: string;
  readonly label: Text;
  /** What it is, in the words of its card. */
  readonly is: Text | null;
  readonly settings: readonly Setting[];
  readonly conversions: readonly Conversion[];
}
