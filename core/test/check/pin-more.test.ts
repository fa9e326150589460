import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import {
  CMOS,
  controller,
  exactly,
  figure,
  i2cBus,
  judge,
  module,
  part,
  V3,
  V5,
  type Build,
  type Json,
} from '../support/build.ts';
import { pull } from '../support/boards.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { libraryOf } from '../../src/card/library.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { documentOf } from '../../src/plan/document.ts';
import { verify } from '../../src/check/verify.ts';
import type { Judged } from '../support/build.ts';
import type { Card } from '../../src/card/card.ts';

const on = (line: string, pin: string | null) => ({ port: { lines: { [line]: { pin, locked: false } } } });
const TTL: Json = { inputHigh: figure('V', { min: 2 }), inputLow: figure('V', { max: 0.8 }) };

/** A load that a high (or low) level switches on. */
const load = (level: 'low' | 'high', more: Json = {}, card: Json = {}): Card => ({
  ...module('load', { protocol: 'digital-in', lines: { in: 'in' }, active: { level, source: 'sheet' } }, [
    { id: 'in', kind: 'input', ...CMOS, ...TTL, ...more },
  ]),
  ...card,
});
const board = (boot: Json | undefined, io: Json = {}): Card =>
  controller({ ...CMOS, weakPull: figure('Ω', { min: 30e3, max: 80e3 }), leakage: exactly('A', 0), ...io }, 12, (n) =>
    n === 2 && boot ? { boot: { source: 'sheet', ...boot } } : {},
  );
const boots = (boot: Json | undefined, device: Card, helpers: Build['helpers'] = []): Build => ({
  cards: [V3, board(boot), device],
  parts: [part('fan', 'load', { feeds: { vcc: 'v3.out' }, ports: on('in', 'p2') })],
  helpers,
});
const holds = (ohms: number): Build['helpers'] => [
  { id: 'hold', kind: 'pull-down', part: 'fan', port: 'port', line: 'in', ohms },
];

/** What one remedy leaves of danger and fault. */
function mended(judged: Judged, check: string, library: readonly Card[]): string[] {
  const [finding] = judged.broken(check);
  if (!finding) throw new Error(`${check} found nothing`);
  const all = libraryOf([...judged.circuit.cards.values(), ...library]);
  const [remedy] = proposeRemedies(judged.circuit, judged.verdict, finding.result, all);
  if (!remedy) throw new Error(`${check} has no remedy`);
  const after = verify(deriveCircuit(documentOf(remedy.plan, judged.circuit.cards.values(), all)));
  return [
    say(remedy.title),
    ...after.findings.filter(({ severity }) => severity === 'danger' || severity === 'fault').map((r) => r.check),
  ];
}

