/** A module plugged straight into the sockets of a board, as makers do: no lead, its supply and ground from pins where need be. */
import { expect } from 'chai';
import { verify } from '../../src/check/verify.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { straightIn } from '../../src/circuit/straight-in.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { setGround, setRules } from '../../src/plan/edits.ts';
import { circuitOf, idOf, TABLE, withParts } from '../support/bought.ts';
import { cards } from '../support/demo.ts';

const built = (...ids: string[]) => withParts(TABLE, ids);
const severe = (circuit: Circuit) =>
  verify(circuit)
    .findings.filter(({ severity }) => severity === 'danger' || severity === 'fault')
    .map(({ check, message }) => `${check}: ${message}`);

describe('straight into the sockets of a board', () => {
  // Three pins + OUT − beside A4 A5 GND of the board: out on an analog input, minus on ground, plus from pin A4 held high.
  const letting = setRules(built('adapter-9v', 'board-8bit', 'thermo-volt'), { pinPower: 0.5 });
  const part = idOf(letting, 'thermo-volt');

  it('takes the pin beside as supply where the house rule lets it, and the whole build agrees when read back', () => {
    const [best] = straightIn(circuitOf(letting), part);
    if (!best) throw new Error('nowhere');
    expect(best.power).to.equal(1);
    expect(best.plan.parts.find(({ id }) => id === part)).to.deep.include({
      feeds: { vcc: `${letting.controller}.a4` },
      on: { part: letting.controller, header: 'right', at: 6, turned: false },
    });
    const circuit = circuitOf(best.plan);
    expect(severe(circuit)).to.deep.equal([]);
    const build = buildOf(circuit);
    expect(build.proof?.mismatches).to.deep.equal([]);
    expect(build.proof?.agrees).to.equal(true);
    expect(build.layout?.leads.filter(({ key }) => key.includes(part))).to.deep.equal([]);
  });

  it('is a danger where its ground is on a pin elsewhere and its plug on ground: one check and the reader agree', () => {
    const [best] = straightIn(circuitOf(letting), part);
    if (!best) throw new Error('nowhere');
    const circuit = circuitOf(setGround(best.plan, part, 'd4'));
    expect(verify(circuit).findings.find(({ check }) => check === 'body/clearance')?.severity).to.equal('danger');
    expect(buildOf(circuit).proof?.agrees).to.equal(false);
  });

  it('offers none where no pin may feed and the order does not fit', () => {
    const never = setRules(letting, { pinPower: 0 });
    expect(straightIn(circuitOf(never), part)).to.deep.equal([]);
  });

  it('says nothing untrue: each place that is offered, for every module with a header, agrees when read back', function () {
    this.timeout(240_000);
    let tried = 0;
    for (const card of cards) {
      if (
        card.kind !== 'module' ||
        card.headers.length !== 1 ||
        card.terminals.length > 4 ||
        card.supplies.length === 0
      )
        continue;
      const plan = setRules(built('adapter-9v', 'board-8bit', card.id), { pinPower: 1 });
      const id = idOf(plan, card.id);
      for (const { plan: there, on } of straightIn(circuitOf(plan), id).slice(0, 2)) {
        tried += 1;
        const circuit = circuitOf(there);
        const proof = buildOf(circuit).proof;
        expect(proof?.mismatches ?? [], `${card.id} at ${on.header} ${on.at}`).to.deep.equal([]);
        const mate = verify(circuit);
        const about = [...mate.findings, ...mate.passes].find(
          (r) => r.check === 'body/clearance' && r.aspect === 'socket',
        );
        expect(about?.severity, `${card.id}: ${about?.message}`).to.equal(null);
      }
    }
    expect(tried).to.be.greaterThan(20);
  });
});
