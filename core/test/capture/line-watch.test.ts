import { expect } from 'chai';
import fc from 'fast-check';
import { LineWatch } from '../../src/capture/line-watch.ts';

const watch = (values: readonly number[], supply = 3.3, step = 1e-6) => {
  const line = new LineWatch(supply);
  const levels = values.map((value, i) => line.push(i * step, value));
  return { ...line.end(), levels };
};

describe('a line of a capture', () => {
  it('has a level only once it passed 30 or 70 %, and keeps it in between', () => {
    expect(watch([1.65, 1.65, 3.3, 1.65, 0, 1.65, 3.3]).levels).to.deep.equal([
      null,
      null,
      true,
      true,
      false,
      false,
      true,
    ]);
    expect(watch([0, 3.3, 0, 3.3]).changes).to.equal(3);
  });
  it('measures a straight ramp by interpolation: 40 % of ten steps are four', () => {
    const ramp = Array.from({ length: 11 }, (_, i) => (i / 10) * 3.3);
    const { rises, falls } = watch([0, ...ramp, 3.3, ...ramp.toReversed(), 0]);
    expect(rises?.middle).to.be.closeTo(4e-6, 1e-12);
    expect(falls?.middle).to.be.closeTo(4e-6, 1e-12);
  });
  it('knows of an edge within one step no more than that it took no longer', () => {
    const { rises, falls } = watch([0, 3.3, 3.3, 0, 0], 3.3, 100e-9);
    expect(rises).to.deep.equal({ count: 1, withinStep: 1, least: 100e-9, middle: 100e-9, most: 100e-9 });
    expect(falls?.withinStep).to.equal(1);
    expect(falls?.most).to.be.closeTo(100e-9, 1e-15);
    // With one sample in between it is measured again.
    expect(watch([0, 1.65, 3.3], 3.3, 100e-9).rises?.withinStep).to.equal(0);
  });
  it('counts no edge that turns back half way', () => {
    const { rises, changes } = watch([0, 1.5, 0, 1.5, 0]);
    expect(rises).to.equal(null);
    expect(changes).to.equal(0);
  });
  it('says that a line was never high, or never low', () => {
    expect(watch([0.1, 0.2, 0.1])).to.deep.include({ high: null, samples: 3 });
    expect(watch([3.2, 3.3])).to.deep.include({ low: null });
    expect(new LineWatch(3.3).end()).to.deep.include({ samples: 0, lowest: 0, highest: 0 });
  });
  it('keeps in its picture the lowest and the highest of everything, however long it is', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 6, noNaN: true }), { minLength: 1, maxLength: 6000 }),
        (values) => {
          const { envelope, lowest, highest } = watch(values);
          expect(envelope.length).to.be.at.most(2048);
          expect(Math.min(...envelope.map(({ least }) => least))).to.equal(lowest);
          expect(Math.max(...envelope.map(({ most }) => most))).to.equal(highest);
          expect(envelope.map(({ time }) => time)).to.deep.equal(
            envelope.map(({ time }) => time).toSorted((a, b) => a - b),
          );
        },
      ),
      { numRuns: 40 },
    );
  });
});
