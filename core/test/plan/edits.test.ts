import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { referenceProblems } from '../../src/plan/references.ts';
import {
  feedByLine,
  freeId,
  hangBus,
  removeNeed,
  serveNeed,
  setOpened,
  setPin,
  setStock,
} from '../../src/plan/edits.ts';
import { removeBus, removeHelper, removePart } from '../../src/plan/remove.ts';
import { documentOf, usedCards } from '../../src/plan/document.ts';
import { fingerprint } from '../../src/plan/fingerprint.ts';
import { swapCard } from '../../src/plan/swap.ts';
import { demo, library } from '../support/demo.ts';

const draft = demo('cupboard-first-draft');
const verified = demo('cupboard-verified');
const holds = (plan: typeof draft.plan) => referenceProblems(documentOf(plan, verified.cards, library));

describe('edits', () => {
  it('leave the plan that they were given as it was', () => {
    const before = JSON.stringify(draft.plan);
    removePart(draft.plan, 'board');
    setPin(draft.plan, 'i2c', 'sda', { pin: 'p4', locked: true });
    expect(JSON.stringify(draft.plan)).to.equal(before);
  });

  it('hang a bus on a bus switch without pins, and back on the controller', () => {
    const hung = hangBus(verified.plan, 'i2c', { part: 'hub', channel: 2 });
    const bus = hung.buses.find(({ id }) => id === 'i2c');
    expect(bus?.behind).to.deep.equal({ part: 'hub', channel: 2 });
    expect(Object.values(bus?.lines ?? {}).map(({ pin }) => pin)).to.deep.equal([null, null]);
    expect(hangBus(hung, 'i2c', null).buses.find(({ id }) => id === 'i2c')).to.not.have.property('behind');
  });

  it('let a part live on its data line, and feed it again', () => {
    const supplies = [{ id: 'vdd' }];
    const living = feedByLine(verified.plan, 'probe-1', 'wire', supplies, null);
    const part = (plan: typeof living) => plan.parts.find(({ id }) => id === 'probe-1');
    expect(part(living)).to.deep.include({ feeds: {}, ports: { wire: { bus: 'one-wire', parasite: true } } });
    expect(feedByLine(living, 'probe-1', 'wire', supplies, 'sensor-supply.3v3')).to.deep.equal(verified.plan);
  });

  it('leave a plan that holds together, whatever part goes', () => {
    for (const plan of [draft.plan, verified.plan]) {
      for (const { id } of plan.parts) expect(holds(removePart(plan, id)), `without ${id}`).to.deep.equal([]);
      for (const { id } of plan.buses) expect(holds(removeBus(plan, id)), `without ${id}`).to.deep.equal([]);
      for (const { id } of plan.helpers) expect(holds(removeHelper(plan, id)), `without ${id}`).to.deep.equal([]);
      for (const { id } of plan.needs) expect(holds(removeNeed(plan, id)), `without ${id}`).to.deep.equal([]);
    }
  });

  it('take a part’s pull-ups, feeds, diode and driver away with it', () => {
    const gone = removePart(verified.plan, 'fan');
    expect(gone.helpers.some(({ id }) => id === 'fan-diode')).to.equal(false);
    expect(removePart(verified.plan, 'fan-switch').parts.find(({ id }) => id === 'fan')?.ports.coil).to.deep.equal({});
    expect(removePart(verified.plan, 'sensor-supply').parts.find(({ id }) => id === 'air-gas')?.feeds).to.deep.equal(
      {},
    );
  });

  it('find a free id for any name', () => {
    expect(freeId(draft.plan, 'Top shelf')).to.equal('top-shelf');
    expect(freeId(draft.plan, 'Scale')).to.equal('scale-2');
    expect(freeId(draft.plan, '<script>')).to.equal('script');
    expect(freeId(draft.plan, '…')).to.equal('item');
  });

  it('open and close a pull-up, serve a need, count the drawer', () => {
    const opened = setOpened(setOpened(draft.plan, 'shelf-top', 'sda', true), 'shelf-top', 'sda', true);
    expect(opened.parts.find(({ id }) => id === 'shelf-top')?.opened).to.deep.equal(['sda']);
    expect(
      setOpened(opened, 'shelf-top', 'sda', false).parts.find(({ id }) => id === 'shelf-top')?.opened,
    ).to.deep.equal([]);
    expect(
      serveNeed(draft.plan, 'co2', 'air-gas', false).parts.find(({ id }) => id === 'air-gas')?.needs,
    ).to.deep.equal([]);
    expect(setStock(draft.plan, 'board-full', 0).stock).to.not.have.property('board-full');
  });
});

