/** Two parts with one fixed address, to a clean plan by each of the ways out. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { verify } from '../../src/check/verify.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import { swapCard } from '../../src/plan/swap.ts';
import { setAddress } from '../../src/plan/edits.ts';
import { removeBus, removeHelper, removePart } from '../../src/plan/remove.ts';
import { moveController } from '../../src/solve/move-controller.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { readPlan, writePlan } from '../../src/format/plan-file.ts';
import { demo, library } from '../support/demo.ts';

/** The verified cupboard with the bottom shelf sensor of the same kind as the top one again. */
function clash(): PlanDocument {
  const { plan, cards } = demo('cupboard-verified');
  const [strap, fixed] = [library.get('humid-strap'), library.get('humid-fixed')];
  if (!strap || !fixed) throw new Error('cards are missing');
  return documentOf(
    setAddress(swapCard(plan, 'shelf-bottom', strap, fixed), 'shelf-bottom', 'i2c', 0x44),
    cards,
    library,
  );
}

describe('two parts at one fixed address', function () {
  this.timeout(60_000);
  const doc = clash();
  const circuit = deriveCircuit(doc);
  const verdict = verify(circuit);
  const finding = verdict.findings.find(({ check }) => check === 'bus/address-collision');
  const remedies = finding ? proposeRemedies(circuit, verdict, finding, library) : [];

  for (const [way, beginning] of [
    ['another part', 'card:'],
    ['a second bus', 'bus:'],
    ['a bus switch', 'bus-switch:'],
    ['gated translators', 'gates:'],
    ['switched supplies', 'supplies:'],
  ] as const) {
    it(`come clean by ${way}`, () => {
      const one = remedies.find(({ id }) => id.startsWith(beginning));
      expect(one, `among ${remedies.map(({ id }) => id).join(', ')}`).to.not.equal(undefined);
      if (!one) return;
      const after = documentOf(one.plan, doc.cards, library);
      expect(referenceProblems(after)).to.deep.equal([]);
      const mended = deriveCircuit(after);
      const judged = verify(mended);
      expect(judged.findings.filter(({ severity }) => severity === 'danger' || severity === 'fault')).to.deep.equal([]);
      expect(judged.findings.map(({ key }) => key)).to.not.include(finding?.key);
      // What was proved can be built: the wiring read back is the circuit, and the list has a price for all of it.
      const build = buildOf(mended);
      expect(build.proof?.mismatches).to.deep.equal([]);
      expect(build.parts.lines.filter(({ unsold }) => unsold)).to.deep.equal([]);
      // Whatever is taken away afterwards, or wherever it is moved, the rest holds together.
      const whole = (plan: typeof one.plan) => referenceProblems(documentOf(plan, doc.cards, library));
      for (const { id } of one.plan.parts) expect(whole(removePart(one.plan, id)), `without ${id}`).to.deep.equal([]);
      for (const { id } of one.plan.buses) expect(whole(removeBus(one.plan, id)), `without ${id}`).to.deep.equal([]);
      for (const { id } of one.plan.helpers)
        expect(whole(removeHelper(one.plan, id)), `without ${id}`).to.deep.equal([]);
      const board = library.get('stick-board');
      const moved = board && moveController(mended, library, board);
      expect(moved?.trouble).to.equal(null);
      if (moved) {
        expect(whole(moved.plan)).to.deep.equal([]);
        const there = verify(deriveCircuit(documentOf(moved.plan, doc.cards, library)));
        expect(
          there.findings.filter(({ check }) => check.startsWith('pin/') || check === 'bus/address-collision'),
        ).to.deep.equal([]);
      }
      // And it survives its file.
      const again = readPlan(writePlan(after));
      expect(again.ok && again.value.plan).to.deep.equal(one.plan);
    });
  }
  it('by another strap setting where the card has one', () => {
    const { plan, cards } = demo('cupboard-verified');
    const both = deriveCircuit({ plan: setAddress(plan, 'shelf-bottom', 'i2c', 0x44), cards });
    const judged = verify(both);
    const found = judged.findings.find(({ check }) => check === 'bus/address-collision');
    const ids = found ? proposeRemedies(both, judged, found, library).map(({ id }) => id) : [];
    expect(ids[0]).to.equal('address:shelf-bottom.i2c:0x45');
  });
});