describe('pin/boot-state', () => {
  it('finds a load whose input floats at the start, and holds it with a resistor', () => {
    const judged = judge(boots(undefined, load('high')));
    const [found] = judged.broken('pin/boot-state');
    expect(found?.severity).to.equal('fault');
    expect(say(found?.message)).to.equal(
      'Nothing holds mcu P2 while the controller starts; fan may switch on by itself.',
    );
    expect(mended(judged, 'pin/boot-state', [])).to.deep.equal(['Hold fan off at the start with 10 kΩ to ground']);
  });
  it('is a danger where mains hangs on it', () => {
    const lamp = load('high', {}, { cautions: [{ hazard: 'mains', says: 'Mains.', source: 'sheet' }] });
    expect(judge(boots(undefined, lamp)).broken('pin/boot-state')[0]?.severity).to.equal('danger');
  });
  it('passes one with a resistor to ground on it', () => {
    const held = load('high', { fittedPullDown: exactly('Ω', 10e3) });
    expect(judge(boots(undefined, held)).broken('pin/boot-state')).to.deep.equal([]);
  });
  it('finds a pin that goes high or gives pulses by itself, whatever hangs on it', () => {
    for (const drives of ['high', 'pulses'])
      expect(judge(boots({ drives }, load('high'), holds(10e3))).broken('pin/boot-state')).to.have.length(1);
    expect(judge(boots({ drives: 'low' }, load('high'))).broken('pin/boot-state')).to.deep.equal([]);
    expect(judge(boots({ drives: 'high' }, load('low'))).broken('pin/boot-state')).to.deep.equal([]);
  });
  it('divides the pin’s own pull-up by the resistor to ground, at the worst of both', () => {
    // 3.3 V × 10.5 kΩ ÷ (10.5 kΩ + 30 kΩ) = 0.8556 V, above the 0.8 V of the input.
    const [found] = judge(boots({ drives: 'nothing', pull: 'up' }, load('high'), holds(10e3))).of('pin/boot-state');
    expect(found?.measured).to.be.closeTo((3.3 * 10.5) / 40.5, 1e-9);
    expect(found?.severity).to.equal('fault');
  });
  it('changes exactly at the threshold', () => {
    // R ÷ (R + 30 kΩ) × 3.3 V = 0.8 V at R = 9.6 kΩ; the resistor’s 5 % put its nominal value at 9142.86 Ω.
    const at = 9600 / 1.05;
    const severity = (ohms: number) =>
      judge(boots({ drives: 'nothing', pull: 'up' }, load('high'), holds(ohms))).of('pin/boot-state')[0]?.severity;
    expect([severity(at - 1), severity(at + 1)]).to.deep.equal([null, 'fault']);
  });
  it('holds what low switches on with a resistor to the supply', () => {
    const judged = judge(boots({ drives: 'nothing', pull: 'down' }, load('low')));
    expect(mended(judged, 'pin/boot-state', [])[0]).to.match(/^Hold fan off at the start with .* to the supply$/);
  });
});

describe('pin/current', () => {
  const lamp = module(
    'lamp',
    { protocol: 'led', lines: { anode: 'a' }, forward: { voltage: exactly('V', 2), current: exactly('A', 0.02) } },
    [{ id: 'a', kind: 'led' }],
  );
  const grouped = (limit: number): Card => {
    const mcu = controller();
    if (!mcu.controller) throw new Error('no controller');
    const all = { id: 'all', name: 'All pins', limit: { min: limit, unit: 'A' as const, source: 'sheet' } };
    return { ...mcu, controller: { ...mcu.controller, currentGroups: [all] } };
  };
  const lights = (limit: number, count: number): Build => ({
    cards: [V3, grouped(limit), lamp],
    parts: Array.from({ length: count }, (_, n) =>
      part(`l${n}`, 'lamp', { feeds: { vcc: 'v3.out' }, ports: on('anode', `p${n + 2}`) }),
    ),
    helpers: Array.from({ length: count }, (_, n) => ({
      id: `r${n}`,
      kind: 'series' as const,
      part: `l${n}`,
      port: 'port',
      line: 'anode',
      ohms: 100,
    })),
  });
  // (3.3 V − 2 V) ÷ (100 Ω × 0.95) = 13.684 mA each.
  const each = 1.3 / 95;

  it('adds the lights of a group and holds them against its limit × 0.8', () => {
    const [found] = judge(lights(0.05, 3)).broken('pin/current');
    expect(found?.measured).to.be.closeTo(3 * each, 1e-9);
    expect(found?.limit).to.be.closeTo(0.04, 1e-12);
    expect(found?.severity).to.equal('fault');
    expect(judge(lights(0.05, 2)).broken('pin/current')).to.deep.equal([]);
  });
  it('changes exactly at the limit, and is a danger above the unreduced one', () => {
    const severity = (limit: number) => judge(lights(limit, 2)).of('pin/current')[0]?.severity;
    expect([severity((2 * each) / 0.8 + 1e-6), severity((2 * each) / 0.8 - 1e-6)]).to.deep.equal([null, 'fault']);
    expect(severity(2 * each - 1e-6)).to.equal('danger');
  });
  it('comes clean with larger resistors', () => {
    expect(mended(judge(lights(0.05, 3)), 'pin/current', [])).to.have.length(1);
  });
  it('counts what a pin takes from pull-ups on both sides of a translator', () => {
    const sw = module('sw', { protocol: 'pulse', lines: { data: 'd' } }, [{ id: 'd', kind: 'open-drain', ...CMOS }]);
    const at = (ohms: number) =>
      judge({
        cards: [V3, controller(), sw],
        parts: [part('one', 'sw', { ports: on('data', 'p4') })],
        helpers: [pull('data', ohms, 'v3.out', 'one.port')],
      }).of('pin/current')[0];
    // 3.3 V ÷ (150 Ω × 0.95) = 23.2 mA: above the recommended 20 mA, below the absolute 40 mA.
    expect(at(150)?.measured).to.be.closeTo(3.3 / 142.5, 1e-9);
    expect([at(4700)?.severity, at(150)?.severity, at(82)?.severity]).to.deep.equal([null, 'caution', 'danger']);
  });
});

