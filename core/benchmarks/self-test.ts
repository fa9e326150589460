/** The self-test in a closed loop: the compiled program on every single fault of every plan that ships, and what a person is still asked. */
import { dictionaryOf, SOUND } from '../src/bench/dictionary.ts';
import { deviation } from '../src/bench/instrument.ts';
import { FirmwareModel } from '../src/bench/firmware-model.ts';
import { HiddenBuild } from '../src/bench/hidden.ts';
import { hunt } from '../src/bench/hunt.ts';
import { VirtualBuild } from '../src/bench/virtual-build.ts';
import { evidenceOf } from '../src/selftest/evidence.ts';
import { Hearing } from '../src/selftest/hearing.ts';
import { benchOf } from '../test/support/bench-case.ts';
import { compiled, printed } from '../test/support/bench-program.ts';
import { PLANS } from '../test/support/demo.ts';
import { selfTested, withPins } from '../test/support/self-tested.ts';

const PLAN = '0123456789abcdef';
/** By meter alone every so many-th is looked for, which takes long. */
const EVERY = 6;

export async function benchSelfTest(): Promise<void> {
  console.log('\nSelf-tests, every single fault put in, the program compiled and run on each');
  for (const name of PLANS) {
    const plan = benchOf(name);
    const dictionary = dictionaryOf(plan);
    const full = withPins(dictionary);
    const program = compiled(plan.circuit, PLAN, false);
    const shows = { program: 0, eye: 0, nowhere: 0 };
    let [silent, count, first, questions, alone, wrong, meter, metered, millis] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
    for (const [seed, { key, faults, readings }] of full.entries.entries()) {
      const build = new VirtualBuild(plan, faults);
      const runs = new FirmwareModel(build).runs();
      if (!runs) silent += 1;
      const began = performance.now();
      const lines = runs ? new Hearing(PLAN).take(await printed(program, build)) : null;
      millis += performance.now() - began;
      const seen = new Map(
        evidenceOf(plan.circuit, program.job, lines ?? []).observations.map((o) => [o.measurement, o.value]),
      );
      full.measurements.forEach((m, i) => {
        const value = seen.get(m.key);
        if (value !== undefined && deviation(m.kind, value, readings[i] ?? 0) > 0.5) wrong += 1;
      });
      if (runs && !lines) wrong += 1;
      if (key === SOUND) continue;
      count += 1;
      const hidden = new HiddenBuild(plan, faults, seed);
      const found = selfTested(full, hidden);
      shows[found.shows] += 1;
      if (found.shows !== 'nowhere') {
        questions += found.questions;
        alone += found.questions === 0 ? 1 : 0;
        first += found.finding?.suspects[0]?.entries.some((entry) => entry.key === key) ? 1 : 0;
      }
      if (seed % EVERY !== 0 || found.shows === 'nowhere') continue;
      metered += 1;
      meter += hunt(dictionary, hidden).taken.length;
    }
    program.remove();
    const shown = shows.program + shows.eye;
    const share = (n: number) => `${((100 * n) / shown).toFixed(1)} %`;
    console.log(
      `${name}: ${count} faults, ${(millis / (count + 1)).toFixed(0)} ms a run, ${wrong} readings other than the build shows; ` +
        `${shows.program} show to the program (of them ${silent} by its silence), ${shows.eye} to the eye, ${shows.nowhere} nowhere; ` +
        `of those that show first ${share(first)}, ${(questions / shown).toFixed(2)} readings by a person, none for ${share(alone)}; by meter alone ${(meter / metered).toFixed(1)}`,
    );
  }
}
