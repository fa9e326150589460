import { expect } from 'chai';
import { decimalMark, isBlank, readNumber } from '../../../src/card/reader/numbers.ts';
import { readUnit } from '../../../src/card/reader/units.ts';

describe('units', () => {
  const cases: [string, string, number][] = [
    ['uA', 'A', 1e-6],
    ['µA', 'A', 1e-6],
    ['\u03bcA', 'A', 1e-6],
    ['mV', 'V', 1e-3],
    ['kΩ', 'Ω', 1e3],
    ['kohm', 'Ω', 1e3],
    ['MHz', 'Hz', 1e6],
    ['hPa', 'Pa', 100],
    ['mbar', 'Pa', 100],
    ['deg C', '°C', 1],
    ['ºC', '°C', 1],
    ['% RH', '%RH', 1],
    ['%r.h.', '%RH', 1],
    ['ppb', 'ppm', 1e-3],
    ['ms', 's', 1e-3],
    ['cm', 'm', 0.01],
    ['g', 'kg', 1e-3],
    ['kg', 'kg', 1],
    ['µg/m3', 'µg/m³', 1],
  ];
  for (const [text, unit, factor] of cases)
    it(`${text} is ${factor} ${unit}`, () => expect(readUnit(text)).to.deep.equal({ unit, factor }));
  it('what is no unit is none', () =>
    expect([readUnit('to'), readUnit(''), readUnit('Typ')]).to.deep.equal([null, null, null]));
});

describe('numbers', () => {
  it('reads a decimal comma where the document writes one', () =>
    expect(readNumber('3,3', ',')).to.deep.equal({ value: 3.3 }));
  it('reads a comma before three digits as thousands, and doubts it where the document does not tell', () => {
    expect(readNumber('1,500', '.')).to.deep.equal({ value: 1500 });
    expect(readNumber('1,500', null)?.doubt?.id).to.equal('comma');
    expect(readNumber('1,500', ',')?.doubt?.id).to.equal('comma');
    expect(readNumber('0,125', ',')).to.deep.equal({ value: 0.125 });
  });
  it('reads spaced thousands and powers of ten', () => {
    expect(readNumber('10\u202f000', '.')).to.deep.equal({ value: 10000 });
    // Two cells that stand close look the same.
    expect(readNumber('10 000', '.')).to.deep.include({ value: 10000 }).and.to.have.property('doubt');
    expect(readNumber('1.5 × 10^3', '.')).to.deep.equal({ value: 1500 });
  });
  it('finds out how a document writes its decimals', () => {
    expect(decimalMark('2,4 3,3 5,5 and pins 1,2')).to.equal(',');
    expect(decimalMark('2.4 3.3 5.5 and 0,1')).to.equal('.');
    expect(decimalMark('no figures at all')).to.equal(null);
  });
  it('knows a cell that says nothing', () =>
    expect(['–', '', 'n/a', '---', '0'].map(isBlank)).to.deep.equal([true, true, true, true, false]));
});
