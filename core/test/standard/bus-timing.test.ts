import { expect } from 'chai';
import {
  BUS_MODES,
  FREE_ADDRESSES,
  isReservedAddress,
  modeFor,
  pullUpMax,
  pullUpMin,
  RISE_FACTOR,
  riseTime,
} from '../../src/standard/bus-timing.ts';

describe('bus timing', () => {
  // UM10204 §7.1 prints 0.8473 for the rise from 30 % to 70 % (from memory).
  it('has the published factor of the rise time', () => expect(RISE_FACTOR).to.be.closeTo(0.8473, 0.00005));

  // Worked example of an application report on the sizing of pull-ups: fast mode, 200 pF, 3.3 V, 0.4 V at 3 mA
  // gives 1.77 kΩ and 966.7 Ω (from memory).
  it('gives the worked example of the pull-up window', () => {
    expect(pullUpMax(300e-9, 200e-12)).to.be.closeTo(1770, 1);
    expect(pullUpMin(3.3, 0.4, 3e-3)).to.be.closeTo(966.7, 0.05);
  });

  // UM10204 table 10 (from memory).
  it('has the published rise times and clocks', () => {
    expect(BUS_MODES.map(({ clock, riseTime: rise }) => [clock, rise])).to.deep.equal([
      [100e3, 1000e-9],
      [400e3, 300e-9],
      [1e6, 120e-9],
    ]);
    expect([100e3, 100e3 + 1, 400e3, 1e6].map((clock) => modeFor(clock)?.name)).to.deep.equal([
      'standard',
      'fast',
      'fast',
      'fast-plus',
    ]);
    expect(modeFor(2e6)).to.equal(null);
  });

  it('is its own inverse: the largest pull-up rises in exactly the time allowed', () =>
    expect(riseTime(pullUpMax(300e-9, 123e-12), 123e-12)).to.be.closeTo(300e-9, 1e-18));

  // UM10204 §3.1.12: two groups of eight addresses are reserved, 128 − 16 = 112 (from memory).
  it('leaves 112 addresses free', () => {
    expect(FREE_ADDRESSES).to.have.length(112);
    expect([0x07, 0x08, 0x77, 0x78].map(isReservedAddress)).to.deep.equal([true, false, false, true]);
  });
});
