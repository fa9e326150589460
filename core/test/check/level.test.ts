import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import {
  card,
  CMOS,
  controller,
  document,
  figure,
  i2cBus,
  i2cModule,
  judge,
  module,
  part,
  source5,
  terminals,
  V3,
  V5,
  type Build,
} from '../support/build.ts';

const pinned = (line: string, pin = 'p2') => ({ port: { lines: { [line]: { pin, locked: false } } } });
const output = (id: string, levels = {}) =>
  module(id, { protocol: 'digital-out', lines: { out: 'out1' } }, [
    { id: 'out1', kind: 'push-pull', ...CMOS, ...levels },
  ]);
const input = (id: string, levels = {}) =>
  module(id, { protocol: 'digital-in', lines: { in: 'in' } }, [{ id: 'in', kind: 'input', ...CMOS, ...levels }]);

describe('level/high', () => {
  /** A controller of one family drives a receiver of another; both on rails without tolerance. */
  const link = (
    volts: number,
    voh: number,
    vih: number,
    unit: 'V' | 'share',
    rule: 'guaranteed' | 'working' = 'guaranteed',
    supply = volts,
  ): Build => ({
    cards: [
      source5('v3', volts),
      source5('v5', supply),
      controller({ ...CMOS, outputHigh: figure('V', { min: voh }) }),
      input('load', { inputHigh: figure(unit, { min: vih }) }),
    ],
    parts: [part('load', 'load', { feeds: { vcc: 'v5.out' }, ports: pinned('in') })],
    plan: { rules: { ...document({ cards: [], parts: [] }).plan.rules, marginalLevels: rule } },
  });

  // 5 V CMOS needs 0.7 × VDD = 3.5 V (common data-book value, from memory): a 3.3 V output is below it.
  it('finds a 3.3 V output into a 5 V CMOS input short by 0.6 V', () => {
    const [found] = judge(link(3.3, 2.9, 0.7, 'share', 'guaranteed', 5)).broken('level/high');
    expect(found?.severity).to.equal('fault');
    expect(found?.limit).to.be.closeTo(3.5, 1e-9);
    expect(found?.margin).to.be.closeTo(-0.6, 1e-9);
    expect(found?.workings[1]?.sum).to.equal('0.7 × 5 V');
  });

  it('accepts it as a flagged caution under the rule "working", typical against typical: 3.3 V passes half of 5 V', () => {
    // An output that hardly anything hangs on reaches its rail, whatever it guarantees under load (common practice).
    for (const guaranteed of [2.9, 2.4]) {
      const [found] = judge(link(3.3, guaranteed, 0.7, 'share', 'working', 5)).broken('level/high');
      expect(found?.severity).to.equal('caution');
      expect(say(found?.message)).to.include('Usually it is 3.3 V, and the input switches at 2.5 V, so it works.');
    }
    // 2.2 V does not get to half of 5 V, and an input that usually switches at 0.68 × 5 V = 3.4 V is not reached by 3.3 V.
    expect(judge(link(2.2, 2, 0.7, 'share', 'working', 5)).broken('level/high')[0]?.severity).to.equal('fault');
    const late = { inputHigh: figure('share', { min: 0.7, typ: 0.68 }) };
    const build = link(3.3, 2.9, 0.7, 'share', 'working', 5);
    const cards = build.cards.map((own) => (own.id === 'load' ? input('load', late) : own));
    expect(judge({ ...build, cards }).broken('level/high')[0]?.severity).to.equal('fault');
  });

  it('does not take a bare gate, whose usual threshold nobody said, for one that switches at 0 V', () => {
    const gate = card('load', {
      terminals: terminals('gnd', 'in'),
      signals: [{ id: 'in', terminal: 'in', kind: 'input', inputHigh: figure('V', { min: 3 }) }],
      ports: [{ id: 'port', protocol: 'digital-in', lines: { in: 'in' } }],
    });
    const build = link(3.3, 2.4, 0.7, 'share', 'working', 5);
    const cards = build.cards.map((own) => (own.id === 'load' ? gate : own));
    const [found] = judge({ ...build, cards, parts: [part('load', 'load', { ports: pinned('in') })] }).broken(
      'level/high',
    );
    expect(found?.severity).to.equal('fault');
    expect(say(found?.message)).to.include('where the input switches is not said');
  });

  it('takes a typical threshold on the easy side of the guaranteed one, which binds nobody', () => {
    // 0.7 × 5 V = 3.5 V is guaranteed, 0.5 × 5 V usual: the margin is that to 3.5 V.
    const build = link(3.3, 2.9, 0.7, 'share', 'guaranteed', 5);
    const easy = input('load', {
      inputHigh: figure('share', { min: 0.7, typ: 0.5 }),
      inputLow: figure('share', { typ: 0.5, max: 0.3 }),
    });
    const found = judge({ ...build, cards: build.cards.map((own) => (own.id === 'load' ? easy : own)) });
    expect(found.broken('level/high')[0]?.margin).to.be.closeTo(-0.6, 1e-9);
    expect(found.of('level/low')[0]?.limit).to.be.closeTo(1.5, 1e-9);
  });

  it('says of a line that is never read how high it comes, once, and no rise time', () => {
    // A bus of a 3.3 V part on a 5 V board that asks for 0.7 × 5 V = 3.5 V: it rests at 3.3 V.
    const sensor = i2cModule('a', [0x40]);
    const board = { ...controller(CMOS), supplies: controller(CMOS).supplies };
    const build: Build = {
      cards: [V3, source5('v5', 5), board, sensor],
      parts: [part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } })],
      buses: [i2cBus()],
      helpers: ['sda', 'scl'].map((line) => ({
        id: `r-${line}`,
        kind: 'pull-up',
        of: 'bus',
        line,
        to: 'v3.out',
        ohms: 10e3,
      })),
    };
    const doc = document(build);
    const at5 = {
      ...doc,
      plan: {
        ...doc.plan,
        parts: doc.plan.parts.map((p) => (p.id === 'mcu' ? { ...p, feeds: { vcc: 'v5.out' } } : p)),
      },
    };
    const found = judge(at5);
    expect(found.broken('bus/pull-up-weak')).to.deep.equal([]);
    expect(
      found
        .broken('level/high')
        .map(({ message }) => say(message))
        .sort(),
    ).to.deep.equal([
      'Bus SCL at rest guarantees only 3.3 V high; mcu P1 needs 3.5 V. Usually it is 3.3 V, and the input switches at 2.5 V. It may not be read.',
      'Bus SDA at rest guarantees only 3.3 V high; mcu P0 needs 3.5 V. Usually it is 3.3 V, and the input switches at 2.5 V. It may not be read.',
    ]);
  });

  // JESD8C.01: 3.3 V LVTTL VOH 2.4 V, VIH 2.0 V; 5 V TTL VIH 2.0 V; JESD8-5A 2.5 V VIH 1.7 V (from memory).
  for (const [name, volts, voh, vih, supply, margin] of [
    ['3.3 V LVTTL into 3.3 V LVTTL', 3.3, 2.4, 2.0, 3.3, 0.4],
    ['3.3 V LVTTL into 5 V TTL', 3.3, 2.4, 2.0, 5, 0.4],
    ['2.5 V into 2.5 V', 2.5, 2.0, 1.7, 2.5, 0.3],
  ] as const) {
    it(`gives the published noise margin of ${name}`, () => {
      const [held] = judge(link(volts, voh, vih, 'V', 'guaranteed', supply)).of('level/high');
      expect(held?.severity).to.equal(null);
      expect(held?.margin).to.be.closeTo(margin, 1e-9);
    });
  }

  it('holds exactly at the limit', () => {
    expect(judge(link(3.3, 2.0, 2.0, 'V')).of('level/high')[0]?.severity).to.equal(null);
    expect(judge(link(3.3, 1.999, 2.0, 'V')).of('level/high')[0]?.severity).to.equal('fault');
  });

  it('moves both ends of a link together when they are on one rail', () => {
    // VOH = V − 0.5, VIH = 0.7 V on a rail of 4.5 to 5.5 V: the worst is 0.3 × 4.5 − 0.5 = 0.85 V at the low end,
    // not 4.5 − 0.5 − 0.7 × 5.5 = 0.15 V as if the rail could be at both ends at once.
    const cards = [source5('v3', 4.5, 5.5), controller(), input('load')];
    const [held] = judge({
      cards,
      parts: [part('load', 'load', { feeds: { vcc: 'v3.out' }, ports: pinned('in') })],
    }).of('level/high');
    expect(held?.margin).to.be.closeTo(0.85, 1e-9);
  });

  it('counts what leaks through the pull-up: 20 µA × 10.5 kΩ = 0.21 V', () => {
    const leaky = i2cModule('a', [0x40], { leakage: figure('A', { max: 10e-6 }) });
    const build: Build = {
      cards: [V3, controller({ ...CMOS, leakage: figure('A', { max: 10e-6 }) }), leaky],
      parts: [part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } })],
      buses: [i2cBus()],
      helpers: [{ id: 'r1', kind: 'pull-up', of: 'bus', line: 'sda', to: 'v3.out', ohms: 10e3 }],
    };
    const held = judge(build)
      .of('level/high')
      .find(({ subjects }) => subjects[1] === 'a.sda');
    expect(held?.measured).to.be.closeTo(3.3 - 20e-6 * 10.5e3, 1e-9);
  });
});

