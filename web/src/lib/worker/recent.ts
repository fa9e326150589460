/** The studies of the last few plans: who goes a step back, or takes what was pointed at, gets what is known. */
import type { Card } from '@idle-breadboard/core/card';
import { isSame, type Plan } from '@idle-breadboard/core/plan';

/** Steps back, and choices that are walked through. */
const MOST = 12;

export interface OfPlan {
  readonly plan: Plan;
  readonly cards: readonly Card[];
}

export class Recent<T extends OfPlan> {
  /** The latest last. */
  private kept: readonly T[] = [];

  find(plan: Plan, cards: readonly Card[]): T | null {
    const found = this.kept.findLast(
      (one) =>
        one.cards.length === cards.length && one.cards.every((card, i) => card === cards[i]) && isSame(one.plan, plan),
    );
    if (found) this.put(found);
    return found ?? null;
  }

  put(one: T): void {
    this.kept = [...this.kept.filter((other) => other !== one), one].slice(-MOST);
  }

  clear(): void {
    this.kept = [];
  }
}
