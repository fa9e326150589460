import { expect } from 'chai';
import { type FigureId, figureKind } from '../../src/card/figures.ts';
import { figuresOf } from '../../src/card/places.ts';
import { type Answers, answersOf } from '../../src/workshop/answers.ts';
import { besidesAt, outranks, withSource } from '../../src/workshop/besides.ts';
import { treeOf } from '../../src/workshop/build.ts';
import { CLASS_IDS } from '../../src/card/part-class.ts';
import {
  beginDraft,
  cardFrom,
  type Draft,
  openDraft,
  standingOf,
  withConfirmed,
  withNone,
  withPrint,
  withSaid,
} from '../../src/workshop/draft.ts';
import { lackingIn } from '../../src/workshop/lacking.ts';
import { lookUpNext } from '../../src/workshop/look-up-next.ts';
import { measurementsFor, withReading } from '../../src/workshop/measurements.ts';
import { merged } from '../../src/workshop/merge.ts';
import { questionsOf } from '../../src/workshop/questions.ts';
import { say } from '../../src/say/say.ts';
import { library } from '../support/demo.ts';

const MEMORY = { kind: 'memory', title: 'the drawer' } as const;
const SHEET = { kind: 'datasheet', title: 'the sheet', page: 4 } as const;
const METER = { kind: 'measured', title: 'ohmmeter, VIN to SDA' } as const;
const TYPICAL = 'what such parts have';

const printed = (draft: Draft, text: string): Draft => withPrint(draft, { headers: [{ kind: 'male', text }] });
const asked = (draft: Draft, pattern: string) => {
  const found = questionsOf(draft.cls, draft.answers).find((question) => question.pattern === pattern);
  if (!found) throw new Error(`${pattern} is not asked`);
  return found;
};
const breakout = () => printed(beginDraft('bus-sensor'), 'VIN GND SCL SDA');
const openIn = (draft: Draft) =>
  questionsOf(draft.cls, draft.answers).filter((question) => standingOf(draft, question) === 'open');
const rows = (draft: Draft, place: string) => draft.answers.get(place)?.said;

/** The sides of a body share one source. */
const hasOwnSource = (pattern: string): boolean => (figureKind(pattern as FigureId).keep ?? 'figure') === 'figure';

describe('a draft of a part', () => {
  it('opens every card that ships, and nothing of it changes when what is printed is typed again', () => {
    for (const card of library.values()) {
      const draft = openDraft(card);
      const again = withPrint(draft, { headers: [...draft.headers] });
      const built = cardFrom(again, card.id, card.revision, MEMORY, TYPICAL);
      if (!built.ok) throw new Error(`${card.id} ${JSON.stringify(built)}`);
      const back = answersOf(built.card);
      for (const [place, { said }] of draft.answers)
        expect(back.get(place)?.said, `${card.id} ${place}`).to.deep.equal(said);
      for (const [place, { source }] of back)
        if (!draft.answers.has(place)) expect(source?.title, `${card.id} ${place}`).to.equal(TYPICAL);
    }
  });

  it('keeps what stands on every card when a pin is put to the end of its first header', () => {
    for (const card of library.values()) {
      const draft = openDraft(card);
      const [first, ...others] = draft.headers;
      if (!first || first.text === '') continue;
      const mark = first.text.includes(',') ? ', ' : ' ';
      const longer = withPrint(draft, { headers: [{ ...first, text: `${first.text}${mark}ZZ9` }, ...others] });
      for (const [place, { said }] of draft.answers) {
        if (typeof said === 'string') expect(rows(longer, place), `${card.id} ${place}`).to.equal(said);
        else
          for (const row of said)
            expect(JSON.stringify(rows(longer, place)), `${card.id} ${place}`).to.include(JSON.stringify(row));
      }
      expect(JSON.stringify(rows(longer, 'terminals')), card.id).to.include('"ZZ9"');
    }
  });

  it('takes a measured figure at any place of any card, and it is a card still', () => {
    [...library.values()].forEach((card, c) => {
      const draft = openDraft(card);
      const figures = questionsOf(draft.cls, draft.answers).filter(
        ({ how, pattern, places }) =>
          'units' in how && hasOwnSource(pattern) && places.every((place) => draft.answers.has(place)),
      );
      // One of each card, another one of the next: all kinds come to their turn.
      const question = figures[c % Math.max(1, figures.length)];
      if (!question) return;
      const said = String(draft.answers.get(question.places[0] ?? '')?.said);
      const built = cardFrom(withSaid(draft, question, { said, source: METER }), card.id, 1, MEMORY, TYPICAL);
      if (!built.ok) throw new Error(`${card.id} ${question.pattern}: ${JSON.stringify(built)}`);
      expect(
        figuresOf(built.card).some(({ source }) => source?.title === METER.title),
        card.id,
      ).to.equal(true);
    });
  });

  it('follows the print until the maker says otherwise', () => {
    const draft = breakout();
    expect(standingOf(draft, asked(draft, 'ports'))).to.equal('proposed');
    const ports = asked(draft, 'ports');
    const said = withSaid(draft, ports, { said: [['bus', 'i2c', 'sda=sda, scl=scl']] });
    expect(standingOf(said, ports)).to.equal('said');
    const longer = printed(said, 'VIN GND SCL SDA INT');
    expect(rows(longer, 'ports')).to.deep.equal([
      ['digital-out', 'digital-out', 'out=int'],
      ['bus', 'i2c', 'sda=sda, scl=scl'],
    ]);
    expect(rows(printed(draft, 'VIN GND'), 'ports'), 'of no lines').to.equal(undefined);
    expect(standingOf(withConfirmed(draft, ports.places), ports)).to.equal('said');
  });

  it('merges rows as three versions of a file are merged', () => {
    const table = (...said: string[][]): Answers => new Map([['signals', { said }]]);
    const base = table(['a', '1'], ['b', '2'], ['c', '3']);
    const mine = table(['a', '9'], ['c', '3'], ['own', '4']);
    const theirs = table(['a', '1'], ['b', '2'], ['c', '5'], ['d', '6']);
    expect(merged(base, mine, theirs).get('signals')?.said).to.deep.equal([
      ['a', '9'],
      ['c', '5'],
      ['d', '6'],
      ['own', '4'],
    ]);
  });

  it('does not ask again of what there is said to be nothing, and takes nothing typical for it', () => {
    const draft = breakout();
    const low = asked(draft, 'signals/*/outputLow');
    const none = withNone(draft, low, true);
    expect(standingOf(none, low)).to.equal('none');
    expect(openIn(none).map(({ pattern }) => pattern)).to.not.include('signals/*/outputLow');
    expect(openIn(withNone(none, low, false)).map(({ pattern }) => pattern)).to.include('signals/*/outputLow');
  });

  it('names what a card still lacks by its question, of every class from nothing', () => {
    for (const cls of CLASS_IDS) {
      const draft = beginDraft(cls);
      const built = cardFrom(draft, 'own', 1, MEMORY, TYPICAL);
      if (built.ok) continue;
      const { lacks } = lackingIn(draft, built);
      expect(lacks.length, cls).to.be.at.least(1);
      for (const { title } of lacks) expect(say(title), cls).to.not.match(/Invalid|undefined/);
    }
  });
});

