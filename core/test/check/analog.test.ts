import { expect } from 'chai';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import type { SenseNeed } from '../../src/plan/plan.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import { library } from '../support/demo.ts';
import { pinned, TWO_RAILS } from '../support/boards.ts';
import {
  card,
  CMOS,
  controller,
  exactly,
  figure,
  judge,
  part,
  source5,
  terminals,
  type Build,
  type Json,
} from '../support/build.ts';

/** Ten bits on the 3.3 V rail, which is its full scale. */
const board = (adc: Json = {}) => {
  const made = controller({ ...CMOS, leakage: exactly('A', 0) }, 6, () => ({ functions: ['in', 'out', 'adc1.0'] }));
  return card('mcu', {
    ...(made as unknown as Json),
    controller: {
      ...made.controller,
      adc: { bits: 10, reference: exactly('V', 3.3), error: exactly('share', 0), follows: 'vcc', ...adc },
    },
  });
};
const sensor = (analog: Json, signal: Json = {}, supplied = true) =>
  card('s', {
    terminals: terminals('vcc', 'gnd', 'out1'),
    supplies: supplied
      ? [{ id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } }]
      : [],
    signals: [
      {
        id: 'out1',
        terminal: 'out1',
        kind: supplied ? 'analog-out' : 'passive',
        ...(supplied ? { reference: 'vcc' } : {}),
        ...signal,
      },
    ],
    ports: [{ id: 'port', protocol: 'analog', lines: { out: 'out1' } }],
    measures: [
      {
        quantity: 'level',
        unit: '°C',
        range: { from: 0, to: 100, source: 'sheet' },
        accuracy: [{ from: 0, to: 100, error: 0, source: 'sheet' }],
        analog: { signal: 'out1', ...analog },
      },
    ],
  });
const need = (from: number, to: number, accuracy = 1): SenseNeed => ({
  id: 'need',
  kind: 'sense',
  quantity: 'level',
  unit: '°C',
  from,
  to,
  accuracy,
  interval: 60,
  place: 'here',
});
const linear = (low: number, high: number): Json => ({
  kind: 'linear',
  low: exactly('V', low),
  high: exactly('V', high),
});
const build = (
  s: ReturnType<typeof sensor>,
  wanted: SenseNeed | null,
  rail: string | null,
  helpers: Helper[] = [],
  adc: Json = {},
): Build => ({
  cards: [TWO_RAILS, board(adc), s],
  parts: [part('s', 's', { needs: wanted ? ['need'] : [], feeds: rail ? { vcc: rail } : {}, ports: pinned('out') })],
  helpers,
  plan: { needs: wanted ? [wanted] : [] },
});
const divider = (upper: number, lower: number): Helper => ({
  id: 'div',
  kind: 'divider',
  part: 's',
  port: 'port',
  line: 'out',
  upper,
  lower,
});
const fixed = (ohms: number): Helper => ({
  id: 'fix',
  kind: 'fixed',
  part: 's',
  port: 'port',
  line: 'out',
  to: 'v3.out',
  ohms,
});

describe('analog/range', () => {
  const wide = sensor(linear(0, 5), { outputHigh: figure('V', { max: 3.5 }) });
  it('is none where one rail of 4.8 to 5.2 V is full scale and feeds the part: its top is 1.0 of it at either end', () => {
    const whole = sensor({
      kind: 'linear',
      low: figure('share', { min: 0, max: 0 }),
      high: figure('share', { min: 1, max: 1 }),
    });
    const loose: Build = {
      cards: [source5('five', 4.8, 5.2), board({ reference: figure('V', { min: 4.8, typ: 5, max: 5.2 }) }), whole],
      parts: [],
      plan: {
        controller: 'mcu',
        needs: [need(0, 100)],
        parts: [
          part('five', 'five'),
          part('mcu', 'mcu', { feeds: { vcc: 'five.out' } }),
          part('s', 's', { feeds: { vcc: 'five.out' }, ports: pinned('out'), needs: ['need'] }),
        ],
      },
    };
    expect(judge(loose).of('analog/range')[0]).to.include({ severity: null });
    // The same against a reference of its own: 5.2 of 4.8 V.
    const apart = {
      ...loose,
      cards: [
        source5('five', 4.8, 5.2),
        board({ follows: undefined, reference: figure('V', { min: 4.8, typ: 5, max: 5.2 }) }),
        whole,
      ],
    };
    expect(judge(apart).broken('analog/range')[0]).to.include({ severity: 'fault', measured: 5.2, limit: 4.8 });
  });
  it('finds 3.5 V where the converter ends at 3.3 V, over the wanted range only', () => {
    const [found] = judge(build(wide, need(0, 70), 'v3.high')).broken('analog/range');
    expect([found?.severity, found?.limit]).to.deep.equal(['fault', 3.3]);
    expect(found?.measured).to.be.closeTo(3.5, 1e-9);
    expect(judge(build(wide, need(0, 66), 'v3.high')).broken('analog/range')).to.deep.equal([]);
  });
  it('holds exactly at full scale', () =>
    expect(judge(build(wide, need(0, 66), 'v3.high')).of('analog/range')[0]?.margin).to.be.closeTo(0, 1e-9));
  it('counts a divider with its tolerance: 10 kΩ and 10 kΩ let 0.525 of 5 V through at most', () => {
    const [held] = judge(build(wide, need(0, 100), 'v3.high', [divider(10e3, 10e3)])).of('analog/range');
    expect(held?.measured).to.be.closeTo(5 * (10.5 / (10.5 + 9.5)), 1e-9);
    expect(held?.severity).to.equal(null);
  });
  it('is mended by a divider that was worked out, and the plan is clean', () => {
    const bad = sensor(linear(0, 5), { outputHigh: figure('share', { max: 1 }) });
    const { circuit, verdict, broken } = judge(build(bad, need(0, 100, 5), 'v3.high'));
    const finding = broken('level/over-voltage')[0];
    if (!finding) throw new Error('not found');
    const one = proposeRemedies(circuit, verdict, finding.result, library).find(({ id }) => id.startsWith('divider:'));
    expect(one?.brings.filter(({ severity }) => severity !== 'note')).to.deep.equal([]);
    expect(one?.ends).to.include.members([finding.key, 'analog/range|s.port.out|need']);
  });
  it('only notes it of a part of which nothing is wanted', () =>
    expect(judge(build(sensor(linear(0, 5)), null, 'v3.high')).broken('analog/range')[0]?.severity).to.equal('note'));
});

