/** What makers do at the bench and no textbook draws: hand sums beside facts of the trade (common practice). */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { netlistOf } from '../../src/circuit/netlist.ts';
import {
  CMOS,
  card,
  controller,
  exactly,
  figure,
  judge,
  module,
  part,
  source5,
  V3,
  type Build,
} from '../support/build.ts';
import type { PartChoice } from '../../src/plan/plan.ts';
import { DEFAULT_RULES } from '../../src/plan/default-rules.ts';

const sw = module('sw', { protocol: 'switch', lines: { contact: 'c' } }, [{ id: 'c', kind: 'switch' }]);

describe('a button on a boot pin that is meant', () => {
  const straps = controller(CMOS, 12, (n) =>
    n === 2 ? { strap: { level: 'high', meaning: 'Low waits for a program.', source: 'sheet' } } : {},
  );
  const build = (meant: boolean, pull: string): Build => ({
    cards: [V3, straps, sw],
    parts: [
      part('load', 'sw', {
        ports: { port: { lines: { contact: { pin: 'p2', locked: false, ...(meant ? { meant } : {}) } } } },
      }),
    ],
    helpers:
      pull === 'none'
        ? []
        : pull === 'up'
          ? [{ id: 'r', kind: 'pull-up', of: 'load.port', line: 'contact', to: 'v3.out', ohms: 10e3 }]
          : [{ id: 'r', kind: 'pull-down', part: 'load', port: 'port', line: 'contact', ohms: 10e3 }],
  });
  it('is a fault as long as nobody says so', () =>
    expect(judge(build(false, 'up')).broken('pin/strap')).to.have.length(1));
  it('passes with the reason, and its margin is that of the line with nobody at the button: 3.3 − 0.7 × 3.3 V', () => {
    const [found] = judge(build(true, 'up')).of('pin/strap');
    expect(found?.severity).to.equal(null);
    expect(found?.margin).to.be.closeTo(0.99, 1e-9);
    expect(say(found?.message)).to.equal(
      'load leaves P2 high while nobody is at it; pressed as the controller starts it is low, which is meant. Low waits for a program.',
    );
  });
  it('is still a fault where the line rests at the wrong level, button or not', () =>
    expect(judge(build(true, 'down')).broken('pin/strap')[0]?.measured).to.equal(0));
});

describe('a ground that is taken from a pin', () => {
  // A stage that lets a low rise to 0.4 V at 10 mA is 40 Ω at most.
  const io = { ...CMOS, outputLow: figure('V', { max: 0.4 }), outputLoad: exactly('A', 0.01) };
  const sensor = (amps: number) =>
    card('sensor', {
      terminals: [
        { id: 'vcc', label: 'VCC', role: 'supply', header: 'main', position: 1 },
        { id: 'gnd', label: 'GND', role: 'ground', header: 'main', position: 2 },
        { id: 'o', label: 'OUT', role: 'signal', header: 'main', position: 3 },
      ],
      supplies: [
        {
          id: 'vcc',
          terminal: 'vcc',
          range: figure('V', { min: 4.5, max: 5.5 }),
          current: { active: exactly('A', amps) },
        },
      ],
      signals: [{ id: 'o', terminal: 'o', kind: 'push-pull', reference: 'vcc', ...CMOS }],
      ports: [{ id: 'port', protocol: 'digital-out', lines: { out: 'o' } }],
    });
  const build = (amps: number, share = 1, more: PartChoice[] = []): Build => ({
    cards: [source5('five', 5), controller(io), sensor(amps), sw],
    parts: [],
    plan: {
      parts: [
        part('five', 'five'),
        part('mcu', 'mcu', { feeds: { vcc: 'five.out' } }),
        ...more,
        part('s', 'sensor', {
          feeds: { vcc: 'five.out' },
          ground: 'mcu.p3',
          ports: { port: { lines: { out: { pin: 'p4', locked: false } } } },
        }),
      ],
      rules: { ...DEFAULT_RULES, pinPower: share },
    },
  });

  it('lifts the part by 10 mA × 0.4 V ÷ 10 mA: of 5 V it sees 4.6 V less what its lead takes', () => {
    const { circuit } = judge(build(0.01));
    const feed = circuit.feeds.get('s.vcc');
    expect(feed?.lift).to.be.closeTo(0.4, 1e-9);
    expect(feed?.voltage?.min).to.be.closeTo(4.6, 0.003);
    expect(say(feed?.dropSum)).to.include('400 mV of the pin');
  });
  it('passes at 10 of 20 mA, and says so', () => {
    const [found] = judge(build(0.01)).of('supply/pin-ground');
    expect(found?.severity).to.equal(null);
    expect([found?.measured, found?.limit]).to.deep.equal([0.01, 0.02]);
    expect(say(found?.message)).to.equal(
      's returns 10 mA of the 20 mA that mcu P3 may take as a ground; its ground is up to 400 mV high.',
    );
  });
  it('is a fault of the supply where too little is left: 5 − 15 mA × 40 Ω = 4.4 of 4.5 V', () =>
    expect(judge(build(0.015)).broken('supply/range')[0]?.measured).to.be.closeTo(4.4, 0.003));
  it('is a fault above the share of the house rule, and a danger above what destroys the pin', () => {
    expect(judge(build(0.011, 0.5)).broken('supply/pin-ground')[0]?.severity).to.equal('fault');
    expect(judge(build(0.041)).broken('supply/pin-ground')[0]?.severity).to.equal('danger');
  });
  it('is a fault where the house rule is never to', () =>
    expect(judge(build(0.001, 0)).broken('supply/pin-ground')[0]?.message).to.include('my rules say never'));
  it('lifts the low that the part gives by as much: 0.4 + 0.4 V', () => {
    const [low] = judge(build(0.01)).of('level/low');
    expect(low?.measured).to.be.closeTo(0.8, 1e-9);
  });
  it('counts at the pin and takes it from others', () => {
    expect(judge(build(0.03)).broken('pin/current')[0]?.measured).to.be.closeTo(0.03, 1e-9);
    const button = part('b', 'sw', { ports: { port: { lines: { contact: { pin: 'p3', locked: false } } } } });
    const taken = judge(build(0.01, 1, [button]));
    expect(taken.broken('pin/double')).to.have.length(1);
  });
  it('is wired to the pin, and to nothing else', () => {
    const node = netlistOf(judge(build(0.01)).circuit).nodes.find(({ pins }) =>
      pins.some((p) => p.part === 's' && p.terminal === 'gnd'),
    );
    expect(node?.pins.map(({ part: p, terminal }) => `${p}.${terminal}`).sort()).to.deep.equal(['mcu.p3', 's.gnd']);
  });
});
