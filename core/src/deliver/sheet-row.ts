/** A row of the bring-up sheet, and which proofs it answers. */
import type { Measurement } from '../bench/measurement.ts';
import { metaOf } from '../check/registry.ts';
import type { AnsweredBy, Result } from '../check/result.ts';
import type { Caution } from '../circuit/cautions.ts';
import type { LeadPoint } from '../circuit/laid.ts';
import { subjectOf } from '../circuit/netlist-builder.ts';
import { isOf } from '../plan/ref.ts';
import type { Text } from '../quantity/message.ts';
import type { Expected } from './expected.ts';

/** In this order: nothing is powered before it was measured without power. */
export const SHEET_PHASES = ['off', 'power', 'rest', 'scan', 'reading', 'edges'] as const;

export type SheetPhase = (typeof SHEET_PHASES)[number];

export interface SheetRow {
  /** Key of the measurement. */
  readonly key: string;
  readonly phase: SheetPhase;
  /** On the sheet; the others are asked for when they tell something. */
  readonly standard: boolean;
  /** From end to end of a lead, or of a part with two legs. */
  readonly lead?: true;
  /** Rules a short out. */
  readonly short?: true;
  /** Only a program reads it. */
  readonly program?: true;
  /** Put there by hand, anywhere: it answers no check. */
  readonly touched?: true;
  /** Where the two probes go; the black one may stay anywhere at ground. */
  readonly probes?: { readonly red: LeadPoint; readonly black: LeadPoint | null };
  readonly title: Text;
  /** What to do with which instrument. */
  readonly how: Text;
  readonly kind: Measurement['kind'];
  readonly subjects: readonly string[];
  /** A range, or the text that should be seen. */
  readonly expected: Expected | string;
}

export interface BringUpSheet {
  /** Where the black probe stays, in words. */
  readonly zero: Text;
  readonly rows: readonly SheetRow[];
  readonly cautions: readonly Caution[];
  /** Set where something has power before power is on, so that its leads have no row before power. */
  readonly live: boolean;
}

/** What a row answers when it shows what it should. */
function answers({ kind, phase }: SheetRow): AnsweredBy | null {
  if (kind === 'edge' || kind === 'scan') return kind;
  if (kind === 'amps') return 'current';
  if (phase === 'rest') return 'rest';
  return kind === 'volts' && phase === 'power' ? 'voltage' : null;
}

/** Keys of the passes that a row answers when what it shows is inside. */
export function answersOf(row: SheetRow, passes: readonly Result[]): string[] {
  if (row.touched) return [];
  const by = answers(row);
  if (by === null) return [];
  const about = row.subjects.map(subjectOf);
  const names = (subject: string) => about.some((id) => isOf(subject, id));
  return passes
    .filter(({ check, subjects }) => metaOf(check)?.answeredBy === by && subjects.some(names))
    .map(({ key }) => key);
}