describe('level/low', () => {
  const link = (vol: number, vil: number): Build => ({
    cards: [
      V3,
      controller({ ...CMOS, inputLow: figure('V', { max: vil }) }),
      output('chip', { outputLow: figure('V', { max: vol }) }),
    ],
    parts: [part('chip', 'chip', { feeds: { vcc: 'v3.out' }, ports: pinned('out') })],
  });
  // 3.3 V LVTTL: VOL 0.4 V, VIL 0.8 V, noise margin 0.4 V (JESD8C.01, from memory).
  it('gives the published noise margin', () =>
    expect(judge(link(0.4, 0.8)).of('level/low')[0]?.margin).to.be.closeTo(0.4, 1e-9));
  it('finds a low that stays too high', () => {
    const [found] = judge(link(1.0, 0.8)).broken('level/low');
    expect([found?.severity, found?.measured, found?.limit]).to.deep.equal(['fault', 1.0, 0.8]);
  });
  it('holds exactly at the limit', () => expect(judge(link(0.8, 0.8)).broken('level/low')).to.deep.equal([]));
});

describe('level/over-voltage', () => {
  const five = (absolute: object): Build => ({
    cards: [V3, V5, controller({ ...CMOS, absoluteMax: absolute }), output('chip')],
    parts: [part('chip', 'chip', { feeds: { vcc: 'v5.out' }, ports: pinned('out') })],
  });

  it('takes an output that states its highest at its word: 3.3 V from a 5 V part is safe at 3.6 V, 3.7 V is not', () => {
    const stated = (max: number): Build => ({
      cards: [
        V3,
        V5,
        controller({ ...CMOS, absoluteMax: figure('V', { max: 3.6 }) }),
        output('chip', { outputHigh: figure('V', { min: 3, max }) }),
      ],
      parts: [part('chip', 'chip', { feeds: { vcc: 'v5.out' }, ports: pinned('out') })],
    });
    expect(judge(stated(3.3)).broken('level/over-voltage')).to.deep.equal([]);
    const [found] = judge(stated(3.7)).broken('level/over-voltage');
    expect(found).to.include({ severity: 'danger', measured: 3.7, limit: 3.6 });
  });
  it('finds a 5 V output on a pin that stands its supply + 0.3 V', () => {
    // One source with two rails, so that neither part is ever without supply while the other has it.
    const both = card('v3', {
      kind: 'source',
      terminals: terminals('out', 'high', 'gnd'),
      rails: [
        {
          id: 'out',
          name: '3.3 V',
          terminal: 'out',
          voltage: figure('V', { min: 3.3, max: 3.3 }),
          limit: figure('A', { min: 1 }),
        },
        {
          id: 'high',
          name: '5 V',
          terminal: 'high',
          voltage: figure('V', { min: 5, max: 5 }),
          limit: figure('A', { min: 1 }),
        },
      ],
    });
    const build: Build = {
      cards: [both, controller(), output('chip')],
      parts: [part('chip', 'chip', { feeds: { vcc: 'v3.high' }, ports: pinned('out') })],
    };
    const [found] = judge(build).broken('level/over-voltage');
    expect(found?.severity).to.equal('danger');
    expect(found?.subjects).to.deep.equal(['mcu.p2', 'chip.port.out']);
    expect(found?.margin).to.be.closeTo(3.6 - 5, 1e-9);
  });

  it('passes a tolerant pin on the same source, exactly at its limit too', () => {
    const oneSource = (absolute: object): Build => {
      const build = five(absolute);
      return { ...build, parts: build.parts.map((p) => ({ ...p, feeds: { vcc: 'v5.out' } })) };
    };
    expect(judge(oneSource(figure('V', { max: 5 }))).broken('level/over-voltage')).to.deep.equal([]);
    expect(judge(oneSource(figure('V', { max: 4.999 }))).broken('level/over-voltage')).to.have.length(1);
  });

  // Kirchhoff by hand: 5 V through 4.7 kΩ and 3.3 V through 10 kΩ meet at (5/4.7 + 3.3/10) ÷ (1/4.7 + 1/10) = 4.457 V.
  it('leaves pull-ups to two rails to level/mixed-pull-ups, which finds their node voltage', () => {
    const strong = i2cModule('a', [0x40], {
      absoluteMax: figure('V', { max: 6 }),
      fittedPullUp: { value: { typ: 4700, unit: 'Ω', source: 'sheet' }, to: 'vcc', removable: 'no' },
    });
    const build: Build = {
      cards: [
        V3,
        V5,
        controller({ ...CMOS, absoluteMax: figure('V', { max: 3.6 }) }),
        strong,
        i2cModule('b', [0x41], {
          fittedPullUp: { value: { typ: 10e3, unit: 'Ω', source: 'sheet' }, to: 'vcc', removable: 'jumper' },
        }),
      ],
      parts: [
        part('a', 'a', { feeds: { vcc: 'v5.out' }, ports: { port: { bus: 'bus' } } }),
        part('b', 'b', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } }),
      ],
      buses: [i2cBus()],
    };
    expect(judge(build).broken('level/over-voltage')).to.deep.equal([]);
    const found = judge(build)
      .broken('level/mixed-pull-ups')
      .find(({ subjects }) => subjects[0] === 'bus.sda');
    expect(found?.severity).to.equal('danger');
    expect(found?.measured).to.be.closeTo((5 / 4700 + 3.3 / 10e3) / (1 / 4700 + 1 / 10e3), 1e-9);
    expect(say(found?.message)).to.match(/lifts bus SDA to 4\.46 V; b SDA stands 3\.6 V at most\. It can be damaged\./);
    expect(found?.subjects).to.deep.equal(['bus.sda', 'b.sda', 'mcu.p0']);
  });
});

