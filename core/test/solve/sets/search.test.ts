import { expect } from 'chai';
import fc from 'fast-check';
import { evaluateSet, FIGURES, noWorse, type SetFigures } from '../../../src/solve/sets/evaluate.ts';
import type { SetProblem } from '../../../src/solve/sets/problem.ts';
import { withoutNeedless } from '../../../src/solve/sets/needless.ts';
import { searchSets, searchSteps } from '../../../src/solve/sets/search.ts';
import { setCase } from '../../support/set-case.ts';

/** Every set there is, one after the other. */
function* everyChoice(problem: SetProblem, from = 0): Generator<number[]> {
  const need = problem.needs[from];
  if (!need) yield [];
  else
    for (let o = 0; o < need.options.length; o++) for (const rest of everyChoice(problem, from + 1)) yield [o, ...rest];
}

function byForce(problem: SetProblem): SetFigures[] {
  const all = [...everyChoice(problem)].flatMap((choice) => {
    const found = evaluateSet(problem, choice);
    return found && found.obstacles.length === 0 ? [found.figures] : [];
  });
  const front: SetFigures[] = [];
  for (const figures of all) {
    if (all.some((other) => noWorse(other, figures) && !noWorse(figures, other))) continue;
    if (!front.some((f) => noWorse(f, figures) && noWorse(figures, f))) front.push(figures);
  }
  return front;
}

const text = (figures: readonly SetFigures[]) =>
  figures.map((f) => FIGURES.map((key) => f[key].toFixed(6)).join(' ')).sort();

describe('search for whole sets', () => {
  it('finds exactly what trying every set finds, on 300 random problems', function () {
    this.timeout(120_000);
    let [met, needless] = [0, 0];
    const optionsOf = ({ needs }: SetProblem) => needs.reduce((sum, { options }) => sum + options.length, 0);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2 ** 30 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 3 }),
        (seed, needs, places) => {
          const problem = setCase(seed, { needs, options: 4, pins: seed % 3 === 0 ? 6 : 10, places, cards: 6 });
          const found = searchSets([problem]);
          met += found.sets.length > 0 ? 1 : 0;
          needless += optionsOf(problem) > optionsOf(withoutNeedless(problem)) ? 1 : 0;
          expect(found.complete).to.equal(true);
          expect(text(found.sets.map(({ evaluation }) => evaluation.figures))).to.deep.equal(text(byForce(problem)));
        },
      ),
      { numRuns: 300 },
    );
    // Problems without any set would prove little.
    expect(met).to.be.above(150);
    expect(needless).to.be.above(50);
  });
  it('covers several controllers, and leaves out what another beats', () => {
    const one = setCase(7, { needs: 3, options: 4, pins: 10, places: 2, cards: 6 });
    const dear: SetProblem = {
      ...one,
      most: null,
      controllerOffer: { ...one.controllerOffer, price: one.controllerOffer.price + 50 },
    };
    const free = { ...one, most: null };
    const both = searchSets([dear, free]);
    expect(text(both.sets.map(({ evaluation }) => evaluation.figures))).to.deep.equal(text(byForce(free)));
    expect(both.covered).to.equal(2 * 4 ** 3);
  });
  it('gives the same for the same, and breathes on the way', () => {
    const problem = setCase(11, { needs: 5, options: 12, pins: 16, places: 3, cards: 30 });
    const steps = [...searchSteps([problem])];
    expect(searchSets([problem]).sets.map(({ choice }) => choice)).to.deep.equal(
      searchSets([problem]).sets.map(({ choice }) => choice),
    );
    for (const { decided, needs } of steps) expect(decided).to.be.below(needs);
  });
});
