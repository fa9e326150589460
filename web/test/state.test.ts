import { expect } from 'chai';
import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import { readPlan } from '@idle-breadboard/core/files';
import type { Place } from '@idle-breadboard/core/plan';
import { verify } from '@idle-breadboard/core/verify';
import { readCatalogue } from '@idle-breadboard/catalogue';
import { readFileSync } from 'node:fs';
import { fileName } from '../src/lib/kit/save-file.ts';
import { money, signedMoney } from '../src/lib/kit/words.ts';
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
});

describe('candidates for a need', () => {
  const library = readCatalogue();
  const circuit = deriveCircuit(read.value);
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
  const outOf = (change: Partial<typeof need>, at: Circuit = circuit) =>
    candidates(library, at, { ...need, ...change }).out.map(({ reason, cards }) => [reason, cards.map(({ id }) => id)]);
  it('counts who can meet it, and the rest by the reason', () => {
    expect(candidates(library, circuit, need).able.map(({ id }) => id)).to.have.members([
      'humid-fixed',
      'humid-strap',
      'humid-5v',
    ]);
    expect(outOf({})).to.deep.equal([['accuracy', ['humid-bare', 'humid-pulse']]]);
    expect(outOf({ to: 120 })).to.deep.equal([
      ['range', ['humid-5v', 'humid-bare', 'humid-fixed', 'humid-pulse', 'humid-strap']],
    ]);
    expect(outOf({ accuracy: 9, interval: 1.5 })).to.deep.equal([['interval', ['humid-bare', 'humid-pulse']]]);
  });
  it('rules out by the place: water, and air that is too warm', () => {
    const at = (place: Place) => ({ ...circuit, plan: { ...circuit.plan, places: [place] } });
    const wet = at({ name: 'x', water: 'splash', outdoors: true, closed: false });
    expect(outOf({}, wet).map(([reason]) => reason)).to.deep.equal(['accuracy', 'water']);
    const hot = at({ name: 'x', water: 'dry', air: { from: 0, to: 90 }, outdoors: false, closed: true });
    expect(outOf({}, hot).map(([reason]) => reason)).to.deep.equal(['accuracy', 'ambient']);
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
