import { expect } from 'chai';
import loadHighs from 'highs';
import { holds } from '../../../src/solve/joint/problem.ts';
import { searchSteps } from '../../../src/solve/joint/search.ts';
import { solveJoint } from '../../../src/solve/joint/solve.ts';
import { jointCase, type JointSize } from '../../support/joint-case.ts';
import { lexicographic } from '../../support/joint-lp.ts';

const sizeOf = (seed: number): JointSize => ({
  parts: 1 + (seed % 9),
  lines: 2 + (seed % 11),
  pins: 6 + (seed % 13),
  twins: Math.max(0, (seed % 7) - 2),
});
const CASES = Number(process.env.JOINT_CASES ?? 240);

describe('the joint search', function () {
  this.timeout(300_000);

  it(`meets every goal as well as a mixed-integer solver does, on ${CASES} made-up problems`, async () => {
    const highs = await loadHighs();
    let solved = 0;
    for (let seed = 1; seed <= CASES; seed++) {
      const problem = jointCase(seed * 7919, sizeOf(seed));
      const mine = solveJoint(problem);
      // A solution that holds by the plain rules is one, whatever the other solver thinks.
      const than = mine && holds(problem, mine.taken) ? mine.goals : null;
      const theirs = lexicographic(highs, problem, new Set(), than);
      expect(mine?.goals ?? null, `case ${seed}`).to.deep.equal(theirs);
      if (mine) expect(holds(problem, mine.taken), `case ${seed}`).to.equal(true);
      solved += Number(mine !== null);
    }
    expect(solved, 'both kinds of case occurred').to.be.within(CASES * 0.2, CASES * 0.9);
  });

  it('gives the same twice, and reports the best so far on the way', () => {
    const problem = jointCase(12345, { parts: 9, lines: 10, pins: 18 });
    expect(solveJoint(problem)).to.deep.equal(solveJoint(problem));
    const steps = searchSteps(problem);
    let step = steps.next();
    let nodes = 0;
    while (!step.done) {
      expect(step.value.nodes).to.be.above(nodes);
      nodes = step.value.nodes;
      step = steps.next();
    }
    expect(step.value).to.deep.equal(solveJoint(problem));
  });

  it('told that it is enough, gives the best so far and says that it is not proved', () => {
    // Long searches only: those that report a solution on the way.
    let stopped = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const problem = jointCase(seed * 15485863, { parts: 9, lines: 9, pins: 18 });
      const steps = searchSteps(problem);
      let step = steps.next();
      while (!step.done) step = steps.next(step.value.best ? 'enough' : undefined);
      const found = step.value;
      if (!found || found.proved) continue;
      stopped += 1;
      expect(holds(problem, found.taken), `case ${seed}`).to.equal(true);
      expect(found.cost).to.be.at.least(solveJoint(problem)?.cost ?? Infinity);
    }
    expect(stopped).to.be.above(0);
  });
});
