import { expect } from 'chai';
import type { Resistive } from '../../src/physics/resistive.ts';
import {
  evenness,
  fixedResistors,
  resistanceAt,
  resistanceSlope,
  selfHeating,
  shareAt,
} from '../../src/physics/resistive.ts';
import { seriesBetween } from '../../src/standard/e-series.ts';

const source = 'sheet';
const bead: Resistive = {
  kind: 'beta',
  signal: 'end',
  r25: { typ: 10e3, unit: 'Ω', source },
  beta: { typ: 3950, unit: 'K', source },
  dissipation: { min: 1.5e-3, unit: 'W/K', source },
};
const dusk: Resistive = {
  kind: 'light',
  signal: 'end',
  r10: { typ: 14e3, unit: 'Ω', source },
  gamma: { typ: 0.7, unit: '1', source },
};
const thousand: Resistive = { kind: 'platinum', signal: 'end', r0: { typ: 1000, unit: 'Ω', source } };
const range = { from: 4, to: 18 };

/**
 * The resistor at which both ends and the middle of the range lie on one line: a well-known method for thermistors
 * (handbooks of the trade, from memory). Rf = (Rm × (Ra + Rb) − 2 × Ra × Rb) ÷ (Ra + Rb − 2 × Rm).
 */
function threePointResistor(transfer: Resistive, from: number, to: number): number {
  const [a, m, b] = [from, (from + to) / 2, to].map((at) => resistanceAt(transfer, at)) as [number, number, number];
  return (m * (a + b) - 2 * a * b) / (a + b - 2 * m);
}

describe('a part whose resistance is the reading', () => {
  it('a thermistor of 10 kΩ and B = 3950 has 33.6 kΩ at 0 °C and 3588 Ω at 50 °C (formula, from memory)', () => {
    expect(resistanceAt(bead, 0)).to.be.closeTo(33.6e3, 50);
    expect(resistanceAt(bead, 50)).to.be.closeTo(10e3 * Math.exp(3950 * (1 / 323.15 - 1 / 298.15)), 1e-6);
  });
  it('a light-dependent resistor falls by 10^gamma with every decade', () => {
    expect(resistanceAt(dusk, 10)).to.equal(14e3);
    expect(resistanceAt(dusk, 10) / resistanceAt(dusk, 100)).to.be.closeTo(10 ** 0.7, 1e-9);
  });
  it('has the slope of its curve', () => {
    for (const [transfer, at] of [
      [bead, 11],
      [dusk, 120],
      [thousand, 40],
    ] as const) {
      const by = (resistanceAt(transfer, at + 1e-3) - resistanceAt(transfer, at - 1e-3)) / 2e-3;
      expect(resistanceSlope(transfer, at)).to.be.closeTo(by, Math.abs(by) * 1e-5);
    }
  });
});

describe('the fixed resistor', () => {
  it('is the most even of the series, by trying each', () => {
    for (const transfer of [bead, thousand]) {
      const [best] = fixedResistors(transfer, range, 'E24');
      const tried = seriesBetween('E24', 100, 1e6).map((ohms) => evenness(transfer, range, ohms));
      expect(best?.evenness).to.be.closeTo(Math.max(...tried), transfer.kind === 'platinum' ? 0.01 : 1e-12);
    }
  });
  it('lies near the one of the three-point method, which puts the middle on the line between the ends', () => {
    const ohms = threePointResistor(bead, range.from, range.to);
    const [a, m, b] = [4, 11, 18].map((at) => shareAt(bead, ohms, at));
    expect(m).to.be.closeTo(((a ?? 0) + (b ?? 0)) / 2, 1e-12);
    const [best] = fixedResistors(bead, range, 'E96');
    expect(Math.abs(Math.log((best?.ohms ?? 0) / ohms))).to.be.lessThan(0.1);
  });
  it('of light is judged by decade: 14 kΩ at 10 lx, from 1 to 1000 lx, wants some kΩ', () => {
    const [best] = fixedResistors(dusk, { from: 1, to: 1000 }, 'E12');
    const [one, thousandLux] = [resistanceAt(dusk, 1), resistanceAt(dusk, 1000)];
    // In decades the divider is symmetrical about the geometric mean of the ends.
    expect(Math.abs(Math.log((best?.ohms ?? 0) / Math.sqrt(one * thousandLux)))).to.be.lessThan(0.12);
  });
});

describe('self-heating', () => {
  it('of 10 kΩ under 10 kΩ on 5 V is 625 µW, or 0.417 K at 1.5 mW/K', () => {
    const { watts, kelvin } = selfHeating(bead, { from: 25, to: 25.001 }, 10e3, 5);
    expect(watts).to.be.closeTo(625e-6, 1e-9);
    expect(kelvin).to.be.closeTo(0.41667, 1e-4);
  });
  it('is not told where the card gives no dissipation', () =>
    expect(selfHeating(thousand, range, 1e3, 3.3).kelvin).to.equal(null));
});
