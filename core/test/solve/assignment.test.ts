import { expect } from 'chai';
import fc from 'fast-check';
import { assign, crowded } from '../../src/solve/assignment.ts';

/** Every way, one after the other. */
function bruteForce(cost: number[][], row = 0, taken = new Set<number>()): number {
  if (row === cost.length) return 0;
  let best = Infinity;
  cost[row]?.forEach((c, j) => {
    if (!taken.has(j) && Number.isFinite(c))
      best = Math.min(best, c + bruteForce(cost, row + 1, new Set([...taken, j])));
  });
  return best;
}

const matrix = fc
  .integer({ min: 1, max: 5 })
  .chain((rows) =>
    fc
      .integer({ min: rows, max: 6 })
      .chain((columns) =>
        fc.array(
          fc.array(
            fc.oneof(
              { weight: 3, arbitrary: fc.integer({ min: 0, max: 20 }) },
              { weight: 1, arbitrary: fc.constant(Infinity) },
            ),
            { minLength: columns, maxLength: columns },
          ),
          { minLength: rows, maxLength: rows },
        ),
      ),
  );

describe('assign', () => {
  it('costs what trying every way costs', () => {
    fc.assert(
      fc.property(matrix, (cost) => {
        const found = assign(cost);
        expect(found?.total ?? Infinity).to.equal(bruteForce(cost));
        if (found) expect(new Set(found.columns).size).to.equal(cost.length);
      }),
    );
  });
  it('has nothing to do for nothing, and no way for more rows than columns', () => {
    expect(assign([])).to.deep.equal({ columns: [], total: 0 });
    expect(assign([[1], [1]])).to.equal(null);
  });
});

describe('crowded', () => {
  it('names rows that have fewer columns between them than they are, exactly when there is no way', () => {
    fc.assert(
      fc.property(matrix, (cost) => {
        const rows = crowded(cost);
        const columns = new Set(
          rows.flatMap((i) => (cost[i] ?? []).flatMap((c, j) => (Number.isFinite(c) ? [j] : []))),
        );
        if (assign(cost)) expect(rows).to.deep.equal([]);
        else expect(columns.size).to.be.below(rows.length);
      }),
    );
  });
});
