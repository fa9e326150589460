import { expect } from 'chai';
import {
  coldShare,
  discharge,
  openVoltage,
  packOf,
  terminalVoltage,
  type Drain,
  type Pack,
} from '../../src/physics/discharge.ts';
import type { Cells } from '../../src/card/power.ts';
import { library } from '../support/demo.ts';
import { spiceDischarge } from '../support/spice.ts';

const CURVE = [
  { used: 0, volts: 4.8 },
  { used: 0.2, volts: 4.2 },
  { used: 0.8, volts: 3.6 },
  { used: 1, volts: 2.7 },
];
const pack: Pack = { charge: 3600, curve: CURVE, resistance: 0.5, cutOff: 3, leak: 0 };
const steadyDrain = (amps: number, peak = amps, least = 0): Drain => ({ mean: () => amps, peak: () => peak, least });

describe('a discharge', () => {
  it('of one ampere-hour into 100 mA lasts what is used ÷ 100 mA', () => {
    const run = discharge(pack, steadyDrain(0.1));
    // 3 V at the terminals is 3.05 V inside: 0.8 + 0.2 × (3.6 − 3.05) ÷ 0.9 of the charge.
    const used = 0.8 + (0.2 * (3.6 - 3.05)) / 0.9;
    expect(run.used).to.be.closeTo(used, 1e-9);
    expect(run.seconds).to.be.closeTo((3600 * used) / 0.1, 1e-3);
    expect(run.ends).to.equal('cut-off');
  });
  it('ends at the worst moment, not at the mean', () => {
    const run = discharge(pack, steadyDrain(0.1, 1));
    // 1 A through 0.5 Ω: 3.5 V inside.
    expect(run.used).to.be.closeTo(0.8 + (0.2 * (3.6 - 3.5)) / 0.9, 1e-9);
  });
  it('ends where the build stops before the cells are at their end', () => {
    const run = discharge(pack, steadyDrain(0.1, 0.1, 3.65));
    expect(run.ends).to.equal('brown-out');
    // 3.7 V inside: 0.2 + 0.6 × (4.2 − 3.7) ÷ 0.6.
    expect(run.used).to.be.closeTo(0.7, 1e-9);
  });
  it('does not begin where a fresh pack gives in', () => {
    expect(discharge(pack, steadyDrain(0.1, 4)).seconds).to.equal(0);
    expect(discharge(pack, { mean: () => 0.1, peak: (v) => 20 / v, least: 0 }).seconds).to.equal(0);
  });
  it('loses what cells lose by themselves', () => {
    const run = discharge({ ...pack, leak: 0.1 }, steadyDrain(0.1));
    expect(run.seconds).to.be.closeTo(discharge(pack, steadyDrain(0.1)).seconds / 2, 1e-3);
  });
  it('falls all the way down its curve', () => {
    const { points } = discharge(pack, { mean: (v) => 0.4 / v, peak: (v) => 1 / v, least: 0 });
    for (const [i, point] of points.entries()) {
      const before = points[i - 1];
      if (!before) continue;
      expect(point.t).to.be.above(before.t);
      expect(point.volts).to.be.at.most(before.volts);
      expect(point.sagged).to.be.at.most(point.volts);
    }
  });

  // The reference simulator empties the same pack: a current that stays, and a power that stays.
  for (const [name, load, drain] of [
    ['a steady current', '50e-3', { mean: () => 0.05, peak: () => 0.05, least: 0 }],
    ['a steady power', '200e-3/v(t)', { mean: (v: number) => 0.2 / v, peak: (v: number) => 0.2 / v, least: 0 }],
  ] as const)
    it(`of ${name} ends when the reference simulator says`, () => {
      const ours = discharge(pack, drain);
      const theirs = spiceDischarge(pack, load, ours.seconds * 1.2);
      expect(ours.seconds).to.be.closeTo(theirs, 2e-3 * theirs);
    });
  it('of three cells from the catalogue ends when the reference simulator says', () => {
    const cells = library.get('cells-three')?.rails?.[0]?.cells as Cells;
    const three = { ...packOf(cells, 'worst', 20), leak: 0 };
    const ours = discharge(three, { mean: (v) => 3e-3 / v, peak: (v) => 3e-3 / v, least: 0 });
    expect(ours.seconds).to.be.closeTo(spiceDischarge(three, '3e-3/v(t)', ours.seconds * 1.2), 3e-3 * ours.seconds);
  });
});

describe('a pack', () => {
  const cells: Cells = {
    chemistry: 'primary',
    count: 3,
    capacity: { min: 7200, typ: 9000, unit: 'C', source: 's' },
    curve: CURVE,
    resistance: { typ: 0.5, max: 1, unit: 'Ω', source: 's' },
    cutOff: { typ: 3, unit: 'V', source: 's' },
    cold: { at: -10, share: 0.7 },
    selfDischarge: { typ: 0.03, unit: 'share', source: 's' },
    source: 's',
  };
  it('gives less in the cold, straight down to what its card states', () => {
    expect([30, 20, 5, -10, -25].map((t) => Number(coldShare(cells, t).toFixed(6)))).to.deep.equal([
      1, 1, 0.85, 0.7, 0.55,
    ]);
    expect(coldShare({ ...cells, cold: undefined }, -40)).to.equal(1);
  });
  it('at its worst has its least capacity and its most resistance', () => {
    // Thirty degrees below 20 °C, 1.5 times for each ten: 3.375 times.
    expect(packOf(cells, 'worst', -10)).to.include({ charge: 7200 * 0.7, resistance: 3.375 });
    expect(packOf(cells, 'usual', 20)).to.include({ charge: 9000, resistance: 0.5 });
    // 3 % of 9000 C in a year.
    expect(packOf(cells, 'usual', 20).leak).to.be.closeTo(270 / (365.25 * 86400), 1e-12);
  });
  it('has the voltage of its curve, straight between its points', () =>
    expect([0, 0.1, 0.5, 0.9, 1, 1.5].map((u) => Number(openVoltage(CURVE, u).toFixed(9)))).to.deep.equal([
      4.8, 4.5, 3.9, 3.15, 2.7, 2.7,
    ]));
  it('settles where its own voltage and the load’s current agree', () => {
    // 1 W from 4 V behind 0.5 Ω: V² − 4 V + 0.5 = 0.
    expect(terminalVoltage(4, 0.5, (v) => 1 / v)).to.be.closeTo(2 + Math.sqrt(3.5), 1e-6);
    // More than it can give: 8 W would be the most.
    expect(terminalVoltage(4, 0.5, (v) => 9 / v)).to.equal(0);
  });
});
