/** An address in its 8-bit form is asked about, and never mended to a third one. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { heldScan } from '../../src/deliver/held-against.ts';
import { libraryOf } from '../../src/card/library.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { controller, i2cBus, i2cModule, judge, part, V3 } from '../support/build.ts';

const build = (addresses: number[], address: number) =>
  judge({
    cards: [V3, controller(), i2cModule('a', addresses)],
    parts: [part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus', address } } })],
    buses: [i2cBus()],
    helpers: ['sda', 'scl'].map((line) => ({
      id: `r-${line}`,
      kind: 'pull-up' as const,
      of: 'bus',
      line,
      to: 'v3.out',
      ohms: 4700,
    })),
  });

describe('0x4C where the card knows 0x26 and others', () => {
  const { circuit, verdict, broken } = build([0x20, 0x26, 0x27], 0x4c);
  it('is asked about by name', () => {
    expect(broken('bus/address-reserved').map(({ message }) => say(message))).to.deep.equal([
      'a cannot be set to 0x4C; that is the 8-bit form of 0x26, which it can have. Is 0x26 meant?',
    ]);
  });
  it('is mended to 0x26 alone, by the remedy and by mend all', () => {
    const [finding] = broken('bus/address-reserved');
    const library = libraryOf(circuit.cards.values());
    const remedies = finding ? proposeRemedies(circuit, verdict, finding.result, library) : [];
    expect(remedies.map(({ title }) => say(title))).to.deep.equal(['Set a to 0x26, the 7-bit form']);
    const done = complete(circuit, library);
    expect(done.plan.parts.find(({ id }) => id === 'a')?.ports.port?.address).to.equal(0x26);
  });
  it('read on a bus may be 0x26: it is asked, not called a clone', () => {
    const held = heldScan(build([0x26], 0x26).circuit, 'bus', [0x4c]);
    expect(held.at(-1)).to.include({ good: null });
    expect(say(held.at(-1)?.says)).to.equal(
      '0x4C was read; it may be the 8-bit form of 0x26, a. Does the scanner print 8-bit addresses?',
    );
  });
});

describe('an address of a card without a list', () => {
  it('is asked about as well, as a note', () => {
    const bare = i2cModule('a', [0x26]);
    const cards = [V3, controller(), { ...bare, ports: bare.ports.map(({ addresses: _known, ...port }) => port) }];
    const found = judge({
      cards,
      parts: [part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus', address: 0x4c } } })],
      buses: [i2cBus()],
    }).of('bus/address-reserved');
    expect(found.map(({ severity, message }) => [severity, message])).to.deep.equal([
      [
        'note',
        '0x4C of a is taken as it stands; its card has no list of addresses. If the sheet gives the 8-bit form, 0x26 is meant.',
      ],
    ]);
  });
});
