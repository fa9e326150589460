import { expect } from 'chai';
import { readPinTable } from '../../src/workshop/pin-table/read.ts';
import { anyPastedTable } from '../support/any-pin-table.ts';
import { random } from '../support/pin-case.ts';
import { pinScore } from '../support/pin-score.ts';
import { PASTED_SHEETS } from '../support/pin-sheets.ts';
import { KEPT_BACK, PIN_TABLES } from '../support/pin-tables.ts';

const DRAWN = Number(process.env['PIN_TABLES'] ?? 200);

describe('a table of pins', () => {
  const totals = { found: 0, wanted: 0 };
  for (const one of [...PIN_TABLES, ...KEPT_BACK, ...PASTED_SHEETS])
    it(`is read as sheets write it: ${one.name}`, () => {
      const { found, wanted, missed, wrong, wrongSure } = pinScore(readPinTable(one.text), one);
      totals.found += found;
      totals.wanted += wanted;
      expect(wrongSure, 'wrong and sure').to.deep.equal([]);
      expect({ missed, wrong }).to.deep.equal({ missed: [], wrong: [] });
    });

  it(`is read in the wordings and layouts that are drawn, ${DRAWN} of them, and nothing wrong is sure`, () => {
    const sum = { found: 0, wanted: 0 };
    for (let seed = 1; seed <= DRAWN; seed++) {
      const one = anyPastedTable(random(seed * 7919 + 13));
      const { found, wanted, wrongSure } = pinScore(readPinTable(one.text), one);
      expect(wrongSure, `table ${seed}\n${one.text}`).to.deep.equal([]);
      sum.found += found;
      sum.wanted += wanted;
    }
    expect(sum.found / sum.wanted, `${sum.found} of ${sum.wanted}`).to.be.at.least(0.99);
  });

  after(() => console.log(`      ${totals.found} of ${totals.wanted} functions and remarks`));
});
