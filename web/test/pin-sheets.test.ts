/** Tables of pins printed on sheets, read through the same pages as in the browser. */
import { expect } from 'chai';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { layOut } from '@idle-breadboard/core/card';
import { pinTableText, readPinTable } from '@idle-breadboard/core/workshop';
import { pinScore } from '../../core/test/support/pin-score.ts';
import { anyPrintedTable } from '../../core/test/support/any-pin-table.ts';
import { random } from '../../core/test/support/pin-case.ts';
import { PRINTED_SHEETS, type PrintedTable } from '../../core/test/support/pin-sheets.ts';
import { writePinSheet } from '../../fixtures/pin-sheet.mjs';
import { FOLDER } from '../../fixtures/write.mjs';
import { pagesOf } from './score.ts';

const DRAWN = Number(process.env['PIN_SHEETS'] ?? 40);

async function scoreOf(name: string, one: PrintedTable) {
  const file = join(FOLDER, `${name}.pdf`);
  await writePinSheet(file, one.print);
  return pinScore(readPinTable(pinTableText((await pagesOf(file)).map(layOut))), one);
}

describe('a table of pins in a PDF', function () {
  this.timeout(60_000);
  before(() => mkdirSync(FOLDER, { recursive: true }));

  it(`is read in the layouts that are drawn, ${DRAWN} of them, and nothing wrong is sure`, async () => {
    const sum = { found: 0, wanted: 0 };
    for (let seed = 1; seed <= DRAWN; seed++) {
      const { found, wanted, wrongSure } = await scoreOf('pins-drawn', anyPrintedTable(random(seed * 7919 + 13)));
      expect(wrongSure, `table ${seed}`).to.deep.equal([]);
      sum.found += found;
      sum.wanted += wanted;
    }
    expect(sum.found / sum.wanted, `${sum.found} of ${sum.wanted}`).to.be.at.least(0.99);
  });

  for (const [i, one] of PRINTED_SHEETS.entries())
    it(`is read: ${one.name}`, async () => {
      const { missed, wrong, wrongSure } = await scoreOf(`pins-${i}`, one);
      expect(wrongSure, 'wrong and sure').to.deep.equal([]);
      expect({ missed, wrong }).to.deep.equal({ missed: [], wrong: [] });
    });
});
