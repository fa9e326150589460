import type { Card } from '@idle-breadboard/core/card';
import type { Interval } from '@idle-breadboard/core/figures';
import type { Plan } from '@idle-breadboard/core/plan';
import type { Exclusion, SetFront, SetProgress } from '@idle-breadboard/core/solve';

export interface SetsWorker {
  /**
   * @param controllers ids of the controllers that may be chosen
   * @param standing voltages of rails that the plan has besides the controller's
   */
  search(
    plan: Plan,
    cards: readonly Card[],
    controllers: readonly string[],
    standing: readonly Interval[],
    progress: (now: SetProgress) => void,
  ): { front: SetFront; exclusion: Exclusion | null } | Promise<{ front: SetFront; exclusion: Exclusion | null }>;
}
