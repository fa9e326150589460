/** From picks to a whole plan: what a set is best at is so among all sets, and what it fills can be completed to a verified plan. */
import { expect } from 'chai';
import { deriveCircuit } from '../../../src/circuit/derive.ts';
import { isBlocking } from '../../../src/check/result.ts';
import { verify } from '../../../src/check/verify.ts';
import { documentOf } from '../../../src/plan/document.ts';
import { complete } from '../../../src/solve/complete/complete.ts';
import type { Brief, Pick } from '../../../src/solve/start/brief.ts';
import { planOf } from '../../../src/solve/start/brief.ts';
import { feedKindOf, sourceOf, standingVoltages } from '../../../src/solve/start/feeding.ts';
import { filledPlan, MERITS, offersFor } from '../../../src/solve/start/offers.ts';
import { Plan } from '../../../src/plan/plan.ts';
import { randomFrom } from '../../../src/quantity/random.ts';
import { setProblem } from '../../../src/solve/sets/problem.ts';
import { searchSets } from '../../../src/solve/sets/search.ts';
import { library } from '../../support/demo.ts';

/** Every set of the search behind the offers. */
function frontOf(of: Brief) {
  const { plan } = planOf('p', of, library);
  const source = sourceOf(of, library);
  const standing = source ? standingVoltages(source, library) : [];
  const cards = [...library.values()];
  return searchSets(
    cards
      .filter(({ kind }) => kind === 'controller')
      .flatMap((card) => card.offers.map((offer) => setProblem(plan, cards, card, offer, standing))),
  ).sets;
}

const sense = (quantity: string, unit: string, place: string): Pick => ({ kind: 'sense', quantity, unit, place });
const brief = (picks: readonly Pick[], feed: Brief['feed']['kind'] = 'adapter'): Brief => ({
  name: 'a build',
  picks,
  places: [],
  feed: { kind: feed, card: null, runFor: feed === 'cells' ? 30 * 86400 : null },
  stock: {},
});
function offersOf(of: Brief) {
  const search = offersFor('p', of, library);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}
const FIGURE = { cheapest: 'cost', exact: 'error', soonest: 'arrival' } as const;
const GREENHOUSE = brief([
  sense('air humidity', '%RH', 'A'),
  sense('air humidity', '%RH', 'B'),
  sense('illuminance', 'lx', 'A'),
  sense('soil moisture', '%', 'A'),
  { kind: 'show', service: 'text', place: 'A' },
  { kind: 'drive', service: 'light', place: 'A' },
  { kind: 'load', card: 'fan-12v', place: 'A', by: 'contact' },
]);

describe('start: sets told apart', () => {
  it('offers what was proved, and says of a set only what no other that it offers is better at', () => {
    const { offers, of } = offersOf(GREENHOUSE);
    expect(of).greaterThan(2);
    expect(offers.flatMap(({ merits }) => merits)).to.have.members([...MERITS]);
    for (const { merits, set, open } of offers) {
      expect(open).equal(0);
      for (const merit of merits)
        for (const other of offers)
          expect(set.evaluation.figures[FIGURE[merit]]).at.most(other.set.evaluation.figures[FIGURE[merit]]);
    }
  });

  it('says why there is none', () => {
    const { offers, none } = offersOf(brief([sense('phase of the moon', '°', 'A'), sense('wind', 'm/s', 'A')]));
    expect(offers).deep.equal([]);
    // Nothing measures it: such a pick makes no need, and nothing is left to search for.
    expect(none).equal(null);
  });
});

describe('start: from what it is fed', () => {
  const kindFor = (kind: Brief['feed']['kind']) => {
    const source = sourceOf(brief([], kind), library);
    return source && feedKindOf(source);
  };

  it('takes the source that feeds the loads', () => {
    const withFan = brief([{ kind: 'load', card: 'fan-12v', place: 'A', by: 'any' }]);
    expect(sourceOf(withFan, library)?.rails?.[0]?.voltage?.typ).equal(12);
    expect(kindFor('cells')).equal('cells');
    expect(kindFor('socket')).equal('socket');
  });

  it('keeps the time on the cells, and only there', () => {
    expect(planOf('p', brief([], 'cells'), library).plan.runFor).equal(30 * 86400);
    expect(planOf('p', brief([], 'adapter'), library).plan.runFor).equal(undefined);
  });
});

