import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { readCatalogue } from '@idle-breadboard/catalogue';
import type { Card } from '../../src/card/card.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { verify } from '../../src/check/verify.ts';
import { documentOf } from '../../src/plan/document.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { carrierOf } from '../../src/circuit/carrier.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { addCarrier, removeCarrier } from '../../src/solve/carrier.ts';
import { controllerFits } from '../../src/solve/controller-fit.ts';
import { moveController } from '../../src/solve/move-controller.ts';
import { explainSets } from '../../src/solve/sets/exclude.ts';
import { setProblem } from '../../src/solve/sets/problem.ts';
import { searchSets } from '../../src/solve/sets/search.ts';
import { takeSet } from '../../src/solve/sets/take-set.ts';
import { setGround, setPin } from '../../src/plan/edits.ts';
import { idOf, TABLE, withParts } from '../support/bought.ts';
import { cards, demo } from '../support/demo.ts';

const library = readCatalogue();
const verified = demo('cupboard-verified');
const circuit = deriveCircuit(verified);
const cardOf = (id: string) => library.get(id) as Card;
const circuitOf = (plan: Plan) => deriveCircuit(documentOf(plan, [], library));

describe('moving to another controller', () => {
  const moved = moveController(circuit, library, cardOf('stick-board'));
  it('gives every line a pin that can serve it, and tells what changed', () => {
    if (!moved) throw new Error('not moved');
    const after = circuitOf(moved.plan);
    expect(moved.trouble).to.equal(null);
    expect(after.wishes.every(({ pin }) => pin !== null)).to.equal(true);
    expect(referenceProblems(documentOf(moved.plan, [], library))).to.deep.equal([]);
    const broken = verify(after).findings.filter(({ check }) => check.startsWith('pin/'));
    expect(broken).to.deep.equal([]);
    expect(moved.pins.find(({ line }) => line === 'I²C SDA')).to.include({ from: 'P10' });
  });
  it('keeps rails that are alike, and what hung on one that has no like is told', () => {
    expect(moved?.rails).to.deep.equal([{ from: '3.3 V', to: '3.3 V' }]);
    const eight = moveController(circuit, library, cardOf('board-8bit'));
    expect(eight?.plan.parts.find(({ id }) => id === 'board')?.card).to.equal('board-8bit');
  });
  it('back again verifies as before', () => {
    if (!moved) throw new Error('not moved');
    const back = moveController(circuitOf(moved.plan), library, cardOf('wifi-board'));
    expect(back && verify(circuitOf(back.plan)).status).to.equal('verified');
  });
});

describe('controllers side by side', () => {
  it('count what is asked and what is left, the one in the plan first', () => {
    const fits = controllerFits(circuit, library);
    const [here, ...others] = fits;
    expect(here?.card.id).to.equal('wifi-board');
    expect(here?.moved).to.equal(null);
    expect(here?.asks.find(({ kind }) => kind === 'pins')).to.deep.equal({ kind: 'pins', asked: 12, offered: 19 });
    expect(here?.left).to.equal(7);
    expect(others.map(({ card }) => card.id)).to.have.members([
      'board-8bit',
      'linux-board',
      'stick-board',
      'stick-mini',
    ]);
    // The Linux board has no analog inputs at all.
    expect(
      others.find(({ card }) => card.id === 'linux-board')?.asks.find(({ kind }) => kind === 'analog')?.offered,
    ).to.equal(0);
  });
});

describe('a carrier', () => {
  it('brings its parts on the pins that it leads them to, locked, and takes them away again', () => {
    const plan = addCarrier(circuit, library, cardOf('carrier-lab'));
    if (!plan) throw new Error('does not fit');
    const on = circuitOf(plan);
    expect(carrierOf(on)?.card.id).to.equal('carrier-lab');
    expect(referenceProblems(documentOf(plan, [], library))).to.deep.equal([]);
    const button = plan.parts.find(({ label }) => label === 'button on the carrier');
    expect(button?.ports.contact?.lines?.contact).to.deep.equal({ pin: 'p7', locked: true });
    // The one-wire bus was on that pin: one pin, two signals.
    expect(
      verify(on).findings.some(({ check, message }) => check === 'pin/double' && say(message).includes('P7')),
    ).to.equal(true);
    // What it covers and does not lead out can carry nothing else.
    expect(verify(on).findings.filter(({ message }) => say(message).includes('does not lead out')).length).to.be.above(
      3,
    );
    const { wiring, parts } = buildOf(on);
    const ends = wiring.steps.flatMap(({ leads }) => leads.flatMap(({ fromSays, toSays }) => [fromSays, toSays]));
    expect(ends.filter((label) => say(label).includes('on the carrier'))).to.deep.equal([]);
    expect(parts.lines.filter(({ name }) => name === cardOf('dial').name)).to.deep.equal([]);
    expect(parts.lines.some(({ card }) => card === 'carrier-lab')).to.equal(true);
    expect(removeCarrier(plan, carrierOf(on)?.part ?? '')).to.deep.equal(circuit.plan);
  });
  it('does not go on a controller that it does not fit', () => {
    const moved = moveController(circuit, library, cardOf('stick-board'));
    expect(moved && addCarrier(circuitOf(moved.plan), library, cardOf('carrier-lab'))).to.equal(null);
  });
});

