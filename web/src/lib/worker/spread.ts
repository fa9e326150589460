import type { EdgeSpread } from '@idle-breadboard/core/circuit';
import type { PlanDocument } from '@idle-breadboard/core/plan';

export interface SpreadWorker {
  /** Draws every figure at random so many times and tells the rise times of a net. */
  spread(
    document: PlanDocument,
    net: string,
    draws: number,
    progress: (done: number) => void,
  ): EdgeSpread | null | Promise<EdgeSpread | null>;
}
