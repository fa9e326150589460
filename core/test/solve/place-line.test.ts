import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { setPin } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { pinsFrom, placeLine } from '../../src/solve/pins.ts';
import { demo, library } from '../support/demo.ts';

const circuitOf = (plan: Plan) => deriveCircuit(documentOf(plan, [], library));
const draft = circuitOf(demo('cupboard-first-draft').plan);
const DOOR = 'door-contact.contact.contact';
const pinsOf = (plan: Plan) => new Map(circuitOf(plan).wishes.map(({ id, pin }) => [id, pin]));
const placed = (wish: string, pin: string): Map<string, string | null> => {
  const plan = placeLine(draft, wish, pin);
  if (!plan) throw new Error('refused');
  return pinsOf(plan);
};

describe('putting a line on a pin', () => {
  it('moves it to a free one and nothing else', () => {
    const [before, after] = [pinsOf(draft.plan), placed(DOOR, 'p16')];
    expect(after.get(DOOR)).to.equal('p16');
    for (const [id, pin] of before) if (id !== DOOR) expect(after.get(id), id).to.equal(pin);
  });
  it('lets the one that was there have its pin', () => {
    const after = placed(DOOR, 'p15');
    expect([after.get(DOOR), after.get('sounder.in.in')]).to.deep.equal(['p15', 'p0']);
  });
  it('is refused where the other line is locked, and on what is no pin', () => {
    const locked = circuitOf(setPin(draft.plan, 'sounder.in', 'in', { pin: 'p15', locked: true }));
    expect(placeLine(locked, DOOR, 'p15')).to.equal(null);
    expect(placeLine(draft, DOOR, 'gnd')).to.equal(null);
    expect(placeLine(draft, 'nobody', 'p15')).to.equal(null);
  });
  it('is taken back by the pins of the plan before', () => {
    const plan = placeLine(draft, DOOR, 'p15');
    expect(plan && pinsOf(pinsFrom(circuitOf(plan), draft))).to.deep.equal(pinsOf(draft.plan));
    expect(pinsFrom(draft, draft)).to.equal(draft.plan);
  });
});
