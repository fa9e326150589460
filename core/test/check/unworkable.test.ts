/** What cannot be worked out is never met: neither a figure that is no number nor a check that fails. */
import { expect } from 'chai';
import { CHECKS } from '../../src/check/registry.ts';
import { result } from '../../src/check/result.ts';
import { standingOf } from '../../src/check/standing.ts';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { problemCount } from '../../src/quantity/problem.ts';
import { readPlan } from '../../src/format/plan-file.ts';
import { say } from '../../src/say/say.ts';
import { demo, planText } from '../support/demo.ts';

const circuit = deriveCircuit(demo('cupboard-verified'));
const [check] = CHECKS;
const [passed] = verify(circuit).passes;

describe('what cannot be worked out', () => {
  it('is a finding where a figure is no number, and a pass where all are', () => {
    if (!check || !passed) throw new Error('nothing is proved of the demo plan');
    const draft = { subjects: ['controller'], severity: null, message: passed.message };
    for (const figures of [
      { measured: NaN },
      { limit: Infinity },
      { margin: -Infinity },
      { margin: NaN, measured: 1 },
    ]) {
      const made = result(circuit, check.meta, { ...draft, ...figures });
      expect(made.severity).to.equal(check.meta.breaks);
      expect([made.measured, made.limit, made.margin]).to.deep.equal([null, null, null]);
      expect(say(made.message)).to.match(/^Whether controller meets it could not be worked out/);
    }
    expect(result(circuit, check.meta, { ...draft, measured: 1, limit: 2, margin: 1 }).severity).to.equal(null);
  });

  it('keeps a plan open where checks fail, each of them said', () => {
    // As a mistake in the program would leave it: every check that looks at nets fails.
    const verdict = verify({ ...circuit, nets: null as never });
    expect(standingOf(verdict)).to.equal('open');
    const failed = verdict.findings.filter(({ message }) => message.topic === 'check/unworkable');
    expect(failed.length).to.be.greaterThan(5);
    expect(failed.every(({ severity }) => severity === 'fault')).to.equal(true);
    expect(say(failed[0]?.message)).to.match(/^This could not be worked out, so it is not met\./);
  });

  it('is refused in a hundred problems with the count of all, however many there are', () => {
    const file = JSON.parse(planText('rain-barrel')) as { plan: { done: unknown[] } };
    file.plan.done = Array.from({ length: 4000 }, () => 1);
    const read = readPlan(JSON.stringify(file));
    if (read.ok) throw new Error('taken');
    expect(read.problems.length).to.equal(101);
    expect(problemCount(read.problems)).to.equal(4000);
    expect(problemCount(read.problems.slice(0, 3))).to.equal(3);
  });
});
