/** Levels while something is off, translators and dividers, and what the house rule says of feeds. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import type { Helper } from '../../src/plan/helpers.ts';
import { busBuild, fitted, input, MCU, onBus, output, pinned, pull, translator, TWO_RAILS } from '../support/boards.ts';
import {
  card,
  CMOS,
  document,
  exactly,
  figure,
  i2cBus,
  i2cModule,
  judge,
  module,
  part,
  source5,
  terminals,
  V3,
  type Build,
  type Json,
} from '../support/build.ts';

describe('level/unpowered', () => {
  const apart = (levels: object = {}, series?: Helper): Build => ({
    cards: [V3, source5('v5', 3.3), MCU, output('chip', levels)],
    parts: [part('chip', 'chip', { feeds: { vcc: 'v5.out' }, ports: pinned('out') })],
    helpers: series ? [series] : [],
  });
  it('counts a supply of its own as off: 0 V + 0.3 V is all that the pin stands then', () => {
    const [found] = judge(apart()).broken('level/unpowered');
    expect([found?.severity, found?.measured]).to.deep.equal(['danger', 3.3]);
    expect(found?.limit).to.be.closeTo(0.3, 1e-9);
  });
  it('holds for a part that states what it stands while off, exactly at that too', () => {
    const pin = (volts: number) => ({
      cards: [V3, source5('v5', 3.3), MCU, input('load', { unpoweredMax: figure('V', { max: volts }) })],
      parts: [part('load', 'load', { feeds: { vcc: 'v5.out' }, ports: pinned('in') })],
    });
    expect(judge(pin(3.3)).broken('level/unpowered')).to.deep.equal([]);
    expect(judge(pin(3.299)).broken('level/unpowered')).to.have.length(1);
  });
  it('says nothing where all hang on one source that nothing switches', () =>
    expect(judge(busBuild([i2cModule('a')], [onBus('a')])).of('level/unpowered')).to.deep.equal([]));

  const sluice = card('sluice', {
    terminals: terminals('vcc', 'gnd', 'on', 'out'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } },
    ],
    rails: [
      {
        id: 'out',
        name: 'switched',
        terminal: 'out',
        limit: exactly('A', 1),
        from: { supply: 'vcc', by: 'pass' },
        switch: { port: 'on' },
      },
    ],
    signals: [{ id: 'on', terminal: 'on', kind: 'input', reference: 'vcc', ...CMOS }],
    ports: [{ id: 'on', protocol: 'digital-in', lines: { in: 'on' } }],
  });
  const switched = (more: Json) =>
    busBuild(
      [sluice, i2cModule('a', [0x44], more)],
      [
        part('sw', 'sluice', {
          feeds: { vcc: 'v3.out' },
          ports: { on: { lines: { in: { pin: 'p5', locked: false } } } },
        }),
        onBus('a', 'a', 'sw.out'),
      ],
    );
  it('finds a part on a switched supply that holds the bus down while off, with the current through its diode', () => {
    const [found] = judge(switched({})).broken('level/unpowered');
    expect(found?.severity).to.equal('fault');
    // (3.3 − 0.6) V ÷ (4.7 kΩ − 5 %).
    expect(found?.workings.at(-1)?.value).to.be.closeTo(2.7 / 4465, 1e-9);
  });
  it('lets it be where its pins stand the bus while off', () =>
    expect(judge(switched({ unpoweredMax: figure('V', { max: 3.6 }) })).broken('level/unpowered')).to.deep.equal([]));
  it('is not misled by a strong driver that is low enough: the pull-up to 5 V beside it is found', () => {
    const build: Build = {
      cards: [
        TWO_RAILS,
        source5('v1', 1.8),
        source5('v9', 5),
        MCU,
        input('load', { unpoweredMax: figure('V', { max: 3.6 }) }),
      ],
      parts: [
        part('v1', 'v1'),
        part('v9', 'v9'),
        part('load', 'load', { feeds: { vcc: 'v1.out' }, ports: pinned('in') }),
      ],
      helpers: [pull('in', 10e3, 'v9.out', 'load.port', 'r')],
    };
    const found = judge(build)
      .broken('level/unpowered')
      .find(({ subjects }) => subjects[0] === 'load.in');
    expect([found?.measured, found?.limit]).to.deep.equal([5, 3.6]);
  });
  it('takes all that can be off to be off together', () => {
    const both = (id: string) =>
      onBus(id, 'a', `sw-${id}.out`, { ports: { port: { bus: 'bus', address: id === 'x' ? 0x44 : 0x45 } } });
    const sw = (id: string, pin: string) =>
      part(`sw-${id}`, 'sluice', {
        feeds: { vcc: 'v3.out' },
        ports: { on: { lines: { in: { pin, locked: false } } } },
      });
    const a = i2cModule('a', [0x44, 0x45], { unpoweredMax: figure('V', { max: 3.6 }), ...fitted(10e3, 'jumper') });
    const found = judge(busBuild([sluice, a], [sw('x', 'p5'), sw('y', 'p6'), both('x'), both('y')]))
      .of('level/unpowered')
      .find(({ subjects, aspect }) => subjects[0] === 'bus.sda' && aspect === 'pull-up');
    // 4.935 kΩ up, two of 10 kΩ down.
    expect(found?.measured).to.be.closeTo(3.3 / 4935 / (1 / 4935 + 2 / 10e3), 1e-9);
    expect(found?.subjects.slice(1)).to.deep.equal(['x.sda', 'y.sda']);
  });
  it('finds its own pull-ups dragging the line down while it is off', () => {
    const found = judge(switched({ unpoweredMax: figure('V', { max: 3.6 }), ...fitted(4700, 'jumper') })).broken(
      'level/unpowered',
    );
    expect(found.map(({ severity }) => severity)).to.deep.equal(['fault', 'fault']);
    // 4.7 kΩ up against 4.7 kΩ down, at the tolerance that hurts: 4.935 kΩ of the resistor, 4.7 kΩ of the module.
    expect(found[0]?.measured).to.be.closeTo((3.3 * 4700) / (4700 + 4935), 1e-9);
  });
});

describe('level/translator', () => {
  const through = (near: string, far: string, style = 'open-drain', parts = [onBus('a', 'a', far)]): Build =>
    busBuild([i2cModule('a', [0x44], { absoluteMax: figure('V', { max: 6 }) }), translator('tr', { style })], parts, {
      helpers: [
        pull('sda', 4700),
        pull('scl', 4700),
        { id: 't', kind: 'translator', card: 'tr', near, far, ports: [{ part: 'a', port: 'port' }] },
        ...['sda', 'scl'].map((line): Helper => ({
          id: `f-${line}`,
          kind: 'pull-up',
          of: 'bus',
          line,
          beyond: 't',
          to: far,
          ohms: 4700,
        })),
      ],
    });
  it('fits between 3.3 and 5 V', () =>
    expect(judge(through('v3.out', 'v3.high')).broken('level/translator')).to.deep.equal([]));
  it('cautions where there is nothing to translate', () =>
    expect(
      judge(through('v3.out', 'v3.out'))
        .broken('level/translator')
        .map(({ severity }) => severity),
    ).to.deep.equal(['caution']));
  it('finds a side without supply', () => {
    const [found] = judge(through('v3.out', 'v9.out')).broken('level/translator');
    expect(say(found?.message)).to.match(/no supply on its low side/);
  });
  it('refuses a translator with a direction for lines that both sides pull low', () =>
    expect(
      judge(through('v3.out', 'v3.high', 'push-pull'))
        .broken('level/translator')
        .map(({ aspect }) => aspect),
    ).to.deep.equal(['style']));
  it('refuses a serial pair through one that has a single direction, and passes two inputs through it', () => {
    const serial = module('serial', { protocol: 'uart', lines: { tx: 'tx', rx: 'rx' } }, [
      { id: 'tx', kind: 'push-pull', ...CMOS },
      { id: 'rx', kind: 'input', ...CMOS },
    ]);
    const at = (cards: Build['cards'], ids: string[], ports: Build['parts'][number]['ports']): Build => ({
      cards: [TWO_RAILS, MCU, translator('tr', { style: 'push-pull' }), ...cards],
      parts: ids.map((id, i) =>
        part(id, cards[0]?.id ?? '', { feeds: { vcc: 'v3.high' }, ports: i === 0 ? ports : pinned('in', 'p7') }),
      ),
      helpers: [
        {
          id: 't',
          kind: 'translator',
          card: 'tr',
          near: 'v3.out',
          far: 'v3.high',
          ports: ids.map((id) => ({ part: id, port: 'port' })),
        },
      ],
    });
    const lines = { port: { lines: { tx: { pin: 'p2', locked: false }, rx: { pin: 'p3', locked: false } } } };
    expect(judge(at([serial], ['s'], lines)).broken('level/translator')[0]?.message).to.match(
      /s rx .*goes to the parts and s tx .*comes from them/,
    );
    const held = judge(at([input('load')], ['a', 'b'], pinned('in')));
    expect(held.broken('level/translator')).to.deep.equal([]);
    // One direction of one is as it should be, and says nothing about tightness.
    expect(held.verdict.tightest?.unit).to.not.equal('directions');
  });
  it('refuses a divider on a line that the controller drives', () => {
    const divider: Helper = {
      id: 'div',
      kind: 'divider',
      part: 'load',
      port: 'port',
      line: 'in',
      upper: 1e3,
      lower: 2.2e3,
    };
    const build: Build = {
      cards: [TWO_RAILS, MCU, input('load')],
      parts: [part('load', 'load', { feeds: { vcc: 'v3.out' }, ports: pinned('in') })],
      helpers: [divider],
    };
    expect(judge(build).broken('level/translator')[0]?.severity).to.equal('fault');
  });
  it('brings a 5 V output down through a divider of 1 and 2 kΩ to 3.39 V at most, high and low both read', () => {
    const build: Build = {
      cards: [TWO_RAILS, MCU, output('chip')],
      parts: [part('chip', 'chip', { feeds: { vcc: 'v3.high' }, ports: pinned('out') })],
      helpers: [{ id: 'div', kind: 'divider', part: 'chip', port: 'port', line: 'out', upper: 1e3, lower: 2e3 }],
    };
    const judged = judge(build);
    const over = judged.of('level/over-voltage').find(({ subjects }) => subjects[0] === 'mcu.p2');
    expect(over?.measured).to.be.closeTo((5 * 2.1) / (2.1 + 0.95), 1e-9);
    // The lowest high: (5 − 0.5) V × 1.9 ÷ (1.9 + 1.05).
    const high = judged.of('level/high').find(({ subjects }) => subjects[1] === 'mcu.p2');
    expect(high?.measured).to.be.closeTo((4.5 * 1.9) / (1.9 + 1.05), 1e-9);
    expect(judged.verdict.findings.filter(({ severity }) => severity !== 'note')).to.deep.equal([]);
  });
});

describe('level/feed-rule', () => {
  const wide = (rail: string, rule: 'logic-rail' | 'five-volts') =>
    judge({
      ...busBuild([i2cModule('a', [0x44])], [onBus('a', 'a', rail)]),
      plan: { rules: { ...document({ cards: [], parts: [] }).plan.rules, feed: rule } },
    }).of('level/feed-rule');
  it('notes a wide-range part on the rail that the house rule does not name', () => {
    expect(wide('v3.high', 'logic-rail').map(({ severity }) => severity)).to.deep.equal(['note']);
    expect(wide('v3.out', 'five-volts').map(({ severity }) => severity)).to.deep.equal(['note']);
    expect(wide('v3.out', 'logic-rail')).to.deep.equal([]);
    expect(wide('v3.high', 'five-volts')).to.deep.equal([]);
  });
});

describe('bus/pull-up-weak through a translator', () => {
  it('is slower where the far side is weakly pulled, and the formula is kept beside it', () => {
    const build = (ohms: number): Build =>
      busBuild(
        [i2cModule('a', [0x44], { absoluteMax: figure('V', { max: 6 }) }), translator()],
        [onBus('a', 'a', 'v3.high', { lead: 1 })],
        {
          buses: [i2cBus(400e3)],
          helpers: [
            pull('sda', 2200),
            pull('scl', 2200),
            {
              id: 't',
              kind: 'translator',
              card: 'tr',
              near: 'v3.out',
              far: 'v3.high',
              ports: [{ part: 'a', port: 'port' }],
            },
            ...['sda', 'scl'].map((line): Helper => ({
              id: `f-${line}`,
              kind: 'pull-up',
              of: 'bus',
              line,
              beyond: 't',
              to: 'v3.high',
              ohms,
            })),
          ],
        },
      );
    const rise = (ohms: number) =>
      judge(build(ohms))
        .of('bus/pull-up-weak')
        .find(({ subjects }) => subjects[0] === 'bus.sda@t');
    expect(rise(2200)?.severity).to.equal(null);
    expect(rise(22e3)?.severity).to.equal('fault');
    expect(rise(22e3)?.measured).to.be.greaterThan((rise(2200)?.measured ?? Infinity) * 2);
    expect(rise(22e3)?.workings.map(({ name }) => name)).to.include.members([
      'rise time of this side alone',
      'rise time with the other side',
    ]);
  });
});
