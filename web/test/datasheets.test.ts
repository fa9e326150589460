/** The reader on invented datasheets in many layouts: what a person would take is proposed, and nothing wrong is sure. */
import { expect } from 'chai';
import { join } from 'node:path';
import { FOLDER, writeDatasheets } from '../../fixtures/write.mjs';
import { score, type Score } from './score.ts';

/** Share of the figures that the reader must find. */
const WANTED = 0.95;

describe('reading datasheets', function () {
  this.timeout(180_000);
  const scores = new Map<string, Score[]>();
  before(async () => {
    for (const name of await writeDatasheets(FOLDER)) {
      const layout = name.replace(/-\d+$/, '');
      scores.set(layout, [...(scores.get(layout) ?? []), await score(join(FOLDER, `${name}.pdf`))]);
    }
  });

  it('knows at least eight layouts', () => expect(scores.size).to.be.at.least(8));
  it('finds at least 95 % of the figures in every layout, on their page and spot', () => {
    for (const [layout, list] of scores) {
      const wanted = list.reduce((sum, s) => sum + s.wanted, 0);
      const found = list.reduce((sum, s) => sum + s.found, 0);
      console.log(`      ${layout}: ${found} of ${wanted}`);
      expect(
        found / wanted,
        `${layout}: ${list.flatMap(({ missed }) => missed.map(({ slot }) => slot)).join(', ')}`,
      ).to.be.at.least(WANTED);
    }
  });
  it('is never sure of a wrong one', () => {
    for (const [layout, list] of scores)
      expect(
        list.flatMap(({ wrongButSure }) => wrongButSure.map(({ slot, said }) => `${slot}: ${said}`)),
        layout,
      ).to.deep.equal([]);
  });
});
