import { expect } from 'chai';
import { lastOfOwner, perKey, perOwner, perOwnerAndKey } from '../../src/quantity/memo.ts';

describe('memo', () => {
  it('works once for each owner, and remembers nothing as well as something', () => {
    let worked = 0;
    const of = perOwner((owner: { n: number | null }) => (worked++, owner.n));
    const [one, none] = [{ n: 1 }, { n: null }];
    expect([of(one), of(none), of(one), of(none)]).to.deep.equal([1, null, 1, null]);
    expect(worked).to.equal(2);
    // Alike is not the same.
    of({ n: 1 });
    expect(worked).to.equal(3);
  });

  it('works once for each key of an owner', () => {
    const asked: string[] = [];
    const of = perOwnerAndKey((owner: { name: string }, key: string, more: number) => {
      asked.push(`${owner.name} ${key}`);
      return more > 0 ? more : undefined;
    });
    const [a, b] = [{ name: 'a' }, { name: 'b' }];
    expect([of(a, 'x', 1), of(a, 'y', 0), of(b, 'x', 3), of(a, 'x', 9), of(a, 'y', 9)]).to.deep.equal([
      1,
      undefined,
      3,
      1,
      undefined,
    ]);
    expect(asked).to.deep.equal(['a x', 'a y', 'b x']);
  });

  it('lets the oldest key go at its limit, and never holds more', () => {
    const asked: number[] = [];
    const square = perKey(3, (key: number) => (asked.push(key), key * key));
    for (const key of [1, 2, 3, 1, 4, 2, 1]) expect(square(key)).to.equal(key * key);
    // 4 pushed 1 out, and asking for 1 again pushed 2 out.
    expect(asked).to.deep.equal([1, 2, 3, 4, 1]);
    square(2);
    expect(asked.at(-1)).to.equal(2);
  });

  it('keeps the last while all that it was made of is the same', () => {
    let worked = 0;
    const of = lastOfOwner((_owner: object, [card, on]: readonly [object, boolean]) => (worked++, { card, on }));
    const [owner, card] = [{}, {}];
    expect(of(owner, [card, true])).to.equal(of(owner, [card, true]));
    expect(worked).to.equal(1);
    of(owner, [card, false]);
    of(owner, [card, true]);
    expect(worked).to.equal(3);
    of(owner, [{}, true]);
    expect(worked).to.equal(4);
  });
});
