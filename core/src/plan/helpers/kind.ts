/** What a kind of helper says of itself. Whatever reads helpers reads these, and knows no kind by its name. */
import type { Message, Text } from '../../quantity/message.ts';
import { keyOf } from '../ref.ts';
import type { PinChoice } from '../pin-choice.ts';

interface PortName {
  readonly part: string;
  readonly port: string;
}

/**
 * What becomes of each name in a helper: another one, or null where what it names is gone. `at` is the field that it stands in, for
 * messages about it.
 */
export interface Renaming {
  part(id: string, at: string): string | null;
  port(name: PortName, at: string): PortName | null;
  /** "part.rail" */
  rail(ref: string, at: string): string | null;
  /** A bus, or "part.port". */
  net(of: string, at: string): string | null;
  helper(id: string, at: string): string | null;
  card(id: string, at: string): string;
  pin(choice: PinChoice, at: string): PinChoice;
}

/** Leaves every name as it is. */
export const SAME: Renaming = {
  part: (id) => id,
  port: (name) => name,
  rail: (ref) => ref,
  net: (of) => of,
  helper: (id) => id,
  card: (id) => id,
  pin: (choice) => choice,
};

/** A line of a bus or port, on the controller's side or beyond a translator. */
export interface LineName {
  readonly of: string;
  readonly line: string;
  readonly beyond: string | undefined;
}

/** What a helper puts into the circuit: between what it stands, and how much it is. */
export type Leg =
  /** A resistor from a line to a rail. `divides`: a part whose resistance is the reading makes a divider with it. */
  | {
      readonly is: 'pull-up';
      readonly line: LineName;
      readonly rail: string;
      readonly ohms: number;
      readonly divides: boolean;
    }
  /** A resistor from a line to ground. */
  | { readonly is: 'pull-down'; readonly line: LineName; readonly ohms: number }
  /** A resistor in a line, before the part. */
  | { readonly is: 'in-line'; readonly part: string; readonly line: LineName; readonly ohms: number }
  /** Two resistors between an output and a pin. */
  | {
      readonly is: 'divider';
      readonly part: string;
      readonly port: string;
      readonly line: string;
      /** From the part to the pin, and from the pin to ground, Ω. */
      readonly upper: number;
      readonly lower: number;
    }
  /** A capacitor from a line to ground. */
  | {
      readonly is: 'line-capacitor';
      readonly part: string;
      readonly line: LineName;
      readonly farads: number;
      readonly card: string;
    }
  /** A capacitor across a supply of a part; of a polar one the long leg is on plus. */
  | {
      readonly is: 'supply-capacitor';
      readonly part: string;
      readonly supply: string;
      readonly farads: number;
      readonly polar: boolean;
      readonly card: string;
    }
  /** A diode across a coil, its ring end on plus. */
  | { readonly is: 'coil-diode'; readonly part: string; readonly card: string }
  /** A diode or switch in a feed. */
  | {
      readonly is: 'in-feed';
      readonly part: string;
      readonly supply: string;
      readonly rail: string;
      readonly card: string;
    };

/** How things of the plan are called, for the label of a helper. */
export interface Called {
  part(id: string): Text;
  rail(ref: string): Text;
  card(id: string): Text;
  line(of: string, line: string): Text;
}

interface AnyHelper {
  readonly id: string;
  readonly kind: string;
}

export interface HelperKind<Helper extends AnyHelper> {
  /** The helper with every name led through `to`; null where it makes no sense without one that is gone. */
  renamed(helper: Helper, to: Renaming): Helper | null;
  /** What it puts into the circuit; a translator is a part of its own and has none. */
  legs(helper: Helper): readonly Leg[];
  /** What it is and where, as data: "a series resistor of 470 Ω before the light". */
  label(helper: Helper, called: Called): Message;
}

/** A helper on a line that a part has for itself. */
interface OnPort extends PortName {
  readonly line: string;
}
export const ownLine = ({ part, port, line }: OnPort): LineName => ({ of: keyOf(part, port), line, beyond: undefined });

/** The helper on another port; null where that is gone. */
export function onPort<Helper extends OnPort>(helper: Helper, to: Renaming): Helper | null {
  const at = to.port({ part: helper.part, port: helper.port }, 'part');
  return at && { ...helper, ...at };
}
