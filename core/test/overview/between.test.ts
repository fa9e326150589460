/** What comes and goes between two plans is what the two pictures differ in, and it is drawn without a fault. */
import { expect } from 'chai';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { layOut } from '../../src/drawing/lay-out.ts';
import { between } from '../../src/overview/between.ts';
import { overviewOf } from '../../src/overview/overview-of.ts';
import { thingKey } from '../../src/overview/belongs.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import { removePart } from '../../src/plan/remove.ts';
import { demo, PLANS } from '../support/demo.ts';
import { faultsOf } from '../support/drawn-faults.ts';
import { randomPlan } from '../support/random-plan.ts';

const picture = (document: PlanDocument) => {
  const circuit = deriveCircuit(document);
  return overviewOf(circuit, verify(circuit));
};

describe('the picture between two plans', () => {
  for (const name of PLANS)
    it(`of ${name} and itself has no change, and is the same picture`, () => {
      const overview = picture(demo(name));
      const both = between(overview, overview);
      expect([...both.changes]).deep.equal([]);
      expect(both.overview).deep.equal(overview);
    });

  it('shows a part that is taken out as gone, and put in as added', () => {
    for (const name of PLANS) {
      const document = demo(name);
      const whole = picture(document);
      for (const { taps } of whole.rows)
        for (const { part } of taps) {
          if (!document.plan.parts.some(({ id }) => id === part)) continue;
          const less = picture({ ...document, plan: removePart(document.plan, part) });
          const key = thingKey({ kind: 'part', id: part });
          const gone = between(whole, less);
          expect(gone.changes.get(key), `${name} ${part}`).equal('gone');
          expect(gone.overview.rows.flatMap((row) => row.taps).filter((tap) => tap.part === part)).not.deep.equal([]);
          expect(between(less, whole).changes.get(key)).equal('added');
        }
    }
  });

  it('is drawn without anything on anything else, whatever goes', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const document = randomPlan(seed, 2 + (seed % 24));
      const whole = picture(document);
      const part = document.plan.parts.filter(({ id }) => id !== document.plan.controller)[seed % 3]?.id;
      if (part === undefined) continue;
      const less = picture({ ...document, plan: removePart(document.plan, part) });
      for (const both of [between(whole, less), between(less, whole)])
        expect(faultsOf(layOut(both.overview)), `seed ${seed}`).deep.equal([]);
    }
  });
});
