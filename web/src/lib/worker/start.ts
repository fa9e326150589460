/** What is asked of the thread that finds whole sets for a brief. */
import type { Card } from '@idle-breadboard/core/card';
import type { Plan } from '@idle-breadboard/core/plan';
import type { Brief, FoundSet, Offers, OffersProgress } from '@idle-breadboard/core/solve';

export interface StartWorker {
  offers(id: string, brief: Brief, cards: readonly Card[], progress: (now: OffersProgress) => void): Offers;
  /** The plan that a set fills; null where nothing was picked that sets are searched for. */
  fill(id: string, brief: Brief, cards: readonly Card[], set: FoundSet | null): Plan;
}
