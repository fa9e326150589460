/** The parts of a plan with their cards, as they are wired and set. */
import type { Library } from '../card/library.ts';
import type { Card } from '../card/card.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { fewOfOwner } from '../quantity/memo.ts';
import { inMode } from './mode.ts';
import type { PartNode } from './model.ts';
import { asPlaced } from './place.ts';
import { visits } from './programming.ts';
import { asFed } from './socket.ts';

/** A part that is not changed stays the same object from one plan to the next. */
const nodeOf = fewOfOwner(
  (choice: PartChoice, [card]: readonly [Card, Plan['places'], Plan['needs'], boolean], plan: Plan): PartNode => {
    const seen = asFed(inMode(card, choice), asPlaced(plan, card, choice));
    return { id: choice.id, label: choice.label, ...seen, helper: null };
  },
);

/** Parts whose card is missing are left out: `referenceProblems` names those. What visits is no part of the build at work. */
export function partNodes(plan: Plan, library: Library): Map<string, PartNode> {
  const parts = new Map<string, PartNode>();
  for (const choice of plan.parts) {
    const card = visits(choice) ? undefined : library.get(choice.card);
    if (!card) continue;
    parts.set(choice.id, nodeOf(choice, [card, plan.places, plan.needs, choice.id === plan.controller], plan));
  }
  return parts;
}
