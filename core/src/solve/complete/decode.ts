/** What was decided, put back into the plan. What did not have to change stays as it is. */
import type { Plan } from '../../plan/plan.ts';
import { setPins, setTranslators } from './decode-helpers.ts';
import { addParts, addSegments, fedStanding } from './decode-parts.ts';
import { placeParts } from './decode-placing.ts';
import type { Encoding } from './encode.ts';
import { ABSENT } from './making.ts';
import { type Taken, dropEmpty, settlePullUps } from './settle-pull-ups.ts';

/** @param taken index of the option of each choice */
export function decode(encoding: Encoding, taken: readonly number[]): Plan {
  const ids = new Map(
    encoding.problem.choices.map(({ id, options }, c) => [id, options[taken[c] ?? -1]?.id ?? ABSENT] as const),
  );
  const of: Taken = (choice) => ids.get(choice) ?? null;
  let plan = fedStanding(encoding);
  plan = addParts(encoding, of, plan);
  plan = addSegments(encoding, of, plan);
  plan = placeParts(encoding, of, plan);
  plan = setTranslators(encoding, of, plan);
  plan = setPins(encoding, of, plan);
  return dropEmpty(encoding, settlePullUps(encoding, of, plan));
}
