import { expect } from 'chai';
import { AddressError, formatAddress, parseAddress } from '../../src/quantity/address.ts';

describe('bus address', () => {
  it('is read in hexadecimal and in decimal: 39 is 0x27', () => {
    expect(parseAddress('39').address).to.equal(0x27);
    expect(parseAddress('0x27').address).to.equal(0x27);
    expect(parseAddress('27h').address).to.equal(0x27);
    expect(formatAddress(39)).to.equal('0x27');
    expect(formatAddress(60)).to.equal('0x3C');
  });

  it('takes a value above 0x7F for the 8-bit form: 0x88 is 0x44', () => {
    expect(parseAddress('0x88')).to.deep.equal({ address: 0x44, typed: 0x88, halved: true });
    expect(parseAddress('0x7F').halved).to.equal(false);
    expect(parseAddress('0x80').halved).to.equal(true);
  });

  it('refuses what is none', () => {
    for (const text of ['', '0x', '256', '0x100', '-1', 'forty', '1.5', '0xZZ'])
      expect(() => parseAddress(text), text).to.throw(AddressError, '0x27 or 39');
  });
});