describe('start: a whole plan', () => {
  it('of a greenhouse logger is completed to one with nothing to settle, its fan on the contact', () => {
    const { offers } = offersOf(GREENHOUSE);
    for (const { set, merits } of offers.slice(0, 2)) {
      const plan = filledPlan('p', GREENHOUSE, library, set);
      const circuit = deriveCircuit(documentOf(plan, [], library));
      const done = complete(circuit, library);
      expect(done.verdict.findings.filter(isBlocking), merits.join()).deep.equal([]);
      const fan = done.plan.parts.find(({ card }) => card === 'fan-12v');
      const driver = done.plan.parts.find(({ id }) => id === Object.values(fan?.ports ?? {})[0]?.driver);
      expect(library.get(driver?.card ?? '')?.contact).not.equal(undefined);
      expect(verify(deriveCircuit(documentOf(done.plan, [], library))).status).equal('verified');
    }
  });
});

/** A build as nobody planned it: a few picks at a few places, fed from anything. */
function drawn(seed: number): Brief {
  const random = randomFrom(seed * 131 + 7);
  const one = <T>(all: readonly T[]): T => {
    const found = all[Math.floor(random() * all.length)];
    if (found === undefined) throw new Error('nothing to draw from');
    return found;
  };
  const cards = [...library.values()];
  const measures = cards.flatMap((card) => card.measures);
  const loads = cards.filter(
    ({ ports, driver, contact }) =>
      !driver && !contact && ports.length > 0 && ports.every(({ protocol }) => protocol === 'coil'),
  );
  const picks = Array.from({ length: 1 + Math.floor(random() * 5) }, (): Pick => {
    const place = one(['A', 'B', 'C']);
    const kind = random();
    if (kind < 0.65) {
      const { quantity, unit } = one(measures);
      return { kind: 'sense', quantity, unit, place };
    }
    if (kind < 0.85) return { kind: 'show', service: one(['text', 'light', 'sound', 'clock time']), place };
    return { kind: 'load', card: one(loads).id, place, by: random() < 0.4 ? 'contact' : 'any' };
  });
  return brief(picks, one(['socket', 'adapter', 'cells']));
}

describe('start: builds drawn at random', function () {
  this.timeout(300_000);
  const SEEDS = [1, 2, 5, 6, 8, 10, 12, 13, 17, 18];

  it('offer a set wherever something is searched for, and fill a plan that the schema takes', () => {
    for (const seed of SEEDS) {
      const of = drawn(seed);
      const { offers, none } = offersOf(of);
      const searched = of.picks.some(({ kind }) => kind !== 'load');
      expect(offers.length > 0 || none !== null, `seed ${seed}`).equal(searched);
      for (const set of searched ? offers.map((offer) => offer.set) : [null]) {
        const plan = filledPlan('p', of, library, set);
        expect(Plan.safeParse(plan).success, `seed ${seed}`).equal(true);
        expect(plan.controller, `seed ${seed}`).not.equal(null);
      }
    }
  });

  it('call a set the best in a figure only where no other that completes itself is better, tried one and all', () => {
    for (const seed of SEEDS.slice(0, 6)) {
      const of = drawn(seed);
      const { offers, complete: all } = offersOf(of);
      if (!all) continue;
      const front = frontOf(of);
      for (const { set, merits } of offers)
        for (const merit of merits)
          for (const other of front) {
            const figure = FIGURE[merit];
            if (other.evaluation.figures[figure] >= set.evaluation.figures[figure]) continue;
            const done = complete(deriveCircuit(documentOf(filledPlan('p', of, library, other), [], library)), library);
            expect(done.verdict.findings.some(isBlocking), `seed ${seed}, ${merit}`).equal(true);
          }
    }
  });
});
