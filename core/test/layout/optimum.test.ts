import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { PITCH } from '../../src/board/grid.ts';
import { layBuild } from '../../src/layout/lay.ts';
import { proveLayout } from '../../src/readback/prove.ts';
import { layoutProblem } from '../../src/layout/problem.ts';
import { leastLength, smallBuild } from '../support/layout-case.ts';

describe('length of leads', () => {
  for (const seed of [1, 2, 3, 4, 5, 6])
    it(`is within 15 % of what no layout can be below, small build ${seed}`, function () {
      this.timeout(120_000);
      const circuit = smallBuild(seed);
      const result = layBuild(circuit);
      if (!result.ok) throw new Error(say(result.why.says));
      expect(proveLayout(circuit, result.layout, result.layout.leads).mismatches).to.deep.equal([]);
      const least = leastLength(layoutProblem(circuit)) * PITCH;
      expect(least).to.be.above(0);
      expect(result.layout.length).to.be.at.least(least - 1e-9);
      expect(result.layout.length / least).to.be.at.most(1.15);
    });
});
