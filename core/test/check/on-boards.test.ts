/** What sits on boards, beside sums by hand: pull-ups of a controller or terminal adapter, modes, tied enables, channels on together. */
import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { netlistOf } from '../../src/circuit/netlist.ts';
import type { PartChoice } from '../../src/plan/plan.ts';
import { busBuild, hubCard, pull, TWO_RAILS } from '../support/boards.ts';
import {
  CMOS,
  card,
  controller,
  exactly,
  figure,
  i2cBus,
  i2cModule,
  i2cSignals,
  judge,
  module,
  part,
  terminals,
  V3,
  type Build,
} from '../support/build.ts';

const ohms = (value: number) => ({ min: value, max: value, unit: 'Ω' as const, source: 'sheet' });

describe('pull-ups on the board of the controller', () => {
  const board = controller({ ...CMOS, leakage: exactly('A', 0) }, 12, (n) =>
    n < 2 ? { fittedPullUp: { value: ohms(2000), to: 'vcc', removable: 'jumper' } } : {},
  );
  const build = (opened: string[] = [], more: Partial<Build> = {}): Build => ({
    cards: [V3, board, i2cModule('a')],
    parts: [],
    buses: [i2cBus()],
    plan: {
      controller: 'mcu',
      parts: [
        part('v3', 'v3'),
        part('mcu', 'mcu', { feeds: { vcc: 'v3.out' }, opened }),
        part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } }),
      ],
    },
    ...more,
  });
  it('lift the line: no other is needed', () => {
    expect(judge(build()).broken('level/no-pull-up')).to.deep.equal([]);
    expect(judge(build()).of('bus/pull-up-strong')[0]?.measured).to.equal(2000);
  });
  it('are in parallel with those of the plan: 2 kΩ beside 4.7 kΩ less 1 or 5 %', () => {
    const both = judge(build([], { helpers: [pull('sda', 4700), pull('scl', 4700)] }));
    const tolerance =
      both.circuit.nets.find(({ line }) => line === 'sda')?.pullUps.find(({ helper }) => helper)?.ohms.min ?? 0;
    expect(both.of('bus/pull-up-strong')[0]?.measured).to.be.closeTo(1 / (1 / 2000 + 1 / tolerance), 1e-9);
    expect(both.broken('bus/pull-up-pairs')).to.have.length(2);
  });
  it('are gone where their jumpers are open', () =>
    expect(judge(build(['p0', 'p1'])).broken('level/no-pull-up')).to.have.length(2));
  it('pull no bus that is on other pins', () => {
    const elsewhere = { ...i2cBus(), lines: { sda: { pin: 'p4', locked: false }, scl: { pin: 'p5', locked: false } } };
    expect(judge(build([], { buses: [elsewhere] })).broken('level/no-pull-up')).to.have.length(2);
  });
});

describe('a terminal adapter on the controller', () => {
  const adapter = card('adapter', {
    kind: 'carrier',
    terminals: terminals('sda', 'scl'),
    carrier: {
      fits: { mcu: { SDA: 'p0', SCL: 'p1', X: 'p4' } },
      fitted: [],
      pullUps: ['SDA', 'SCL'].map((name) => ({ name, value: ohms(3300), to: 'vcc', removable: 'jumper' })),
      free: ['SDA', 'SCL', 'X'],
    },
  });
  const build = (opened: string[]): Build => ({
    cards: [V3, controller({ ...CMOS, leakage: exactly('A', 0) }), i2cModule('a'), adapter],
    parts: [
      part('adapter', 'adapter', { opened }),
      part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } }),
    ],
    buses: [i2cBus()],
  });
  it('brings its pull-ups, and its jumpers open them', () => {
    expect(judge(build([])).of('bus/pull-up-strong')[0]?.measured).to.equal(3300);
    expect(judge(build(['sda', 'scl'])).broken('level/no-pull-up')).to.have.length(2);
  });
  it('leads SDA and SCL out where they are on its list', () =>
    expect(judge(build([])).broken('pin/capability')).to.deep.equal([]));
});

describe('a part with two modes', () => {
  const both = (): Card => {
    const lines = ['clk', 'out', 'in', 'select'];
    return card('both', {
      terminals: terminals('vcc', 'gnd', 'sda', 'scl', ...lines),
      supplies: [
        { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } },
      ],
      signals: [
        ...i2cSignals().map((s) => ({ terminal: s.id, reference: 'vcc', ...s })),
        ...lines.map((id) => ({
          id,
          terminal: id,
          reference: 'vcc',
          kind: id === 'in' ? 'push-pull' : 'input',
          ...CMOS,
        })),
      ],
      ports: [
        {
          id: 'two',
          protocol: 'i2c',
          lines: { sda: 'sda', scl: 'scl' },
          addresses: [{ value: 0x40, setting: 'fixed' }],
        },
        { id: 'four', protocol: 'spi', lines: { clk: 'clk', out: 'out', in: 'in', select: 'select' } },
      ],
      modes: [['two'], ['four']],
    });
  };
  const build = (mode?: number): Build =>
    busBuild(
      [both()],
      [
        part('b', 'both', {
          feeds: { vcc: 'v3.out' },
          ports: { two: { bus: 'bus' }, four: {} },
          ...(mode === undefined ? {} : { mode }),
        }),
      ],
    );
  it('asks pins for the first where nothing is chosen, and for the other alone where that is', () => {
    expect(judge(build()).circuit.wishes.map(({ id }) => id)).to.deep.equal(['bus.sda', 'bus.scl']);
    expect(judge(build(1)).circuit.wishes.map(({ id }) => id)).to.deep.equal(['b.four.select']);
  });
});

