/** Corners that the first proofs left out, each with its sum by hand. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { libraryOf } from '../../src/card/library.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { pullUpWindow } from '../../src/physics/pull-up-window.ts';
import { weakestSink } from '../../src/physics/sink.ts';
import { sinkAt } from '../../src/standard/bus-timing.ts';
import { DEFAULT_RULES } from '../../src/plan/default-rules.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import { busBuild, input, onBus, pinned, pull, TWO_RAILS } from '../support/boards.ts';
import {
  card,
  CMOS,
  controller,
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
  V5,
  type Build,
  type Json,
} from '../support/build.ts';
import { netlistOf } from '../../src/circuit/netlist.ts';
import { load } from '../support/power-build.ts';

const assortment = (tolerance: number): Card =>
  card('box', {
    kind: 'resistor',
    assortment: { series: 'E24', each: 5, from: 10, to: 1e6, tolerance, source: 'sheet' },
  });

const thermistor = (between?: Json): Card =>
  card('bead', {
    terminals: terminals('gnd', 'end'),
    signals: [{ id: 'end', terminal: 'end', kind: 'passive' }],
    ports: [{ id: 'port', protocol: 'analog', lines: { out: 'end' } }],
    measures: [
      {
        quantity: 'air temperature',
        unit: '°C',
        range: { from: -40, to: 100, source: 'sheet' },
        accuracy: [{ from: -40, to: 100, error: 0, source: 'sheet' }],
        analog: {
          kind: 'beta',
          signal: 'end',
          r25: exactly('Ω', 10e3),
          beta: exactly('K', 3950),
          ...(between ? { between } : {}),
        },
      },
    ],
  });
const converter = controller({ ...CMOS, leakage: exactly('A', 0) }, 4, () => ({ functions: ['in', 'out', 'adc1.0'] }));
const adcBoard = card('mcu', {
  ...(converter as unknown as Json),
  controller: {
    ...converter.controller,
    adc: { bits: 12, reference: exactly('V', 3.3), error: exactly('share', 0), follows: 'vcc' },
  },
});
const fixedTo = (to: string, ohms = 10e3): Helper => ({
  id: 'fix',
  kind: 'fixed',
  part: 'bead',
  port: 'port',
  line: 'out',
  to,
  ohms,
});
const sensed = (to: string, from: number, upTo: number, more: Partial<Build> = {}, between?: Json): Build => ({
  cards: [TWO_RAILS, adcBoard, thermistor(between)],
  parts: [part('bead', 'bead', { needs: ['t'], ports: pinned('out') })],
  helpers: [fixedTo(to)],
  plan: {
    needs: [
      {
        id: 't',
        kind: 'sense',
        quantity: 'air temperature',
        unit: '°C',
        from,
        to: upTo,
        accuracy: 5,
        interval: 60,
        place: 'here',
      },
    ],
  },
  ...more,
});

describe('a fixed resistor to a rail', () => {
  it('lifts its pin to that rail while the part is unplugged: 5 V where 3.3 + 0.3 V may be', () => {
    const judged = judge(sensed('v3.high', 0, 50));
    const [found] = judged.broken('level/over-voltage');
    expect(found).to.include({ severity: 'danger', measured: 5 });
    expect(found?.limit).to.be.closeTo(3.6, 1e-9);
    expect(say(found?.message)).to.match(/^The fixed resistor fix can lift .* to 5 V/);
    if (!found) throw new Error('nothing found');
    const remedies = proposeRemedies(
      judged.circuit,
      judged.verdict,
      found.result,
      libraryOf(judged.circuit.cards.values()),
    );
    expect(remedies.map(({ title }) => say(title))).to.deep.equal(['Take the resistor of bead to the 3.3 V of v3']);
  });
  it('holds on the rail of the pin', () =>
    expect(judge(sensed('v3.out', 0, 50)).broken('level/over-voltage')).to.deep.equal([]));
  it('feeds a pin whose controller is off from another source: (5 − 0.6) V ÷ 9.5 kΩ, a caution', () => {
    const judged = judge({
      ...sensed('v5.out', 0, 50),
      cards: [V3, source5('v5', 3.3), adcBoard, thermistor()],
    });
    const [found] = judged.broken('level/unpowered');
    expect(found?.severity).to.equal('caution');
    expect(found?.workings.find(({ name }) => name.startsWith('current'))?.value).to.be.closeTo(2.7 / 9500, 1e-9);
  });
  it('counts at its tolerance at the pin: 25 °C gives 10 ÷ (10 + 9.5) of the rail, of 1 % 10 ÷ (10 + 9.9)', () => {
    const high = (box: number | null): number | null | undefined =>
      judge({
        ...sensed('v3.out', 25, 30),
        ...(box === null ? {} : { cards: [TWO_RAILS, adcBoard, thermistor(), assortment(box)] }),
        plan: { ...sensed('v3.out', 25, 30).plan, resistors: box === null ? null : 'box' },
      }).of('analog/range')[0]?.measured;
    expect(high(null)).to.be.closeTo((3.3 * 10) / 19.5, 1e-6);
    expect(high(0.01)).to.be.closeTo((3.3 * 10) / 19.9, 1e-6);
  });
});

describe('a thermistor by its constant B', () => {
  const formula = (from: number, to: number, between?: Json): number | undefined =>
    judge(sensed('v3.out', from, to, {}, between))
      .of('need/accuracy')[0]
      ?.workings.find(({ name }) => name.includes('the formula itself'))?.value;
  // From memory, resistance tables of the class beside the formula with B 25/85: 0.8 K at 0 °C, 1.5 K at -20 °C.
  it('is off by itself where B does not hold: 0.8 K at 0 °C, 1.5 K at −20 °C', () => {
    expect(formula(0, 0.001)).to.be.closeTo(0.8, 0.03);
    expect(formula(-20, -19.999)).to.be.closeTo(1.5, 0.03);
  });
  it('is not between the two temperatures that B was taken at', () => {
    expect(formula(25, 85)).to.equal(undefined);
    expect(formula(0, 50, { from: 0, to: 50 })).to.equal(undefined);
  });
});

describe('what a sink holds', () => {
  it('is 0.4 V at 3 mA where nothing is said, whatever the clock, and 0.2 × VDD at 2 mA at 2 V and below', () => {
    // UM10204 table 10 (from memory): V_OL1 0.4 V at 3 mA above 2 V, V_OL2 0.2 × VDD at 2 mA at 2 V or less.
    expect(sinkAt(3.3, null)).to.deep.equal({ volts: 0.4, amps: 3e-3 });
    expect(sinkAt(2.001, null).volts).to.equal(0.4);
    expect(sinkAt(2, null)).to.deep.equal({ volts: 0.4, amps: 2e-3 });
    expect(sinkAt(1.8, null).volts).to.be.closeTo(0.36, 1e-12);
    expect(sinkAt(1.8, 6e-3).amps).to.be.closeTo(4e-3, 1e-12);
  });
  const fast = (sink: Json, pulled: number): Build =>
    busBuild([i2cModule('m', [0x40], sink)], [onBus('m')], {
      cards: [
        TWO_RAILS,
        controller({ ...CMOS, sinkCurrent: figure('A', { min: 0.02 }) }),
        i2cModule('m', [0x40], sink),
      ],
      buses: [i2cBus(1e6)],
      helpers: [pull('sda', pulled), pull('scl', pulled)],
    });
  it('is 3 mA on a bus of 1 MHz with a part that says nothing: (3.3 − 0.4) ÷ 3 mA is 967 Ω', () => {
    const [found] = judge(fast({ sinkCurrent: undefined }, 680)).broken('bus/pull-up-strong');
    expect(found?.limit).to.be.closeTo(966.67, 0.01);
    expect(judge(fast({ sinkCurrent: figure('A', { min: 0.02 }) }, 680)).broken('bus/pull-up-strong')).to.deep.equal(
      [],
    );
  });
  it('is the same for the resistor that is proposed', () => {
    for (const sink of [undefined, figure('A', { min: 0.006 }), figure('A', { min: 0.002 })]) {
      const { circuit, of } = judge(fast({ sinkCurrent: sink }, 2200));
      const net = circuit.nets.find(({ line }) => line === 'sda');
      if (!net) throw new Error('no bus');
      const window = pullUpWindow(net, 3.3, DEFAULT_RULES);
      expect(window.min * 0.95).to.be.closeTo(of('bus/pull-up-strong')[0]?.limit ?? 0, 1e-6);
      expect(weakestSink(net, 3.3).amps).to.equal(sink === undefined ? 3e-3 : Number(sink.min));
    }
  });
  it('gives a low of 0.36 V on 1.8 V to a part that takes 0.3 × VDD', () => {
    const bare = (id: string): Card => i2cModule(id, [0x40], { outputLow: undefined });
    const [found] = judge({
      cards: [source5('v3', 1.8), controller({ ...CMOS, outputLow: undefined }), bare('m')],
      parts: [onBus('m')],
      buses: [i2cBus()],
      helpers: [pull('sda', 4700), pull('scl', 4700)],
    }).of('level/low');
    expect(found?.measured).to.be.closeTo(0.36, 1e-12);
    expect(found?.limit).to.be.closeTo(0.54, 1e-12);
  });
});

describe('a level and what it is held against, on one rail', () => {
  const strapped = (level: 'high' | 'low', helper: Helper, rail: Card, io: Json = {}): Build => ({
    cards: [
      rail,
      controller({ ...CMOS, leakage: exactly('A', 0), ...io }, 6, (n) =>
        n === 2 ? { strap: { level, meaning: 'It does not start.', source: 'sheet' } } : {},
      ),
      module('s', { protocol: 'digital-out', lines: { out: 'out1' } }, [
        { id: 'out1', kind: 'open-drain', leakage: exactly('A', 10e-6), ...CMOS },
      ]),
    ],
    parts: [part('s', 's', { feeds: { vcc: 'v3.out' }, ports: pinned('out') })],
    helpers: [helper],
  });
  const up: Helper = pull('out', 10e3, 'v3.out', 's.port', 'up');
  // 3.0 to 3.6 V, 10 µA through 10.5 kΩ lose 0.105 V: at 3.0 V 2.895 V are left of the 2.25 V that 0.75 × VDD asks.
  it('moves together while the controller starts: 2.895 V against 0.75 × 3 V, not against 0.75 × 3.6 V', () => {
    const [found] = judge(
      strapped('high', up, source5('v3', 3, 3.6), { inputHigh: figure('share', { min: 0.75 }) }),
    ).of('pin/strap');
    expect(found?.severity).to.equal(null);
    expect(found?.measured).to.be.closeTo(2.895, 1e-9);
    expect(found?.limit).to.be.closeTo(2.25, 1e-9);
  });
  it('is still found where it does not hold at either end', () => {
    const [found] = judge(
      strapped('high', up, source5('v3', 3, 3.6), { inputHigh: figure('share', { min: 0.97 }) }),
    ).broken('pin/strap');
    expect(found?.limit).to.be.closeTo(0.97 * 3, 1e-9);
  });
});

describe('an input that is off behind a resistor', () => {
  const lines = (ohms: number | null): Build => ({
    cards: [V3, V5, controller(CMOS), input('in')],
    parts: [part('in', 'in', { feeds: { vcc: 'v5.out' }, ports: pinned('in') })],
    helpers: ohms === null ? [] : [{ id: 'ser', kind: 'series', part: 'in', port: 'port', line: 'in', ohms }],
  });
  it('is danger without one, nothing where (3.3 − 0.6) V ÷ 0.95 R is a milliampere or less', () => {
    const found = (ohms: number | null) =>
      judge(lines(ohms))
        .of('level/unpowered')
        .find(({ subjects }) => subjects[0] === 'in.in');
    expect(found(null)?.severity).to.equal('danger');
    // 2.7 V ÷ 1 mA ÷ 0.95 = 2842 Ω.
    expect(found(2850)?.severity).to.equal(null);
    expect(found(2850)).to.include({ limit: 1e-3, unit: 'A' });
    expect(found(2830)?.severity).to.equal('caution');
  });
});

describe('millivolts past a limit', () => {
  const lifted = (own: number): Build => ({
    cards: [source5('v3', 3.3), source5('v5', own), controller(CMOS), input('in')],
    parts: [part('in', 'in', { feeds: { vcc: 'v5.out' }, ports: pinned('in') })],
  });
  const grade = (own: number) =>
    judge(lifted(own))
      .of('level/over-voltage')
      .find(({ subjects }) => subjects[0] === 'in.in')?.severity;
  it('are a caution up to 0.4 V above the supply, at which a diode carries less than a microampere, and danger beyond', () => {
    expect(grade(3.0)).to.equal(null);
    expect(grade(2.95)).to.equal('caution');
    expect(grade(2.901)).to.equal('caution');
    expect(grade(2.899)).to.equal('danger');
  });
  it('are danger on a part without such a diode', () => {
    const judged = judge({
      ...lifted(2.95),
      cards: [V3, source5('v5', 3), controller(CMOS), input('in', { absoluteMax: figure('V', { max: 3.25 }) })],
    });
    expect(judged.broken('level/over-voltage')[0]?.severity).to.equal('danger');
  });
});

describe('drive/diode', () => {
  const rated = (amps: number, volts: number): Card =>
    card('d', {
      kind: 'diode',
      diode: { current: exactly('A', amps), reverse: exactly('V', volts), drop: figure('V', { max: 0.5 }) },
    });
  const fed = (diode: Card, amps: number): Build => ({
    cards: [V5, load('x', amps), diode],
    parts: [part('x', 'x', { feeds: { vcc: 'v5.out' } })],
    helpers: [{ id: 'g', kind: 'guard', part: 'x', supply: 'vcc', rail: 'v5.out', card: 'd' }],
  });
  const of = (build: Build) => judge(build).of('drive/diode')[0];
  it('carries 0.8 A of a diode of 1 A, and no more', () => {
    expect(of(fed(rated(1, 50), 0.8))?.severity).to.equal(null);
    expect(of(fed(rated(1, 50), 0.81))).to.include({ severity: 'fault', limit: 0.8, measured: 0.81 });
  });
  it('blocks what the rail has: 5 V, not 4', () => {
    expect(of(fed(rated(1, 5), 0.1))?.severity).to.equal(null);
    expect(of(fed(rated(1, 4), 0.1))).to.include({ severity: 'fault', limit: 4, measured: 5 });
  });
  it('is assumed to be of 1 A where its card is silent, and says so', () => {
    const silent = card('d', { kind: 'diode' });
    expect(of(fed(silent, 0.8))).to.include({ severity: null, evidence: 'assumed' });
    expect(of(fed(silent, 0.9))?.severity).to.equal('fault');
  });
  it('takes what its card says from the feed: 5 V − 0.5 V', () => {
    const { circuit } = judge(fed(rated(1, 50), 0));
    expect(circuit.feeds.get('x.vcc')?.voltage?.min).to.be.closeTo(4.5, 1e-9);
  });
});

describe('a capacitor at the pin', () => {
  // 12 bits × 14 pF: 2^12 × 14 pF = 57.3 nF give the converter its sample within a step.
  const seen = (farads: number | null): Build => ({
    ...sensed('v3.out', 25, 30),
    cards: [TWO_RAILS, strict, thermistor(), box],
    helpers: [
      fixedTo('v3.out', 100e3),
      ...(farads === null
        ? []
        : [{ id: 'c', kind: 'filter' as const, part: 'bead', port: 'port', line: 'out', farads, card: 'cap' }]),
    ],
  });
  const box = card('cap', { kind: 'capacitor', capacitor: { farads: 100e-9, polar: false, source: 'sheet' } });
  const strict = card('mcu', {
    ...(adcBoard as unknown as Json),
    controller: {
      ...adcBoard.controller,
      adc: { ...adcBoard.controller?.adc, sourceResistance: figure('Ω', { max: 1000 }) },
    },
  });
  it('clears the source resistance that it is recommended for, from 57.3 nF on', () => {
    expect(judge(seen(null)).of('analog/source')[0]?.severity).to.equal('caution');
    expect(judge(seen(57.3e-9)).of('analog/source')[0]?.severity).to.equal('caution');
    expect(judge(seen(57.4e-9)).of('analog/source')[0]).to.include({ severity: null, unit: 'F' });
  });
  it('is what is proposed, and stands between the pin and ground', () => {
    const judged = judge(seen(null));
    const [found] = judged.broken('analog/source');
    if (!found) throw new Error('nothing found');
    const [remedy] = proposeRemedies(judged.circuit, judged.verdict, found.result, libraryOf([box]));
    expect(say(remedy?.title)).to.equal('Put 100 nF from the pin of bead to ground');
    const { circuit } = judge(seen(100e-9));
    const legs = netlistOf(circuit).twoTerminals.find(({ id }) => id === 'c')?.legs;
    expect(legs).to.deep.equal(['bead.port.out', 'ground']);
  });
});
