/** Edits of a plan drawn at random: single edits as somebody tries them, things taken away, and whatever a changed file may say. */
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { readPlan, writePlan } from '../../src/format/plan-file.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { removeHelper, removePart } from '../../src/plan/remove.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { demo, library, PLANS } from './demo.ts';
import { everyEdit } from './every-edit.ts';
import { mutated } from './mutated.ts';
import { randomPlan } from './random-plan.ts';

export interface DrawnEdit {
  readonly says: string;
  readonly document: PlanDocument;
}

/** A plan to begin with: one that ships, or one put together at random. */
export const drawnBase = (seed: number): PlanDocument => {
  const name = PLANS[seed % (2 * PLANS.length)];
  return name ? demo(name) : randomPlan(seed, 4 + (seed % 9));
};

/** As many edits of one plan, each by itself. */
export function drawnEdits(base: PlanDocument, seed: number, count: number): DrawnEdit[] {
  const random = randomFrom(seed);
  const circuit = deriveCircuit(base);
  const whole = (plan: PlanDocument['plan']) => documentOf(plan, base.cards, library);
  const tried = [...everyEdit(circuit, library)];
  const text = writePlan(base);
  const found: DrawnEdit[] = [];
  for (let n = 0; found.length < count; n++) {
    const which = Math.floor(random() * 4);
    const at = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)];
    if (which <= 1) {
      const edit = at(tried);
      if (edit) found.push({ says: edit.says, document: whole(edit.plan) });
    } else if (which === 2) {
      const [part, helper] = [at(base.plan.parts), at(base.plan.helpers)];
      if (helper && random() < 0.5)
        found.push({ says: `without ${helper.id}`, document: whole(removeHelper(base.plan, helper.id)) });
      else if (part) found.push({ says: `without ${part.id}`, document: whole(removePart(base.plan, part.id)) });
    } else {
      const read = readPlan(mutated(text, seed * 1000 + n));
      if (read.ok) found.push({ says: `changed file ${seed * 1000 + n}`, document: read.value });
    }
  }
  return found;
}
