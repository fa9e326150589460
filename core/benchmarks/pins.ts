/** Pin assignment against the same model in a mixed-integer solver, at the same optimum. */
import loadHighs from 'highs';
import { solvePins } from '../src/solve/pins.ts';
import { lpOf } from '../test/support/milp.ts';
import { pinCase } from '../test/support/pin-case.ts';
import { middle, ms } from './time.ts';

/** Lines that stand alone, buses of two lines, and pins: 10, 20 and 40 signals on 20, 30 and 50. */
const SIZES = [
  [6, 2, 20],
  [14, 3, 30],
  [32, 4, 50],
] as const;
const CASES = [11, 23, 37, 41, 59];

export async function benchPins(): Promise<void> {
  const highs = await loadHighs();
  for (const [singles, buses, pins] of SIZES) {
    const ratios: number[] = [];
    let own = 0;
    let other = 0;
    for (const seed of CASES) {
      const model = pinCase(seed * 7919, singles, buses, pins);
      const mine = solvePins(model);
      const text = lpOf(model);
      const theirs = highs.solve(text);
      const same = mine.ok ? Math.abs(mine.cost - theirs.ObjectiveValue) < 1e-6 : theirs.Status !== 'Optimal';
      if (!same)
        throw new Error(`case ${seed}: ${mine.ok ? mine.cost : mine.explanation} against ${theirs.ObjectiveValue}`);
      own = middle(() => void solvePins(model), 200);
      other = middle(() => void highs.solve(text), 200);
      ratios.push(other / own);
    }
    const sorted = ratios.toSorted((a, b) => a - b);
    console.log(
      `${singles + 2 * buses} signals on ${pins} pins, five cases: ${sorted.map((ratio) => ratio.toFixed(0)).join(', ')} times faster than the solver, ${sorted[sorted.length >> 1]?.toFixed(0)} in the middle (the last ${ms(own)} against ${ms(other)}), at the same optimum`,
    );
  }
}
