/** Pin assignment against the same model in a mixed-integer solver, at the same optimum. */
import loadHighs from 'highs';
import { solvePins } from '../src/solve/pins.ts';
import { lpOf } from '../test/support/milp.ts';
import { pinCase } from '../test/support/pin-case.ts';
import { middle, ms } from './time.ts';

/** 32 lines that stand alone and four buses of two: 40 signals on 50 pins. */
const CASES = [11, 23, 37, 41, 59];

export async function benchPins(): Promise<void> {
  const highs = await loadHighs();
  const ratios: number[] = [];
  for (const seed of CASES) {
    const model = pinCase(seed * 7919, 32, 4, 50);
    const mine = solvePins(model);
    const text = lpOf(model);
    const theirs = highs.solve(text);
    const same = mine.ok && Math.abs(mine.cost - theirs.ObjectiveValue) < 1e-6;
    if (!same)
      throw new Error(`case ${seed}: ${mine.ok ? mine.cost : mine.explanation} against ${theirs.ObjectiveValue}`);
    const own = middle(() => void solvePins(model), 300);
    const other = middle(() => void highs.solve(text), 300);
    ratios.push(other / own);
    console.log(
      `${model.wishes.length} signals on ${model.pins.length} pins, optimum ${mine.cost}: ${ms(own)} against ${ms(other)}, ${(other / own).toFixed(0)} times faster`,
    );
  }
  ratios.sort((a, b) => a - b);
  console.log(
    `pin assignment: ${ratios[ratios.length >> 1]?.toFixed(0)} times faster than the solver in the middle, at the same optimum`,
  );
}
