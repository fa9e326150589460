/** A divider hangs on the resistance of the output above it: by hand, and beside what the pin then sees. */
import { expect } from 'chai';
import { dividerShare } from '../../src/circuit/divider.ts';
import { RESISTOR_TOLERANCE } from '../../src/standard/common-practice.ts';
import { controller, exactly, judge, part } from '../support/build.ts';
import { CMOS } from '../support/build.ts';
import { output, TWO_RAILS } from '../support/boards.ts';

describe('a loaded divider', () => {
  it('lets through L ÷ (R + U + L): of 8 kΩ into 8.2 kΩ and 10 kΩ 0.38, not 0.55', () => {
    const eight = { min: 8e3, typ: 8e3, max: 8e3 };
    expect(dividerShare({ upper: 8200, lower: 10_000 }, eight).typ).to.be.closeTo(10 / 26.2, 1e-12);
    expect(dividerShare({ upper: 8200, lower: 10_000 }).typ).to.be.closeTo(10 / 18.2, 1e-12);
  });
  it('has both resistors at the tolerance that is worse for each end', () => {
    const t = RESISTOR_TOLERANCE;
    const { min, max } = dividerShare({ upper: 10_000, lower: 10_000 }, { min: 1000, typ: 2000, max: 3000 });
    expect(min).to.be.closeTo((10 * (1 - t)) / (10 * (1 - t) + 10 * (1 + t) + 3), 1e-12);
    expect(max).to.be.closeTo((10 * (1 + t)) / (10 * (1 + t) + 10 * (1 - t) + 1), 1e-12);
  });
  it('gives the pin less of a high: 4.5 V × 0.36 are no high for it, while without the 8 kΩ they are', () => {
    const high = (ohms: number) => {
      const weak = output('o', ohms > 0 ? { outputResistance: exactly('Ω', ohms) } : {});
      return judge({
        cards: [TWO_RAILS, controller(CMOS), weak],
        parts: [
          part('o', 'o', {
            feeds: { vcc: 'v3.high' },
            ports: { port: { lines: { out: { pin: 'p3', locked: false } } } },
          }),
        ],
        helpers: [{ id: 'd', kind: 'divider', part: 'o', port: 'port', line: 'out', upper: 8200, lower: 10_000 }],
      }).of('level/high')[0];
    };
    expect(high(0)?.severity).to.equal(null);
    expect(high(8e3)?.severity).to.equal('fault');
  });
});
