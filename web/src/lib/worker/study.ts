/** What one look at a plan gives: everything that the stations show. */
import type { Card } from '@idle-breadboard/core/card';
import type { Circuit } from '@idle-breadboard/core/circuit';
import type { Correction } from '@idle-breadboard/core/deliver';
import type { Named, Read } from '@idle-breadboard/core/files';
import type { Overview } from '@idle-breadboard/core/overview';
import type { PlanDocument, Plan } from '@idle-breadboard/core/plan';
import type { PinSolution, Answer, WhatIf } from '@idle-breadboard/core/solve';
import type { Result, Verdict } from '@idle-breadboard/core/verify';
import type { Packed } from './sharing';

/** What is written for the software of a build: what it must be told, and programs that try it. */
type ProgramFile = 'c' | 'python' | 'json' | 'overlay' | 'self-test-c' | 'self-test-python';

/** What a change of the plan does to its findings. */
export interface Effect {
  readonly status: Verdict['status'];
  /** Dangers and faults that are left. */
  readonly open: number;
  /** Hazards that are still to be read. */
  readonly unread: number;
  readonly ends: readonly Result[];
  readonly brings: readonly Result[];
}

export interface Study {
  readonly fingerprint: string;
  readonly circuit: Circuit;
  readonly verdict: Verdict;
}

export interface StudyWorker {
  /** What another house rule (or any other change) ends and brings. */
  compare(plan: Plan, cards: readonly Card[]): Effect | null;
  /** The picture of another plan. */
  picture(plan: Plan, cards: readonly Card[]): Promise<Overview>;
  /** @param cards null: those of the call before */
  study(plan: Plan, cards: readonly Card[] | null): Packed<Study>;
  /** The study of a plan that may be the next one; the one studied last stays that. */
  foresee(plan: Plan, cards: readonly Card[] | null): Packed<Study>;
  /**
   * Remedies of a finding of the plan studied last; null where something newer was asked meanwhile.
   * @param library null: that of the call before, here and below
   */
  remedies(finding: string, library: readonly Card[] | null): Promise<Answer | null>;
  /** What work one after the other would save on a rail of the plan studied last, A at the peak; null where nothing. */
  order(rail: string): Promise<{ readonly before: number; readonly after: number } | null>;
  /** Choices that would make the cells behind a rail of the plan studied last run longer. */
  whatIfs(rail: string, library: readonly Card[] | null): Promise<WhatIf[]>;
  /** Reads the text of a plan file. */
  read(text: string): Promise<Read<PlanDocument>>;
  /** The text of a plan file. */
  write(document: PlanDocument): Promise<string>;
  readPack(text: string): Promise<Read<readonly Card[]>>;
  writePack(cards: readonly Card[]): Promise<string>;
  /** A file for the software of the plan studied last. */
  programFile(as: ProgramFile, corrections: readonly Correction[]): Promise<string>;
  /** What its software must be told. */
  settings(corrections: readonly Correction[]): Promise<Named[]>;
  /** Pins for everything that is not locked. */
  assign(): Promise<{ solution: PinSolution; plan: Plan } | null>;
}