describe('swapCard', () => {
  const [from, to] = [library.get('humid-fixed'), library.get('humid-strap')];
  it('keeps bus, feed and needs, and starts the address afresh', () => {
    if (!from || !to) throw new Error('cards are gone');
    const part = swapCard(draft.plan, 'shelf-top', from, to).parts.find(({ id }) => id === 'shelf-top');
    expect(part).to.deep.include({
      card: 'humid-strap',
      feeds: { vcc: 'board.3v3' },
      ports: { i2c: { bus: 'i2c' } },
      needs: ['rh-top', 'air-top'],
    });
  });
  it('drops ports that the new card does not have', () => {
    const uart = library.get('co2-infrared');
    const i2c = library.get('co2-acoustic');
    if (!uart || !i2c) throw new Error('cards are gone');
    expect(swapCard(draft.plan, 'air-gas', i2c, uart).parts.find(({ id }) => id === 'air-gas')?.ports).to.deep.equal(
      {},
    );
  });
});

describe('document and fingerprint', () => {
  it('carries every card that the plan names, and no other', () => {
    expect(draft.cards.map(({ id }) => id).sort()).to.deep.equal(usedCards(draft.plan));
  });
  it('changes with any figure of plan or cards', () => {
    const base = fingerprint(draft);
    const [card, ...rest] = structuredClone(draft.cards);
    expect(fingerprint({ ...draft, plan: { ...draft.plan, lifeYears: 3 } })).to.not.equal(base);
    expect(
      fingerprint({ plan: draft.plan, cards: card ? [{ ...card, revision: card.revision + 1 }, ...rest] : [] }),
    ).to.not.equal(base);
  });
  it('does not change with names, ticks, unused cards, or the order of keys', () => {
    const base = fingerprint(draft);
    const shuffled = Object.fromEntries(Object.entries(draft.plan).reverse()) as typeof draft.plan;
    expect(
      fingerprint({
        plan: { ...shuffled, name: 'x', id: 'y', done: ['place'] },
        cards: [...library.values()].reverse(),
      }),
    ).to.equal(base);
  });
});

describe('references', () => {
  it('find doubled ids and names that lead nowhere, each with its path', () => {
    const { plan } = structuredClone(draft);
    const broken = {
      ...plan,
      controller: 'nobody',
      parts: plan.parts.map((part, i) =>
        i === 3 ? { ...part, id: 'scale', card: 'no-card', feeds: { vcc: 'board.9v' }, needs: ['dream'] } : part,
      ),
      helpers: plan.helpers.map((helper) =>
        helper.kind === 'pull-up' && helper.id === 'pull-door'
          ? { ...helper, of: 'gate.contact', to: 'board.5v' }
          : helper,
      ),
    };
    const paths = referenceProblems({ plan: broken, cards: draft.cards }).map(
      ({ path, message }) => `${path} ${say(message)}`,
    );
    expect(paths).to.include.members([
      '/plan/controller expected a part of this plan, found “nobody”',
      '/plan/parts/3/card expected a card of this file, found “no-card”',
      '/plan/parts/3/feeds/vcc expected a rail of this plan, found “board.9v”',
      '/plan/parts/3/needs/0 expected a need of this plan, found “dream”',
      '/plan/helpers/3/of expected a part of this plan, found “gate”',
      '/plan/helpers/3/to expected a rail of this plan, found “board.5v”',
    ]);
    expect(paths.some((p) => p.includes('found “scale” which parts/3 has'))).to.equal(true);
  });
});
