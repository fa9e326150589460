/** Files of a whole shelf: steps of a history, parts that are being entered. */
import { expect } from 'chai';
import { readDraft, writeDraft } from '../../src/format/draft-file.ts';
import { readPlan } from '../../src/format/plan-file.ts';
import { readStep, writeStep } from '../../src/format/step-file.ts';
import { beginDraft, openDraft, withSaid } from '../../src/workshop/draft.ts';
import { PLANS, library, planText } from '../support/demo.ts';

const shipped = PLANS.map((name) => {
  const read = readPlan(planText(name));
  if (!read.ok) throw new Error(name);
  return read.value;
});

describe('a step of a history as a file', () => {
  it('comes back as it was', () => {
    for (const { plan, cards } of shipped) {
      const read = readStep(writeStep({ why: 'move “x”', plan }), cards);
      expect(read).to.deep.equal({ ok: true, value: { why: 'move “x”', plan } });
    }
  });

  it('is refused where it is cut, of another kind, no plan, or without its cards', () => {
    const { plan, cards } = shipped[0] ?? { plan: null, cards: [] };
    if (!plan) throw new Error('no plan ships');
    const text = writeStep({ why: 'x', plan });
    const whereIn = (changed: string, among = cards) => {
      const read = readStep(changed, among);
      return read.ok ? 'taken' : read.problems[0]?.path;
    };
    expect(whereIn(text.slice(0, 900))).to.equal('');
    expect(whereIn(text.replace('idle-breadboard/step', 'idle-breadboard/plan'))).to.equal('/format');
    expect(whereIn(text.replace(/"lifeYears":[\d.]+/, '"lifeYears":-1'))).to.equal('/plan/lifeYears');
    expect(whereIn(text, cards.slice(1))).to.match(/^\/plan\//);
  });
});

describe('a part that is being entered, as a file', () => {
  it('comes back as it was, whichever card it was opened from', () => {
    for (const card of library.values()) {
      const draft = openDraft(card);
      expect(readDraft(writeDraft(draft)), card.id).to.deep.equal({ ok: true, value: draft });
    }
    const begun = withSaid(beginDraft('bus-sensor'), { places: ['name'] }, { said: 'Half' });
    expect(readDraft(writeDraft(begun))).to.deep.equal({ ok: true, value: begun });
  });

  it('is refused where it is of no class, or its answers are no answers', () => {
    const text = writeDraft(beginDraft('bus-sensor'));
    const where = (changed: string) => {
      const read = readDraft(changed);
      return read.ok ? 'taken' : read.problems[0]?.path;
    };
    expect(where(text.replace('"bus-sensor"', '"spoon"'))).to.equal('/cls');
    expect(where(text.replace('"answers": [', '"answers": [7,'))).to.equal('/answers/0');
  });
});
