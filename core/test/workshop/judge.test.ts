import { expect } from 'chai';
import { Card } from '../../src/card/card.ts';
import { judge } from '../../src/workshop/judge.ts';
import { anyCard } from '../support/any-card.ts';
import { SLIPS, slipped } from '../support/card-slips.ts';
import { library } from '../support/demo.ts';
import { random } from '../support/pin-case.ts';

describe('the judge of a card', () => {
  it('doubts nothing on the cards that ship', () => {
    const doubted = [...library.values()].flatMap((card) =>
      judge(card).map(({ place, says }) => `${card.id} ${place} ${says.id} ${JSON.stringify(says.data)}`),
    );
    expect(doubted).to.deep.equal([]);
  });

  it('takes a limit that begins below ground, as sheets state it, for what it is', () => {
    for (const card of library.values()) {
      const [first, ...others] = card.supplies;
      if (!first?.absoluteMax || card.kind !== 'module') continue;
      const absoluteMax = { ...first.absoluteMax, min: -0.3 };
      expect(judge({ ...card, supplies: [{ ...first, absoluteMax }, ...others] }), card.id).to.deep.equal([]);
      const upsideDown = { ...absoluteMax, max: 0.4 };
      expect(judge({ ...card, supplies: [{ ...first, absoluteMax: upsideDown }, ...others] })).to.not.have.length(0);
    }
  });

  it('answers for whatever the schema takes, on 300 cards drawn from it', () => {
    for (let seed = 1; seed <= 300; seed++) expect(judge(anyCard(random(seed * 31)) as Card)).to.be.an('array');
  });

  for (const slip of SLIPS)
    it(`finds a slip on ${slip.card}: ${slip.what}`, () => {
      const card = library.get(slip.card);
      if (!card) throw new Error(`no ${slip.card}`);
      const wrong = slipped(card, slip);
      // What the schema refuses is found before the judge is asked.
      const refused = !Card.safeParse(wrong).success;
      expect(refused || judge(wrong).length > 0).to.equal(true);
    });
});