describe('analog/source', () => {
  const limit = { sourceResistance: figure('Ω', { max: 10e3 }) };
  const with_ = (ohms: number) =>
    judge(build(sensor(linear(0, 3), { outputResistance: exactly('Ω', ohms) }), need(0, 100), 'v3.out', [], limit)).of(
      'analog/source',
    )[0];
  it('cautions above what the converter takes, and holds exactly at it', () => {
    expect([with_(10e3)?.severity, with_(10e3)?.margin]).to.deep.equal([null, 0]);
    expect([with_(10001)?.severity, with_(10001)?.measured]).to.deep.equal(['caution', 10001]);
  });
  it('of a divider sees both resistors side by side: 47 kΩ || 47 kΩ, each 5 % high', () => {
    const [found] = judge(build(sensor(linear(0, 5)), need(0, 100), 'v3.high', [divider(47e3, 47e3)], limit)).broken(
      'analog/source',
    );
    expect(found?.measured).to.be.closeTo((47e3 * 1.05) / 2, 1e-6);
  });
  it('says nothing where nothing is known', () =>
    expect(judge(build(sensor(linear(0, 3)), need(0, 100), 'v3.out')).of('analog/source')).to.deep.equal([]));
});

describe('analog/resolution', () => {
  // Half a step of 3.3 V ÷ 1024 on 10 mV a degree: 0.161 °C.
  const half = 3.3 / 1024 / 2 / 0.01;
  const wants = (accuracy: number) =>
    judge(build(sensor(linear(0, 1)), need(0, 100, accuracy), 'v3.out', [], { reference: exactly('V', 3.3) })).of(
      'analog/resolution',
    )[0];
  it('is half a step where nothing else is off', () => {
    expect(wants(1)?.measured).to.be.closeTo(half, 1e-9);
    expect(wants(half)?.severity).to.equal(null);
    expect(wants(half * 0.999)?.severity).to.equal('fault');
  });
  it('adds converter, reference and divider at their worst', () => {
    const off = {
      error: exactly('share', 0.01),
      reference: figure('V', { min: 3.234, typ: 3.3, max: 3.366 }),
      follows: undefined,
    };
    const [found] = judge(build(sensor(linear(0, 5)), need(0, 100, 0.1), 'v3.high', [divider(10e3, 10e3)], off)).broken(
      'analog/resolution',
    );
    // 25 mV a degree behind the divider; at 100 °C 2.5 V. Steps 3.3/1024/2; converter 33 mV; reference 2 % of 2.5 V;
    // divider ±0.025 of 0.5, so 5 % of 2.5 V.
    const volts = 3.3 / 1024 / 2 + 0.033 + 0.02 * 2.5 + 0.05 * 2.5;
    expect(found?.measured).to.be.closeTo(volts / 0.025, 1e-6);
  });
});

describe('analog/divider', () => {
  const bead = sensor(
    { kind: 'beta', r25: exactly('Ω', 10e3), beta: exactly('K', 3950), dissipation: exactly('W/K', 1.5e-3) },
    {},
    false,
  );
  it('finds a bare thermistor without its resistor, and offers the most even one', () => {
    const { circuit, verdict, broken } = judge(build(bead, need(4, 18, 5), null));
    const [found] = broken('analog/divider');
    expect(found?.severity).to.equal('fault');
    if (!found) return;
    const [first] = proposeRemedies(circuit, verdict, found.result, library);
    const helper = first?.plan.helpers.find(({ kind }) => kind === 'fixed');
    expect(helper).to.include({ kind: 'fixed', to: 'v3.out' });
    // 14 kΩ to 27 kΩ over the range: the best E12 values lie between.
    expect(helper && 'ohms' in helper ? helper.ohms : 0).to.be.within(10e3, 27e3);
  });
  it('cautions about a resistor that leaves half of the range flat', () => {
    expect(judge(build(bead, need(-20, 80, 5), null, [fixed(100e3)])).broken('analog/divider')[0]?.severity).to.equal(
      'caution',
    );
    expect(judge(build(bead, need(4, 18, 2), null, [fixed(18e3)])).broken('analog/divider')).to.deep.equal([]);
  });
  it('cautions about a current that warms it: 1 kΩ to 3.3 V', () => {
    const [found] = judge(build(bead, need(20, 30, 1), null, [fixed(4700)])).broken('analog/divider');
    // At 30 °C 8.04 kΩ under 4.465 kΩ: (3.3 ÷ 12.5 kΩ)² × 8.04 kΩ = 0.56 mW, 0.37 K; a tenth of 1 °C is wanted.
    const r = 10e3 * Math.exp(3950 * (1 / 303.15 - 1 / 298.15));
    expect(found?.measured).to.be.closeTo(((3.3 / (r + 4465)) ** 2 * r) / 1.5e-3, 1e-6);
    expect(found?.limit).to.be.closeTo(0.1, 1e-12);
  });
});
