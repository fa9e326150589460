import { expect } from 'chai';
import { fewOfOwner, perKey, perOwner, perOwnerAndKey } from '../../src/quantity/memo.ts';
import { noteRead, noting, unnoted } from '../../src/quantity/reads.ts';

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

  it('keeps the last few while all that each was made of is the same', () => {
    const worked: number[] = [];
    const of = fewOfOwner((_owner: object, [n]: readonly [number, ...unknown[]]) => (worked.push(n), { n }));
    const [owner, card] = [{}, {}];
    expect(of(owner, [1, card])).to.equal(of(owner, [1, card]));
    expect(worked).to.deep.equal([1]);
    // Another length, another owner and another object are something else.
    of(owner, [1]);
    of({}, [1, card]);
    of(owner, [1, {}]);
    expect(worked).to.deep.equal([1, 1, 1, 1]);
    // Of four that are held the one goes that was not asked for the longest.
    const last = [1, 2, 3, 4, 1, 5, 1, 2].map((n) => of(owner, [n]));
    expect(last[4]).to.equal(last[0]);
    expect(last[6]).to.equal(last[0]);
    expect(worked.slice(4)).to.deep.equal([2, 3, 4, 5, 2]);
  });

  it('notes again what was read for what it remembers', () => {
    const of = perOwner((owner: { readonly name: string }) => (noteRead(owner.name), owner.name.length));
    const owner = { name: 'nets sda' };
    const twice = [noting(() => of(owner)), noting(() => of(owner))];
    expect(twice.map(({ reads }) => [...reads])).to.deep.equal([['nets sda'], ['nets sda']]);
    expect([...noting(() => unnoted(() => of(owner))).reads]).to.deep.equal([]);
  });
});
