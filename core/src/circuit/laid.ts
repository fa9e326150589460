/** A build as it lies on the table: boards, what stands in which holes, and every lead from hole to hole. Plain data. */
import type { Box } from '../board/footprint.ts';
import type { Grid, Strip } from '../board/grid.ts';
import type { Message, Quantity, Text } from '../quantity/message.ts';
import type { LeadEnd } from '../card/kinds.ts';
import type { TwoTerminal } from './netlist-model.ts';

export interface LaidBoard {
  readonly card: string;
  readonly grid: Grid;
}

/** A part in the board. */
export interface Seated {
  readonly part: string;
  /** Hole of its first pin, as 1:a12. */
  readonly hole: string;
  readonly turned: boolean;
  /** Put there by the maker. */
  readonly pinned: boolean;
}

/** A part beside the boards, in steps of the grid like the holes. */
export interface Docked {
  readonly part: string;
  readonly box: Box;
}

/** A part in a socket of another. */
export interface Mated {
  readonly part: string;
  readonly host: string;
  /** Its terminal -> that of the host. */
  readonly pairs: readonly (readonly [string, string])[];
}

/** Where an end of a lead goes. */
export type LeadPoint =
  | { readonly kind: 'hole'; readonly hole: string }
  | { readonly kind: 'terminal'; readonly part: string; readonly terminal: string }
  /** A lever or soldered joint of bare wires. */
  | { readonly kind: 'joint'; readonly joint: string };

export interface Lead {
  readonly key: string;
  readonly from: LeadPoint;
  readonly to: LeadPoint;
  /** A jumper, a wire that the part itself ends in, or a part with two legs. */
  readonly kind: 'lead' | 'own' | TwoTerminal['kind'];
  readonly colour: string;
  readonly ends: readonly [LeadEnd, LeadEnd];
  /** "4.7 kΩ" for a resistor, the card's name for a diode. */
  readonly value: Text | Quantity;
  /** Node of a lead; helper of a part with two legs. */
  readonly of: string;
  /** m: what it has to reach. */
  readonly length: number;
  /** Cards of the kit that make it up; empty where no card of the plan does. */
  readonly kit: readonly { readonly card: string; readonly pieces: number }[];
}

export interface Layout {
  readonly boards: readonly LaidBoard[];
  readonly seats: readonly Seated[];
  readonly docked: readonly Docked[];
  readonly mated: readonly Mated[];
  readonly joints: readonly { readonly id: string; readonly node: string }[];
  readonly leads: readonly Lead[];
  /** What the long strips carry. */
  readonly strips: readonly { readonly board: number; readonly strip: Strip; readonly node: string }[];
  /** m of leads between holes, as the crow flies. */
  readonly length: number;
  /** Pairs of leads that cross on the board. */
  readonly crossings: number;
}

/** Why there is no layout. */
export interface NoLayout {
  readonly says: Message;
  readonly parts: readonly string[];
}

export type LayoutResult =
  { readonly ok: true; readonly layout: Layout } | { readonly ok: false; readonly why: NoLayout };

/** How far the search is: 0 to 1. */
export interface LayoutProgress {
  readonly share: number;
  /** m of leads in the best so far. */
  readonly length: number | null;
}
