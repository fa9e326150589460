import { refusal } from '../support/refusal.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  parseShown,
  formatCode,
  formatQuantity,
  formatSigned,
  parseQuantity,
  QuantityError,
} from '../../src/quantity/engineering.ts';

describe('engineering notation', () => {
  const both: [string, number, string][] = [
    ['4.7 kΩ', 4700, 'Ω'],
    ['120 mA', 0.12, 'A'],
    ['3.3 V', 3.3, 'V'],
    ['1.25 µs', 1.25e-6, 's'],
    ['100 kHz', 100e3, 'Hz'],
    ['400 pF', 400e-12, 'F'],
    ['98 %RH', 98, '%RH'],
    ['5000 ppm', 5000, 'ppm'],
    ['10 g', 0.01, 'kg'],
    ['2 m', 2, 'm'],
    ['−1.55 V', -1.55, 'V'],
    ['0 V', 0, 'V'],
  ];
  for (const [text, value, unit] of both) {
    it(`writes and reads ${text}`, () => {
      expect(formatQuantity(value, unit, 4)).to.equal(text);
      expect(parseQuantity(text, unit)).to.be.closeTo(value, Math.abs(value) * 1e-9);
    });
  }

  const readOnly: [string, string, number][] = [
    ['4k7', 'Ω', 4700],
    ['4K7', 'Ω', 4700],
    ['2R2', 'Ω', 2.2],
    ['4,7k', 'Ω', 4700],
    ['10 kohm', 'Ω', 10e3],
    ['120mA', 'A', 0.12],
    ['0.12', 'A', 0.12],
    ['500u', 'A', 500e-6],
    ['20 mm', 'm', 0.02],
    ['30 cm', 'm', 0.3],
    ['1,5 cm', 'm', 0.015],
    ['120 m', 'A', 0.12],
    ['6 kg', 'kg', 6],
    ['1e3', 'Ω', 1000],
    ['-40', '°C', -40],
    ['60', 's', 60],
  ];
  for (const [text, unit, value] of readOnly) {
    it(`reads ${text} in ${unit}`, () =>
      expect(parseQuantity(text, unit)).to.be.closeTo(value, Math.abs(value) * 1e-9));
  }

  it('says what it expected of anything else', () => {
    for (const text of ['', 'abc', '4.7.1k', '5 V', '--3', '1 k k', 'NaN', '<b>1</b>']) {
      expect(
        refusal(() => parseQuantity(text, 'Ω')),
        text,
      ).to.include('4.7 kΩ or 4k7');
    }
  });

  it('writes the code of a resistor with the letter where the point would be', () => {
    expect([4700, 220, 2.2, 10e3, 1.5e6].map(formatCode)).to.deep.equal(['4k7', '220R', '2R2', '10k', '1M5']);
  });

  it('signs margins', () =>
    expect([formatSigned(0.31, 'V'), formatSigned(-0.02, 'V')]).to.deep.equal(['+310 mV', '−20 mV']));

  it('moves to the next prefix when rounding reaches it', () => expect(formatQuantity(0.9999, 'A')).to.equal('1 A'));

  it('reads back what it wrote, to the digits written', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-11, max: 1e8, noNaN: true }),
        fc.constantFrom('V', 'A', 'Ω', 'F', 's', 'Hz', 'm', 'W'),
        (value, unit) => {
          expect(parseQuantity(formatQuantity(value, unit), unit)).to.be.closeTo(value, value * 0.006);
        },
      ),
    );
  });
});

describe('quantities as people type them', () => {
  const read: [string, string, number][] = [
    ['5 min', 's', 300],
    ['2 h', 's', 7200],
    ['1 year', 's', 365.25 * 86_400],
    ['3 days', 's', 259_200],
    ['1.5 years', 'years', 1.5],
    ['0,5', 'V', 0.5],
    ['3 %', 'share', 0.03],
    ['10,25', '°C', 10.25],
    ['50 klx', 'lx', 50e3],
  ];
  for (const [text, unit, value] of read)
    it(`reads ${text} in ${unit}`, () =>
      expect(parseQuantity(text, unit)).to.be.closeTo(value, Math.abs(value) * 1e-12));

  it('reads a share in percent of the largest reading where a field takes one, and as the unit where it is one', () => {
    expect(parseShown('3 %', 'lx', '50 lx', 1000)).to.be.closeTo(30, 1e-12);
    expect(parseShown('± 0,5 %', 'V', '1 V', 5)).to.be.closeTo(0.025, 1e-12);
    expect(parseShown('3 %', '%RH', '2 %RH', 100)).to.be.closeTo(3, 1e-12);
    expect(() => parseShown('3 %', 'V', '1 V')).to.throw(QuantityError);
  });
  it('says long times in minutes, hours and days, and reads them back', () => {
    const said = [999, 1200, 3600, 7200, 86_400, 172_800].map((s) => formatQuantity(s, 's'));
    expect(said).to.deep.equal(['999 s', '20 min', '1 h', '2 h', '24 h', '2 days']);
    for (const seconds of [1200, 5400, 86_400, 90 * 86_400])
      expect(parseShown(formatQuantity(seconds, 's', 6), 's', '')).to.be.closeTo(seconds, seconds * 1e-5);
  });
  it('asks about a comma before three digits, and never takes 1,000 for 1', () => {
    for (const text of ['1,000', '12,500', '1,000,000', '-2,000', '1,000 Ω'])
      expect(
        refusal(() => parseQuantity(text, 'Ω')),
        text,
      ).to.include('write it without the comma');
    expect(refusal(() => parseQuantity('1,000', 'V'))).to.include('“1,000” may be 1000 or 1;');
    expect(parseQuantity('1,0001', 'V')).to.equal(1.0001);
  });

  it('takes a bare number in the unit that is shown: 500 where mA stands is 0.5 A, 5 where kg stands is 5 kg', () => {
    expect(parseShown('500', 'A', '12 mA')).to.be.closeTo(0.5, 1e-12);
    expect(parseShown('5', 'kg', '10 kg')).to.equal(5);
    expect(parseShown('5', 'kg', '10 g')).to.equal(0.005);
    expect(parseShown('5', 'V', '')).to.equal(5);
    expect(parseShown('2 A', 'A', '12 mA')).to.equal(2);
    expect(parseShown('4k7', 'Ω', '470 Ω')).to.equal(4700);
    expect(parseShown('2', 's', '5 h')).to.equal(7200);
  });

  it('comes back from every field that shows it: typed over without its unit it is the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-9, max: 1e6, noNaN: true }),
        fc.constantFrom('V', 'A', 'Ω', 's', 'm', 'kg', '°C', 'ppm'),
        (value, unit) => {
          const shown = formatQuantity(value, unit, 6);
          const again = parseShown(shown.replace(/\s.*$/, ''), unit, shown);
          expect(again).to.be.closeTo(parseQuantity(shown, unit), Math.abs(value) * 1e-5);
        },
      ),
    );
  });
});