describe('whole sets for a plan', () => {
  const standing = [...circuit.rails.values()]
    .filter(({ part }) => part !== 'board')
    .flatMap(({ voltage }) => voltage ?? []);
  const problems = (plan: Plan) => {
    const board = cardOf('wifi-board');
    return board.offers.map((offer) => setProblem(plan, library.values(), board, offer, standing));
  };
  const front = searchSets(problems(circuit.plan));
  it('of the cupboard come in time, within the budget, and none beats another', () => {
    expect(front.complete).to.equal(true);
    expect(front.sets.length).to.be.above(3);
    for (const { evaluation } of front.sets) {
      expect(evaluation.figures.cost).to.be.at.most(120);
      expect(evaluation.figures.arrival).to.be.at.most(21);
      expect(evaluation.figures.error).to.be.at.most(1);
    }
    // Both the quick and the cheap supplier are worth it to someone.
    expect(new Set(front.sets.map(({ evaluation }) => evaluation.figures.arrival))).to.deep.equal(new Set([3, 18]));
  });
  it('fill the plan when picked: every need is served, by the cards of the set', () => {
    for (const set of [front.sets[0], front.sets.at(-1)]) {
      if (!set) continue;
      const plan = takeSet(circuit.plan, library, set);
      expect(referenceProblems(documentOf(plan, [], library))).to.deep.equal([]);
      for (const { need } of set.problem.needs)
        expect(
          plan.parts.some(({ needs }) => needs.includes(need.id)),
          need.id,
        ).to.equal(true);
      const after = verify(circuitOf(plan));
      expect(
        after.findings.filter(({ check, severity }) => check.startsWith('need/') && severity === 'fault'),
      ).to.deep.equal([]);
      expect(
        after.findings.filter(({ check }) => check === 'bus/address-collision' || check === 'pin/capability'),
      ).to.deep.equal([]);
    }
  });
  it('that no budget allows name the fewest needs that exclude each other', () => {
    const poor: Plan = { ...circuit.plan, budget: { most: 30, currency: 'EUR' } };
    const why = explainSets(poor, problems(poor));
    expect(why?.by).to.equal('budget');
    const ids = new Set(why?.needs);
    const only = (needs: ReadonlySet<string>) =>
      problems(poor).map((p) => ({ ...p, needs: p.needs.filter(({ need }) => needs.has(need.id)) }));
    expect(searchSets(only(ids)).sets).to.deep.equal([]);
    for (const id of ids)
      expect(searchSets(only(new Set([...ids].filter((other) => other !== id)))).sets, id).to.not.deep.equal([]);
  });
  it('with a need that no card meets say so, counted by reason', () => {
    const plan: Plan = {
      ...circuit.plan,
      needs: circuit.plan.needs.map((n) => (n.id === 'co2' && n.kind === 'sense' ? { ...n, accuracy: 10 } : n)),
    };
    expect(explainSets(plan, problems(plan))).to.deep.include({ needs: ['co2'], by: 'no-card' });
    expect(say(explainSets(plan, problems(plan))?.sentence)).to.include('2 by accuracy');
    expect(explainSets(circuit.plan, problems(circuit.plan))).to.equal(null);
  });
});

describe('another controller', () => {
  it('leaves nothing that names a rail, pin or jumper of the old one: tied lines, a programmer, a ground on a pin', () => {
    const bench = withParts(TABLE, ['adapter-5v', 'wifi-board', 'supply-switch', 'humid-fixed', 'serial-programmer']);
    const board = bench.controller ?? '';
    const [line] = circuitOf(bench).wishes.filter(({ of }) => of.startsWith(idOf(bench, 'supply-switch')));
    const tied = setPin(bench, line?.of ?? '', line?.line ?? '', { pin: null, locked: false, tied: `${board}.3v3` });
    const plan = setGround(tied, idOf(bench, 'humid-fixed'), 'p4');
    expect(plan.parts.find(({ id }) => id === board)?.also).to.not.equal(undefined);
    for (const to of cards.filter(({ controller }) => controller)) {
      const moved = moveController(circuitOf(plan), library, to);
      if (!moved) throw new Error(`no ${to.id}`);
      expect(referenceProblems(documentOf(moved.plan, cards, library)), to.id).to.deep.equal([]);
    }
  });
});
