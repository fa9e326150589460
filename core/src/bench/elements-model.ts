/** What an electrical model of a laid-out build is made of. */
import type { NetEnd } from '../circuit/model.ts';
import type { Network } from '../physics/network.ts';
import type { Electrical } from './usual.ts';

/** A source of voltage, or a regulator with what it is made from. */
export interface Regulator {
  /** "part.rail" */
  readonly key: string;
  readonly plus: number;
  readonly minus: number;
  /** V */
  readonly volts: number;
  /** A that it gives at most before its voltage falls. */
  readonly limit: number;
  /** Ω of a source behind its voltage. */
  readonly ohms: number;
  /** Missing for a source. */
  readonly from?: {
    readonly plus: number;
    readonly minus: number;
    readonly by: 'linear' | 'switching';
    readonly dropout: number;
    readonly efficiency: number;
  };
}

/** A switch in a rail that a line of its part switches. */
export interface RailSwitch {
  readonly key: string;
  readonly from: number;
  readonly to: number;
  readonly gate: number;
  readonly ground: number;
  readonly onHigh: boolean;
}

/** An end of a line: where it is, and between which nodes it works. */
export interface LineEnd {
  readonly key: string;
  readonly part: string;
  readonly node: number;
  readonly ground: number;
  /** Node of the supply that its levels hold on. */
  readonly power: number;
  readonly kind: NetEnd['kind'];
  readonly electrical: Electrical;
}

export type Resistor = Network['resistors'][number];

export interface Elements {
  /** Held in every state. */
  readonly resistors: readonly Resistor[];
  /** What a part draws of its supply, apart, since it is there only under power. */
  readonly loads: readonly Resistor[];
  readonly diodes: Network['diodes'];
  readonly transistors: Network['transistors'];
  readonly regulators: readonly Regulator[];
  readonly switches: readonly RailSwitch[];
  /** By "part.signal"; of the controller by "part.terminal". */
  readonly ends: ReadonlyMap<string, LineEnd>;
  /** Contacts: "part.signal" -> its two nodes. */
  readonly contacts: ReadonlyMap<string, readonly [number, number]>;
  /** Pulls of the controller's own that the plan has on, by the key of the pin. */
  readonly weak: ReadonlyMap<string, Resistor>;
  /** Ω of a pull of the controller's own. */
  readonly ownPull: number;
  readonly channels: readonly { part: string; channel: number; pairs: readonly (readonly [number, number])[] }[];
}
