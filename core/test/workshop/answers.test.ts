import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { FIGURE_IDS } from '../../src/card/figures.ts';
import { answersOf } from '../../src/workshop/answers.ts';
import { cardOf, treeOf } from '../../src/workshop/build.ts';
import { FACT_IDS, factAt } from '../../src/workshop/facts.ts';
import { anyCard, schemaPlaces } from '../support/any-card.ts';
import { library } from '../support/demo.ts';
import { random } from '../support/pin-case.ts';

/** Without where each thing is from, and without lists and things that say nothing. */
function plain(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value !== 'object' || value === null) return value;
  const kept = Object.entries(value)
    .filter(([key]) => key !== 'source' && key !== 'sources')
    .map(([key, of]) => [key, plain(of)] as const)
    .filter(([, of]) => typeof of !== 'object' || of === null || Object.keys(of).length > 0);
  return Object.fromEntries(kept);
}

const MEMORY = { kind: 'memory', title: 'the drawer' } as const;
const CASES = Number(process.env['ANY_CARDS'] ?? 400);

describe('a card as answers', () => {
  for (const card of library.values())
    it(`${card.id} is entered again and comes out as it is`, () => {
      const built = cardOf(answersOf(card), card.id, card.revision, MEMORY);
      expect(built.ok ? plain(built.card) : built).to.deep.equal(plain(card));
    });

  it(`takes whatever the schema lets a card say, on ${CASES} cards drawn from it`, () => {
    for (let seed = 1; seed <= CASES; seed++) {
      const {
        format: _format,
        version: _version,
        id: _id,
        revision: _revision,
        ...said
      } = anyCard(random(seed * 7919));
      const { tree, problems } = treeOf(answersOf(said as unknown as Card), MEMORY);
      const { format: _f, version: _v, ...back } = tree;
      expect(problems, `card ${seed}`).to.deep.equal([]);
      expect(plain(back), `card ${seed}`).to.deep.equal(plain(said));
    }
  });

  it('has an answer for every place of the schema', () => {
    const asked = new Set<string>([
      ...FIGURE_IDS,
      ...FACT_IDS.flatMap((id) => {
        const fact = factAt(id);
        return 'form' in fact ? [id] : [id, ...Object.keys(fact.rows).map((column) => `${id}/*/${column}`)];
      }),
    ]);
    const within = (place: string) =>
      place
        .split('/')
        .some(
          (_, i, steps) => asked.has(steps.slice(0, i + 1).join('/')) && factUnder(steps.slice(0, i + 1).join('/')),
        );
    const factUnder = (place: string) =>
      (FIGURE_IDS as readonly string[]).includes(place) || place in Object.fromEntries([...asked].map((a) => [a, 1]));
    const own = new Set(['format', 'version', 'id', 'revision', 'sources']);
    const left = schemaPlaces().filter(
      (place) => !own.has(place) && !place.endsWith('source') && !asked.has(place) && !within(place),
    );
    expect(left).to.deep.equal([]);
  });
});
