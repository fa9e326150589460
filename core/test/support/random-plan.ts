/** Plans put together at random from the catalogue: what a maker in a hurry might click together. */
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { addHelper, emptyPlan, freeId, setFeed } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { cards, library } from './demo.ts';

const byKind = (kind: string) => cards.filter((card) => card.kind === kind);
const modules = byKind('module');
const controllers = byKind('controller');

/** @param count parts besides the controller and its supply */
export function randomPlan(seed: number, count: number): PlanDocument {
  const random = randomFrom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  let plan: Plan = { ...emptyPlan('random', 'random'), resistors: 'resistors-e12', boards: ['board-full'] };
  const circuit = () => deriveCircuit(documentOf(plan, [], library));
  const add = (id: string) => {
    const card = library.get(id);
    if (card) plan = addPart(circuit(), library, card).plan;
  };
  add('adapter-9v');
  add('buck-5v');
  add(pick(controllers).id);
  for (let i = 0; i < count; i++) add(pick(modules).id);
  // A few feeds changed by hand, and a few resistors that nobody asked for.
  for (const part of plan.parts) {
    const rails = [...circuit().rails.keys()].filter((ref) => !ref.startsWith(`${part.id}.`));
    for (const supply of Object.keys(part.feeds)) {
      if (part.id !== plan.controller && random() < 0.25) plan = setFeed(plan, part.id, supply, pick(rails));
    }
  }
  for (const net of circuit().nets) {
    if (net.beyond !== null || random() > 0.15) continue;
    plan = addHelper(plan, {
      id: freeId(plan, 'extra'),
      kind: 'pull-up',
      of: net.of,
      line: net.line,
      to: pick([...circuit().rails.keys()]),
      ohms: pick([1e3, 4.7e3, 10e3, 47e3]),
    });
  }
  return documentOf(plan, [], library);
}
