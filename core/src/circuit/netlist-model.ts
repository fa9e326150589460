/** What must be joined with what, as a list of nodes and of parts with two legs between them. */
import { type Quantity, type Text } from '../quantity/message.ts';

export interface NodePin {
  readonly part: string;
  readonly terminal: string;
}

/** What a node is of: what is read of it is read here, and never in its id. */
export type NodeOf =
  | { readonly is: 'ground' }
  | { readonly is: 'rail'; readonly rail: string }
  /** What is fed through a contact, a diode, a fuse or a switch. */
  | { readonly is: 'behind' }
  | { readonly is: 'load'; readonly part: string; readonly port: string }
  /** A net, or what lies beyond a resistor in it. `of` and `line` are those of the net. */
  | { readonly is: 'line'; readonly net: string; readonly of: string; readonly line: string };

/** Ground, a supply rail, what is fed through a guard, or a line by its name. */
export interface NetNode {
  readonly id: string;
  readonly of: NodeOf;
  readonly label: Text;
  readonly role: 'ground' | 'supply' | 'signal';
  /** "sda", "data": what the colour goes by. */
  readonly line: string;
  /** The bus that the line belongs to. */
  readonly bus: string | null;
  /** Of a supply rail, V. */
  readonly voltage: number | undefined;
  readonly pins: readonly NodePin[];
}

/** A line goes by its net, however many resistors stand in it; anything else by its node. */
export const lineOf = ({ id, of }: NetNode): string => (of.is === 'line' ? of.net : id);

/** A helper with two legs. */
export interface TwoTerminal {
  /** The helper, or "helper/upper" and "helper/lower" of a divider. */
  readonly id: string;
  readonly kind: 'resistor' | 'diode' | 'switch' | 'capacitor';
  /** As it is said: "4.7 kΩ", the name of a card. */
  readonly value: Text | Quantity;
  /** Ω of a resistor. */
  readonly ohms: number | null;
  readonly card: string | null;
  /** Nodes of its two legs; of a polar one first the plain end or long leg. */
  readonly legs: readonly [string, string];
  /** Names of the legs where it matters which is which. */
  readonly polar: readonly [Text, Text] | null;
}

export interface Netlist {
  readonly nodes: readonly NetNode[];
  readonly twoTerminals: readonly TwoTerminal[];
}
