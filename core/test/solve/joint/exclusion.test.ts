import { expect } from 'chai';
import loadHighs from 'highs';
import { holds } from '../../../src/solve/joint/problem.ts';
import { exclusionOf } from '../../../src/solve/joint/exclusion.ts';
import { jointCase } from '../../support/joint-case.ts';
import { lexicographic } from '../../support/joint-lp.ts';

const CASES = Number(process.env.EXCLUSION_CASES ?? 160);

describe('what excludes itself', function () {
  this.timeout(300_000);

  it('is impossible as a whole and possible without any one of its members, as a mixed-integer solver sees it', async () => {
    const highs = await loadHighs();
    let explained = 0;
    for (let seed = 1; seed <= CASES; seed++) {
      const problem = jointCase(seed * 104729, {
        parts: 2 + (seed % 6),
        lines: 3 + (seed % 8),
        pins: 6 + (seed % 7),
        twins: seed % 3,
      });
      const exclusion = exclusionOf(problem);
      if (lexicographic(highs, problem)) {
        expect(exclusion, `case ${seed}`).to.equal(null);
        continue;
      }
      if (!exclusion) {
        const everything = new Set(problem.members.keys());
        expect(lexicographic(highs, problem, everything), `case ${seed}`).to.equal(null);
        continue;
      }
      explained += 1;
      const mine = exclusion.members.map((member) => problem.members.indexOf(member));
      const others = [...problem.members.keys()].filter((m) => !mine.includes(m));
      expect(lexicographic(highs, problem, new Set(others)), `case ${seed}: all of them`).to.equal(null);
      for (const m of mine)
        expect(lexicographic(highs, problem, new Set([...others, m])), `case ${seed} without ${m}`).to.not.equal(null);
      for (const { member, isEnough, goals, taken } of exclusion.relaxations) {
        const given = new Set([problem.members.indexOf(member)]);
        const than = taken && holds(problem, taken, given) ? goals : null;
        const theirs = lexicographic(highs, problem, given, than);
        expect(isEnough, `case ${seed}: whether ${member.id} is enough`).to.equal(theirs !== null);
        expect(goals, `case ${seed}: giving up ${member.id}`).to.deep.equal(theirs);
        if (taken) expect(holds(problem, taken, given)).to.equal(true);
      }
    }
    expect(explained).to.be.above(CASES / 8);
  });
});