describe('pin/unit-conflict', () => {
  const analog = module('ana', { protocol: 'analog', lines: { out: 'o' } }, [{ id: 'o', kind: 'analog-out' }]);
  const pwm = (id: string, from: number, to: number) =>
    module(id, { protocol: 'pwm', lines: { in: 'i' }, frequency: figure('Hz', { min: from, max: to }) }, [
      { id: 'i', kind: 'input', ...CMOS },
    ]);
  const shared = (more: Json, functions: (n: number) => string[]): Card => {
    const mcu = controller(CMOS, 12, (n) => ({ functions: functions(n) }));
    if (!mcu.controller) throw new Error('no controller');
    return { ...mcu, controller: { ...mcu.controller, matrix: [], ...more } };
  };
  const radio = shared(
    { features: [{ id: 'radio', name: 'radio', takes: ['adc2'], meaning: 'It needs it.', source: 'sheet' }] },
    (n) => (n === 5 ? ['in', 'adc2.0'] : n === 6 ? ['in', 'adc1.0'] : ['in', 'out']),
  );
  const sensor = (pin: string, plan: Build['plan'] = {}): Build => ({
    cards: [V3, radio, analog],
    parts: [part('one', 'ana', { feeds: { vcc: 'v3.out' }, ports: on('out', pin) })],
    plan,
  });

  it('finds an analog line on the converter that the radio takes', () => {
    const judged = judge(sensor('p5'));
    expect(say(judged.broken('pin/unit-conflict')[0]?.message)).to.equal(
      'one is on P5, whose converter the radio takes. It needs it.',
    );
    expect(mended(judged, 'pin/unit-conflict', [])).to.deep.equal(['Move one to P6']);
  });
  it('passes it on the other converter, and where the radio stays off', () => {
    expect(judge(sensor('p6')).broken('pin/unit-conflict')).to.deep.equal([]);
    expect(judge(sensor('p5', { unused: ['radio'] })).broken('pin/unit-conflict')).to.deep.equal([]);
  });

  const timers = shared(
    {
      pwmGroups: [
        { id: 't0', name: 'timer 0', channels: ['pwm0', 'pwm1'], source: 'sheet' },
        { id: 't1', name: 'timer 1', channels: ['pwm2'], fixed: exactly('Hz', 976), source: 'sheet' },
      ],
    },
    (n) => ['in', 'out', ...([['pwm0'], ['pwm1'], ['pwm0'], ['pwm2'], ['pwm3']][n - 2] ?? [])],
  );
  const loads = (a: [number, number, string], b: [number, number, string] | null): Build => ({
    cards: [V3, timers, pwm('a', a[0], a[1]), ...(b ? [pwm('b', b[0], b[1])] : [])],
    parts: [part('fan', 'a', { ports: on('in', a[2]) }), ...(b ? [part('horn', 'b', { ports: on('in', b[2]) })] : [])],
  });
  const found = (build: Build) =>
    judge(build)
      .broken('pin/unit-conflict')
      .map(({ message }) => say(message));

  it('finds two frequencies on one counter, and passes two that agree', () => {
    expect(found(loads([21e3, 28e3, 'p2'], [2e3, 5e3, 'p3']))).to.deep.equal([
      'fan and horn run from timer 0, which has one frequency; no frequency suits all of them.',
    ]);
    expect(found(loads([1e3, 3e3, 'p2'], [2e3, 5e3, 'p3']))).to.deep.equal([]);
    expect(found(loads([21e3, 28e3, 'p2'], [2e3, 5e3, 'p6']))).to.deep.equal([]);
  });
  it('meets at the end of both ranges', () => {
    expect(found(loads([1e3, 2e3, 'p2'], [2e3, 5e3, 'p3']))).to.deep.equal([]);
    expect(found(loads([1e3, 1999, 'p2'], [2e3, 5e3, 'p3']))).to.have.length(1);
  });
  it('finds a counter that the system needs at another frequency', () => {
    expect(found(loads([2e3, 5e3, 'p5'], null))).to.have.length(1);
    expect(found(loads([500, 5e3, 'p5'], null))).to.deep.equal([]);
  });
  it('finds two lines on pins of one channel', () => {
    expect(found(loads([1e3, 3e3, 'p2'], [2e3, 5e3, 'p4']))[0]).to.equal(
      'fan and horn are on pins of one PWM channel (pwm0); both would always do the same.',
    );
  });
  it('finds two buses on one peripheral', () => {
    const one = shared({}, (n) => ['in', 'out', n % 2 === 0 ? 'i2c0.sda' : 'i2c0.scl']);
    const twin = module('t', { protocol: 'i2c', lines: { sda: 'sda', scl: 'scl' } }, [
      { id: 'sda', kind: 'open-drain', ...CMOS },
      { id: 'scl', kind: 'open-drain', ...CMOS },
    ]);
    const second = {
      ...i2cBus(),
      id: 'second',
      name: 'second',
      lines: { sda: { pin: 'p2', locked: false }, scl: { pin: 'p3', locked: false } },
    };
    const judged = judge({
      cards: [V3, V5, one, twin],
      parts: [
        part('a', 't', { ports: { port: { bus: 'bus' } } }),
        part('b', 't', { ports: { port: { bus: 'second' } } }),
      ],
      buses: [i2cBus(), second],
    });
    expect(judged.broken('pin/unit-conflict').map(({ message }) => say(message))).to.deep.equal([
      'second has no peripheral of its own: those of its pins serve bus.',
    ]);
  });
});

