import { expect } from 'chai';
import { columnOrder } from '../../src/overview/order.ts';
import { randomFrom } from '../../src/quantity/random.ts';

const cost = (order: readonly number[], rows: readonly (readonly number[])[]): number =>
  rows.reduce((sum, row) => sum + Math.max(0, ...row.map((at) => order.indexOf(at) + 1)), 0);

function* permutations(left: readonly number[]): Generator<number[]> {
  if (left.length === 0) yield [];
  for (const one of left) for (const rest of permutations(left.filter((at) => at !== one))) yield [one, ...rest];
}

describe('the order of the places', () => {
  it('is the best of all there are, on 60 random builds', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const random = randomFrom(seed);
      const columns = 2 + (seed % 5);
      const rows = Array.from({ length: 1 + Math.floor(random() * 7) }, () =>
        Array.from({ length: columns }, (_, at) => at).filter(() => random() < 0.4),
      );
      const all = [...permutations(Array.from({ length: columns }, (_, at) => at))];
      const least = Math.min(...all.map((order) => cost(order, rows)));
      const order = columnOrder(columns, rows);
      expect([...order].sort((a, b) => a - b)).to.deep.equal(Array.from({ length: columns }, (_, at) => at));
      expect(cost(order, rows), `seed ${seed}`).to.equal(least);
    }
  });

  it('names each of fifty places once', () => {
    const order = columnOrder(50, [[0, 49], [3], [48, 2]]);
    expect(new Set(order).size).to.equal(50);
    expect(order[0]).to.equal(3);
  });
});
