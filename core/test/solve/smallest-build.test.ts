import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { smallestBuild } from '../../src/solve/smallest-build.ts';
import { library } from '../support/demo.ts';

/** What is left open of a part alone because nothing hangs on it: a contact without a load, a charger without a panel. */
const OPEN_ALONE: Readonly<Record<string, string>> = {
  'charger-cell': 'supply/range',
  'relay-5v': 'drive/contact',
  'relay-one': 'drive/contact',
};

describe('a part alone on the bench', () => {
  const board = library.get('wifi-board');
  if (!board) throw new Error('no board');

  it('is proved, whatever ships, but for what needs another part to make sense', function () {
    this.timeout(120_000);
    let proved = 0;
    for (const card of library.values()) {
      const plan = smallestBuild(card, board, library);
      if (!plan) continue;
      const { verdict } = complete(deriveCircuit(documentOf(plan, [], library)), library);
      const grave = verdict.findings.filter(({ severity }) => severity === 'danger' || severity === 'fault');
      expect(new Set(grave.map(({ check }) => check)), card.id).to.deep.equal(
        new Set(card.id in OPEN_ALONE ? [OPEN_ALONE[card.id]] : []),
      );
      proved++;
    }
    expect(proved).to.be.above(80);
  });

  it('is no build of what is only used up', () => {
    for (const card of library.values())
      if (card.kind === 'board' || card.kind === 'leads') expect(smallestBuild(card, board, library)).to.equal(null);
  });
});
