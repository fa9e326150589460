import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { analogChain } from '../../src/physics/analog-chain.ts';
import { fixedResistors, thermistor } from '../../src/physics/resistive.ts';
import { card, figure } from '../support/build.ts';

const source = 'sheet';
const adc = {
  bits: 10,
  reference: { min: 4.9, typ: 5, max: 5.1, unit: 'V' as const, source },
  error: { max: 0.002, unit: 'share' as const, source },
};
const sensor = (analog: object) =>
  card('s', {
    terminals: [{ id: 'out', label: 'OUT', role: 'signal', header: 'main', position: 1 }],
    signals: [{ id: 'out', terminal: 'out', kind: 'analog-out' }],
    measures: [
      {
        quantity: 'air temperature',
        unit: '°C',
        range: { from: 0, to: 100, source },
        accuracy: [{ from: 0, to: 100, error: 1, source }],
        analog,
      },
    ],
  });
const front = { adc, supply: 5, series: 'E24' as const };
const chainOf = (c: ReturnType<typeof sensor>, from: number, to: number, more: object = {}) => {
  const [measure] = c.measures;
  return measure ? analogChain(c, measure, { from, to }, { ...front, ...more }) : null;
};

describe('analog chain', () => {
  it('of 10 mV a degree into ten bits of 5 V, worked by hand at 50 °C', () => {
    const linear = sensor({
      kind: 'linear',
      signal: 'out',
      low: figure('V', { min: 0, max: 0 }),
      high: figure('V', { min: 1, max: 1 }),
    });
    const chain = chainOf(linear, 0, 50);
    // Half a step: 5 V ÷ 1024 ÷ 2 = 2.441 mV, or 0.2441 °C. Converter: 0.2 % of 5 V = 10 mV, 1 °C.
    // Reference: ±2 % of the 0.5 V at 50 °C = 10 mV, 1 °C.
    expect(chain?.terms.map(({ name, error }) => [say(name), Number(error.toFixed(4))])).to.deep.equal([
      ['half a step', 0.2441],
      ['converter', 1],
      ['reference', 1],
    ]);
    expect(chain?.worst).to.be.closeTo(2.2441, 1e-4);
    expect(chain?.rss).to.be.closeTo(Math.sqrt(0.2441 ** 2 + 2), 1e-4);
    expect(chain?.at).to.equal(50);
  });
  it('of a sensor fed from the reference does not count the reference', () => {
    const share = sensor({
      kind: 'linear',
      signal: 'out',
      low: figure('share', { min: 0.1, max: 0.1 }),
      high: figure('share', { min: 0.9, max: 0.9 }),
    });
    expect(chainOf(share, 0, 50, { ratiometric: true })?.terms.map(({ name }) => say(name))).to.deep.equal([
      'half a step',
      'converter',
    ]);
  });
  it('is none where there is no converter, or the part is digital', () => {
    const linear = sensor({
      kind: 'linear',
      signal: 'out',
      low: figure('V', { typ: 0 }),
      high: figure('V', { typ: 1 }),
    });
    const [measure] = linear.measures;
    expect(measure && analogChain(linear, measure, { from: 0, to: 1 }, { ...front, adc: undefined })).to.equal(null);
    expect(measure && analogChain(linear, { ...measure, analog: undefined }, { from: 0, to: 1 }, front)).to.equal(null);
  });
  it('of a thermistor: 33.6 kΩ at 0 °C by the beta formula for 10 kΩ and B = 3950 (handbook formula, from memory)', () => {
    expect(thermistor(10e3, 3950, 25)).to.equal(10e3);
    expect(thermistor(10e3, 3950, 0)).to.be.closeTo(33.6e3, 50);
  });
  it('of a thermistor takes the most even fixed resistor, and ±5 % of it is ±1.1 °C', () => {
    const bead = sensor({
      kind: 'beta',
      signal: 'out',
      r25: figure('Ω', { min: 10e3, max: 10e3 }),
      beta: figure('K', { min: 3950, max: 3950 }),
    });
    const chain = chainOf(bead, 15, 35);
    const transfer = bead.measures[0]?.analog;
    if (transfer?.kind !== 'beta') throw new Error('no thermistor');
    expect(chain?.fixed).to.equal(fixedResistors(transfer, { from: 15, to: 35 }, 'E24')[0]?.ohms);
    const fixed = chain?.terms.find(({ name }) => say(name) === 'fixed resistor');
    // 5 % ÷ (B ÷ T²): T²÷B × 0.05 is 1.051 °C at 15 °C and 1.202 °C at 35 °C.
    expect(fixed?.error).to.be.closeTo((((chain?.at ?? 0) + 273.15) ** 2 / 3950) * 0.05, 1e-9);
    expect(
      chain?.terms.filter(({ name }) => say(name).startsWith('thermistor') || say(name).startsWith('its')),
    ).to.satisfy((list: { error: number }[]) => list.every(({ error }) => error === 0));
  });
});
