/** Files that were changed at random are refused or answered: nothing is thrown, and no figure that is none passes or is written. */
import { expect } from 'chai';
import { mutated } from '../support/mutated.ts';
import { PLANS, planText } from '../support/demo.ts';
import { through } from '../support/through.ts';

/** Others each day; the bench runs twenty thousand. */
const FIRST = (Math.floor(Date.now() / 86_400_000) % 100) * 200 + 1;
const texts = PLANS.map(planText);
const fallsOf = (seed: number, deep: boolean) =>
  through(mutated(texts[seed % texts.length] ?? '', seed), deep).falls.map(
    ({ step, says }) => `#${seed} ${step}: ${says}`,
  );

describe('a file that was changed at random', () => {
  it(`is refused or answered, seeds ${FIRST} to ${FIRST + 119}`, function () {
    this.timeout(300_000);
    expect(Array.from({ length: 120 }, (_, i) => fallsOf(FIRST + i, false)).flat()).to.deep.equal([]);
  });

  it('is laid out, mended and brought up as well, where it is taken', function () {
    this.timeout(300_000);
    expect(Array.from({ length: 12 }, (_, i) => fallsOf(FIRST + i, true)).flat()).to.deep.equal([]);
  });
});
