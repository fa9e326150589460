/** The table of figures: every row leads somewhere, and says of itself what is seen from outside. */
import { expect } from 'chai';
import { FIGURE_IDS, FIGURES, type FigureId, figureKind } from '../../src/card/figures.ts';
import { kindAt, standing } from '../../src/card/path.ts';
import { SLOT_IDS, slotOf } from '../../src/card/reader/slots.ts';
import { asksFor } from '../../src/check/asks.ts';
import { documentOf } from '../../src/plan/document.ts';
import { cards, demo, library, PLANS } from '../support/demo.ts';
import { askedBy } from '../support/figure-asks.ts';
import { MATRIX, wiredPlan } from '../support/matrix.ts';
import { randomPlan } from '../support/random-plan.ts';

/** Rows that no shipped card fills; the tests of the checks that ask for them do. */
const ON_NO_CARD: readonly FigureId[] = [
  'supplies/*/current/warmUp',
  'supplies/*/current/clocks/*/idle',
  'supplies/*/current/clocks/*/active',
  'rails/*/from/drop',
  'rails/*/ownLoad/warmUp',
  'rails/*/ownLoad/stages/*/current',
  'rails/*/ownLoad/stages/*/time',
  'signals/*/outputLoad',
  'ports/*/identity/*/value',
  'ports/*/rateError',
  'controller/io/unpoweredMax',
  'controller/io/outputResistance',
  'controller/pins/*/fittedPullUp/value',
  'controller/wakeTime',
  'controller/spiSetup',
  'converter/straight',
];

describe('the table of figures', () => {
  it('names a place of a shipped card in every row but those that are listed', () => {
    const found = new Set(cards.flatMap((card) => standing(card).map(({ id }) => id)));
    expect(FIGURE_IDS.filter((id) => !found.has(id))).to.deep.equal(ON_NO_CARD);
  });

  it('gives each figure of a card a place of its own, and finds the row of that place again', () => {
    for (const card of cards) {
      const all = standing(card);
      expect(new Set(all.map(({ place }) => place)).size, card.id).to.equal(all.length);
      for (const { id, place } of all) expect(kindAt(place), place).to.equal(id);
    }
  });

  it('has the unit of every figure that ships', () => {
    const strange = cards.flatMap((card) =>
      standing(card).flatMap(({ id, place, value }) => {
        const { keep = 'figure', units } = figureKind(id);
        const unit = keep === 'figure' ? (value as { unit: string }).unit : undefined;
        return unit !== undefined && !units.includes(unit) ? [`${card.id} ${place} ${unit}`] : [];
      }),
    );
    expect(strange).to.deep.equal([]);
  });

  it('has one row for each slot of the reader but that of terminals', () => {
    expect(new Set(SLOT_IDS).size).to.equal(SLOT_IDS.length);
    for (const slot of SLOT_IDS) expect(slotOf(slot).from, slot).to.be.lessThan(slotOf(slot).to);
  });

  it('names every check that is seen to rest on a figure', function () {
    this.timeout(60_000);
    const seen = askedBy([
      ...PLANS.map((name) => demo(name)),
      ...Array.from({ length: 20 }, (_, seed) => randomPlan(seed + 1, 6)),
      ...MATRIX.filter((_, i) => i % 20 === 0).map((cell) => documentOf(wiredPlan(cell), [], library)),
    ]);
    const unsaid = [...seen].flatMap(([id, checks]) =>
      id in FIGURES
        ? [...checks].filter((check) => !asksFor(id).includes(check)).map((check) => `${id}: ${check}`)
        : [],
    );
    expect(unsaid).to.deep.equal([]);
  });
});
