/** The next step follows the order of the work, and a danger comes before all of it. */
import { expect } from 'chai';
import { nextStep, type Progress } from '../../src/check/next-step.ts';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { addNeed, emptyPlan } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { say } from '../../src/say/say.ts';
import { demo, library } from '../support/demo.ts';

const NOT_BEGUN: Progress = { done: 0, steps: 30, signedOff: false };
const of = (plan: Plan, progress = NOT_BEGUN) => {
  const circuit = deriveCircuit(documentOf(plan, [], library));
  return nextStep(circuit, verify(circuit).findings, progress);
};

describe('the next step', () => {
  it('of an empty plan is to say what is wanted', () => {
    expect(of(emptyPlan('p', 'p'))).include({ station: 'need', finding: null });
  });
  it('without a controller is to choose one', () => {
    const need = { id: 'n', kind: 'show', what: 'text', place: 'here', service: 'text' } as const;
    expect(of(addNeed(emptyPlan('p', 'p'), need))).include({ station: 'control', finding: null });
  });
  it('of a plan with a danger is that danger, at its station', () => {
    const step = of(demo('cupboard-first-draft').plan);
    expect(step.finding).match(/^drive\/led\|/);
    expect(step.station).equal('pins');
    expect(say(step.message)).contain('without a resistor');
  });
  it('of a proved plan is wiring, then measuring, then nothing', () => {
    const { plan } = demo('cupboard-verified');
    expect(of(plan, { done: 0, steps: null, signedOff: false }).station).equal('wiring');
    expect(say(of(plan, { done: 0, steps: 0, signedOff: false }).message)).contain('could not be laid out');
    expect(say(of(plan, { done: 3, steps: 30, signedOff: false }).message)).contain('3 of 30');
    expect(of(plan, { done: 30, steps: 30, signedOff: false }).station).equal('bring-up');
    expect(say(of(plan, { done: 0, steps: 0, signedOff: false }).message)).contain('could not be laid out');
    expect(say(of(plan, { done: 30, steps: 30, signedOff: true }).message)).contain('signed off');
  });
});
