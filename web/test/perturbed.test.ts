/** What a sheet says does not depend on how large, where and in which font it was printed. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readDatasheet, type PageText } from '@idle-breadboard/core/card';
import { expect } from 'chai';
import { PERTURBATIONS } from './perturb.ts';
import { pagesOf } from './score.ts';

const SHEETS = join(import.meta.dirname, '../../fixtures/sheets');

/** What is read, wherever it stands. */
const figuresOf = (pages: readonly PageText[]): string[] =>
  readDatasheet(pages)
    .map(({ slot, quantity, min, typ, max, unit, over, ofReading, size, label }) =>
      [slot, quantity?.quantity, min, typ, max, unit, over?.from, over?.to, ofReading, size?.join('×'), label]
        .map((part) => part ?? '–')
        .join(' '),
    )
    .sort();

describe('a sheet printed otherwise', function () {
  this.timeout(60_000);
  for (const file of readdirSync(SHEETS).filter((name) => name.endsWith('.pdf'))) {
    for (const [name, perturb] of Object.entries(PERTURBATIONS)) {
      it(`${file} says the same ${name}`, async () => {
        const pages = await pagesOf(join(SHEETS, file));
        expect(figuresOf(perturb(pages))).to.deep.equal(figuresOf(pages));
      });
    }
  }
});
