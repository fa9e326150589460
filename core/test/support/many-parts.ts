/** Plans of many parts on a board with pins for them: what a large build asks of the search. */
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { library } from './demo.ts';

/** Kinds of parts that a large build has several of: some share a bus, some want a pin each. */
const MANY = [
  'humid-strap',
  'probe-food',
  'probe-food',
  'probe-food',
  'light-digital',
  'baro-plain',
  'display-text-5v',
  'door-reed',
  'door-reed',
  'motion-mini',
  'humid-fixed',
  'light-red',
  'button',
  'buzzer',
];
/** Of those with a fixed address a build has no more than it has ways out. */
const MOST: Readonly<Record<string, number>> = {
  'humid-fixed': 2,
  'display-text-5v': 1,
  'light-digital': 2,
  'baro-plain': 2,
  'humid-strap': 2,
};

/** Parts are added as a maker adds them; addresses and rails are then found to quarrel. */
export function manyParts(seed: number, count: number): PlanDocument {
  const random = randomFrom(seed * 7919);
  let plan: Plan = { ...emptyPlan('many', 'many'), resistors: 'resistors-e12', boards: ['board-full'] };
  const counts = new Map<string, number>();
  const add = (id: string) => {
    const card = library.get(id);
    if (card) plan = addPart(deriveCircuit(documentOf(plan, [], library)), library, card).plan;
  };
  for (const id of ['adapter-12v', 'buck-5v', 'stick-board']) add(id);
  while (plan.parts.length < count + 3) {
    const id = MANY[Math.floor(random() * MANY.length)] ?? 'door-reed';
    if ((counts.get(id) ?? 0) >= (MOST[id] ?? count)) continue;
    counts.set(id, (counts.get(id) ?? 0) + 1);
    add(id);
  }
  return documentOf(plan, [], library);
}
