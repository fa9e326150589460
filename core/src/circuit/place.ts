/** Where a part is, and how far that is. */
import type { Card } from '../card/card.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { JUMPER_LENGTH } from '../standard/common-practice.ts';
import type { Circuit } from './model.ts';

/** The place of a part: its own, or that of its first need with one. */
function placeIn(plan: Plan, choice: PartChoice): string | null {
  if (choice.place) return choice.place;
  for (const id of choice.needs) {
    const need = plan.needs.find((n) => n.id === id);
    if (need && 'place' in need && need.place) return need.place;
  }
  return null;
}

export function placeOf(circuit: Pick<Circuit, 'parts' | 'plan'>, part: string): string | null {
  const choice = circuit.parts.get(part)?.choice;
  return choice ? placeIn(circuit.plan, choice) : null;
}

/**
 * A part with the leads that its place asks for, where nobody has said how long its own are: what is left of the way when
 * the wires that it brings end. What is plugged in has none, and the controller is where they begin.
 */
export function asPlaced(plan: Plan, card: Card, choice: PartChoice): PartChoice {
  const stays = choice.id === plan.controller || choice.on !== undefined || choice.fittedOn !== undefined;
  if (choice.lead !== undefined || stays) return choice;
  const name = placeIn(plan, choice);
  const away = plan.places.find((place) => place.name === name)?.lead;
  if (away === undefined) return choice;
  const own = Math.max(0, ...card.terminals.map(({ lead }) => lead?.length ?? 0));
  return { ...choice, lead: Math.max(JUMPER_LENGTH, away - own) };
}
