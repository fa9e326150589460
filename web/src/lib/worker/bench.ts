import type { Observation, Reading, ScopeEdge } from '@idle-breadboard/core/bench';
import type { Card } from '@idle-breadboard/core/card';
import type { BringUpSheet, SheetRow } from '@idle-breadboard/core/deliver';
import type { Plan } from '@idle-breadboard/core/plan';

/** A cause as it is shown: what it is, and what mends it. */
export interface Cause {
  readonly key: string;
  readonly says: string;
  readonly mend: string;
}

export interface Pointed {
  readonly suspects: readonly { readonly chance: number; readonly causes: readonly Cause[] }[];
  /** 0 to 1: nothing that is known. */
  readonly unknown: number;
  /** Rows that the likeliest cause does not explain. */
  readonly unexplained: readonly string[];
  /** Rows to measure next, the most telling first. */
  readonly next: readonly { readonly row: string; readonly bits: number; readonly seconds: number }[];
  /** Nothing that can be measured tells more. */
  readonly settled: boolean;
}

/** A line on the simulated build and on one in order, after somebody lets it go. */
export interface Look {
  readonly seen: ScopeEdge | null;
  readonly sound: ScopeEdge | null;
}

export interface BenchWorker {
  /** Lays the plan out and writes its sheet; null where there is no layout, or a newer plan came. */
  prepare(plan: Plan, cards: readonly Card[] | null): Promise<BringUpSheet | null>;
  /** Where probes can be put, besides holes. */
  places(): readonly string[];
  /** The row for two probes at typed places, or why there is none. */
  touch(kind: 'ohms' | 'volts', from: string, to: string): { readonly row: SheetRow } | { readonly says: string };
  /** Rows of keys that were touched before. */
  touched(keys: readonly string[]): readonly SheetRow[];
  /** A line on an oscilloscope at the simulated build. */
  look(net: string): Look | null;
  /** What the readings point to; the dictionary is made the first time, which takes some seconds. */
  find(observations: readonly Observation[], progress: (share: number) => void): Promise<Pointed | null>;
  /** Every fault that can be put in. */
  faults(): readonly Cause[];
  /** Puts a fault into the simulated build: by its key, drawn (null), or none (""). @returns whether there is one in it */
  put(fault: string | null, seed: number): Promise<boolean>;
  read(row: string): Reading | null;
  /** What a program on the controller would print that tries everything. */
  programText(): string;
  /** What the self-test of the plan would print on it; nothing where it does not run. @param fingerprint of the plan @param warm the part that is held in the hand */
  selfTestText(fingerprint: string, warm: string | null): string;
  /** What was hidden, and how few measurements could have told. */
  reveal(): { readonly cause: Cause | null; readonly fewest: number } | null;
}
