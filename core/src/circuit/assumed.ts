/** Lengths of leads that nobody has said: jumpers are taken, and what is proved by them says so. */
import { placeOf } from './place.ts';
import type { Circuit } from './model.ts';

/** True for a part at a place to which nobody has said how far it is, and whose leads nobody has measured either. */
export function isLeadAssumed(circuit: Circuit, part: string): boolean {
  const node = circuit.parts.get(part);
  const name = placeOf(circuit, part);
  if (!node?.choice || node.choice.lead !== undefined || name === null || node.choice.fittedOn !== undefined)
    return false;
  // The controller is where the leads begin.
  if (part === circuit.controller?.id) return false;
  return circuit.plan.places.find((place) => place.name === name)?.lead === undefined;
}
