/** Pointing at a spot of a page, and a figure typed over what was read. */
import { expect } from 'chai';
import { corrected } from '../../../src/card/reader/correct.ts';
import { pastedPage } from '../../../src/card/reader/paste.ts';
import { proposalsAt, unreadOf } from '../../../src/card/reader/pick.ts';
import { contextOf, layOut, readDatasheet } from '../../../src/card/reader/read.ts';

const TEXT = ['Supply voltage: 2.7 to 5.5 V', 'Flux of the thing 12 mA', 'Humidity noise 0.3 %RH'].join('\n');

describe('a spot of a page', () => {
  const page = pastedPage(TEXT);
  const laid = layOut(page);
  const reading = contextOf([laid]);
  const known = readDatasheet([page]);

  it('that was not read is marked', () => {
    const spots = unreadOf(laid, reading, known);
    expect(spots).to.have.length(2);
  });
  it('gives what stands there, as doubtful as a value is that nothing speaks for', () => {
    const [first] = unreadOf(laid, reading, known);
    const found = first ? proposalsAt(laid, first, reading, known) : [];
    expect(found.map(({ typ, unit, sureness }) => [typ, unit, sureness])).to.deep.equal([[0.012, 'A', 'doubtful']]);
  });
  it('gives nothing that is there already, and nothing where there is no value', () => {
    const [item] = page.items;
    const box = { x0: item?.x ?? 0, x1: (item?.x ?? 0) + (item?.width ?? 0), y0: (item?.y ?? 0) - 8, y1: item?.y ?? 0 };
    expect(proposalsAt(laid, box, reading, known)).to.deep.equal([]);
    expect(proposalsAt(laid, { x0: 0, y0: 500, x1: 9, y1: 509 }, reading, known)).to.deep.equal([]);
  });
});

describe('a figure typed over what was read', () => {
  const n = undefined;
  const cases: [string, Parameters<typeof corrected>[1], string, object][] = [
    ['0.7 VDD', 'logic.inputHigh', 'V', { unit: 'share', min: 0.7, typ: n, max: n, ofReading: n }],
    ['VDD-0.3 V', 'logic.outputHigh', 'V', { unit: 'offset', min: -0.3, typ: n, max: n, ofReading: n }],
    ['3 % + 2 ppm', 'measure.accuracy', 'ppm', { unit: 'ppm', min: n, typ: 2, max: n, ofReading: 0.03 }],
    ['2.7 to 5.5 V', 'supply.range', 'V', { unit: 'V', min: 2.7, typ: n, max: 5.5, ofReading: n }],
    ['2 mA typ, 5 mA max', 'supply.active', 'A', { unit: 'A', min: n, typ: 0.002, max: 0.005, ofReading: n }],
    ['6', 'supply.absoluteMax', 'V', { unit: 'V', min: n, typ: n, max: 6, ofReading: n }],
  ];
  for (const [text, slot, unit, wanted] of cases)
    it(text, () => expect(corrected(text, slot, unit)).to.deep.equal(wanted));
  it('is refused in another unit, and where it is no figure', () => {
    expect(corrected('3 mA', 'supply.range', 'V')).to.have.property('id', 'otherUnit');
    expect(corrected('about right', 'supply.range', 'V')).to.have.property('id', 'noValue');
  });
});
