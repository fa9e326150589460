import { expect } from 'chai';
import { evenText, readValue, valuesIn } from '../../../src/card/reader/values.ts';

/** Bounds and unit of a reading, without what is not stated. */
const read = (text: string, mark: '.' | ',' | null = '.') => {
  const found = readValue(text, mark);
  return found && [found.min, found.typ, found.max, found.unit];
};
const n = undefined;

describe('values', () => {
  const cases: [string, ReturnType<typeof read>][] = [
    ['2.7 to 5.5 V', [2.7, n, 5.5, 'V']],
    ['2.7V–5.5V', [2.7, n, 5.5, 'V']],
    ['2.7 ~ 5.5 V', [2.7, n, 5.5, 'V']],
    ['2.7…5.5 V', [2.7, n, 5.5, 'V']],
    ['850 mV to 1.2 V', [0.85, n, 1.2, 'V']],
    ['-40 to +85 °C', [-40, n, 85, '°C']],
    ['–40 to 85 °C', [-40, n, 85, '°C']],
    ['±0.3 °C', [n, 0.3, n, '°C']],
    ['+/-2 %RH', [n, 2, n, '%RH']],
    ['3.3 V ± 5 %', [3.135, 3.3, 3.465, 'V']],
    ['0.7 × VDD', [n, 0.7, n, 'share']],
    ['0.7VDD', [n, 0.7, n, 'share']],
    ['70 % of VCC', [n, 0.7, n, 'share']],
    ['VDD + 0.3 V', [n, 0.3, n, 'offset']],
    ['VDD-0.4', [n, -0.4, n, 'offset']],
    ['-0.3 V to VDD + 0.3 V', [n, n, 0.3, 'offset']],
    ['min. 0.7 × VDD', [0.7, n, n, 'share']],
    ['max. 400 kHz', [n, n, 400e3, 'Hz']],
    ['< 1 µA', [n, n, 1e-6, 'A']],
    ['up to 3.4 MHz', [n, n, 3.4e6, 'Hz']],
    ['600 µA typ.', [n, 600e-6, n, 'A']],
    ['4k7', [n, 4700, n, 'Ω']],
    ['DC 5 V', [n, 5, n, 'V']],
    ['−0.5 … 0.3·VDD', [n, n, 0.3, 'share']],
    ['0.7·VDD … VDD + 0.5', [0.7, n, n, 'share']],
    ['3V3', [n, 3.3, n, 'V']],
    ['2k2', [n, 2200, n, 'Ω']],
    ['10K', [n, 10e3, n, 'Ω']],
    ['65 mA typ / 100 mA max', [n, 0.065, 0.1, 'A']],
    ['0.8 typ., 13 max. µA', [n, 0.8e-6, 13e-6, 'A']],
    ['typically 10.7 mA and at most 26 mA', [n, 0.0107, 0.026, 'A']],
    ['20 ms (max. 90 ms)', [n, 0.02, 0.09, 's']],
    ['about 4.1 mA', [n, 0.0041, n, 'A']],
    ['no more than 3.6 V', [n, n, 3.6, 'V']],
    ['between 1.8 and 3.6 V', [1.8, n, 3.6, 'V']],
    ['from 10 to 40 °C', [10, n, 40, '°C']],
    ['-10~50℃', [-10, n, 50, '°C']],
    ['DC3.3V-5V', [3.3, n, 5, 'V']],
    ['5V±0.1V', [4.9, 5, 5.1, 'V']],
    ['120 000 lx', [n, 120e3, n, 'lx']],
    ['at least 0.7 × VDD', [0.7, n, n, 'share']],
    ['at most 30 % of VDD', [n, n, 0.3, 'share']],
  ];
  for (const [text, wanted] of cases) it(text, () => expect(read(text)).to.deep.equal(wanted));
  it('of which only the supply is named are no offset', () =>
    expect(['VDD = 3.3 V', 'VDD 35 mA', 'VCC: 5 V'].map((text) => readValue(text, '.'))).to.deep.equal([
      null,
      null,
      null,
    ]));
  it('that are words are none', () => expect(read('see figure 3')).to.equal(null));
  it('with a mark of a footnote lose it', () => expect(read('5.5 V (1)')).to.deep.equal([n, 5.5, n, 'V']));
  it('says how much of a band grows with the reading', () => {
    const growing = ['±(50 ppm + 5 % of reading)', '±50 ppm + 5 %', '±(5 % + 50 ppm)'].map((text) => {
      const found = readValue(text, '.');
      return [found?.typ, found?.unit, found?.ofReading, found?.rest];
    });
    expect(growing).to.deep.equal(Array(3).fill([50, 'ppm', 0.05, '']));
  });
});

describe('values in a text', () => {
  const told = (text: string) =>
    valuesIn(evenText(text), '.').map((value) => [
      evenText(text).slice(value.from, value.to),
      value.min,
      value.typ,
      value.max,
      value.unit,
    ]);

  it('are each found with their words', () => {
    expect(told('It draws 18 mA on average; the lamp takes up to 150 mA for 80 ms, every 2 s.')).to.deep.equal([
      ['18 mA', n, 0.018, n, 'A'],
      ['up to 150 mA', n, n, 0.15, 'A'],
      ['80 ms', n, 0.08, n, 's'],
      ['2 s', n, 2, n, 's'],
    ]);
    expect(told('Detects: propane 200-5000ppm, hydrogen 300-5000ppm')).to.deep.equal([
      ['200-5000ppm', 200, n, 5000, 'ppm'],
      ['300-5000ppm', 300, n, 5000, 'ppm'],
    ]);
    expect(told('DC 5V±0.1V (at -10 to +50 C)')).to.deep.equal([
      ['DC 5V±0.1V', 4.9, 5, 5.1, 'V'],
      ['-10 to +50 C', -10, n, 50, '°C'],
    ]);
    expect(told('input low is 0.3 VDD, high VDD - 0.4 V')).to.deep.equal([
      ['0.3 VDD', n, 0.3, n, 'share'],
      ['VDD - 0.4 V', n, -0.4, n, 'offset'],
    ]);
  });
  it('are not seen in words, addresses and pitches', () =>
    expect(told('I2C, PM2.5, T90, 7-bit, 1 x 6, 8N1, rev 1.4, 2012.')).to.deep.equal([]));
});
