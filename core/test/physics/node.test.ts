import { expect } from 'chai';
import fc from 'fast-check';
import type { Net, PullUp } from '../../src/circuit/model.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { effectivePullUp, highestRest, lowestRest } from '../../src/physics/node.ts';
import { pullUpWindow } from '../../src/physics/pull-up-window.ts';
import { interval } from '../../src/quantity/interval.ts';
import { DEFAULT_RULES } from '../../src/plan/default-rules.ts';
import { demo } from '../support/demo.ts';

const line = deriveCircuit(demo('cupboard-first-draft')).nets.find(({ id }) => id === 'i2c.sda') as Net;
const pull = (volts: [number, number], ohms: [number, number]): PullUp => ({
  ohms: interval(ohms[0], (ohms[0] + ohms[1]) / 2, ohms[1]),
  rail: 'r',
  root: 'r',
  voltage: interval(volts[0], (volts[0] + volts[1]) / 2, volts[1]),
  helper: null,
  fitted: null,
  label: 'r',
  source: null,
  switches: [],
  figure: null,
});
const net = (...pullUps: PullUp[]): Net => ({ ...line, ends: [], pullUps });

describe('node voltage', () => {
  // By hand: 5 V through 4.7 kΩ against 3.3 V through 3.33 kΩ: (5/4.7 + 3.3/3.333) ÷ (1/4.7 + 1/3.333) = 4.005 V.
  it('is Σ(Vi/Ri) ÷ Σ(1/Ri)', () => {
    const mixed = net(pull([5, 5], [4700, 4700]), ...[1, 2, 3].map(() => pull([3.3, 3.3], [10e3, 10e3])));
    expect(highestRest(mixed)?.volts).to.be.closeTo(4.005, 0.001);
    expect(effectivePullUp(mixed)?.typ).to.be.closeTo(1950.2, 0.1);
  });

  it('is the rail when all pull-ups are on it, and nothing without one', () => {
    expect(highestRest(net(pull([3.2, 3.4], [1e3, 2e3]), pull([3.2, 3.4], [4e3, 5e3])))?.volts).to.be.closeTo(
      3.4,
      1e-12,
    );
    expect(highestRest(net())).to.equal(null);
  });

  it('bounds every combination of rails and resistors inside their intervals', () => {
    const source = fc.record({
      low: fc.double({ min: 1, max: 6, noNaN: true }),
      width: fc.double({ min: 0, max: 0.5, noNaN: true }),
      ohms: fc.double({ min: 500, max: 50e3, noNaN: true }),
      spread: fc.double({ min: 0, max: 0.2, noNaN: true }),
      a: fc.double({ min: 0, max: 1, noNaN: true }),
      b: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(source, { minLength: 1, maxLength: 5 }), (sources) => {
        const made = net(
          ...sources.map((s) => pull([s.low, s.low + s.width], [s.ohms * (1 - s.spread), s.ohms * (1 + s.spread)])),
        );
        const picked = sources.map((s) => ({
          v: s.low + s.width * s.a,
          r: s.ohms * (1 - s.spread + 2 * s.spread * s.b),
        }));
        const value = picked.reduce((t, { v, r }) => t + v / r, 0) / picked.reduce((t, { r }) => t + 1 / r, 0);
        expect(value).to.be.at.most((highestRest(made)?.volts ?? 0) + 1e-9);
        expect(value).to.be.at.least((lowestRest(made)?.volts ?? 0) - 1e-9);
      }),
    );
  });
});

describe('pull-up window', () => {
  it('keeps every value inside on both sides, tolerance included, and follows the house rule', () => {
    const bus = { ...line, capacitance: 200e-12, clock: 400e3 };
    const window = pullUpWindow(bus, 3.3, DEFAULT_RULES);
    expect(window.values).to.deep.equal([1200, 1500]);
    expect([window.min, window.max]).to.satisfy(
      ([low, high]: number[]) => Math.abs((low ?? 0) - 966.667 / 0.95) < 0.1 && Math.abs((high ?? 0) - 1770 / 1.05) < 1,
    );
    expect(
      (['strongest', 'weakest'] as const).map(
        (pullUpValue) => pullUpWindow(bus, 3.3, { ...DEFAULT_RULES, pullUpValue }).choice,
      ),
    ).to.deep.equal([1200, 1500]);
  });
  it('is shut when the capacitance is too large for the sinks', () =>
    expect(pullUpWindow({ ...line, capacitance: 400e-12, clock: 400e3 }, 5, DEFAULT_RULES)).to.include({
      choice: null,
    }));
});
