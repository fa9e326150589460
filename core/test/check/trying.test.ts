/** What is judged again by what a change touches is what is judged of the whole. */
import { expect } from 'chai';
import { Trying } from '../../src/check/trying.ts';
import type { Verdict } from '../../src/check/standing.ts';
import { CHECKS } from '../../src/check/registry.ts';
import type { Check } from '../../src/check/result.ts';
import { verify } from '../../src/check/verify.ts';
import { idsOf } from '../../src/circuit/watched.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { isSame } from '../../src/plan/same.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import { drawnBase, drawnEdits } from '../support/drawn-edits.ts';
import { demo, PLANS } from '../support/demo.ts';

/** Of a copy, so that nothing that is remembered of the plan before can help. */
const afresh = (document: PlanDocument): Verdict => verify(deriveCircuit(structuredClone(document)));

const resultsOf = ({ findings, passes, echoes }: Verdict) => [...findings, ...echoes, ...passes];

describe('a change tried by what it touches', function () {
  this.timeout(240_000);
  const days = Math.floor(Date.now() / 86_400_000);

  for (const [name, first] of [
    ['', 1],
    [' of today', 1000 + 8 * (days % 10_000)],
  ] as const)
    it(`is what the whole verdict says, for random edits of random plans${name}`, () => {
      for (let seed = first; seed < first + 8; seed++) {
        const base = drawnBase(seed);
        const trying = new Trying(deriveCircuit(base));
        expect(trying.verdict).to.deep.equal(afresh(base));
        for (const { says, document } of drawnEdits(base, seed, 12)) {
          const next = deriveCircuit(document);
          expect(next, `circuit of ${seed}: ${says}`).to.deep.equal(deriveCircuit(structuredClone(document)));
          const { findings, echoes } = afresh(document);
          expect(trying.after(next), `${seed}: ${says}`).to.deep.equal({ findings, echoes });
        }
      }
    });

  it('goes on from edit to edit with the verdict of the whole', () => {
    for (let seed = 200; seed < 208; seed++) {
      let document = drawnBase(seed);
      let trying = new Trying(deriveCircuit(document));
      for (let step = 1; step <= 8; step++) {
        const [edit] = drawnEdits(document, seed * 100 + step, 1);
        if (!edit) continue;
        ({ document } = edit);
        const said = resultsOf(trying.verdict);
        trying = trying.next(deriveCircuit(document));
        expect(trying.verdict, `${seed}, step ${step}: ${edit.says}`).to.deep.equal(afresh(document));
        // What it says again is the same object, so that nobody has to send or draw it again.
        const copies = resultsOf(trying.verdict).filter(
          (one) => !said.includes(one) && said.some((old) => isSame(old, one)),
        );
        expect(copies, `${seed}, step ${step}: ${edit.says}`).to.deep.equal([]);
      }
    }
  });

  it('has the same results in its pieces as in the check', () => {
    for (const name of PLANS) {
      const circuit = deriveCircuit(demo(name));
      for (const check of CHECKS as readonly Check[]) {
        const { pieces } = check;
        if (!pieces) continue;
        const whole = check.run(circuit).map(({ key }) => key);
        const judged = pieces.flatMap(({ of, judge }) =>
          (of ? [...idsOf(circuit, of)] : ['']).flatMap((id) => judge(circuit, id)),
        );
        expect(
          judged.map(({ key }) => key),
          check.meta.id,
        ).to.deep.equal(whole);
      }
    }
  });

  it('judges little again after a small change', () => {
    const base = demo('cupboard-first-draft');
    const trying = new Trying(deriveCircuit(base));
    const { plan } = base;
    const [first] = plan.buses;
    const next = {
      ...base,
      plan: { ...plan, buses: plan.buses.map((b) => (b === first ? { ...b, clock: 50e3 } : b)) },
    };
    const { again, of } = trying.touched(deriveCircuit(next));
    expect(again).to.be.greaterThan(0);
    expect(again).to.be.lessThan(of / 3);
  });
});
