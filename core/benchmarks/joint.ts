/** Everything decided together, against the same model in a mixed-integer solver, at the same optimum. */
import loadHighs from 'highs';
import type { Circuit } from '../src/circuit/model.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { documentOf } from '../src/plan/document.ts';
import { complete } from '../src/solve/complete/complete.ts';
import { encode } from '../src/solve/complete/encode.ts';
import { solveJoint } from '../src/solve/joint/solve.ts';
import { isSame } from '../src/plan/same.ts';
import { demo, library } from '../test/support/demo.ts';
import { lexicographic } from '../test/support/joint-lp.ts';
import { manyParts } from '../test/support/many-parts.ts';
import { middle, ms } from './time.ts';

export async function benchJoint(): Promise<void> {
  const highs = await loadHighs();
  const draft = deriveCircuit(documentOf(demo('cupboard-first-draft').plan, [], library));
  const cases: [string, Circuit][] = [['the first draft of the cupboard', draft]];
  for (const seed of [1, 2, 3]) cases.push([`30 parts, case ${seed}`, deriveCircuit(manyParts(seed, 30))]);
  for (const [name, circuit] of cases) {
    const encoding = encode(circuit, library);
    if (!encoding) throw new Error(`${name}: nothing to solve`);
    const { problem } = encoding;
    const mine = solveJoint(problem);
    const began = performance.now();
    const theirs = lexicographic(highs, problem);
    const other = performance.now() - began;
    if (!isSame(mine?.goals ?? null, theirs))
      throw new Error(`${name}: ${JSON.stringify(mine?.goals)} against ${JSON.stringify(theirs)}`);
    const own = middle(() => void solveJoint(problem), 300);
    const options = problem.choices.reduce((sum, choice) => sum + choice.options.length, 0);
    console.log(
      `${name}: ${problem.choices.length} choices, ${options} options, ${mine ? `${mine.nodes} nodes` : 'no solution'}: ${ms(own)} against ${ms(other)}, ${(other / own).toFixed(0)} times faster`,
    );
  }
  const whole = middle(() => void complete(draft, library), 1500);
  console.log(`first draft of the cupboard to verified, trials and proof included: ${ms(whole)}`);
}
