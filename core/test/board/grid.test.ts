import { expect } from 'chai';
import { holeText } from '../../src/board/hole-text.ts';
import { say } from '../../src/say/say.ts';
import {
  COLUMNS,
  conductorOf,
  distance,
  hasHole,
  holeAt,
  holeName,
  parseHole,
  pointOfHole,
  stripPlaces,
  stripsOf,
  type Grid,
  type Hole,
} from '../../src/board/grid.ts';

const full: Grid = { rows: 63, pairs: 2, split: true };
const half: Grid = { rows: 30, pairs: 2, split: false };
const mini: Grid = { rows: 17, pairs: 0, split: false };

const all = (grids: readonly Grid[]): Hole[] =>
  grids.flatMap((grid, board) => [
    ...Array.from({ length: grid.rows }, (_, i) =>
      COLUMNS.map((column): Hole => ({ kind: 'row', board, row: i + 1, column })),
    ).flat(),
    ...stripsOf(grid).flatMap((strip) =>
      Array.from({ length: stripPlaces(grid) }, (_, i): Hole => ({ kind: 'strip', board, strip, place: i + 1 })),
    ),
  ]);

describe('board grid', () => {
  it('has as many holes as the boards that are sold: 830, 400 and 170 (common practice)', () => {
    expect([full, half, mini].map((grid) => all([grid]).length)).to.deep.equal([830, 400, 170]);
  });

  it('names every hole, reads every name, and finds every hole again at its place', () => {
    const grids = [half, mini, full];
    const names = new Set<string>();
    for (const hole of all(grids)) {
      const name = holeName(hole);
      names.add(name);
      expect(parseHole(name)).to.deep.equal(hole);
      expect(holeAt(grids, pointOfHole(hole))).to.deep.equal(hole);
      expect(hasHole(grids, hole)).to.equal(true);
    }
    expect(names.size).to.equal(400 + 170 + 830);
  });

  it('refuses what is no hole, and knows what no board has', () => {
    for (const name of ['', 'a12', '0:a1', '9:a1', '1:k1', '1:a', '1:u*3', '1:a1 ', '1:a1234'])
      expect(parseHole(name), name).to.equal(null);
    expect(hasHole([mini], { kind: 'strip', board: 0, strip: 'u+', place: 1 })).to.equal(false);
    expect(hasHole([mini], { kind: 'row', board: 0, row: 18, column: 'a' })).to.equal(false);
    expect(hasHole([mini], { kind: 'row', board: 1, row: 1, column: 'a' })).to.equal(false);
  });

  it('joins five of a row on each side of the channel, and a strip over its whole length or half of it', () => {
    const sizes = (grid: Grid) => {
      const count = new Map<string, number>();
      for (const hole of all([grid])) {
        const key = conductorOf([grid], hole);
        count.set(key, (count.get(key) ?? 0) + 1);
      }
      return [...new Set(count.values())]
        .sort((a, b) => a - b)
        .map((n) => [n, [...count.values()].filter((c) => c === n).length]);
    };
    expect(sizes(full)).to.deep.equal([
      [5, 126],
      [25, 8],
    ]);
    expect(sizes(half)).to.deep.equal([
      [5, 60],
      [25, 4],
    ]);
    expect(sizes(mini)).to.deep.equal([[5, 34]]);
  });

  it('keeps a tenth of an inch between holes and three tenths across the channel, as a narrow chip needs', () => {
    const at = (name: string) => pointOfHole(parseHole(name) as Hole);
    expect(distance(at('1:a1'), at('1:a2'))).to.equal(1);
    expect(distance(at('1:a1'), at('1:b1'))).to.equal(1);
    expect(distance(at('1:e7'), at('1:f7'))).to.equal(3);
  });

  it('says holes as a maker reads them', () => {
    expect(
      [holeText('1:a12', 1), holeText('1:u+14', 1), holeText('2:l-3', 2), holeText('what', 1)].map(say),
    ).to.deep.equal(['a12', 'upper + 14', 'board 2, lower − 3', 'what']);
  });
});
