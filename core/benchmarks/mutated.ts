/** Files changed at random, thousands of them: how many are taken, what falls, and the slowest. */
import { readPlan } from '../src/format/plan-file.ts';
import { bent, mutated } from '../test/support/mutated.ts';
import { PLANS, planText } from '../test/support/demo.ts';
import { type Fall, through } from '../test/support/through.ts';

/**
 * @param first seed of the first file
 * @param keeps many changes that each leave a file that is read, in place of a few of any kind
 * @param deep also remedies, layout, wiring and the bring-up sheet
 */
export function benchMutated(first: number, count: number, deep: boolean, keeps: boolean): void {
  const texts = PLANS.map(planText);
  const falls = new Map<string, { readonly seed: number; times: number }>();
  let [taken, fallen] = [0, 0];
  let slowest = { seed: 0, step: '', ms: 0 };
  const note = (seed: number, { step, says }: Fall) => {
    const key = `${step}: ${says.slice(0, 140)}`;
    const known = falls.get(key);
    if (known) known.times += 1;
    else falls.set(key, { seed, times: 1 });
  };
  for (let seed = first; seed < first + count; seed++) {
    const text = texts[seed % texts.length] ?? '';
    const passage = through(keeps ? bent(text, seed, (t) => readPlan(t).ok) : mutated(text, seed), deep);
    if (passage.taken) taken += 1;
    if (passage.falls.length > 0) fallen += 1;
    if (passage.slowest.ms > slowest.ms) slowest = { seed, ...passage.slowest };
    for (const fall of passage.falls) note(seed, fall);
  }
  console.log(
    `${count} files ${keeps ? 'bent' : 'changed'} at random from ${first} on${deep ? ', the whole way' : ''}: ${taken} taken, ${fallen} fell; the slowest step was ${slowest.step} of ${slowest.seed}, ${slowest.ms.toFixed(0)} ms`,
  );
  for (const [says, { seed, times }] of [...falls].sort(([, a], [, b]) => b.times - a.times).slice(0, 40))
    console.log(`  ${times} times, first ${seed}: ${says}`);
}
