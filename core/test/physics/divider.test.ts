import { expect } from 'chai';
import { dividers } from '../../src/physics/divider.ts';

describe('a divider', () => {
  it('never passes its target, with both resistors 5 % off', () => {
    for (const { upper, lower, highest } of dividers(5.25, 3.0, 'E24', 0.05)) {
      const worst = (5.25 * lower * 1.05) / (lower * 1.05 + upper * 0.95);
      expect(highest).to.be.closeTo(worst, 1e-12);
      expect(worst).to.be.at.most(3.0);
    }
  });
  it('lets as much through as any pair of the series that stays below, by trying all of them', () => {
    const [best] = dividers(5, 3.3, 'E12', 0.05);
    const steps = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2];
    const values = [...steps.map((x) => x * 1e3), ...steps.map((x) => x * 1e4), 1e5];
    let most = 0;
    for (const upper of values) {
      for (const lower of values) {
        const worst = (5 * lower * 1.05) / (lower * 1.05 + upper * 0.95);
        if (worst <= 3.3 && (upper * lower) / (upper + lower) <= 10e3) most = Math.max(most, lower / (upper + lower));
      }
    }
    expect(best?.share.typ).to.be.closeTo(most, 1e-3);
  });
  it('keeps its source resistance to what the converter takes', () => {
    for (const { source } of dividers(5, 3, 'E24', 0.05, 2500)) expect(source).to.be.at.most(2500);
    expect(dividers(5, 3, 'E24', 0.05, 1)).to.deep.equal([]);
  });
});
