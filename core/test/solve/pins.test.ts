import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import loadHighs from 'highs';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { verify } from '../../src/check/verify.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { setPin } from '../../src/plan/edits.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { pinModel, solvePins, withPins } from '../../src/solve/pins.ts';
import { CMOS, controller, judge, module, part, V3 } from '../support/build.ts';
import { demo, library } from '../support/demo.ts';
import { lpOf } from '../support/milp.ts';
import { pinCase } from '../support/pin-case.ts';

describe('pin assignment', () => {
  it('costs what a mixed-integer solver finds, on sixty made-up boards', async () => {
    const highs = await loadHighs();
    let solved = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const model = pinCase(seed * 7919, 3 + (seed % 9), seed % 4, 8 + (seed % 12));
      const mine = solvePins(model);
      const theirs = highs.solve(lpOf(model));
      expect(mine.ok, `case ${seed}`).to.equal(theirs.Status === 'Optimal');
      if (mine.ok) expect(mine.cost, `case ${seed}`).to.be.closeTo(theirs.ObjectiveValue, 1e-6);
      solved += Number(mine.ok);
    }
    expect(solved).to.be.within(20, 59); // both kinds of case occurred
  });

  it('keeps what is locked and moves the rest off boot and console pins', () => {
    const { plan, cards } = demo('cupboard-first-draft');
    const locked = setPin(plan, 'door-contact.contact', 'contact', { pin: 'p12', locked: true });
    const circuit = deriveCircuit({ plan: locked, cards });
    const solution = solvePins(pinModel(circuit));
    const next = deriveCircuit({ plan: withPins(circuit, solution), cards });
    expect(next.wishes.find(({ id }) => id === 'door-contact.contact.contact')?.pin).to.equal('p12');
    expect(verify(next).findings.filter(({ check }) => check.startsWith('pin/'))).to.deep.equal([]);
    expect(next.wishes.every(({ pin }) => pin !== null)).to.equal(true);
  });

  it('says which lines are too many for the pins that can carry them', () => {
    const analog = module('ana', { protocol: 'analog', lines: { out: 'o' } }, [{ id: 'o', kind: 'analog-out' }]);
    const oneAdc = controller(CMOS, 6, (n) => (n === 5 ? { functions: ['in', 'adc1.0'] } : {}));
    const { circuit } = judge({ cards: [V3, oneAdc, analog], parts: [part('one', 'ana'), part('two', 'ana')] });
    const solution = solvePins(pinModel(circuit));
    expect(solution.ok).to.equal(false);
    if (!solution.ok)
      expect(say(solution.explanation)).to.equal('one, two: 2 lines have only P5 left that can carry them.');
  });
});

describe('adding a part', () => {
  it('feeds it, puts it on its bus at a free address, and gives pins to its own lines only', () => {
    const { plan, cards } = demo('cupboard-verified');
    const circuit = deriveCircuit({ plan, cards });
    const card = library.get('humid-strap');
    if (!card) throw new Error('card is gone');
    const added = addPart(circuit, library, card, 'Third shelf');
    const made = added.plan.parts.find(({ id }) => id === added.part);
    expect(made?.feeds).to.deep.equal({ vcc: 'board.3v3' });
    expect(made?.ports.i2c?.bus).to.equal('i2c');
    expect(added.plan.buses).to.deep.equal(plan.buses);
  });

  it('makes a plan from nothing: supply, regulator, controller, sensor', () => {
    const empty: Plan = {
      ...demo('cupboard-verified').plan,
      needs: [],
      parts: [],
      buses: [],
      helpers: [],
      controller: null,
    };
    const build = ['adapter-12v', 'buck-5v', 'wifi-board', 'humid-fixed', 'knob'].reduce((plan, id) => {
      const card = library.get(id);
      return card ? addPart(deriveCircuit({ plan, cards: [...library.values()] }), library, card).plan : plan;
    }, empty);
    const verdict = verify(deriveCircuit({ plan: build, cards: [...library.values()] }));
    expect(verdict.findings.filter(({ severity }) => severity === 'danger' || severity === 'fault')).to.deep.equal([]);
    expect(build.controller).to.equal('marram-w3-board');
  });
});
