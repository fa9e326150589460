/** The whole build as one picture: feeds as a tree, a row for each bus or line, a column for each place, a part where both meet. No geometry yet. */
import type { Severity } from '../check/result.ts';
import type { SharedProtocol } from '../card/protocol.ts';
import type { Text } from '../quantity/message.ts';

/** What of a finding stands in the picture: its shape, its figure, and how many more are at the same thing. */
export interface Mark {
  readonly severity: Severity;
  /** Of the worst finding there. */
  readonly key: string;
  readonly measured: number | null;
  readonly limit: number | null;
  readonly unit: string;
  readonly more: number;
}

/** Strokes tell the voltage without colour: one up to 3.6 V, two up to 5.5 V, three above; none where nothing is known. */
export type Strokes = 0 | 1 | 2 | 3;

export interface FeedNode {
  /** "part.rail" */
  readonly rail: string;
  readonly part: string;
  readonly label: Text;
  readonly strokes: Strokes;
  /** V, usual; null where nothing feeds it. */
  readonly volts: number | null;
  /** A at its highest, and what it may give. */
  readonly peak: number;
  readonly limit: number | null;
  /** °C inside what makes it; null where that is not known. */
  readonly inside: number | null;
  /** True for a rail that the controller's board makes. */
  readonly onHub: boolean;
  readonly mark: Mark | null;
  readonly into: readonly FeedNode[];
}

export interface Column {
  /** Name of the place; null where nobody said one. */
  readonly place: string | null;
  /** m of leads from the controller; null where it is not said. */
  readonly lead: number | null;
  readonly wet: boolean;
}

/** What stands on a line and parts it: what is beyond is seen through it. */
export interface Gate {
  readonly kind: 'translator' | 'switch' | 'driver' | 'relay' | 'divider';
  readonly part: string;
  readonly label: Text;
  /** Of a bus switch. */
  readonly channel: number | null;
  readonly mark: Mark | null;
}

export interface Tap {
  readonly part: string;
  readonly label: Text;
  readonly place: string | null;
  /** On a bus with addresses. */
  readonly address: number | null;
  readonly feed: { readonly rail: string; readonly volts: number | null; readonly strokes: Strokes } | null;
  /** The tightest margin of what is proved of it. */
  readonly margin: { readonly value: number; readonly unit: string } | null;
  /** What stands between the row's line and it. */
  readonly gates: readonly Gate[];
  /** Pins of its further lines, that have rows of their own. */
  readonly stubs: readonly string[];
  readonly mark: Mark | null;
}

export interface Row {
  /** "bus", or "part.port" of the part whose lines they are. */
  readonly id: string;
  readonly kind: 'bus' | 'line' | 'stub';
  readonly name: Text;
  readonly protocol: SharedProtocol | null;
  /** Hz */
  readonly clock: number | null;
  /** Labels of the pins, in the order of its lines; '' where none is chosen. */
  readonly pins: readonly string[];
  /** Lines in it. */
  readonly lines: number;
  /** The row that it hangs on through a gate. */
  readonly under: { readonly row: string; readonly gate: Gate } | null;
  readonly taps: readonly Tap[];
  readonly mark: Mark | null;
}

export interface Overview {
  readonly hub: {
    readonly part: string;
    readonly label: Text;
    readonly used: number;
    readonly pins: number;
    readonly mark: Mark | null;
  } | null;
  readonly feeds: readonly FeedNode[];
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
}
