import { evaluateSet } from '../src/solve/sets/evaluate.ts';
import { searchSets } from '../src/solve/sets/search.ts';
import { dice, setCase } from '../test/support/set-case.ts';
import { ms } from './time.ts';

/** Sets that are tried to know what one costs by brute force; trying all would take hours. */
const SAMPLE = 20_000;

/** A search small enough that every set can be tried as well. */
function benchSmall(): void {
  const problem = setCase(3, { needs: 6, options: 6, pins: 24, places: 4, cards: 40 });
  const began = performance.now();
  const found = searchSets([problem]);
  const time = performance.now() - began;
  const start = performance.now();
  let tried = 0;
  const choice = problem.needs.map(() => 0);
  for (;;) {
    evaluateSet(problem, choice);
    tried += 1;
    let i = 0;
    while (i < choice.length && (choice[i] = (choice[i] ?? 0) + 1) === 6) choice[i++] = 0;
    if (i === choice.length) break;
  }
  const force = performance.now() - start;
  console.log(
    `  6 × 6: ${tried.toLocaleString('en')} sets all tried in ${ms(force)}, searched in ${ms(time)} (${found.sets.length} that nothing beats): ${(force / time).toFixed(1)} times`,
  );
}

/** Whole sets: 6 needs × 20 candidates each, against what trying every set would take. */
export function benchSets(): void {
  console.log('\nWhole sets, 6 needs × 20 candidates on one controller, five random catalogues of 120 cards');
  benchSmall();
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
