import { expect } from 'chai';
import fc from 'fast-check';
import { highest, mean, MAX_STEPS, round, steady, sumSteps, valueAt, type Steps } from '../../src/quantity/steps.ts';

describe('steps', () => {
  it('lay pieces over a rest, around the end of the round, and the higher where two meet', () => {
    const steps = round(10, 1, [
      { from: 8, to: 11, value: 5 },
      { from: 9, to: 9.5, value: 7 },
    ]);
    expect([0, 0.9, 1, 7.9, 8, 9, 9.4, 9.5].map((t) => valueAt(steps, t))).to.deep.equal([5, 5, 1, 1, 5, 7, 7, 5]);
    // 3 s at 5, of which half a second at 7 instead, and 7 s at 1.
    expect(mean(steps)).to.be.closeTo((2.5 * 5 + 0.5 * 7 + 7 * 1) / 10, 1e-12);
    expect(highest(steps)).to.equal(7);
  });
  it('hold their piece all the time where it is longer than the round', () =>
    expect(mean(round(2, 0, [{ from: 1, to: 9, value: 3 }]))).to.equal(3));
  it('refuse a round without length', () => expect(() => round(0, 1, [])).to.throw(RangeError, 'positive period'));
  it('repeat after the shortest common time', () => {
    const { steps, folded } = sumSteps(
      [steady(1), round(4, 0, [{ from: 0, to: 1, value: 2 }]), round(6, 0, [{ from: 0, to: 1, value: 4 }])],
      'highest',
    );
    expect(steps.period).to.equal(12);
    expect(folded).to.deep.equal([]);
    expect([0, 1, 4, 6, 8].map((t) => valueAt(steps, t))).to.deep.equal([7, 1, 3, 5, 3]);
  });
  it('take what would not fit as its mean, or as its highest', () => {
    const odd = (period: number) => round(period, 0, [{ from: 0, to: 0.5, value: 8 }]);
    const list = [odd(86399.999), odd(0.997), odd(1.009)];
    const [low, high] = (['mean', 'highest'] as const).map((fold) => sumSteps(list, fold));
    expect(low?.folded).to.deep.equal([1.009, 0.997]);
    expect(mean(low?.steps ?? steady(0))).to.be.closeTo(8 * 0.5 * (1 / 86399.999 + 1 / 0.997 + 1 / 1.009), 1e-9);
    expect(highest(high?.steps ?? steady(0))).to.equal(24);
    expect(high?.steps.at.length).to.be.below(MAX_STEPS);
  });

  const arbitrary = fc.record({
    period: fc.constantFrom(2, 3, 4, 6, 12),
    rest: fc.integer({ min: 0, max: 3 }),
    pieces: fc.array(
      fc.record({
        from: fc.integer({ min: 0, max: 30 }),
        length: fc.integer({ min: 1, max: 8 }),
        value: fc.integer({ min: 0, max: 9 }),
      }),
      { maxLength: 3 },
    ),
  });
  type Wanted = { period: number; rest: number; pieces: { from: number; length: number; value: number }[] };
  const GRID = 0.25;
  /** The value at one moment, from what was asked for. */
  const asked = ({ period, rest, pieces }: Wanted, tick: number): number => {
    const inside = tick % (period / GRID);
    const here = pieces.filter(({ from, length }) => {
      if (length * GRID >= period) return true;
      const start = from % (period / GRID);
      return (inside - start + period / GRID) % (period / GRID) < length;
    });
    return here.length > 0 ? Math.max(...here.map(({ value }) => value)) : rest;
  };
  const made = ({ period, rest, pieces }: Wanted): Steps =>
    round(
      period,
      rest,
      pieces.map(({ from, length, value }) => ({ from: from * GRID, to: (from + length) * GRID, value })),
    );

  it('add up to what a count moment by moment gives', () =>
    fc.assert(
      fc.property(fc.array(arbitrary, { minLength: 1, maxLength: 5 }), (list) => {
        const { steps } = sumSteps(list.map(made), 'highest');
        const ticks = 12 / GRID;
        const counted = Array.from({ length: ticks }, (_, tick) => list.reduce((sum, w) => sum + asked(w, tick), 0));
        expect(mean(steps)).to.be.closeTo(counted.reduce((a, b) => a + b, 0) / ticks, 1e-9);
        expect(highest(steps)).to.be.closeTo(Math.max(...counted), 1e-9);
        counted.forEach((value, tick) => expect(valueAt(steps, tick * GRID)).to.be.closeTo(value, 1e-9));
      }),
      { numRuns: 300 },
    ));
});
