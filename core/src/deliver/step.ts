/** A step of the wiring. */
import type { Caution } from '../circuit/cautions.ts';
import type { Lead } from '../circuit/laid.ts';
import type { Message, Text } from '../quantity/message.ts';
import type { StepCheck } from './expect.ts';

export interface WiringLead extends Lead {
  /** From 1, in the order in which leads are put in: what stands at its ends in the drawing. */
  readonly number: number;
  readonly fromSays: Text;
  readonly toSays: Text;
}

/** What stands in the board, or lies beside it, after a step. */
export interface PutDown {
  readonly part: string;
  readonly label: Text;
  /** "first pin in e36, turned"; null for a part beside the boards. */
  readonly says: Message | null;
  /** Of a part on one wire: to be written on its lead. */
  readonly number?: string;
}

export const PHASES = ['board', 'helpers', 'part', 'bus', 'signal', 'look', 'supply', 'programming'] as const;
export type Phase = (typeof PHASES)[number];

export interface WiringStep {
  readonly key: string;
  readonly phase: Phase;
  readonly title: Text;
  readonly put: readonly PutDown[];
  readonly leads: readonly WiringLead[];
  /** What to look at or measure before going on. */
  readonly checks: readonly StepCheck[];
  /** What can hurt about the parts that are put down in this step. */
  readonly cautions: readonly Caution[];
  /** Ids of the plan that it is about. */
  readonly subjects: readonly string[];
}
