/** One currency for a plan: converted at the rates that the maker entered, or named as unpriced; never added. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { goodsOf, wantedOf } from '../../src/buy/goods.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { piecePrice, piecesCost } from '../../src/buy/cost.ts';
import { buyingOf, inMoney, moneyOf } from '../../src/buy/currency.ts';
import { formatMoney } from '../../src/quantity/money.ts';
import { card, document, part } from '../support/build.ts';

const offer = (price: number, currency: string, supplier = 'shop') => ({
  supplier,
  price,
  currency,
  pack: 1,
  shipping: 2,
  freeFrom: 20,
  leadDays: 3,
  soldering: false,
});
const withOffers = (id: string, ...offers: object[]) => card(id, { offers });
const plan = (more: object) => {
  const doc = document({
    cards: [withOffers('a', offer(5, 'EUR')), withOffers('b', offer(8, 'USD', 'far'))],
    parts: [part('a', 'a'), part('b', 'b')],
  });
  return { ...doc, plan: { ...doc.plan, ...more } };
};

describe('money', () => {
  it('is converted at the rate entered: 8 USD × 0.9 = 7.20 EUR, shipping 1.80, free from 18', () => {
    const money = moneyOf({ currency: 'EUR', rates: { USD: 0.9 } });
    expect(inMoney(offer(8, 'USD'), money)).to.include({ price: 7.2, shipping: 1.8, freeFrom: 18, currency: 'EUR' });
    const doc = plan({ rates: { USD: 0.9 } });
    // 5 + 2 from the one, 7.20 + 1.80 from the other.
    const list = buildOf(deriveCircuit(doc)).parts;
    expect(list.total).to.be.closeTo(16, 1e-9);
    expect(list.unpriced).to.deep.equal([]);
  });
  it('without a rate is left out of every sum, and said', () => {
    const doc = plan({});
    const circuit = deriveCircuit(doc);
    const list = buildOf(circuit).parts;
    expect(list.total).to.be.closeTo(7, 1e-9);
    expect(list.unpriced).to.deep.equal(['USD']);
    expect(
      wantedOf(circuit, goodsOf(circuit)).map(({ card: c, unpriced, line }) => [c.id, unpriced, line === null]),
    ).to.deep.equal([
      ['a', [], false],
      ['b', ['USD'], true],
    ]);
    expect(piecesCost(doc.plan, circuit.cards)).to.equal(5);
    expect(piecePrice(circuit.cards.get('b'), buyingOf(doc.plan))).to.equal(0);
  });
  it('is counted in the currency of the budget, else in that of the plan', () => {
    expect(moneyOf({ budget: { most: 9, currency: 'USD' }, currency: 'EUR' }).currency).to.equal('USD');
    expect(moneyOf({ currency: 'GBP' }).currency).to.equal('GBP');
  });
  it('is written as the platform does, with the digits of its currency (ISO 4217: JPY has none; from memory)', () => {
    expect(formatMoney(1234.5, 'EUR')).to.equal('1,234.50 EUR');
    expect(formatMoney(1234.5, 'JPY')).to.match(/^1,23[45] JPY$/);
  });
});
