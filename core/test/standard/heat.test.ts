import { expect } from 'chai';
import { besselK0 } from '../../src/standard/bessel.ts';
import { humidityShift, saturationPressure } from '../../src/standard/humidity.ts';
import { gaugeResistance } from '../../src/standard/wire-gauge.ts';

describe('what heat and leads are worked out with', () => {
  // Abramowitz and Stegun, Handbook of Mathematical Functions, table 9.8 (quoted from memory).
  for (const [x, value] of [
    [0.1, 2.427069],
    [0.5, 0.9244191],
    [1, 0.4210244],
    [2, 0.1138939],
    [5, 0.0036911],
  ] as const)
    it(`K0(${x}) is ${value}`, () => expect(besselK0(x)).to.be.closeTo(value, 3e-7));
  it('K0 has no value at 0', () => expect(() => besselK0(0)).to.throw(RangeError));
  it('K0 runs through 2 without a step', () => expect(besselK0(2 - 1e-9)).to.be.closeTo(besselK0(2 + 1e-9), 1e-6));

  // Saturation over water, WMO tables: 6.11 hPa at 0 °C, 12.28 at 10, 23.39 at 20, 42.46 at 30 (quoted from memory).
  for (const [celsius, pascal] of [
    [0, 611],
    [10, 1228],
    [20, 2339],
    [30, 4246],
  ] as const)
    it(`water saturates at ${pascal} Pa at ${celsius} °C`, () =>
      expect(saturationPressure(celsius)).to.be.closeTo(pascal, 0.004 * pascal));
  it('a part a kelvin too warm reads about 6 % of the reading low', () =>
    expect(humidityShift(50, 20, 1)).to.be.closeTo(50 * (1 - 2339 / 2488), 0.06)); // 24.88 hPa at 21 °C
  it('a part as warm as the air reads what is there', () => expect(humidityShift(80, 15, 0)).to.equal(0));

  // ASTM B258 with annealed copper of IEC 60028, mΩ per m at 20 °C (from memory).
  for (const [gauge, milliohms] of [
    [20, 33.31],
    [22, 52.96],
    [24, 84.22],
    [28, 212.9],
  ] as const)
    it(`gauge ${gauge} is ${milliohms} mΩ/m`, () =>
      expect(gaugeResistance(gauge) * 1e3).to.be.closeTo(milliohms, 0.001 * milliohms));
});
