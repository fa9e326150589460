import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { controller, exactly, figure, i2cBus, i2cModule, judge, part, V3, type Build } from '../support/build.ts';

const member = (id: string, address?: number, card = id) =>
  part(id, card, {
    feeds: { vcc: 'v3.out' },
    ports: { port: { bus: 'bus', ...(address === undefined ? {} : { address }) } },
  });

describe('bus/address-collision', () => {
  const two = (a: number, b: number): Build => ({
    cards: [V3, controller(), i2cModule('a', [0x44, 0x45])],
    parts: [member('one', a, 'a'), member('two', b, 'a')],
    buses: [i2cBus()],
  });

  it('finds two parts at one address, and names both', () => {
    const [found] = judge(two(0x44, 0x44)).broken('bus/address-collision');
    expect(found?.subjects).to.deep.equal(['bus', 'one.port', 'two.port']);
    expect([found?.measured, found?.limit, found?.severity]).to.deep.equal([2, 1, 'fault']);
    expect(say(found?.message)).to.include('one and two both answer at 0x44');
  });
  it('passes two settings', () => expect(judge(two(0x44, 0x45)).broken('bus/address-collision')).to.deep.equal([]));
  it('passes the same address on another bus', () => {
    const build = two(0x44, 0x44);
    const second = {
      ...i2cBus(),
      id: 'bus2',
      lines: { sda: { pin: 'p4', locked: false }, scl: { pin: 'p5', locked: false } },
    };
    const moved = {
      ...build,
      buses: [i2cBus(), second],
      parts: [
        member('one', 0x44, 'a'),
        part('two', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus2', address: 0x44 } } }),
      ],
    };
    expect(judge(moved).broken('bus/address-collision')).to.deep.equal([]);
  });
  it('sees through the 8-bit form: 0x88 is 0x44', () =>
    expect(judge(two(0x44, 0x88)).broken('bus/address-collision')).to.have.length(1));
  it('takes the card’s first address where the plan says none', () => {
    const build = two(0x44, 0x45);
    expect(
      judge({ ...build, parts: [member('one', undefined, 'a'), member('two', 0x44, 'a')] }).broken(
        'bus/address-collision',
      ),
    ).to.have.length(1);
  });
});

describe('bus/address-reserved', () => {
  const at = (address: number): Build => ({
    cards: [
      V3,
      controller(),
      i2cModule(
        'a',
        Array.from({ length: 128 }, (_, i) => i),
      ),
    ],
    parts: [member('one', address, 'a')],
    buses: [i2cBus()],
  });
  // UM10204 §3.1.12 (from memory): 0x00–0x07 and 0x78–0x7F.
  for (const [address, bad] of [
    [0x00, true],
    [0x07, true],
    [0x08, false],
    [0x77, false],
    [0x78, true],
    [0x7f, true],
  ] as const) {
    it(`${bad ? 'finds' : 'passes'} 0x${address.toString(16)}`, () =>
      expect(judge(at(address)).broken('bus/address-reserved').length).to.equal(bad ? 1 : 0));
  }
  it('counts exactly 112 free addresses', () => {
    const free = Array.from({ length: 128 }, (_, a) => a).filter(
      (a) => judge(at(a)).broken('bus/address-reserved').length === 0,
    );
    expect(free).to.have.length(112);
  });
  it('asks whether 0x88 is the 8-bit form of 0x44', () =>
    expect(judge(at(0x88)).broken('bus/address-reserved')[0]?.message).to.include('Is 0x44 meant?'));
  it('finds an address that the card does not know', () => {
    const build: Build = {
      cards: [V3, controller(), i2cModule('a', [0x44, 0x45])],
      parts: [member('one', 0x46, 'a')],
      buses: [i2cBus()],
    };
    expect(say(judge(build).broken('bus/address-reserved')[0]?.message)).to.include('its card knows 0x44, 0x45');
  });
});

/** A bus whose capacitance is the parts' alone, chosen so that leads, rows and the controller add to `farads`. */
function loaded(ohms: number, farads: number, clock: number): Build {
  const others = 10e-12 + 2 * 3e-12 + 0.2 * 60e-12; // controller's pin, two rows, one lead
  const a = i2cModule('a', [0x40], { capacitance: exactly('F', farads - others) });
  const pull = (line: string) => ({ id: `r-${line}`, kind: 'pull-up' as const, of: 'bus', line, to: 'v3.out', ohms });
  return {
    cards: [V3, controller(), a],
    parts: [member('a')],
    buses: [i2cBus(clock)],
    helpers: [pull('sda'), pull('scl')],
  };
}

describe('bus/pull-up-weak', () => {
  // Worked example of an application report: fast mode, 200 pF -> 1.77 kΩ at most (from memory).
  it('gives the worked example: 200 pF at 400 kHz allows 1.77 kΩ', () => {
    const [first] = judge(loaded(1000, 200e-12, 400e3)).of('bus/pull-up-weak');
    expect(first?.workings.find(({ name }) => name === 'largest pull-up')?.value).to.be.closeTo(1770, 1);
  });
  it('holds up to the limit and breaks beyond it, the tolerance of the resistor included', () => {
    const most = 300e-9 / (Math.log(0.7 / 0.3) * 200e-12) / 1.05;
    expect(judge(loaded(most * 0.9999, 200e-12, 400e3)).broken('bus/pull-up-weak')).to.deep.equal([]);
    expect(judge(loaded(most * 1.0001, 200e-12, 400e3)).broken('bus/pull-up-weak')).to.have.length(2);
  });
  it('allows more than three times as much at 100 kHz', () =>
    expect(judge(loaded(4700, 200e-12, 100e3)).broken('bus/pull-up-weak')).to.deep.equal([]));
  it('finds the controller’s weak pulls too weak: tens of kΩ on a few hundred pF', () =>
    expect(judge(loaded(45e3, 200e-12, 400e3)).broken('bus/pull-up-weak')[0]?.severity).to.equal('fault'));
  it('lists every part of the capacitance', () =>
    expect(judge(loaded(1000, 200e-12, 400e3)).of('bus/pull-up-weak')[0]?.measured).to.be.closeTo(
      0.8473 * 1050 * 200e-12,
      1e-10,
    ));
});

describe('bus/pull-up-strong', () => {
  // The same report: 3.3 V, 0.4 V at 3 mA -> 966.7 Ω at least (from memory).
  it('gives the worked example: 966.7 Ω', () =>
    expect(judge(loaded(2000, 100e-12, 100e3)).of('bus/pull-up-strong')[0]?.limit).to.be.closeTo(966.7, 0.05));
  it('holds down to the limit and breaks beyond it', () => {
    expect(judge(loaded(966.667 / 0.95 + 0.1, 100e-12, 100e3)).broken('bus/pull-up-strong')).to.deep.equal([]);
    expect(judge(loaded(966.667 / 0.95 - 0.1, 100e-12, 100e3)).broken('bus/pull-up-strong')).to.have.length(2);
  });
  it('takes the weakest sink on the net, and the parallel value of every pull-up', () => {
    const weakling = i2cModule('w', [0x41], {
      sinkCurrent: figure('A', { min: 0.001 }),
      fittedPullUp: { value: { typ: 10e3, unit: 'Ω', source: 'sheet' }, to: 'vcc', removable: 'no' },
    });
    const build = loaded(10e3, 100e-12, 100e3);
    const [found] = judge({ ...build, cards: [...build.cards, weakling], parts: [...build.parts, member('w')] }).of(
      'bus/pull-up-strong',
    );
    expect(found?.limit).to.be.closeTo(2900, 0.01);
    expect(found?.measured).to.be.closeTo(1 / (1 / 9500 + 1 / 10e3), 0.01);
  });
});
