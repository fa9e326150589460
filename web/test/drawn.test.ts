/** The reader on sheets that a generator draws: other ones every time, with the seed printed. */
import { expect } from 'chai';
import { drawClass } from '../../fixtures/drawn/draw-class.mjs';
import { drawSheet } from '../../fixtures/drawn/draw-sheet.mjs';
import { drawTold } from '../../fixtures/drawn/draw-told.mjs';
import { scoreDrawn, totalOf } from './drawn-score.ts';

const SHEETS = 10;
/** Those of parts that are no sensors say three figures each: of ten of them one sheet that is not read would decide. */
const SHORT_SHEETS = 30;
/** What has to be found of so many: of two hundred it is 0.97 and 0.99, and 0.88 and 0.36 before the reader was tried on one. */
const WANTED = 0.85;
/** What of all that is proposed may be wrong. */
const WRONG = 0.05;

describe('reading drawn sheets', function () {
  this.timeout(180_000);
  for (const [kind, draw, sheets] of [
    ['of tables', drawSheet, SHEETS],
    ['without tables', drawTold, SHEETS],
    ['of parts that are no sensors', drawClass, SHORT_SHEETS],
  ] as const) {
    it(`finds most of ${sheets} random ones ${kind}`, async () => {
      const seed = Number(process.env['SHEET_SEED'] ?? Math.floor(Math.random() * 1e6));
      const scores = await scoreDrawn(
        Array.from({ length: sheets }, (_, i) => seed + i),
        draw,
      );
      const { found, wanted, wrong, sure } = totalOf(scores);
      const said = `seed ${seed}: ${found} of ${wanted}, ${wrong} wrong, ${sure} of them sure`;
      console.log(`      ${said}`);
      const worst = scores.toSorted((a, b) => a.found / a.wanted - b.found / b.wanted).slice(0, 3);
      const named = worst.map((one) => `${one.seed} ${one.way}: ${one.missed.map(({ slot }) => slot).join(', ')}`);
      expect(found / wanted, [said, ...named].join('\n')).to.be.at.least(WANTED);
      expect(wrong / found, said).to.be.at.most(WRONG);
    });
  }
});
