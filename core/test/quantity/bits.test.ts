import { expect } from 'chai';
import fc from 'fast-check';
import { bytesOf, fieldOf, formatBits, formatWord, maximumOf, parseWord, withField } from '../../src/quantity/bits.ts';

describe('bit fields', () => {
  // Arithmetic of binary numbers: 2^14 + 2^9.
  it('bits 14 and 9 set of sixteen are 0x4200', () => {
    const word = [14, 9].reduce((w, bit) => withField(w, { high: bit, low: bit }, 1), 0);
    expect([word, formatWord(word, 16), formatBits(word, 16)]).to.deep.equal([16896, '0x4200', '0100 0010 0000 0000']);
    expect(bytesOf(word, 16)).to.deep.equal([0x42, 0x00]);
  });
  it('a field set is the field read, and leaves the others alone; 32 bits too', () => {
    const field = fc.tuple(fc.nat(31), fc.nat(31)).map(([a, b]) => ({ high: Math.max(a, b), low: Math.min(a, b) }));
    fc.assert(
      fc.property(fc.nat(0xffffffff), field, fc.double({ min: 0, max: 1, noNaN: true }), (word, f, share) => {
        const value = Math.floor(share * maximumOf(f));
        const next = withField(word, f, value);
        expect(fieldOf(next, f)).to.equal(value);
        expect(withField(next, f, fieldOf(word, f))).to.equal(word);
        expect(parseWord(formatWord(next, 32), 32)).to.equal(next);
        expect(parseWord(`0b${formatBits(next, 32)}`, 32)).to.equal(next);
      }),
    );
  });
  it('refuses what does not fit', () => {
    expect(() => withField(0, { high: 2, low: 0 }, 8)).to.throw(RangeError, '8 does not fit into bits 2 to 0: 0 to 7');
    for (const text of ['0x1FFFF', '70000', 'hello', '', '-1']) expect(parseWord(text, 16), text).to.equal(null);
    expect(parseWord('16896', 16)).to.equal(0x4200);
  });
});
