/** Where a plan begins. */
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { emptyPlan } from './edits.ts';
import type { Plan } from './plan.ts';

const firstOf = (library: Library, kind: Card['kind']): string | null =>
  [...library.values()].find((card) => card.kind === kind)?.id ?? null;

/** A plan with what every bench has, and nothing in it. */
export function freshPlan(id: string, name: string, library: Library, stock: Plan['stock']): Plan {
  return {
    ...emptyPlan(id, name),
    boards: [...library.values()]
      .filter((card) => card.kind === 'board')
      .sort((a, b) => (b.board?.rows ?? 0) - (a.board?.rows ?? 0))
      .slice(0, 1)
      .map((card) => card.id),
    leads: [...library.values()].filter(({ kind }) => kind === 'leads' || kind === 'cable').map((card) => card.id),
    resistors: firstOf(library, 'resistor'),
    joint: firstOf(library, 'joint'),
    stock: { ...stock },
  };
}
