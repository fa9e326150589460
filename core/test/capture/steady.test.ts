/** What a meter shows is taken by itself only while the probes stand on the spot that is asked for. */
import { expect } from 'chai';
import { METER } from '../../src/standard/pocket-meter.ts';
import { Steady } from '../../src/capture/steady.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { handAtWork, type Spot } from '../support/meter-hand.ts';

function drawn(roll: () => number): Spot[] {
  return Array.from({ length: 30 }, (): Spot => {
    const kind = roll() < 0.5 ? 'ohms' : roll() < 0.9 ? 'volts' : 'amps';
    if (kind === 'ohms')
      return { kind, truth: roll() < 0.4 ? 2 * roll() : roll() < 0.15 ? 1e9 : 10 ** (1 + 6 * roll()) };
    if (kind === 'volts') return { kind, truth: roll() < 0.2 ? 0.1 * (2 * roll() - 1) : 12 * roll() };
    return { kind, truth: 0.5 * roll() };
  });
}

describe('a reading that stands still', () => {
  it('is never that of another spot, nor of none, and is taken of nearly all that shows contact', () => {
    let [spots, shows, taken, wrong] = [0, 0, 0, 0];
    for (let seed = 1; seed <= 200; seed++) {
      const roll = randomFrom(seed);
      const all = drawn(roll);
      const got = new Set<number>();
      let row = 0;
      const steady = new Steady(all[0]?.kind ?? 'volts');
      for (const sample of handAtWork(all, roll, (spot) => got.has(spot))) {
        const value = steady.take(sample, sample.at);
        const spot = all[row];
        if (!spot || (value === null && !sample.pressed)) continue;
        if (value === null) {
          steady.next(all[++row]?.kind ?? 'volts');
          continue;
        }
        const { share, fixed } = METER[spot.kind];
        const isRight =
          sample.on === row && Math.abs(value - spot.truth) <= 1.5 * (share * Math.abs(spot.truth) + fixed);
        if (isRight) taken += 1;
        else wrong += 1;
        got.add(row);
        row += 1;
        steady.next(all[row]?.kind ?? 'volts');
      }
      spots += all.length;
      shows += all.filter(({ kind, truth }) =>
        kind === 'ohms' ? truth < 20e3 : kind === 'volts' ? Math.abs(truth) > 1 : truth > 1e-3,
      ).length;
    }
    expect(wrong, `of ${taken} taken`).to.equal(0);
    expect(taken / shows, `${taken} of ${shows} of ${spots}`).to.be.greaterThan(0.9);
  });
});
