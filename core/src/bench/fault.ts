/** What can be wrong with a build on the table, one thing at a time. */
import type { Message } from '../quantity/message.ts';

/**
 * - `open`: a lead is out, or broken inside
 * - `off-row`: an end of a lead is in the hole beside the one that is meant
 * - `crossed`: two leads to one part have changed places
 * - `reversed`: the same with supply and ground
 * - `unbridged`: two strips, or the halves of a split one, are not joined
 * - `no-ground`: a part of the build has lost its ground
 * - `missing`: a resistor or another part with two legs is not there
 * - `tenfold`: a resistor is ten times as large as meant
 * - `turned`: a part with a right and a wrong way round is in the wrong way
 * - `doubled`: the pull-up on a module is still joined, beside the one that is meant
 * - `wrong-rail`: a supply is taken from another rail
 * - `dead`: a part does nothing
 * - `strap`: an address setting is in another position
 * - `clone`: the part answers at an address that its card does not name
 * - `cold`: a joint with resistance
 */
export const FAULT_KINDS = [
  'open',
  'off-row',
  'crossed',
  'reversed',
  'unbridged',
  'no-ground',
  'missing',
  'tenfold',
  'turned',
  'doubled',
  'wrong-rail',
  'dead',
  'strap',
  'clone',
  'cold',
] as const;
export type FaultKind = (typeof FAULT_KINDS)[number];

/** A lead's end: 0 for `from`, 1 for `to`. */
export type EndIndex = 0 | 1;

/** What is done to the build as planned. */
export type Change =
  | { readonly kind: 'take-out'; readonly lead: string }
  | { readonly kind: 'move-end'; readonly lead: string; readonly end: EndIndex; readonly to: MovedTo }
  | {
      readonly kind: 'swap-ends';
      readonly leads: readonly [string, string];
      readonly ends: readonly [EndIndex, EndIndex];
    }
  | { readonly kind: 'turn'; readonly lead: string }
  | { readonly kind: 'resist'; readonly lead: string; readonly ohms: number }
  | { readonly kind: 'close-jumper'; readonly part: string; readonly signal: string }
  | { readonly kind: 'kill'; readonly part: string }
  | { readonly kind: 'address'; readonly part: string; readonly port: string; readonly value: number };

export type MovedTo =
  | { readonly kind: 'hole'; readonly hole: string }
  | { readonly kind: 'terminal'; readonly part: string; readonly terminal: string };

export interface Fault {
  /** Stable name. */
  readonly key: string;
  readonly kind: FaultKind;
  readonly changes: readonly Change[];
  /** Parts, leads and helpers that it is about. */
  readonly subjects: readonly string[];
  /** "The lead from a12 to b20 is out, or broken inside." */
  readonly says: Message;
  /** What mends it. */
  readonly mend: Message;
  /** How often it is met, against the others. */
  readonly prior: number;
}
