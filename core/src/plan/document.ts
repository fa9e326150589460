import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { namesOf } from './helpers.ts';
import type { Plan } from './plan.ts';

/** A plan with the cards that it uses: what is stored, sent to the worker and written to a file. */
export interface PlanDocument {
  readonly plan: Plan;
  readonly cards: readonly Card[];
}

/** Ids of all cards that a plan names, each once, sorted. */
export function usedCards(plan: Plan): string[] {
  const ids = new Set<string>(plan.leads);
  for (const part of plan.parts) ids.add(part.card);
  for (const helper of plan.helpers) for (const id of namesOf(helper).cards) ids.add(id);
  for (const id of plan.boards) ids.add(id);
  for (const id of [plan.resistors, plan.joint]) if (id) ids.add(id);
  return [...ids].sort();
}

/**
 * The document of a plan: its own versions of the cards first, the rest from the library.
 * A card that neither has is left out; `referenceProblems` names it.
 */
export function documentOf(plan: Plan, own: Iterable<Card>, library?: Library): PlanDocument {
  const mine = new Map<string, Card>();
  for (const card of own) {
    const wanted = plan.revisions[card.id];
    // Of several revisions the first is the one that the plan came with.
    if (wanted === undefined ? !mine.has(card.id) : card.revision === wanted) mine.set(card.id, card);
  }
  const cards = usedCards(plan).flatMap((id) => mine.get(id) ?? library?.get(id) ?? []);
  return { plan, cards };
}
