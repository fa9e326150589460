/** What was decided, put back into the plan. What did not have to change stays as it is. */
import type { Plan } from '../../plan/plan.ts';
import { decidedOf } from './decided.ts';
import { setPins, setTranslators } from './decode-helpers.ts';
import { addParts, addSegments, fedStanding } from './decode-parts.ts';
import { placeParts } from './decode-placing.ts';
import type { Encoding } from './encode.ts';
import { dropEmpty, settlePullUps } from './settle-pull-ups.ts';

/** @param taken index of the option of each choice */
export function decode(encoding: Encoding, taken: readonly number[]): Plan {
  const decided = decidedOf(encoding, taken);
  let plan = fedStanding(encoding);
  plan = addParts(encoding, decided, plan);
  plan = addSegments(encoding, decided, plan);
  plan = placeParts(encoding, decided, plan);
  plan = setTranslators(encoding, decided, plan);
  plan = setPins(encoding, decided, plan);
  return dropEmpty(encoding, settlePullUps(encoding, decided, plan));
}