describe('pin/capability, more', () => {
  const sw = module('sw', { protocol: 'switch', lines: { contact: 'c' } }, [{ id: 'c', kind: 'switch' }]);
  const pulse = module(
    'pulse',
    { protocol: 'switch', lines: { contact: 'c' }, interrupts: { lines: ['contact'], source: 'sheet' } },
    [{ id: 'c', kind: 'switch' }],
  );
  const some = controller({ ...CMOS, weakPull: figure('Ω', { min: 30e3, max: 80e3 }) }, 12, (n) =>
    n === 2 ? { functions: ['in'], noPull: { source: 'sheet' } } : n === 3 ? { functions: ['in', 'irq'] } : {},
  );
  const at = (card: Card, pin: string, weakPull: boolean) =>
    judge({
      cards: [V3, some, card],
      parts: [part('door', card.id, { ports: { port: { lines: { contact: { pin, locked: false, weakPull } } } } })],
    }).broken('pin/capability');

  it('finds a line that relies on the pull of a pin that has none', () => {
    expect(say(at(sw, 'p2', true)[0]?.message)).to.equal(
      'door relies on the pull of P2, which has none; a resistor or another pin is needed.',
    );
    expect([at(sw, 'p2', false), at(sw, 'p4', true)]).to.deep.equal([[], []]);
  });
  it('wants an interrupt where every edge counts', () => {
    expect(say(at(pulse, 'p4', false)[0]?.message)).to.equal('door needs an interrupt input; P4 cannot be one.');
    expect(at(pulse, 'p3', false)).to.deep.equal([]);
  });
});
