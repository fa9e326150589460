/** What one look at a plan gives: everything that the stations show. */
import type {
  Card,
  PlanDocument,
  Read,
  Circuit,
  PartsList,
  PinSolution,
  Plan,
  Problem,
  Remedy,
  Verdict,
  WiringPlan,
} from '@idle-breadboard/core';

export interface Study {
  readonly fingerprint: string;
  readonly circuit: Circuit;
  readonly verdict: Verdict;
  readonly wiring: WiringPlan;
  readonly parts: PartsList;
}

export interface StudyWorker {
  /** @param cards null: those of the call before */
  study(plan: Plan, cards: readonly Card[] | null): Study;
  /** Remedies of a finding of the plan studied last. */
  remedies(finding: string, library: readonly Card[]): Remedy[];
  /** Reads the text of a plan file. */
  read(text: string): Read<PlanDocument>;
  /** The text of a plan file. */
  write(document: PlanDocument): string;
  readPack(text: string): Read<readonly Card[]>;
  writePack(cards: readonly Card[]): string;
  /** What the schema has against a card. */
  cardProblems(card: Card): readonly Problem[];
  /** A list of the plan studied last as a file for spreadsheets. */
  csv(of: 'wiring' | 'parts'): string;
  /** Pins for everything that is not locked. */
  assign(): { solution: PinSolution; plan: Plan } | null;
}
