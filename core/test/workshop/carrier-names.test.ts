import { expect } from 'chai';
import { cardOf } from '../../src/workshop/build.ts';
import { readCarrierNames } from '../../src/workshop/carrier-names.ts';
import { proposeParts } from '../../src/workshop/propose.ts';
import { library } from '../support/demo.ts';

const board = library.get('board-8bit');
if (!board) throw new Error('no board');

describe('names on a carrier', () => {
  it('are read in the ways in which people list them', () => {
    const { rows, unread } = readCarrierNames('S1 = D12, L1: d6\nBZ -> D10; POT A2\n- LGT → A3', board);
    expect(unread).to.deep.equal([]);
    expect(rows.map(([, name, pin]) => `${name} ${pin}`)).to.deep.equal([
      'S1 d12',
      'L1 d6',
      'BZ d10',
      'POT a2',
      'LGT a3',
    ]);
  });

  it('that lead to no pin of the board are said, and not guessed', () => {
    expect(readCarrierNames('S1 = D99, a word alone, = D3', board)).to.deep.equal({
      rows: [],
      unread: ['S1 = D99', 'a word alone', '= D3'],
    });
  });

  it('make the same leads as those of the carrier that ships', () => {
    const shipped = library.get('carrier-lab');
    const fits = Object.entries(shipped?.carrier?.fits['board-8bit'] ?? {});
    const { rows } = readCarrierNames(fits.map(([name, pin]) => `${name}=${pin}`).join('\n'), board);
    const names = rows.map(([, name]) => name);
    const begun = proposeParts('carrier', [{ kind: 'female', text: names.join(' ') }]);
    const answers = new Map([
      ...begun,
      ['name', { said: 'Mine' }] as const,
      ['class', { said: 'a carrier' }] as const,
      ['carrier/fits', { said: rows }] as const,
      ['carrier/fitted', { said: [] }] as const,
      ['carrier/free', { said: names.join(', ') }] as const,
    ]);
    const built = cardOf(answers, 'mine', 1, { kind: 'memory', title: 'the drawer' });
    expect(built.ok && built.card.carrier?.fits['board-8bit']).to.deep.equal(Object.fromEntries(fits));
  });
});
