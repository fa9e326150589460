import { expect } from 'chai';
import { against } from '../../src/card/against.ts';
import { isFound } from '../../src/card/find.ts';
import { library } from '../support/demo.ts';

const found = (query: string) => [...library.values()].filter((card) => isFound(card, query));

describe('finding a card', () => {
  it('by what it measures, a voltage, a bus and its header, all of which must fit', () => {
    for (const { measures } of found('air humidity'))
      expect(measures.map(({ quantity }) => quantity)).to.include('air humidity');
    expect(found('humidity i2c').length)
      .to.be.above(0)
      .and.below(found('humidity').length + 1);
    for (const { ports } of found('humidity i2c')) expect(ports.map(({ protocol }) => protocol)).to.include('i2c');
    for (const query of ['module 12 V', 'module 12V']) expect(found(query)).to.deep.equal(found('module 12v'));
    expect(found('3V3').length).to.equal(new Set([...found('3.3 V'), ...found('3V3')]).size);
    expect(found('screw').every(({ headers }) => headers.some(({ kind }) => kind === 'screw'))).to.equal(true);
    expect(found('no such words at all')).to.deep.equal([]);
    expect(found('').length).to.equal(library.size);
  });

  it('takes a voltage for what the part takes or gives, not for digits in a name', () => {
    for (const card of found('module 24 V').filter(({ class: words, name }) => !/24 ?V/.test(`${words} ${name}`)))
      expect(
        card.supplies.some(({ range }) => (range.max ?? range.typ ?? 0) >= 24),
        card.id,
      ).to.equal(true);
  });
});

describe('a card from elsewhere', () => {
  const [card] = library.values();
  if (!card) throw new Error('no card');
  it('is new, the same, newer, older, or was changed apart', () => {
    const other = { ...card, name: 'Another' };
    expect(against(undefined, card)).to.equal('new');
    expect(against(card, { ...card, revision: 7 })).to.equal('same');
    const turned = Object.fromEntries(Object.entries(card).reverse()) as typeof card;
    expect(against(card, turned), 'in whatever order it was written').to.equal('same');
    expect(against(card, { ...other, revision: card.revision + 1 })).to.equal('newer');
    expect(against({ ...card, revision: 4 }, { ...other, revision: 2 })).to.equal('older');
    expect(against(card, other)).to.equal('apart');
  });
});
