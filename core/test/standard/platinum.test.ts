import { expect } from 'chai';
import { platinum, platinumSlope } from '../../src/standard/platinum.ts';

describe('platinum', () => {
  // IEC 60751, table of a 100 Ω resistor (from memory), two decimals.
  for (const [celsius, ohms] of [
    [-200, 18.52],
    [-100, 60.26],
    [-50, 80.31],
    [0, 100],
    [50, 119.4],
    [100, 138.51],
    [200, 175.86],
    [400, 247.09],
    [850, 390.48],
  ] as const) {
    it(`is ${ohms} Ω at ${celsius} °C`, () => expect(platinum(100, celsius)).to.be.closeTo(ohms, 0.005));
  }
  it('has 0.385 Ω a degree on the mean from 0 to 100 °C, and its slope is that of the curve', () => {
    expect((platinum(100, 100) - platinum(100, 0)) / 100).to.be.closeTo(0.3851, 5e-5);
    for (const at of [-150, -10, 10, 300]) {
      const by = (platinum(1000, at + 0.01) - platinum(1000, at - 0.01)) / 0.02;
      expect(platinumSlope(1000, at)).to.be.closeTo(by, 1e-5);
    }
  });
});