describe('a bare value', () => {
  const built = (pattern: string, said: string) => {
    const draft = breakout();
    const { tree } = treeOf(withSaid(draft, asked(draft, pattern), { said, source: SHEET }).answers, MEMORY);
    return JSON.stringify(tree['signals'] ?? '') + JSON.stringify(tree['supplies']);
  };
  it('is the bound that sheets state of such a figure', () => {
    expect(built('signals/*/inputHigh', '0.7 VDD')).to.include('"inputHigh":{"min":0.7,"unit":"share"');
    expect(built('signals/*/inputLow', '0.3 x VDD')).to.include('"inputLow":{"max":0.3,"unit":"share"');
    expect(built('signals/*/absoluteMax', 'VDD+0.3 V')).to.include('"absoluteMax":{"max":0.3,"unit":"offset"');
    expect(built('supplies/*/absoluteMax', '6')).to.include('"absoluteMax":{"max":6,"unit":"V"');
    expect(built('supplies/*/current/idle', '2 µA')).to.include('"idle":{"typ":0.000002,"unit":"A"');
    expect(built('supplies/*/absoluteMax', '– / 6 V / –')).to.include('"absoluteMax":{"typ":6,"unit":"V"');
  });
});

describe('several sources of a figure', () => {
  const range = (draft: Draft) => asked(draft, 'supplies/*/range');
  const pull = (draft: Draft) => asked(draft, 'signals/*/fittedPullUp/value');

  it('stands on what is measured of the piece, and keeps what the sheet says', () => {
    const first = withSource(breakout(), pull(breakout()), { said: '10 kΩ', source: SHEET });
    const both = withSource(first, pull(first), { said: '9.8 kΩ', source: METER });
    expect(both.answers.get('signals/sda/fittedPullUp/value')).to.deep.equal({ said: '9.8 kΩ', source: METER });
    expect(besidesAt(both, 'signals/sda/fittedPullUp/value')).to.deep.equal([
      { says: '10 kΩ', kind: 'datasheet', from: 'the sheet, p. 4' },
    ]);
    const turned = withSource(
      withSource(breakout(), pull(breakout()), { said: '9.8 kΩ', source: METER }),
      pull(breakout()),
      {
        said: '10 kΩ',
        source: SHEET,
      },
    );
    expect(turned.answers.get('signals/sda/fittedPullUp/value')?.said, 'in whichever order').to.equal('9.8 kΩ');
  });

  it('leaves limits to the sheet, and bounds that one piece keeps', () => {
    expect(outranks('supplies/vin/absoluteMax', '7 V', '≤ 6 V')).to.equal(false);
    expect(outranks('supplies/vin/current/idle', '2 µA', '≤ 5 µA')).to.equal(false);
    expect(outranks('supplies/vin/current/idle', '2 mA', '≤ 5 µA')).to.equal(true);
    expect(outranks('supplies/vin/current/idle', '2 µA', '3 µA')).to.equal(true);
    const sheet = withSource(breakout(), range(breakout()), { said: '2.4 to 5.5 V', source: SHEET });
    const seller = withSource(sheet, range(sheet), {
      said: '3 to 5 V',
      source: { kind: 'seller', title: 'the market' },
    });
    expect(seller.answers.get('supplies/vin/range')?.said).to.equal('2.4 to 5.5 V');
    expect(besidesAt(seller, 'supplies/vin/range').map(({ says }) => says)).to.deep.equal(['3 to 5 V']);
  });

  it('replaces what the same kind of source said before, and a guess without a trace', () => {
    const one = withSource(breakout(), range(breakout()), { said: '2.4 to 5.5 V', source: SHEET });
    const two = withSource(one, range(one), { said: '2.5 to 5.5 V', source: { ...SHEET, page: 5 } });
    expect(two.answers.get('supplies/vin/range')?.said).to.equal('2.5 to 5.5 V');
    expect(besidesAt(two, 'supplies/vin/range')).to.deep.equal([]);
    const guess = withSource(breakout(), range(breakout()), {
      said: '3 to 5 V',
      source: { kind: 'class-typical', title: TYPICAL },
    });
    expect(
      besidesAt(withSource(guess, range(guess), { said: '2.4 to 5.5 V', source: SHEET }), 'supplies/vin/range'),
    ).to.deep.equal([]);
  });
});

