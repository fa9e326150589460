import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { BUS_MODES } from '../../src/standard/bus-timing.ts';
import { controller, exactly, i2cBus, i2cModule, judge, part, V3, type Build } from '../support/build.ts';

const withClock = (id: string, address: number, hertz: number) => {
  const card = i2cModule(id, [address]);
  return {
    ...card,
    ports: card.ports.map((port) => ({ ...port, clock: exactly('Hz', hertz) })),
  } as unknown as typeof card;
};
const bus = (clock: number): Build => ({
  cards: [V3, controller(), withClock('quick', 0x40, 400e3), withClock('slow', 0x41, 100e3)],
  parts: ['quick', 'slow'].map((id) => part(id, id, { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } })),
  buses: [i2cBus(clock)],
});

describe('bus/clock', () => {
  it('finds a clock that the slowest part does not follow, and names it', () => {
    const [found] = judge(bus(400e3)).broken('bus/clock');
    expect(found).to.include({ severity: 'fault', measured: 400e3, limit: 100e3, margin: -300e3 });
    expect(say(found?.message)).to.include('slow follows 100 kHz at most');
  });
  it('passes the same bus at its slowest part’s speed, which is the limit', () =>
    expect(judge(bus(100e3)).broken('bus/clock')).to.deep.equal([]));
  it('breaks one hertz above', () => expect(judge(bus(100e3 + 1)).broken('bus/clock')).to.have.length(1));
  // UM10204 table 10 (from memory): a standard-mode part follows 100 kHz, a fast-mode part 400 kHz.
  it('takes standard-mode parts to the published 100 kHz and no further', () => {
    const [standard, fast] = BUS_MODES;
    expect(judge(bus(standard?.clock ?? 0)).broken('bus/clock')).to.deep.equal([]);
    expect(judge(bus(fast?.clock ?? 0)).broken('bus/clock')).to.have.length(1);
  });
  it('says nothing where no card states a clock', () =>
    expect(
      judge({
        cards: [V3, controller(), i2cModule('a')],
        parts: [part('a', 'a', { ports: { port: { bus: 'bus' } } })],
        buses: [i2cBus()],
      }).of('bus/clock'),
    ).to.deep.equal([]));
});
