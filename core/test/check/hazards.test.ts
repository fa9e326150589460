/** Hazards are read before a plan is called verified; one cause is one finding; what is harmless is a note. */
import { say, sayUnread } from '../../src/say/say.ts';
import { expect } from 'chai';
import { standingOf } from '../../src/check/standing.ts';
import { verify } from '../../src/check/verify.ts';
import { cautionsOf } from '../../src/circuit/cautions.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { checklistOf } from '../../src/deliver/checklist.ts';
import { fingerprint } from '../../src/plan/fingerprint.ts';
import { setAcknowledged } from '../../src/plan/edits.ts';
import { cards, demo, library } from '../support/demo.ts';
import { card, document, exactly, part, terminals, type Json } from '../support/build.ts';
import { load } from '../support/power-build.ts';

const LIVE = 'Mains inside: keep it closed.';
const SHARP = 'Its point is sharp.';
const adapter = (more: Json[] = []) =>
  card('adapter', {
    kind: 'source',
    terminals: terminals('out', 'gnd'),
    rails: [{ id: 'out', name: '5 V', terminal: 'out', voltage: exactly('V', 5), limit: exactly('A', 2) }],
    cautions: [{ hazard: 'mains', says: LIVE, source: 'sheet' }, ...more],
  });
const build = (more: Json[] = []) =>
  document({
    cards: [adapter(more), load('x', 0.1)],
    parts: [part('a', 'adapter'), part('b', 'adapter'), part('x', 'x', { feeds: { vcc: 'a.out' } })],
  });

describe('a hazard', () => {
  it('keeps a plan that is proved from being called verified until its sentence is ticked', () => {
    const doc = build();
    const verdict = verify(deriveCircuit(doc));
    expect([verdict.status, standingOf(verdict)]).to.deep.equal(['verified', 'unread']);
    expect(sayUnread(verdict.unread.length)).to.equal('1 hazard is to be read and ticked off.');
    const read = verify(deriveCircuit({ ...doc, plan: setAcknowledged(doc.plan, LIVE, true) }));
    expect(standingOf(read)).to.equal('verified');
    const back = setAcknowledged(setAcknowledged(doc.plan, LIVE, true), LIVE, false);
    expect(standingOf(verify(deriveCircuit({ ...doc, plan: back })))).to.equal('unread');
    expect(back).to.deep.equal(doc.plan);
  });
  it('is said once for all parts that bring it, and asked for again when its sentence changes', () => {
    const doc = build();
    expect(cautionsOf(deriveCircuit(doc)).map(({ labels, asks }) => [labels.map(say), asks])).to.deep.equal([
      [['a', 'b'], true],
    ]);
    const other = { ...doc, plan: setAcknowledged(doc.plan, `${LIVE} Now.`, true) };
    expect(standingOf(verify(deriveCircuit(other)))).to.equal('unread');
  });
  it('is asked for of what visits while a program is loaded, too', () => {
    const doc = build();
    const visitor = part('p', 'adapter', { only: 'programming' });
    const bare = { ...doc.plan, parts: [...doc.plan.parts.filter(({ card: id }) => id !== 'adapter'), visitor] };
    expect(
      cautionsOf(deriveCircuit({ ...doc, plan: bare })).map(({ labels, asks }) => [labels.map(say), asks]),
    ).to.deep.equal([[['p'], true]]);
  });
  it('that only scratches asks for no tick', () => {
    const sharp = build([{ hazard: 'sharp', says: SHARP, source: 'sheet' }]);
    const verdict = verify(deriveCircuit({ ...sharp, plan: setAcknowledged(sharp.plan, LIVE, true) }));
    expect(standingOf(verdict)).to.equal('verified');
    expect(verdict.passes.some(({ message }) => say(message).includes(SHARP))).to.equal(true);
  });
  it('and its tick are no part of the hardware', () => {
    const doc = build();
    expect(fingerprint({ ...doc, plan: setAcknowledged(doc.plan, LIVE, true) })).to.equal(fingerprint(doc));
  });
  it('is said by every shipped card of cells, relays and heated elements', () => {
    const silent = cards.filter(
      (c) => (c.rails?.some(({ cells }) => cells) || c.contact || /heated|laser/.test(c.class)) && !c.cautions?.length,
    );
    expect(silent.map(({ id }) => id)).to.deep.equal([]);
    expect(library.get('usb-port')?.cautions).to.equal(undefined);
  });
});

describe('the checklist on paper', () => {
  it('has a line only where the build has what it is about', () => {
    expect(checklistOf(deriveCircuit(build()))).to.deep.equal([]);
    const lines = checklistOf(deriveCircuit(demo('stairwell')))
      .map(say)
      .join('\n');
    expect(lines).to.include('lamp relay: between what its contact switches');
    expect(lines).to.include('longest time on');
    expect(lines).not.to.include('drip loop');
    expect(
      checklistOf(deriveCircuit(demo('rain-barrel')))
        .map(say)
        .join('\n'),
    ).to.include('drip loop');
  });
});

describe('one cause', () => {
  it('is one finding: the error on the way to the counts is a part of the error of the reading', () => {
    const draft = verify(deriveCircuit(demo('cupboard-first-draft')));
    for (const echo of draft.echoes) expect(draft.findings.some(({ key }) => key === echo.key)).to.equal(false);
    const said = draft.findings.map(({ message }) => say(message));
    expect(new Set(said).size).to.equal(said.length);
  });
});
