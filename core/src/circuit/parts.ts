/** The parts of a plan with their cards, as they are wired and set. */
import type { Library } from '../card/library.ts';
import type { Plan } from '../plan/plan.ts';
import { inMode } from './mode.ts';
import type { PartNode } from './model.ts';
import { asPlaced } from './place.ts';
import { visits } from './programming.ts';
import { asFed } from './socket.ts';

/** Parts whose card is missing are left out: `referenceProblems` names those. What visits is no part of the build at work. */
export function partNodes(plan: Plan, library: Library): Map<string, PartNode> {
  const parts = new Map<string, PartNode>();
  for (const choice of plan.parts) {
    const card = visits(choice) ? undefined : library.get(choice.card);
    if (!card) continue;
    const seen = asFed(inMode(card, choice), asPlaced(plan, card, choice));
    parts.set(choice.id, { id: choice.id, label: choice.label, ...seen, helper: null });
  }
  return parts;
}
