import { expect } from 'chai';
import { dashOf, figureInkOf, inkOf } from '../../src/format/lead-inks.ts';

describe('inks of leads', () => {
  it('draws a colour that it does not know grey, whatever it is called', () => {
    for (const colour of ['mauve', 'toString', 'constructor', '__proto__', 'valueOf']) {
      expect(inkOf(colour)).to.match(/^#[0-9a-f]{6}$/);
      expect(dashOf(colour)).to.equal('');
      expect(figureInkOf(colour)).to.match(/^#[0-9a-f]{6}$/);
    }
    expect(inkOf('red')).not.to.equal(inkOf('mauve'));
  });
});