describe('level/no-pull-up', () => {
  const bus = (more: Partial<Build> = {}): Build => ({
    cards: [V3, controller({ ...CMOS, weakPull: figure('Ω', { min: 30e3, max: 80e3 }) }), i2cModule('a')],
    parts: [part('a', 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'bus' } } })],
    buses: [i2cBus()],
    ...more,
  });
  const pull = (line: string) => ({
    id: `r-${line}`,
    kind: 'pull-up' as const,
    of: 'bus',
    line,
    to: 'v3.out',
    ohms: 4700,
  });

  it('finds each line without one', () =>
    expect(
      judge(bus())
        .broken('level/no-pull-up')
        .map(({ subjects, severity }) => [subjects[0], severity]),
    ).to.have.deep.members([
      ['bus.sda', 'fault'],
      ['bus.scl', 'fault'],
    ]));
  it('passes a line with one', () =>
    expect(judge(bus({ helpers: [pull('sda'), pull('scl')] })).broken('level/no-pull-up')).to.deep.equal([]));
  it('only cautions where the controller’s own weak one is on, with its figure', () => {
    const weak = {
      ...i2cBus(),
      lines: { sda: { pin: 'p0', locked: false, weakPull: true }, scl: { pin: 'p1', locked: false, weakPull: true } },
    };
    const [found] = judge(bus({ buses: [weak] })).broken('level/no-pull-up');
    expect(found?.severity).to.equal('caution');
    expect(say(found?.message)).to.include('30 kΩ to 80 kΩ');
  });
  it('does not ask for one where an output drives both ways', () =>
    expect(
      judge({
        cards: [V3, controller(), output('chip')],
        parts: [part('chip', 'chip', { feeds: { vcc: 'v3.out' }, ports: pinned('out') })],
      }).of('level/no-pull-up'),
    ).to.deep.equal([]));
});
