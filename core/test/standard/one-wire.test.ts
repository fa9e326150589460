import { expect } from 'chai';
import { oneWireConversion, recovery } from '../../src/standard/one-wire.ts';

describe('one-wire figures', () => {
  // Data sheets of the class (from memory).
  it('convert in 93.75, 187.5, 375 and 750 ms at 9 to 12 bits', () => {
    expect([9, 10, 11, 12].map(oneWireConversion)).to.deep.equal([0.09375, 0.1875, 0.375, 0.75]);
    for (const bits of [8, 13, 10.5]) expect(() => oneWireConversion(bits)).to.throw(RangeError);
  });
  it('recover from nothing to half the supply in ln 2 time constants, and never to the supply itself', () => {
    expect(recovery(1e3, 1e-9, 5, 0, 2.5)).to.be.closeTo(Math.LN2 * 1e-6, 1e-15);
    expect(recovery(1e3, 1e-9, 3.3, 0.4, 3.3)).to.equal(Infinity);
  });
});
