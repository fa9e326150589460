/** Completing a plan, in a thread of its own: it can be stopped, and what is found first can be taken. */
import type { Card } from '@idle-breadboard/core/card';
import type { Plan } from '@idle-breadboard/core/plan';
import type { Completion, Progress } from '@idle-breadboard/core/solve';

export interface CompleteWorker {
  /** @param cards the plan's own first, then the catalogue's */
  complete(
    plan: Plan,
    cards: readonly Card[],
    library: readonly Card[],
    progress: (step: Progress) => void,
  ): Promise<Completion>;
  /** Goes on with the best so far. */
  enough(): void;
}
