import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { toInterval } from '../../src/card/to-interval.ts';
import { weakest } from '../../src/card/evidence.ts';
import { readCard } from '../../src/format/card-file.ts';
import { cards, planText } from '../support/demo.ts';

const first = cards.find(({ id }) => id === 'humid-fixed');
/** Problems of a shipped card after a change. */
function problems(patch: (card: ReturnType<typeof structuredClone<NonNullable<typeof first>>>) => void): string[] {
  if (!first) throw new Error('card humid-fixed is gone');
  const copy = structuredClone(first);
  patch(copy);
  const read = readCard(JSON.stringify(copy));
  return read.ok ? [] : read.problems.map(({ path, message }) => `${path}: ${say(message)}`);
}

describe('card', () => {
  it('is read as it ships, every figure with a source', () => {
    expect(cards.length).to.be.at.least(16);
    expect(problems(() => undefined)).to.deep.equal([]);
  });

  it('refuses a minimum above the maximum, with path and figures', () => {
    const found = problems((card) => Object.assign(card.supplies[0]?.range ?? {}, { min: 9 }));
    expect(found).to.deep.equal(['/supplies/0/range: expected min ≤ typ ≤ max, found 9 > 5.5']);
  });

  it('refuses negative ohms', () => {
    const found = problems((card) => Object.assign(card.signals[0]?.fittedPullUp?.value ?? {}, { min: -1 }));
    expect(found[0]).to.equal('/signals/0/fittedPullUp/value: expected no negative value in Ω, found -1');
  });

  it('gives every problem at once', () => {
    const found = problems((card) => {
      card.terminals[1] = { ...card.terminals[0], id: 'vcc' } as never;
      Object.assign(card.signals[0] ?? {}, { terminal: 'nowhere', reference: 'nothing' });
      Object.assign(card.ports[0]?.lines ?? {}, { sda: 'lost', mosi: 'sda' });
      Object.assign(card.supplies[0]?.range ?? {}, { source: 'unknown' });
    });
    expect(found).to.deep.include.members([
      '/terminals/1/id: expected an id used once, found “vcc” again',
      '/signals/0/terminal: expected a terminal of this card, found “nowhere”',
      '/signals/0/reference: expected a supply or rail of this card, found “nothing”',
      '/ports/0/lines/sda: expected a signal of this card, found “lost”',
      '/ports/0/lines/mosi: expected a line of i2c (sda, scl), found “mosi”',
      '/supplies/0/range/source: expected a source of this card, found “unknown”',
    ]);
  });

  it('refuses what a card has no place for, and a figure without a value', () => {
    expect(problems((card) => Object.assign(card, { colour: 'red' }))).to.deep.equal([
      ': expected no other entries, found “colour”',
    ]);
    expect(
      problems((card) => Object.assign(card.supplies[0] ?? {}, { range: { unit: 'V', source: 'class' } }))[0],
    ).to.include('at least one of min, typ, max');
  });

  it('refuses a plan in place of a card, and a newer version, by name', () => {
    const plan = readCard(planText('cupboard-first-draft'));
    expect(say(plan.ok ? '' : plan.problems[0]?.message)).to.equal(
      'expected “idle-breadboard/card”, found “idle-breadboard/plan”',
    );
    expect(problems((card) => Object.assign(card, { version: 11 }))).to.deep.equal([
      '/version: expected version 10 or older, found 11: the file comes from a newer Idle Breadboard',
    ]);
  });
});

describe('figure', () => {
  it('takes a bound that is not given from the nearest that is', () => {
    expect(toInterval({ typ: 5 })).to.deep.equal({ min: 5, typ: 5, max: 5 });
    expect(toInterval({ min: 2, max: 4 })).to.deep.equal({ min: 2, typ: 3, max: 4 });
  });
  it('rests on the weakest of its sources', () =>
    expect([weakest(['datasheet', 'memory', 'seller']), weakest([])]).to.deep.equal(['memory', 'measured']));
});
