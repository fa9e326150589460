import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { readPlan, writePlan } from '../../src/format/plan-file.ts';
import { fingerprint } from '../../src/plan/fingerprint.ts';
import { demo, planText } from '../support/demo.ts';

const good = planText('cupboard-first-draft');
/** Problems of a text, or of the shipped file after a change. */
function problems(change: string | ((file: ReturnType<typeof parsed>) => void)): string[] {
  const file = parsed();
  if (typeof change === 'function') change(file);
  const read = readPlan(typeof change === 'string' ? change : JSON.stringify(file));
  return read.ok ? [] : read.problems.map(({ path, message }) => `${path}: ${say(message)}`);
}
const parsed = () =>
  JSON.parse(good) as {
    format: string;
    version: number;
    plan: ReturnType<typeof demo>['plan'];
    cards: ReturnType<typeof demo>['cards'];
  };

describe('plan file', () => {
  it('is written and read back the same, with the same fingerprint', () => {
    for (const name of ['cupboard-first-draft', 'cupboard-verified'] as const) {
      const doc = demo(name);
      const again = readPlan(writePlan(doc));
      expect(again).to.deep.equal({ ok: true, value: { plan: doc.plan, cards: doc.cards } });
      if (again.ok) expect(fingerprint(again.value)).to.equal(fingerprint(doc));
    }
  });

  it('cut off says so and where', () => {
    const [found] = problems(good.slice(0, 5000));
    expect(found).to.match(/expected JSON, found something else at line \d+, column \d+; the file seems to be cut off/);
  });
  it('that is no JSON, empty, or NaN is refused with the place', () => {
    expect(problems('hello')[0]).to.include('at line 1, column 1');
    expect(problems('')[0]).to.equal(': expected JSON, found an empty file');
    expect(problems('{"version": NaN}')[0]).to.include('line 1, column 13');
    expect(problems('[]')[0]).to.equal(': expected an object, found a list of 0');
    expect(problems('null')[0]).to.include('found null');
  });
  it('cut off anywhere never reads as a plan', () => {
    for (let at = 0; at < good.length - 2; at += 997) expect(problems(good.slice(0, at)), String(at)).to.have.length(1);
  });
  it('of a newer version is refused by name, of a strange one with what was found', () => {
    expect(problems((f) => (f.version = 12))).to.deep.equal([
      '/version: expected version 11 or older, found 12: the file comes from a newer Idle Breadboard',
    ]);
    expect(problems((f) => (f.version = 0.5))[0]).to.equal('/version: expected version 11, found 0.5');
    expect(problems((f) => (f.format = 'other'))[0]).to.equal(
      '/format: expected “idle-breadboard/plan”, found “other”',
    );
  });
  it('of version 5, with one board and without rules for soldering, reads as today', () => {
    const file = JSON.parse(good) as { version: number; plan: Record<string, unknown>; cards: { version: number }[] };
    const { boards, joint, rules, ...plan } = file.plan as {
      boards: string[];
      joint: string | null;
      rules: Record<string, unknown>;
    };
    expect([boards, joint]).to.deep.equal([['board-full'], 'joint-lever']);
    const { soldering: _s, sharedRow: _r, sure: _c, ...old } = rules;
    const five = {
      ...file,
      version: 5,
      plan: { ...plan, board: boards[0], rules: old },
      cards: file.cards.map((card) => ({ ...card, version: 5 })),
    };
    const read = readPlan(JSON.stringify(five));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.plan).to.deep.equal({ ...demo('cupboard-first-draft').plan, joint: null });
    const none = readPlan(JSON.stringify({ ...five, plan: { ...five.plan, board: null } }));
    expect(none.ok && none.value.plan.boards).to.deep.equal([]);
  });
  it('of version 1 is brought to the form of today', () => {
    const doc = demo('cupboard-verified');
    const { places: _places, revisions: _revisions, ...plan } = doc.plan;
    const { pullUps: _pullUps, ...rules } = plan.rules;
    const old = {
      format: 'idle-breadboard/plan',
      version: 1,
      plan: { ...plan, rules },
      cards: doc.cards.map((c) => ({ ...c, version: 1 })),
    };
    expect(readPlan(JSON.stringify(old))).to.deep.equal({ ok: true, value: doc });
  });
  it('with unknown references, doubled ids, negative ohms and a minimum above the maximum gets all of them', () => {
    const wrongFigures = problems((f) => {
      Object.assign(f.plan.helpers[0] ?? {}, { ohms: -10 });
      Object.assign(f.cards[0]?.rails?.[0]?.voltage ?? {}, { min: 99 });
      Object.assign(f.plan.parts[0] ?? {}, { id: 'Bad Id!' });
    });
    expect(wrongFigures).to.have.length(3);
    expect(wrongFigures[0]).to.equal(
      '/plan/parts/0/id: expected an id of lower-case letters, digits and hyphens, found “Bad Id!”',
    );
    expect(wrongFigures[1]).to.match(/^\/plan\/helpers\/0\/ohms: expected at least 0.001, found -10/);
    expect(wrongFigures[2]).to.match(/^\/cards\/0\/rails\/0\/voltage: expected min ≤ typ ≤ max/);
    const lost = problems((f) => {
      Object.assign(f.plan.parts[1] ?? {}, { id: f.plan.parts[0]?.id });
      Object.assign(f.plan.parts[4] ?? {}, { card: 'gone' });
      f.cards = [...f.cards, ...f.cards.slice(0, 1)];
    });
    expect(lost.some((p) => p.includes('expected an id used once, found “adapter”'))).to.equal(true);
    expect(lost).to.include('/plan/parts/4/card: expected a card of this file, found “gone”');
    expect(lost.some((p) => p.startsWith(`/cards/${parsed().cards.length}/id`))).to.equal(true);
  });
  it('with numbers beyond all bounds is refused: JSON’s 1e999 is infinite', () => {
    expect(problems(good.replace('"lifeYears": 2', '"lifeYears": 1e999'))[0]).to.match(
      /^\/plan\/lifeYears: expected number, found Infinity/,
    );
  });
  it('with a hundred thousand parts is refused at once', () => {
    const found = problems((f) => {
      f.plan.parts = Array.from({ length: 100_000 }, (_, i) => ({ id: `p${i}` })) as never;
    });
    expect(found).to.deep.equal(['/plan/parts: expected at most 2000 entries, found 100000']);
  });
  it('takes script in a name as the text that it is', () => {
    const name = '<script>alert(1)</script>';
    const read = readPlan(JSON.stringify({ ...parsed(), plan: { ...parsed().plan, name } }));
    expect(read.ok && read.value.plan.name).to.equal(name);
  });
  it('does not let __proto__ in', () => {
    const read = readPlan(good.replace('"stock": {', '"stock": { "__proto__": { "polluted": 1 },'));
    expect(read.ok && Reflect.getPrototypeOf(read.value.plan.stock)).to.equal(Object.prototype);
    expect(read.ok && Reflect.get(read.value.plan.stock, 'polluted')).to.equal(undefined);
    expect(Reflect.get({}, 'polluted')).to.equal(undefined);
  });
});
