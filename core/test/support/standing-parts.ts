/** Plans of many parts that stand in the board: what a large build asks of the layout. */
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { library } from './demo.ts';

const STANDING = [
  'light-red',
  'light-green',
  'buzzer',
  'probe-bare',
  'thermo-volt',
  'humid-bare',
  'thermistor-bead',
  'light-bare',
  'scale-amp',
];

/** @param count parts besides supply and controller; pins may be taken twice, which is no matter for the layout */
export function standingParts(seed: number, count: number): PlanDocument {
  const random = randomFrom(seed * 104729);
  let plan: Plan = {
    ...emptyPlan('standing', 'standing'),
    resistors: 'resistors-e12',
    joint: 'joint-lever',
    boards: ['board-full'],
    leads: ['leads-mm', 'leads-mf'],
  };
  const add = (id: string) => {
    const card = library.get(id);
    if (card) plan = addPart(deriveCircuit(documentOf(plan, [], library)), library, card).plan;
  };
  for (const id of ['adapter-9v', 'linear-5v', 'stick-board']) add(id);
  for (let i = 0; i < count; i++) add(STANDING[Math.floor(random() * STANDING.length)] ?? 'light-red');
  return documentOf(plan, [], library);
}
