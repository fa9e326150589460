/** What stands behind the stations of the bench: the line of orders, and moving parts over the holes. */
import { expect } from 'chai';
import type { Card } from '@idle-breadboard/core/card';
import type { Layout, Seated } from '@idle-breadboard/core/circuit';
import { holeName, parseHole } from '@idle-breadboard/core/layout';
import { readCatalogue } from '@idle-breadboard/catalogue';
import { costArrival } from '../src/lib/charts/cost-arrival.ts';
import { runsOf } from '../src/lib/paper/plain-text.ts';
import { movedBy, turnedRound } from '../src/lib/charts/move-part.ts';

describe('cost over arrival', () => {
  const front = [
    { arrival: 3, total: 120, taken: true },
    { arrival: 18, total: 80, taken: false },
  ];
  const chart = costArrival(front, 100, 21, 500, 150);

  it('draws later orders to the right and cheaper ones lower, with the budget between', () => {
    const [soon, late] = chart.points;
    expect(late?.x).to.be.above(soon?.x ?? 0);
    expect(late?.y).to.be.above(soon?.y ?? 0);
    expect(chart.budget).to.be.within(soon?.y ?? 0, late?.y ?? 0);
    expect(chart.date).to.be.above(late?.x ?? 0);
  });
  it('keeps to its frame, also without limits and with nothing to draw', () => {
    for (const drawn of [chart, costArrival([], null, null, 200, 150), costArrival(front, null, null, 30, 150)])
      for (const { x, y } of drawn.points) {
        expect(x).to.be.at.least(40);
        expect(y).to.be.within(0, 150);
      }
    expect(costArrival([], null, null, 200, 150)).to.include({ line: '', budget: null, date: null });
  });
});

describe('moving a part', () => {
  const card = readCatalogue().get('scale-amp') as Card;
  const wide = readCatalogue().get('translator-4') as Card;
  const layout: Layout = {
    boards: [{ card: 'board-half', grid: { rows: 30, pairs: 2, split: false } }],
    seats: [],
    docked: [],
    mated: [],
    joints: [],
    leads: [],
    strips: [],
    length: 0,
    crossings: 0,
  };
  const seat = (hole: string, turned = false): Seated => ({ part: 'p', hole, turned, pinned: false });

  it('goes along row by row, and stops at the end of the board', () => {
    expect(movedBy(layout, card, seat('1:a10'), 1, 0)).to.deep.equal({ hole: '1:a11', turned: false });
    expect(movedBy(layout, card, seat('1:a27'), 1, 0)).to.equal(null); // four pins, 30 rows
    expect(movedBy(layout, card, seat('1:a1'), -1, 0)).to.equal(null);
  });
  it('goes across the channel in one step', () => {
    expect(movedBy(layout, card, seat('1:e10'), 0, 1)).to.deep.equal({ hole: '1:f10', turned: false });
    expect(movedBy(layout, card, seat('1:f10'), 0, -1)).to.deep.equal({ hole: '1:e10', turned: false });
    // From column a there is only the strip above, which is no place for pins.
    expect(movedBy(layout, card, seat('1:a10'), 0, -1)).to.equal(null);
  });
  it('turns over the same holes, and back again', () => {
    for (const [of, from] of [
      [card, '1:a10'],
      [wide, '1:e20'],
    ] as const) {
      const once = turnedRound(layout, of, seat(from));
      expect(once?.turned).to.equal(true);
      const hole = parseHole(once?.hole ?? '');
      if (!once || !hole) throw new Error('not turned');
      expect(turnedRound(layout, of, seat(holeName(hole), true))?.turned).to.equal(false);
    }
    expect(turnedRound(layout, card, seat('1:a10'))).to.deep.equal({ hole: '1:a13', turned: true });
  });
});

describe('a text on paper', () => {
  it('has its signs from the fonts that have them', () => {
    expect(runsOf('4.7 kΩ, 100 µF, ≥ 3 V')).to.deep.equal([
      { font: 'own', text: '4.7 k' },
      { font: 'signs', text: 'Ω' },
      { font: 'own', text: ', 100 ' },
      { font: 'micro', text: 'µ' },
      { font: 'own', text: 'F, ' },
      { font: 'signs', text: '≥' },
      { font: 'own', text: ' 3 V' },
    ]);
    expect(runsOf('€漢')).to.deep.equal([{ font: 'own', text: '??' }]);
  });
});
