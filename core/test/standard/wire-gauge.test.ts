import { expect } from 'chai';
import { gaugeDiameter, gaugeResistance } from '../../src/standard/wire-gauge.ts';

describe('wire gauge', () => {
  // ASTM B258 and IEC 60028: gauge 22 is 52.96 mΩ/m, gauge 28 is 212.9 mΩ/m (from memory).
  it('gives the resistances of the tables', () => {
    expect(gaugeResistance(22)).to.be.closeTo(52.96e-3, 0.02e-3);
    expect(gaugeResistance(28)).to.be.closeTo(212.9e-3, 0.1e-3);
  });
  it('has gauge 36 as its origin', () => expect(gaugeDiameter(36)).to.be.closeTo(0.127e-3, 1e-12));
});
