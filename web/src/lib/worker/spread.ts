import type { EdgeSpread, PlanDocument } from '@idle-breadboard/core';

export interface SpreadWorker {
  /** Draws every figure at random so many times and tells the rise times of a net. */
  spread(
    document: PlanDocument,
    net: string,
    draws: number,
    progress: (done: number) => void,
  ): EdgeSpread | null | Promise<EdgeSpread | null>;
}
