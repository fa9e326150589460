import { expect } from 'chai';
import { deriveCircuit, readPlan, verify } from '@idle-breadboard/core';
import { readCatalogue } from '@idle-breadboard/catalogue';
import { readFileSync } from 'node:fs';
import { fileName } from '../src/lib/kit/save-file.ts';
import { money, signedMoney, WORDS } from '../src/lib/kit/words.ts';
import { candidates, quantities } from '../src/lib/state/needs.ts';
import { of, proofsBySubject } from '../src/lib/state/proofs.ts';

const read = readPlan(
  readFileSync(new URL('../../catalogue/plans/cupboard-first-draft.json', import.meta.url), 'utf8'),
);
if (!read.ok) throw new Error('the demo plan cannot be read');
const verdict = verify(deriveCircuit(read.value));

describe('proofs by subject', () => {
  const proofs = proofsBySubject(verdict);
  it('finds what is about a part, only of the checks asked for', () => {
    expect(of(proofs, 'board.p0', 'pin/strap').map(({ severity }) => severity)).to.deep.equal(['fault']);
    expect(of(proofs, 'nobody')).to.deep.equal([]);
  });
  it('has a short word for every check that it shows', () => {
    for (const { check } of [...verdict.findings, ...verdict.passes]) expect(WORDS, check).to.have.property(check);
  });
});

describe('candidates for a need', () => {
  const library = readCatalogue();
  const need = {
    id: 'n',
    kind: 'sense' as const,
    quantity: 'air humidity',
    unit: '%RH',
    from: 70,
    to: 98,
    accuracy: 3,
    interval: 60,
    place: 'x',
  };
  it('counts who can meet it, and the rest by the reason', () => {
    const found = candidates(library, need, 2);
    expect(found.able.map(({ id }) => id)).to.have.members(['humid-fixed', 'humid-strap']);
    expect(found.out).to.deep.equal([{ reason: 'accuracy', count: 1 }]);
    expect(candidates(library, { ...need, to: 120 }, 2).out).to.deep.equal([{ reason: 'range', count: 3 }]);
    expect(candidates(library, { ...need, accuracy: 9, interval: 1.5 }, 2).out).to.deep.equal([
      { reason: 'interval', count: 1 },
    ]);
  });
  it('knows what can be asked for', () =>
    expect(quantities(library).map(({ quantity }) => quantity)).to.include.members([
      'air humidity',
      'weight',
      'carbon dioxide',
    ]));
});

describe('words', () => {
  it('name files and money', () => {
    expect([fileName('Cupboard, first draft', 'json'), fileName('…', 'csv')]).to.deep.equal([
      'cupboard-first-draft.json',
      'plan.csv',
    ]);
    expect([money(4.5, 'EUR'), signedMoney(0.9), signedMoney(-2), signedMoney(0.001)]).to.deep.equal([
      '4.50 EUR',
      '+0.90',
      '−2.00',
      '+0.00',
    ]);
  });
});
