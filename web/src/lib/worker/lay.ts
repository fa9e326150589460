import type { PaperSize } from '../paper/pdf-page';
import type { Card } from '@idle-breadboard/core/card';
import type { LayoutProgress } from '@idle-breadboard/core/circuit';
import type { Build } from '@idle-breadboard/core/deliver';
import type { Plan } from '@idle-breadboard/core/plan';

/** What can be made of the build that was laid out last. */
export type BuildFile = 'wiring.csv' | 'parts.csv' | 'svg' | 'svg-mono' | 'sheet';

export interface LayWorker {
  /**
   * Lays a plan out and reads it back. A later call ends an earlier one, which then gives null.
   * @param cards null: those of the call before
   */
  lay(plan: Plan, cards: readonly Card[] | null, progress: (now: LayoutProgress) => void): Promise<Build | null>;
  /** What is being laid out is wanted no more. */
  drop(): void;
  /** Empty while nothing is laid out. */
  file(as: BuildFile): string;
  /** The plan for the bench as a PDF; null while nothing is laid out. */
  pdf(size: PaperSize): Promise<Uint8Array | null>;
}
