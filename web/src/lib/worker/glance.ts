/** What the shelf shows of a plan: its drawing, and how it stands. */
import type { Card } from '@idle-breadboard/core/card';
import type { Plan } from '@idle-breadboard/core/plan';

export interface Glance {
  /** An SVG of its own; empty where there is nothing to draw. */
  readonly svg: string;
  /** Dangers and faults. */
  readonly open: number;
  readonly proofs: number;
  readonly parts: number;
}

export interface GlanceWorker {
  /** @param night for a dark bench */
  glance(plan: Plan, cards: readonly Card[], night: boolean): Glance;
}
