/** The fault finder: how long the dictionary takes, how often it names the fault, how many measurements against a random order. */
import { randomFrom } from '../src/quantity/random.ts';
import { dictionaryOf, SOUND } from '../src/bench/dictionary.ts';
import { HiddenBuild } from '../src/bench/hidden.ts';
import { bestFirst, hunt, type Order } from '../src/bench/hunt.ts';
import { benchOf } from '../test/support/bench-case.ts';
import { PLANS } from '../test/support/demo.ts';

/** Of the faults of a plan, every so many-th is hunted for in a random order, which takes long. */
const EVERY = 6;

export function benchFinder(): void {
  for (const name of PLANS) {
    const plan = benchOf(name);
    const began = performance.now();
    const dictionary = dictionaryOf(plan);
    const seconds = (performance.now() - began) / 1000;
    const roll = randomFrom(1);
    const blind: Order = (_, open) => open[Math.floor(roll() * open.length)] ?? null;
    let [count, first, third, taken, sample, wise, random] = [0, 0, 0, 0, 0, 0, 0];
    dictionary.entries.forEach(({ key, faults }, seed) => {
      if (key === SOUND) return;
      const run = (order: Order) => hunt(dictionary, new HiddenBuild(plan, faults, seed), order);
      const found = run(bestFirst);
      const rank = found.finding.suspects.findIndex(({ entries }) => entries.some((entry) => entry.key === key));
      count += 1;
      first += rank === 0 ? 1 : 0;
      third += rank >= 0 && rank < 3 ? 1 : 0;
      taken += found.taken.length;
      if (seed % EVERY !== 0) return;
      sample += 1;
      wise += found.taken.length;
      random += run(blind).taken.length;
    });
    const share = (n: number) => `${((100 * n) / count).toFixed(1)} %`;
    console.log(
      `${name}: ${count} faults by ${dictionary.measurements.length} measurements in ${seconds.toFixed(1)} s; ` +
        `first ${share(first)}, within three ${share(third)}, ${(taken / count).toFixed(1)} measurements; ` +
        `on every ${EVERY}th fault ${(wise / sample).toFixed(1)} against ${(random / sample).toFixed(1)} in a random order`,
    );
  }
}