describe('an enable that is tied', () => {
  const enabled = (inputHigh: object): Card =>
    module('e', { protocol: 'digital-in', lines: { in: 'en' } }, [{ id: 'en', kind: 'input', ...CMOS, ...inputHigh }]);
  const tied = (to: string, rest: Partial<PartChoice> = {}, more: object = {}): Build => ({
    cards: [TWO_RAILS, controller(), enabled(more)],
    parts: [
      part('e', 'e', {
        feeds: { vcc: 'v3.out' },
        ports: { port: { lines: { in: { pin: null, locked: false, tied: to } } } },
        ...rest,
      }),
    ],
  });
  it('wants no pin, and is high: 3.3 V of 0.7 × 3.3 V', () => {
    const judged = judge(tied('v3.out'));
    expect(judged.circuit.wishes).to.deep.equal([]);
    expect(judged.broken('pin/capability')).to.deep.equal([]);
    const [high] = judged.of('level/high');
    expect([high?.severity, high?.measured]).to.deep.equal([null, 3.3]);
    expect(high?.limit).to.be.closeTo(2.31, 1e-9);
  });
  it('is a danger on a rail that it does not stand: 5 V of 3.3 + 0.3 V', () =>
    expect(judge(tied('v3.high')).broken('level/over-voltage')[0]?.measured).to.equal(5));
  it('is low on ground', () => {
    const [low] = judge(tied('ground')).of('level/low');
    expect([low?.severity, low?.measured]).to.deep.equal([null, 0]);
  });
  it('is one node with its rail, or with ground', () => {
    const nodeOf = (to: string) =>
      netlistOf(judge(tied(to)).circuit).nodes.find(({ pins }) =>
        pins.some((p) => p.part === 'e' && p.terminal === 'en'),
      );
    expect(nodeOf('v3.out')?.role).to.equal('supply');
    expect(nodeOf('ground')?.role).to.equal('ground');
  });
});

describe('channels of a bus switch', () => {
  const bridge = hubCard('bridge');
  const segment = (channel: number) => ({
    ...i2cBus(),
    id: `s${channel}`,
    name: `segment ${channel}`,
    lines: {},
    behind: { part: 'x', channel },
  });
  const build = (together: boolean): Build =>
    busBuild(
      [bridge, i2cModule('a')],
      [
        part('x', 'bridge', {
          feeds: { vcc: 'v3.out' },
          ports: { port: { bus: 'bus', ...(together ? { together } : {}) } },
        }),
        ...[0, 1].map((n) => part(`a${n}`, 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: `s${n}` } } })),
      ],
      {
        buses: [i2cBus(), segment(0), segment(1)],
        helpers: ['bus', 's0', 's1'].flatMap((of) => [
          pull('sda', 2200, 'v3.out', of, `d-${of}`),
          pull('scl', 2200, 'v3.out', of, `c-${of}`),
        ]),
      },
    );
  const least = (together: boolean) =>
    Math.min(
      ...judge(build(together))
        .of('bus/pull-up-strong')
        .map(({ measured }) => measured ?? Infinity),
    );
  const one = (together: boolean) => judge(build(together)).circuit.nets[0]?.pullUps[0]?.ohms.min ?? 0;

  it('one at a time: the pull-ups above and on that segment add up, 2.2 kΩ ÷ 2', () =>
    expect(least(false)).to.be.closeTo(one(false) / 2, 1e-9));
  it('together: all of them, 2.2 kΩ ÷ 3, which 3 mA do not hold: (3.3 − 0.4) ÷ 3 mA = 967 Ω', () => {
    expect(least(true)).to.be.closeTo(one(true) / 3, 1e-9);
    expect(judge(build(true)).broken('bus/pull-up-strong').length).to.be.greaterThan(0);
    expect(judge(build(false)).broken('bus/pull-up-strong')).to.deep.equal([]);
  });
  it('together: two parts at one address answer both, one at a time they do not', () => {
    expect(judge(build(false)).broken('bus/address-collision')).to.deep.equal([]);
    expect(judge(build(true)).broken('bus/address-collision')).to.have.length(1);
  });
});
