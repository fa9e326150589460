/** Whether the controller has a place on the carrier of the plan. */
import { carrierOf, printedNames } from '../../circuit/carrier.ts';
import type { Circuit } from '../../circuit/model.ts';
import type { WhyNot } from './why-not.ts';
import { tell } from './why-says.ts';

/** @returns what is to be said where the carrier has no place for the controller */
export function carrierProblem(circuit: Circuit): WhyNot | null {
  const on = carrierOf(circuit);
  if (!on || !circuit.controller || printedNames(circuit)) return null;
  const label = circuit.parts.get(on.part)?.label ?? on.card.name;
  const sentence = tell('hasNoPlaceWithout', { label, card: circuit.controller.card.name });
  return { sentence, members: [{ id: `part:${on.part}`, kind: 'part', label }], relaxations: [] };
}
