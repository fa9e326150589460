import { expect } from 'chai';
import { covers, overlaps, pinHoles, placedBox } from '../../src/board/footprint.ts';
import { holeName, parseHole, type Hole } from '../../src/board/grid.ts';
import { footprintOf } from '../../src/circuit/footprint.ts';
import type { Card } from '../../src/card/card.ts';
import { library } from '../support/demo.ts';

const grids = [{ rows: 63, pairs: 2 as const, split: true }];
const cardOf = (id: string): Card => library.get(id) as Card;
const holesOf = (id: string, hole: string, turned: boolean) => {
  const footprint = footprintOf(cardOf(id));
  if (!footprint) throw new Error(`${id} does not stand on a board`);
  const found = pinHoles(grids, footprint, { hole: parseHole(hole) as Hole, turned });
  return new Map(found.map((pin) => [pin.terminal, pin.hole && holeName(pin.hole).slice(2)]));
};

describe('footprints', () => {
  it('puts a single header into neighbouring rows, from left to right or, turned, from right to left', () => {
    const ids = cardOf('scale-amp').terminals.map(({ id }) => id);
    expect(ids.map((id) => holesOf('scale-amp', '1:a10', false).get(id))).to.deep.equal(['a10', 'a11', 'a12', 'a13']);
    expect(ids.map((id) => holesOf('scale-amp', '1:e13', true).get(id))).to.deep.equal(['e13', 'e12', 'e11', 'e10']);
  });

  it('turns a part with two headers without mirroring it: seen from above, going round it meets the same pins', () => {
    // As the card lies on the table: the left header from the top down, then the right one from the bottom up.
    const card = cardOf('translator-4');
    const along = (header: string) => card.terminals.filter((t) => t.header === header).map(({ id }) => id);
    const round = [...along('low'), ...along('high').toReversed()];
    for (const turned of [false, true]) {
      const holes = holesOf('translator-4', turned ? '1:f20' : '1:e20', turned);
      const points = round.map((id) => {
        const hole = parseHole(`1:${holes.get(id)}`);
        if (hole?.kind !== 'row') throw new Error(`${id} is in no row`);
        return { x: hole.row, y: 'abcde fghij'.indexOf(hole.column) };
      });
      // Twice the area inside, y down: down the left side and up the right one is against the clock, which is negative here.
      const area = points.reduce((sum, p, i) => {
        const q = points[(i + 1) % points.length] as typeof p;
        return sum + p.x * q.y - q.x * p.y;
      }, 0);
      expect(area, String(turned)).to.be.below(0);
    }
  });

  it('leaves one hole on each side of a wide controller, two beside a narrow one', () => {
    const left = (id: string, hole: string) => {
      const footprint = footprintOf(cardOf(id));
      if (!footprint) return [];
      const box = placedBox(footprint.body, { hole: parseHole(hole) as Hole, turned: false });
      return [...'abcdefghij'].filter((column) => !covers(box, pointAt(column)));
    };
    const pointAt = (column: string) => ({
      x: 28,
      y: [3, 4, 5, 6, 7, 10, 11, 12, 13, 14]['abcdefghij'.indexOf(column)] ?? 0,
    });
    expect(left('wifi-board', '1:b30')).to.deep.equal(['a', 'j']);
    expect(left('stick-board', '1:c30')).to.deep.equal(['a', 'b', 'i', 'j']);
  });

  it('keeps the way of the plug free at the end of the headers that the card names', () => {
    const footprint = footprintOf(cardOf('wifi-board'));
    if (!footprint?.plug) throw new Error('no plug');
    const last = footprint.pins.filter(({ terminal }) => terminal === 'vin')[0];
    // VIN is the last pin of its header; the plug lies beyond it, not on the side of the first one.
    expect(Math.sign((footprint.plug.left + footprint.plug.right) / 2)).to.equal(Math.sign(last?.along ?? 0));
    expect(overlaps(footprint.plug, footprint.body)).to.equal(false);
  });

  it('is none for parts that hang on leads', () =>
    expect(['fan-12v', 'display-text-5v', 'adapter-12v'].map((id) => footprintOf(cardOf(id)))).to.deep.equal([
      null,
      null,
      null,
    ]));
});
