import { expect } from 'chai';
import fc from 'fast-check';
import {
  add,
  divide,
  exact,
  interval,
  multiply,
  parallel,
  spread,
  subtract,
  within,
  type Interval,
} from '../../src/quantity/interval.ts';

const anInterval = fc
  .tuple(fc.double({ min: 0.001, max: 1e6, noNaN: true }), fc.double({ min: 0, max: 1e3, noNaN: true }))
  .map(([low, width]) => interval(low, low + width / 2, low + width));
const inside = (i: Interval, share: number) => i.min + (i.max - i.min) * share;

describe('interval', () => {
  it('refuses a minimum above the maximum and what is no number', () => {
    expect(() => interval(2, 1, 1)).to.throw(RangeError, 'minimum 2 is above maximum 1');
    expect(() => interval(NaN, 1, 1)).to.throw(RangeError);
  });

  it('contains the result of every pair of values inside, for each operation', () => {
    const operations: [(a: Interval, b: Interval) => Interval, (a: number, b: number) => number][] = [
      [add, (a, b) => a + b],
      [subtract, (a, b) => a - b],
      [multiply, (a, b) => a * b],
      [divide, (a, b) => a / b],
    ];
    fc.assert(
      fc.property(
        anInterval,
        anInterval,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b, s, t) => {
          for (const [onIntervals, onNumbers] of operations) {
            const result = onIntervals(a, b);
            const value = onNumbers(inside(a, s), inside(b, t));
            const slack = 1e-9 * Math.max(1, Math.abs(value));
            expect(value).to.be.within(result.min - slack, result.max + slack);
          }
        },
      ),
    );
  });

  it('puts resistors in parallel: three of 10 kΩ make 3.33 kΩ', () => {
    expect(parallel([exact(10e3), exact(10e3), exact(10e3)]).typ).to.be.closeTo(3333.3, 0.1);
    expect(() => parallel([])).to.throw(RangeError);
  });

  it('never makes a parallel value larger by one more resistor', () => {
    fc.assert(
      fc.property(
        fc.array(anInterval, { minLength: 1, maxLength: 6 }),
        anInterval,
        (list, more) => parallel([...list, more]).max <= parallel(list).max,
      ),
    );
  });

  it('spreads a nominal value by its tolerance', () => {
    expect(spread(4700, 0.05)).to.deep.equal({ min: 4465, typ: 4700, max: 4935 });
    expect(within(spread(100, 0.01), spread(100, 0.05))).to.equal(true);
  });

  it('refuses to divide by what may be zero', () => {
    expect(() => divide(exact(1), interval(-1, 0, 1))).to.throw(RangeError);
  });
});
