/** Each quantity begins with a need that a shipped part meets; at nought the nearest card is named with a step that takes it. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { disqualifies, qualify, type Setting } from '../../src/compare/qualify.ts';
import { nearestMiss, usualNeed } from '../../src/compare/usual-need.ts';
import type { SenseNeed } from '../../src/plan/plan.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { cards, library } from '../support/demo.ts';

const setting: Setting = { years: 2, place: undefined };
const asked = [
  ...new Map(
    cards.flatMap(({ measures }) =>
      measures.map(({ quantity, unit }) => [`${quantity} ${unit}`, { quantity, unit }] as const),
    ),
  ).values(),
];
const needOf = (q: (typeof asked)[number]): SenseNeed => {
  const usual = usualNeed(library.values(), q, setting);
  if (!usual) throw new Error(q.quantity);
  return { id: 'n', kind: 'sense', place: 'here', ...q, ...usual };
};

describe('a new need', () => {
  for (const q of asked)
    it(`for ${q.quantity} in ${q.unit} is met by a shipped card`, () => {
      const need = needOf(q);
      expect(need.from).to.be.below(need.to);
      expect(qualify(library.values(), need, setting).able).to.not.deep.equal([]);
    });
});

describe('the nearest miss', () => {
  it('is named with what it misses by and a step that takes it', () => {
    const need: SenseNeed = {
      id: 'n',
      kind: 'sense',
      place: 'here',
      quantity: 'air temperature',
      unit: '°C',
      from: -80,
      to: 50,
      accuracy: 0.5,
      interval: 60,
    };
    expect(qualify(library.values(), need, setting).able).to.deep.equal([]);
    const miss = nearestMiss(library.values(), need, setting);
    expect(say(miss?.says)).to.match(/of the range/);
    expect(miss?.step).to.not.equal(null);
  });
  it('keeps its word: with the step taken the card qualifies (300 needs that nothing meets)', () => {
    const random = randomFrom(99);
    let tried = 0;
    for (let i = 0; tried < 300 && i < 5000; i++) {
      const q = asked[Math.floor(random() * asked.length)] ?? asked[0];
      if (!q) continue;
      const usual = needOf(q);
      const width = (usual.to - usual.from) * (0.3 + random() * 1.2);
      const from = usual.from + (random() - 0.5) * (usual.to - usual.from);
      const need: SenseNeed = {
        ...usual,
        from,
        to: from + width,
        accuracy: usual.accuracy * (0.05 + random() * 1.5),
        interval: random() < 0.3 ? 0.01 : usual.interval,
      };
      if (qualify(library.values(), need, setting).able.length > 0) continue;
      const miss = nearestMiss(library.values(), need, setting);
      if (!miss) continue;
      tried += 1;
      if (miss.step)
        expect(
          disqualifies(miss.card, { ...need, ...miss.step.need }, setting),
          `${miss.card.id}: ${miss.says}; ${miss.step.says}`,
        ).to.equal(null);
    }
    expect(tried).to.be.above(200);
  });
});
