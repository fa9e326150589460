import { evaluateSet } from '../src/solve/sets/evaluate.ts';
import { searchSets } from '../src/solve/sets/search.ts';
import { dice, setCase } from '../test/support/set-case.ts';
import { ms } from './time.ts';

/** Sets that are tried to know what one costs by brute force; trying all would take hours. */
const SAMPLE = 20_000;

/** Whole sets: 6 needs × 20 candidates each, against what trying every set would take. */
export function benchSets(): void {
  console.log('\nWhole sets, 6 needs × 20 candidates on one controller, five random catalogues of 120 cards');
  for (const seed of [1, 3, 5, 77, 1234]) {
    const problem = setCase(seed, { needs: 6, options: 20, pins: 24, places: 4, cards: 120 });
    const began = performance.now();
    const found = searchSets([problem]);
    const time = performance.now() - began;
    const roll = dice(seed + 1);
    const start = performance.now();
    for (let i = 0; i < SAMPLE; i++)
      evaluateSet(
        problem,
        problem.needs.map(({ options }) => roll(options.length)),
      );
    const force = ((performance.now() - start) / SAMPLE) * found.covered;
    console.log(
      `  seed ${seed}: ${found.covered.toLocaleString('en')} sets covered, ${found.looked.toLocaleString('en')} partial ones looked at, ` +
        `${found.sets.length} that nothing beats${found.complete ? '' : ' (given up)'} in ${ms(time)}; ` +
        `each set alone ${ms(force / found.covered)}, so all by force about ${ms(force)}: ${(force / time).toFixed(0)} times`,
    );
  }
}
