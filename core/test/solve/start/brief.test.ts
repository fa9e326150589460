/** What is picked can be met when it is picked: each quantity that a card measures makes a need that some card meets, on every controller that reads it. */
import { expect } from 'chai';
import { qualify, settingOf } from '../../../src/compare/qualify.ts';
import { Plan } from '../../../src/plan/plan.ts';
import { type Brief, type Pick, planOf } from '../../../src/solve/start/brief.ts';
import { setProblem } from '../../../src/solve/sets/problem.ts';
import { sourceOf, standingVoltages } from '../../../src/solve/start/feeding.ts';
import { library } from '../../support/demo.ts';

const asked = [
  ...new Map([...library.values()].flatMap(({ measures }) => measures.map((m) => [m.quantity, m] as const))).values(),
];
const briefOf = (picks: readonly Pick[], more: Partial<Brief> = {}): Brief => ({
  name: 'a build',
  picks,
  places: [],
  feed: { kind: 'adapter', card: null, runFor: null },
  stock: {},
  ...more,
});

describe('start: picks become sentences', () => {
  for (const { quantity, unit } of asked)
    it(`${quantity} can be met`, () => {
      const brief = briefOf([{ kind: 'sense', quantity, unit, place: 'A' }]);
      const { plan, needs } = planOf('p', brief, library);
      const [need] = needs;
      if (!need) throw new Error('no need');
      expect(qualify(library.values(), need, settingOf(plan, need)).able).not.deep.equal([]);
      // Behind the converter of whichever controller is taken: none of them is without a way.
      const source = sourceOf(brief, library);
      if (!source) throw new Error('no source');
      const cards = [...library.values()];
      const reads = cards.filter(
        (card) =>
          card.kind === 'controller' &&
          card.offers
            .slice(0, 1)
            .some((offer) =>
              setProblem(plan, cards, card, offer, standingVoltages(source, library)).needs.every(
                ({ options }) => options.length > 0,
              ),
            ),
      );
      expect(reads.map(({ id }) => id)).not.deep.equal([]);
    });

  it('make a plan that the schema takes, with the places that are used', () => {
    const places = [
      { name: 'A', water: 'splash', outdoors: true, closed: false, lead: 4 },
      { name: 'left over', water: 'dry', outdoors: false, closed: false },
    ] as const;
    const humidity = { kind: 'sense', quantity: 'air humidity', unit: '%RH', place: 'A' } as const;
    const load = { kind: 'load', card: 'fan-12v', place: 'A', by: 'any' } as const;
    const { plan, needs } = planOf('p', briefOf([humidity, humidity, load], { places }), library);
    expect(Plan.safeParse(plan).success).equal(true);
    expect(needs.map((need) => need?.id)).deep.equal(['air-humidity', 'air-humidity-2', undefined]);
    expect(plan.places.map(({ name }) => name)).deep.equal(['A']);
  });

  it('leave out what nothing measures', () => {
    const pick = { kind: 'sense', quantity: 'phase of the moon', unit: '°', place: 'A' } as const;
    expect(planOf('p', briefOf([pick]), library).needs).deep.equal([null]);
  });
});
