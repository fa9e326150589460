import { refusal } from '../support/refusal.ts';
import { expect } from 'chai';
import { AddressError, eightBitOf, formatAddress, parseAddress } from '../../src/quantity/address.ts';

describe('bus address', () => {
  it('is read in hexadecimal and in decimal: 38 is 0x26', () => {
    expect(parseAddress('38').address).to.equal(0x26);
    expect(parseAddress('0x26').address).to.equal(0x26);
    expect(parseAddress('26h').address).to.equal(0x26);
    expect(formatAddress(38)).to.equal('0x26');
    expect(formatAddress(60)).to.equal('0x3C');
  });

  it('takes a value above 0x7F for the 8-bit form: 0x88 is 0x44', () => {
    expect(parseAddress('0x88')).to.deep.equal({ address: 0x44, typed: 0x88, halved: true });
    expect(parseAddress('0x7F').halved).to.equal(false);
    expect(parseAddress('0x80').halved).to.equal(true);
  });

  it('refuses what is none', () => {
    for (const text of ['', '0x', '256', '0x100', '-1', 'forty', '1.5', '0xZZ']) {
      expect(() => parseAddress(text), text).to.throw(AddressError);
      expect(
        refusal(() => parseAddress(text)),
        text,
      ).to.include('0x26 or 38');
    }
  });
});

describe('a number that may be the 8-bit form', () => {
  it('is taken for it where its half is an address of the card and it is none itself', () => {
    // 0x4C is 0x26 with the read/write bit at nought, 0x4D with it at one (UM10204 §3.1.10; from memory).
    expect(eightBitOf(0x4c, [0x26])).to.equal(0x26);
    expect(eightBitOf(0x4d, [0x26])).to.equal(0x26);
    expect(eightBitOf(0x4c, [0x26, 0x4c])).to.equal(null);
    expect(eightBitOf(0x4e, [0x26])).to.equal(null);
  });
  it('may be it where nothing is known, unless its half is reserved', () => {
    expect(eightBitOf(0x4c, [])).to.equal(0x26);
    expect(eightBitOf(0x0e, [])).to.equal(null);
  });
});
