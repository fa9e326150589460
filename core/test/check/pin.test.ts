import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { CMOS, controller, exactly, i2cBus, i2cModule, judge, module, part, V3, type Build } from '../support/build.ts';

const sw = module('sw', { protocol: 'switch', lines: { contact: 'c' } }, [{ id: 'c', kind: 'switch' }]);
const on = (line: string, pin: string | null) => ({ port: { lines: { [line]: { pin, locked: false } } } });
const lamp = module(
  'lamp',
  { protocol: 'led', lines: { anode: 'a' }, forward: { voltage: exactly('V', 2), current: exactly('A', 0.02) } },
  [{ id: 'a', kind: 'led' }],
);

describe('pin/double', () => {
  const two = (a: string, b: string): Build => ({
    cards: [V3, controller(), sw],
    parts: [part('one', 'sw', { ports: on('contact', a) }), part('two', 'sw', { ports: on('contact', b) })],
  });
  it('finds two signals on one pin', () => {
    const [found] = judge(two('p3', 'p3')).broken('pin/double');
    expect([found?.measured, found?.margin, found?.severity]).to.deep.equal([2, -1, 'fault']);
    expect(say(found?.message)).to.equal('one and two are on P3 together; only one can be.');
  });
  it('passes one signal on each', () => expect(judge(two('p3', 'p4')).broken('pin/double')).to.deep.equal([]));
  it('counts a shared bus line once', () => {
    const build: Build = {
      cards: [V3, controller(), i2cModule('a', [1])],
      parts: ['one', 'two', 'three'].map((id) => part(id, 'a', { ports: { port: { bus: 'bus' } } })),
      buses: [i2cBus()],
    };
    expect(judge(build).broken('pin/double')).to.deep.equal([]);
  });
});

describe('pin/capability', () => {
  const analog = module('ana', { protocol: 'analog', lines: { out: 'o' } }, [{ id: 'o', kind: 'analog-out' }]);
  const someAdc = controller(CMOS, 12, (n) => (n === 5 ? { functions: ['in', 'adc1.0'] } : {}));
  const at = (pin: string | null): Build => ({
    cards: [V3, someAdc, analog],
    parts: [part('one', 'ana', { ports: on('out', pin) })],
  });

  it('finds an analog output on a pin without ADC', () =>
    expect(judge(at('p3')).broken('pin/capability')[0]?.message).to.equal(
      'one needs an analog input; P3 cannot be one.',
    ));
  it('passes one on a pin that has it', () => expect(judge(at('p5')).broken('pin/capability')).to.deep.equal([]));
  it('finds a line that has no pin', () =>
    expect(judge(at(null)).broken('pin/capability')[0]?.message).to.include('has no pin yet'));
  it('finds an output on an input-only pin', () =>
    expect(
      judge({ cards: [V3, someAdc, lamp], parts: [part('one', 'lamp', { ports: on('anode', 'p5') })] }).broken(
        'pin/capability',
      ),
    ).to.have.length(1));

  it('wants both lines of one bus on one instance', () => {
    const split = controller(CMOS, 4, (n) => ({
      functions: ['in', 'out', ['i2c0.sda', 'i2c1.scl', 'i2c0.scl', 'i2c1.sda'][n] ?? 'in'],
    }));
    const bare = { ...split, controller: { ...split.controller, matrix: [] } } as typeof split;
    const bus = (sda: string, scl: string): Build => ({
      cards: [V3, bare, i2cModule('a')],
      parts: [part('a', 'a', { ports: { port: { bus: 'bus' } } })],
      buses: [{ ...i2cBus(), lines: { sda: { pin: sda, locked: false }, scl: { pin: scl, locked: false } } }],
    });
    expect(judge(bus('p0', 'p2')).broken('pin/capability')).to.deep.equal([]);
    expect(judge(bus('p0', 'p1')).broken('pin/capability')).to.have.length(2);
    expect(judge(bus('p0', 'p1')).broken('pin/capability')[0]?.message).to.include('Both must be on one');
  });
});

describe('pin/strap', () => {
  const straps = controller(CMOS, 12, (n) =>
    n === 2
      ? { strap: { level: 'high', meaning: 'Low stops it.', source: 'sheet' } }
      : n === 3
        ? { strap: { level: 'low', meaning: 'High stops it.', source: 'sheet' } }
        : n === 4
          ? { reserved: { by: 'flash', meaning: 'Its program is there.', source: 'sheet' } }
          : n === 5
            ? { reserved: { by: 'console', meaning: 'Messages.', source: 'sheet' } }
            : {},
  );
  const contact = (pin: string): Build => ({
    cards: [V3, straps, sw],
    parts: [part('door', 'sw', { ports: on('contact', pin) })],
    helpers: [{ id: 'r', kind: 'pull-up', of: 'door.port', line: 'contact', to: 'v3.out', ohms: 10e3 }],
  });

  it('finds a switch that can pull down a pin that must be high: 0 V against VIH = 0.7 × 3.3 V', () => {
    const [found] = judge(contact('p2')).broken('pin/strap');
    expect([found?.severity, found?.measured]).to.deep.equal(['fault', 0]);
    expect(found?.limit).to.be.closeTo(2.31, 1e-9);
    expect(say(found?.message)).to.include('Low stops it.');
  });
  it('finds a pull-up on a pin that must be low', () =>
    expect(judge(contact('p3')).broken('pin/strap')[0]?.measured).to.be.closeTo(3.3, 1e-9));
  it('passes the switch on any other pin', () => expect(judge(contact('p6')).of('pin/strap')).to.deep.equal([]));
  it('finds a light that drags a pin below VIH', () =>
    expect(
      judge({ cards: [V3, straps, lamp], parts: [part('l', 'lamp', { ports: on('anode', 'p2') })] }).broken(
        'pin/strap',
      ),
    ).to.have.length(1));
  it('passes a light on a pin that must be low: nothing lifts it', () =>
    expect(
      judge({ cards: [V3, straps, lamp], parts: [part('l', 'lamp', { ports: on('anode', 'p3') })] }).of('pin/strap')[0],
    ).to.include({ severity: null, measured: 0 }));
  it('passes an open-drain bus with a pull-up on a pin that must be high', () => {
    const build: Build = {
      cards: [V3, straps, i2cModule('a')],
      parts: [part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } })],
      buses: [{ ...i2cBus(), lines: { sda: { pin: 'p2', locked: false }, scl: { pin: 'p1', locked: false } } }],
      helpers: [{ id: 'r', kind: 'pull-up', of: 'bus', line: 'sda', to: 'v3.out', ohms: 4700 }],
    };
    expect(
      judge(build)
        .of('pin/strap')
        .map(({ severity }) => severity),
    ).to.deep.equal([null]);
  });
  it('finds the flash pin used, and cautions about the console', () => {
    expect(judge(contact('p4')).broken('pin/strap')[0]?.severity).to.equal('fault');
    expect(judge(contact('p5')).broken('pin/strap')[0]?.severity).to.equal('caution');
  });
});
