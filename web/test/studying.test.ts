import { expect } from 'chai';
import type { Card } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { fingerprint, type Plan, type PlanDocument } from '@idle-breadboard/core/plan';
import { verify, withMeasured } from '@idle-breadboard/core/verify';
import { expose } from 'comlink';
import { random as randomFrom } from '../../core/test/support/pin-case.ts';
import { drawnBase, drawnEdits } from '../../core/test/support/drawn-edits.ts';
import { Rehearsal } from '../src/lib/state/rehearsal.ts';
import { Studies } from '../src/lib/state/studies.ts';
import { Receiver, type Packed } from '../src/lib/worker/sharing.ts';
import type { Study, StudyWorker } from '../src/lib/worker/study.ts';
import { Studying } from '../src/lib/worker/studying.ts';
import { Thread } from '../src/lib/worker/thread.ts';

/** What a look at the plan alone gives, with nothing known before. */
const alone = (document: PlanDocument): Study => {
  const circuit = deriveCircuit(document);
  const print = fingerprint(document);
  return { fingerprint: print, circuit, verdict: withMeasured(verify(circuit), document.plan.measured, print) };
};

describe('plans studied one after the other', () => {
  // Somebody goes back, points at this and that, and takes what was pointed at, or something else.
  for (let seed = 0; seed < 12; seed++)
    it(`says of each what a look at it alone says, walk ${seed}`, () => {
      const random = randomFrom(7000 + seed);
      const base = drawnBase(seed);
      const documents = [base, ...drawnEdits(base, 900 + seed, 24).map(({ document }) => document)];
      const [studying, receiver] = [new Studying(), new Receiver()];
      let sent: readonly Card[] | null = null;
      const over = (document: PlanDocument, as: 'study' | 'foresee') => {
        const cards = sent === document.cards ? null : structuredClone(document.cards);
        sent = document.cards;
        return receiver.unpack(structuredClone(studying[as](structuredClone(document.plan), cards)));
      };
      const seen = new Map<PlanDocument, Study>();
      for (let step = 0; step < 40; step++) {
        const document = documents[Math.floor(random() ** 2 * documents.length)] ?? base;
        const isTaken = random() < 0.5 || step === 0;
        const before = studying.last;
        const study = over(document, isTaken ? 'study' : 'foresee');
        expect(study, `step ${step}`).to.deep.equal(seen.get(document) ?? alone(document));
        seen.set(document, study);
        if (!isTaken) expect(studying.last, 'what is only pointed at is not in hand').to.equal(before);
        else expect(studying.last?.fingerprint).to.equal(fingerprint(document));
        if (random() < 0.3) studying.prepare();
      }
    });
});

/** The thread of a page, with what was asked of it. */
function page() {
  const { port1, port2 } = new MessageChannel();
  const studying = new Studying();
  const asked: string[] = [];
  const answer = (as: 'study' | 'foresee') => (plan: Plan, cards: readonly Card[] | null) => {
    asked.push(`${as} ${plan.name}`);
    if (plan.name === 'broken') throw new Error('the sum cannot be made');
    return studying[as](plan, cards) as Packed<Study>;
  };
  expose({ study: answer('study'), foresee: answer('foresee') }, port2);
  const thread = new Thread<StudyWorker>(() => ({
    postMessage: (message: unknown, transfer?: Transferable[]) => port1.postMessage(message, transfer ?? []),
    addEventListener: (type, listener) => port1.addEventListener(type, listener),
    removeEventListener: (type, listener) => port1.removeEventListener(type, listener),
    start: () => port1.start(),
    terminate: () => port1.close(),
  }));
  return { studies: new Studies(thread), asked, end: () => thread.end() };
}

describe('studies that the page has', () => {
  const { plan: base, cards } = drawnBase(0);
  const named = (name: string): Plan => ({ ...base, name });
  const rested = () => new Promise((go) => setTimeout(go, 400));
  let open: ReturnType<typeof page>;
  beforeEach(() => {
    open = page();
  });
  afterEach(() => open.end());

  it('has what was pointed at before it is taken, and the same thing then', async () => {
    const { studies, asked } = open;
    await studies.of(named('a'), cards);
    studies.point(named('b'), cards);
    await rested();
    const known = studies.known(named('b'), cards);
    expect(known).to.deep.equal(alone({ plan: named('b'), cards }));
    expect(await studies.of(named('b'), cards)).to.equal(known);
    expect(asked).to.deep.equal(['study a', 'foresee b', 'study b']);
  });

  it('asks for nothing that was only passed over, nor for what was taken at once', async () => {
    const { studies, asked } = open;
    for (const name of ['a', 'b', 'c']) studies.point(named(name), cards);
    await studies.of(named('d'), cards);
    await rested();
    expect(asked).to.deep.equal(['study d']);
    studies.point(named('d'), cards);
    await rested();
    expect(asked, 'what is known is not asked for').to.deep.equal(['study d']);
  });

  it('knows what it went back from, and nothing of a plan with other cards', async () => {
    const { studies } = open;
    const first = await studies.of(named('a'), cards);
    await studies.of(named('b'), cards);
    expect(studies.known(named('a'), cards)).to.equal(first);
    expect(studies.known(named('a'), structuredClone(cards))).to.equal(null);
    studies.forget();
    expect(studies.known(named('a'), cards)).to.equal(null);
  });

  it('says what goes wrong only to whom it is taken for', async () => {
    const { studies, asked } = open;
    await studies.of(named('a'), cards);
    studies.point(named('broken'), cards);
    await rested();
    expect(asked).to.include('foresee broken');
    expect(studies.known(named('broken'), cards)).to.equal(null);
    const said = await studies.of(named('broken'), cards).then(
      () => 'nothing',
      (why: unknown) => (why instanceof Error ? why.message : 'other'),
    );
    expect(said).to.equal('the sum cannot be made');
    expect((await studies.of(named('c'), cards))?.circuit.plan.name).to.equal('c');
  });
});

describe('a handler that is rehearsed', () => {
  const { plan } = drawnBase(0);
  it('edits nothing, and gives the plan that it would make', () => {
    const rehearsal = new Rehearsal();
    const edited: Plan[] = [];
    const edit = (next: Plan) => {
      if (!rehearsal.takes(next)) edited.push(next);
    };
    const next = { ...plan, name: 'next' };
    expect(rehearsal.of(() => edit(next))).to.equal(next);
    expect(edited).to.deep.equal([]);
    edit(next);
    expect(edited).to.deep.equal([next]);
    expect(
      rehearsal.of(() => undefined),
      'nothing is left of the one before',
    ).to.equal(null);
  });
  it('is over when the handler throws', () => {
    const rehearsal = new Rehearsal();
    expect(() => rehearsal.of(() => JSON.parse('{'))).to.throw();
    expect(rehearsal.takes(plan)).to.equal(false);
  });
});