describe('a meter at a part', () => {
  const tree = (draft: Draft) => treeOf(draft.answers, MEMORY).tree;
  const take = (draft: Draft, id: string, reading: number) => {
    const found = measurementsFor(tree(draft)).find((one) => one.id === id);
    if (!found)
      throw new Error(
        `no ${id} in ${measurementsFor(tree(draft))
          .map((one) => one.id)
          .join()}`,
      );
    return withReading(draft, found, reading, say(found.by));
  };

  it('tells a fitted pull-up from none', () => {
    const draft = take(take(breakout(), 'pull-up sda', 9800), 'pull-up scl', 2.2e6);
    expect(draft.answers.get('signals/sda/fittedPullUp/value')).to.deep.equal({ said: '9.8 kΩ', source: METER });
    expect(draft.answers.has('signals/scl/fittedPullUp/value')).to.equal(false);
    expect(draft.none.has('signals/scl/fittedPullUp/value')).to.equal(true);
  });

  it('finds a rail that the part makes, and where its pull-ups then go', () => {
    const draft = take(
      take(printed(beginDraft('bus-sensor'), 'VIN 3VO GND SCL SDA'), 'pull-up sda', 9800),
      'regulator',
      3.29,
    );
    expect(rows(draft, 'rails')).to.deep.equal([['3vo', '3VO', '3vo']]);
    expect(rows(draft, 'rails/3vo/voltage')).to.equal('3.29 V');
    expect(rows(draft, 'signals/sda/fittedPullUp/to')).to.equal('3vo');
    const none = take(breakout(), 'regulator', 4.97);
    expect(rows(none, 'rails')).to.equal(undefined);
    expect(none.none.has('rails')).to.equal(true);
  });

  it('gives the current at rest', () => {
    expect(rows(take(breakout(), 'idle vin', 2.1e-6), 'supplies/vin/current/idle')).to.equal('2.1 µA');
  });
});

describe('what to look up next', () => {
  it('ranks what is assumed by the proof that comes nearest to it', () => {
    const card = [...library.values()].find(({ id }) => id === 'humid-strap');
    if (!card) throw new Error('no card');
    const result = (check: string, margin: number) => ({
      check,
      subjects: ['part'],
      severity: null,
      margin,
      measured: 1,
      limit: 1,
      unit: 'V',
      ranked: true,
    });
    const verdict = { findings: [], passes: [result('level/low', 0.4), result('level/high', 0.1)] };
    const next = lookUpNext(card, verdict as never, 'part');
    const first = next.find(({ tightest }) => tightest !== null);
    expect(next[0]).to.equal(first);
    expect(first?.tightest?.check).to.equal('level/high');
    expect(next.map(({ tightest }) => tightest?.margin ?? Infinity)).to.deep.equal(
      [...next.map(({ tightest }) => tightest?.margin ?? Infinity)].sort((a, b) => a - b),
    );
  });
});
