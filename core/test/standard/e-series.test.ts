import { expect } from 'chai';
import fc from 'fast-check';
import { SERIES, seriesAtLeast, seriesBetween } from '../../src/standard/e-series.ts';

// The published lists of IEC 60063, quoted from memory.
const E12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2];
const E6 = [1, 1.5, 2.2, 3.3, 4.7, 6.8];
const E96_START = [1, 1.02, 1.05, 1.07, 1.1, 1.13, 1.15, 1.18, 1.21, 1.24, 1.27, 1.3];

describe('E series', () => {
  it('equals the published lists', () => {
    expect(SERIES.E12).to.deep.equal(E12);
    expect(SERIES.E6).to.deep.equal(E6);
    expect(SERIES.E24).to.have.length(24).and.to.include.members([5.1, 7.5, 9.1]);
    expect(SERIES.E96).to.have.length(96);
    expect(SERIES.E96.slice(0, 12)).to.deep.equal(E96_START);
    expect(SERIES.E96.at(-1)).to.equal(9.76);
  });

  it('lists the values between two bounds, both included', () => {
    expect(seriesBetween('E12', 1000, 2200)).to.deep.equal([1000, 1200, 1500, 1800, 2200]);
    expect(seriesBetween('E6', 800, 12e3)).to.deep.equal([1000, 1500, 2200, 3300, 4700, 6800, 10e3]);
    expect(seriesBetween('E12', 5, 1)).to.deep.equal([]);
  });

  it('rounds up to the next value', () => {
    expect(seriesAtLeast('E12', 141)).to.equal(150);
    expect(seriesAtLeast('E12', 150)).to.equal(150);
  });

  it('never gives less than was asked, nor more than a step above', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e6, noNaN: true }),
        fc.constantFrom('E6', 'E12', 'E24', 'E96'),
        (ohms, series) => {
          expect(seriesAtLeast(series, ohms) / ohms).to.be.within(1 - 1e-9, 1.52);
        },
      ),
    );
  });
});
