import type { Card, Exclusion, Interval, Plan, SetFront, SetProgress } from '@idle-breadboard/core';

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
