/** What came of completing a plan. */
import { piecesCost } from '../../buy/cost.ts';
import type { Library } from '../../card/library.ts';
import type { Result } from '../../check/result.ts';
import type { Verdict } from '../../check/standing.ts';
import type { Circuit } from '../../circuit/model.ts';
import { planChanges } from '../../plan/changes.ts';
import type { Plan } from '../../plan/plan.ts';
import { type SaidChange, describeChanges } from './describe.ts';
import { type Judged, grave } from './judged.ts';
import type { WhyNot } from './why-not.ts';

export interface Completion {
  readonly plan: Plan;
  readonly verdict: Verdict;
  /** From the plan that was given to this one. */
  readonly changes: readonly SaidChange[];
  /** Difference of the piece prices. */
  readonly cost: number;
  /** Parts and helpers more (or less). */
  readonly pieces: number;
  /** Dangers and faults that are left. That nothing would end them is not said: the search has limits. */
  readonly left: readonly Result[];
  /** What cannot be had together; where anything is said here the plan is the one that was given. */
  readonly why: readonly WhyNot[];
}

export function completionOf(
  before: Circuit,
  library: Library,
  { plan, circuit, verdict }: Judged,
  why: readonly WhyNot[],
): Completion {
  return {
    plan,
    verdict,
    changes: describeChanges(planChanges(before.plan, plan), before, circuit),
    cost: piecesCost(plan, library) - piecesCost(before.plan, library),
    pieces: plan.parts.length + plan.helpers.length - before.plan.parts.length - before.plan.helpers.length,
    left: grave(verdict),
    why,
  };
}
