/** Where one looks, written as an address and read again. */
import { expect } from 'chai';
import { type Place, readAddress, writeAddress } from '../src/lib/state/address.ts';
import { STATIONS } from '../src/lib/state/view-ids.ts';

describe('the address of what is looked at', () => {
  it('comes back whole, whatever is in it', () => {
    const odd = ['a', 'a&b=c', 'level/high|p1.sda', '#', '%', 'é &plan=other', '  '];
    for (const { id: station } of STATIONS)
      for (const finding of [null, ...odd])
        for (const about of [null, 'p&1']) {
          const place: Place = { plan: 'p&q', station, finding, about, starting: false };
          expect(readAddress(writeAddress(place))).deep.equal(place);
        }
  });
  it('of the shelf and of a build that is picked names no plan', () => {
    const place = { plan: null, station: 'overview', finding: null, about: null } as const;
    expect(readAddress(writeAddress({ ...place, starting: false }))).deep.equal({ ...place, starting: false });
    expect(writeAddress({ ...place, starting: true })).equal('#start');
  });
  it('is not believed where it names nothing known', () => {
    for (const text of ['', '#', '#nowhere', '#constructor', '#__proto__&plan=x'])
      expect(readAddress(text)).equal(null);
    expect(readAddress('#levels')?.plan).equal('as it is');
  });
});
