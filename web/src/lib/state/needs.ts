/** Which cards can meet a need, and what rules the others out. */
import { disqualifies, type Card, type Library, type SenseNeed } from '@idle-breadboard/core';

export interface Candidates {
  readonly able: readonly Card[];
  /** How many are ruled out by each reason; other quantities are not counted. */
  readonly out: readonly { reason: 'range' | 'accuracy' | 'interval'; count: number }[];
}

export function candidates(library: Library, need: SenseNeed, years: number): Candidates {
  const able: Card[] = [];
  const out = { range: 0, accuracy: 0, interval: 0 };
  for (const card of library.values()) {
    const why = disqualifies(card, need, years);
    if (why === null) able.push(card);
    else if (why !== 'quantity') out[why] += 1;
  }
  return {
    able,
    out: (['range', 'accuracy', 'interval'] as const)
      .map((reason) => ({ reason, count: out[reason] }))
      .filter(({ count }) => count > 0),
  };
}

/** Quantities that some card measures, with their unit: what a sentence can ask for. */
export function quantities(library: Library): readonly { quantity: string; unit: string }[] {
  const all = [...library.values()].flatMap(({ measures }) =>
    measures.map(({ quantity, unit }) => ({ quantity, unit })),
  );
  return [...new Map(all.map((q) => [q.quantity, q])).values()].sort((a, b) => (a.quantity < b.quantity ? -1 : 1));
}
