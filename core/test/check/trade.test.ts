/** What a reviewer of sensor builds looks for, each beside a worked value from a standard, a handbook or common practice. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { libraryOf } from '../../src/card/library.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { sunRise } from '../../src/physics/sun.ts';
import { rateError } from '../../src/standard/serial.ts';
import { fusingCurrent, gaugeCurrent, gaugeResistance } from '../../src/standard/wire-gauge.ts';
import { SPRING_CURRENT } from '../../src/standard/common-practice.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import type { PartChoice, Place, Plan, SenseNeed } from '../../src/plan/plan.ts';
import { cableRun } from '../../src/circuit/cable.ts';
import { netlistOf } from '../../src/circuit/netlist.ts';
import { library } from '../support/demo.ts';
import { busBuild, input, onBus, output, pinned, TWO_RAILS } from '../support/boards.ts';
import {
  card,
  CMOS,
  controller,
  exactly,
  figure,
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
  type Judged,
  revised,
} from '../support/build.ts';
import { cells, load } from '../support/power-build.ts';

const one = (build: Build, check: string) => judge(build).of(check)[0];
const grade = (build: Build, check: string) => one(build, check)?.severity;
/** What the first remedy of a finding is called, tried on the cards of the build and some more. */
function mends(judged: Judged, check: string, more: readonly Card[] = []): string[] {
  const [finding] = judged.broken(check);
  if (!finding) throw new Error(`${check} found nothing`);
  const all = libraryOf([...judged.circuit.cards.values(), ...more]);
  return proposeRemedies(judged.circuit, judged.verdict, finding.result, all).map(({ title }) => say(title));
}
const fedBy = (rail: string, more: Partial<PartChoice> = {}): PartChoice =>
  part('x', 'x', { feeds: { vcc: rail }, ...more });
const across = (farads: number, of = 'x', id = 'c'): Helper => ({
  id,
  kind: 'capacitor',
  part: of,
  supply: 'vcc',
  farads,
  polar: true,
  card: 'cap',
});
const CAP = card('cap', { kind: 'capacitor', capacitor: { farads: 1e-3, polar: true, source: 'sheet' } });
const BOARD = card('bread', { kind: 'board', board: { rows: 30, pairs: 2, split: false, source: 'sheet' } });
const place = (more: Partial<Place>): Place => ({ name: 'yard', water: 'dry', outdoors: true, closed: false, ...more });
const need = (quantity: string, more: Partial<SenseNeed> = {}): SenseNeed => ({
  id: 'n',
  kind: 'sense',
  quantity,
  unit: '°C',
  from: 0,
  to: 50,
  accuracy: 1,
  interval: 60,
  place: 'yard',
  ...more,
});
const withRules = (more: Partial<Plan>): Partial<Plan> => more;

describe('supply/contacts', () => {
  const build = (amps: number, gauge?: number): Build => ({
    cards: [V5, load('x', amps), BOARD],
    parts: [fedBy('v5.out', { lead: 1, ...(gauge ? { gauge } : {}) })],
    plan: { boards: ['bread'] },
  });
  it('adds four contacts of 50 mΩ to what a feed loses: 0.5 A × (2 × 1 m × 0.213 Ω/m + 0.2 Ω)', () => {
    const feed = judge(build(0.5)).circuit.feeds.get('x.vcc');
    expect(feed?.drop).to.be.closeTo(0.5 * (2 * gaugeResistance(28) + 0.2), 1e-9);
    // Without a board, or on leads too thick for a spring, nothing but the copper counts.
    expect(judge({ ...build(0.5), plan: {} }).circuit.feeds.get('x.vcc')?.drop).to.be.closeTo(
      gaugeResistance(28),
      1e-9,
    );
    expect(judge(build(0.5, 20)).circuit.feeds.get('x.vcc')?.drop).to.be.closeTo(gaugeResistance(20), 1e-9);
  });
  it('lets 1 A through a spring, and what comes on thick leads past it', () => {
    expect(grade(build(SPRING_CURRENT), 'supply/contacts')).to.equal(null);
    expect(grade(build(1.01), 'supply/contacts')).to.equal('caution');
    expect(judge(build(1.8, 18)).broken('supply/contacts')).to.deep.equal([]);
  });
  it('knows what a lead carries: gauge 28 1.4 A, gauge 22 7 A (chassis wiring, from memory)', () => {
    expect([28, 22, 18].map(gaugeCurrent)).to.deep.equal([1.4, 7, 16]);
    const hot = judge({ ...build(1.5), plan: {} }).broken('supply/contacts');
    expect(hot.map(({ severity, limit }) => [severity, limit])).to.deep.equal([['fault', 1.4]]);
  });
});

describe('supply/dip', () => {
  const gusty = load('x', 0.36, { idle: exactly('A', 0.01), duty: 0 });
  const rail = (seconds: number, farads: number): Card => ({
    ...V3,
    rails: (V3.rails ?? []).map((r) => ({
      ...r,
      reserve: { min: farads, max: farads, unit: 'F' as const, source: 'sheet' },
      response: { min: seconds, max: seconds, unit: 's' as const, source: 'sheet' },
    })),
  });
  const build = (farads: number, helpers: readonly Helper[] = [], brownOut: Json | null = exactly('V', 3.1)): Build => {
    const chip = controller();
    return {
      cards: [
        rail(100e-6, farads),
        card('mcu', {
          ...(chip as unknown as Json),
          controller: { ...chip.controller, ...(brownOut ? { brownOut } : {}) },
        }),
        gusty,
        CAP,
      ],
      parts: [fedBy('v3.out')],
      helpers,
    };
  };
  // Common practice, worked by hand: 350 mA for 100 µs over 0.2 V want 350 mA × 100 µs ÷ 0.2 V = 175 µF.
  it('wants 175 µF for 350 mA for 100 µs over 0.2 V', () => {
    const found = (farads: number) => one(build(farads), 'supply/dip');
    expect(found(175.1e-6)?.severity).to.equal(null);
    expect(found(174.9e-6)?.severity).to.equal('fault');
    expect(found(175e-6)?.measured).to.be.closeTo(3.1, 1e-6);
  });
  it('is mended by a capacitor at what takes the gust', () => {
    const judged = judge(build(100e-6));
    expect(mends(judged, 'supply/dip')).to.deep.equal(['Put a card cap across the supply of x']);
    expect(grade(build(100e-6, [across(1e-3)]), 'supply/dip')).to.equal(null);
  });
  it('is assumed, and never more than a caution, where the cards are silent', () => {
    const silent = one({ ...build(1e-6, [], null), cards: [V3, controller(), gusty] }, 'supply/dip');
    // 470 µF and 100 µs are usual for a source: 74 mV.
    expect(silent).to.include({ severity: null, evidence: 'assumed' });
    expect(silent?.measured).to.be.closeTo(3.3 - (0.35 * 100e-6) / 470e-6, 1e-9);
    const weak = build(1e-6, [], null);
    expect(grade(weak, 'supply/dip')).to.equal('caution');
  });
});

describe('supply/stays-on', () => {
  const bank: Card = {
    ...V5,
    rails: (V5.rails ?? []).map((r) => ({
      ...r,
      staysOn: { typ: 0.05, max: 0.08, unit: 'A' as const, source: 'sheet' },
    })),
  };
  const at = (amps: number) => one({ cards: [bank, load('x', amps)], parts: [fedBy('v5.out')] }, 'supply/stays-on');
  it('switches itself off below 50 to 100 mA (common practice): 80 mA of this card', () => {
    expect(at(0.08)?.severity).to.equal(null);
    expect(at(0.079)).to.include({ severity: 'fault', limit: 0.08 });
  });
  it('counts what flows between two pieces of work', () => {
    const asleep = load('x', 0.5, { idle: exactly('A', 0.001), busy: exactly('s', 1) });
    const build: Build = {
      cards: [bank, asleep],
      parts: [fedBy('v5.out', { run: { every: 60, busy: 1, rest: 'idle' } })],
    };
    expect(one(build, 'supply/stays-on')?.measured).to.be.closeTo(0.001, 1e-9);
  });
});

describe('supply/inrush', () => {
  const port: Card = {
    ...V5,
    rails: (V5.rails ?? []).map((r) => ({
      ...r,
      port: { before: { min: 0.1, unit: 'A' as const, source: 'sheet' } },
    })),
  };
  const at = (farads: number) =>
    one({ cards: [port, load('x', 0.1), CAP], parts: [fedBy('v5.out')], helpers: [across(farads)] }, 'supply/inrush');
  it('lets 10 µF stand across a port: USB 2.0 §7.2.4.1 (from memory)', () => {
    expect(at(10e-6)?.severity).to.equal(null);
    expect(at(10.1e-6)).to.include({ severity: 'caution', limit: 10e-6 });
    expect(
      judge({ cards: [V5, load('x', 0.1), CAP], parts: [fedBy('v5.out')], helpers: [across(1e-3)] }).of(
        'supply/inrush',
      ),
    ).to.deep.equal([]);
  });
});

describe('supply/fuse', () => {
  it('melts gauge 28 at 14.5 A: 80 × 0.321^1.5 (Preece, from memory)', () => {
    expect(fusingCurrent(28)).to.be.closeTo(14.5, 0.1);
  });
  const pack = (ohms: number, fuse?: number): Build => {
    const made = cells({ resistance: ohms });
    const opens = fuse === undefined ? undefined : { max: fuse, unit: 'A' as const, source: 'sheet' };
    return {
      cards: [
        { ...made, rails: (made.rails ?? []).map((r) => ({ ...r, cells: r.cells && { ...r.cells, fuse: opens } })) },
        load('x', 0.1),
      ],
      parts: [part('a', 'v'), part('x', 'x', { feeds: { vcc: 'a.out' } })],
    };
  };
  it('asks for a fuse where a short melts the lead, and for none where the pack opens', () => {
    const build = pack(0.02);
    const found = one(build, 'supply/fuse');
    expect(found?.severity).to.equal('caution');
    expect(grade(pack(0.02, 6), 'supply/fuse')).to.equal(null);
    expect(grade(pack(1), 'supply/fuse')).to.equal(null);
  });
});

describe('supply/step-up', () => {
  const up = (amps: number): Build => ({
    cards: [
      source5('v3', 2, 3),
      card('up', {
        kind: 'regulator',
        terminals: [...terminals('vcc', 'gnd'), { id: 'o', label: 'O', role: 'supply', header: 'main', position: 3 }],
        supplies: [
          {
            id: 'vcc',
            terminal: 'vcc',
            range: figure('V', { min: 1.8, max: 5 }),
            current: { active: exactly('A', 0) },
          },
        ],
        rails: [
          {
            id: 'o',
            name: '5 V',
            terminal: 'o',
            voltage: exactly('V', 5),
            limit: exactly('A', 2),
            from: { supply: 'vcc', by: 'switching', efficiency: 0.9, switchCurrent: exactly('A', 2) },
          },
        ],
      }),
      load('x', amps),
    ],
    parts: [part('up', 'up', { feeds: { vcc: 'v3.out' }, lead: 0.001, gauge: 18 }), fedBy('up.o')],
  });
  // Power balance by hand: 2 A × 0.8 × 0.9 × 2 V ÷ 5 V = 0.576 A.
  it('gives 0.576 A at 5 V of 2 V with a switch of 2 A at 0.8', () => {
    const found = one(up(0.5), 'supply/step-up');
    expect(found?.severity).to.equal(null);
    expect(found?.limit).to.be.closeTo(0.576, 0.001);
    expect(grade(up(0.58), 'supply/step-up')).to.equal('fault');
  });
});

describe('supply/backup', () => {
  const clock = (cell: string, charges: boolean): Build => ({
    cards: [V5, card('x', { ...(load('x', 0.001) as unknown as Json), backup: { cell, charges, source: 'sheet' } })],
    parts: [fedBy('v5.out')],
  });
  it('is danger where a primary cell is charged, and nothing else', () => {
    expect(grade(clock('primary', true), 'supply/backup')).to.equal('danger');
    expect(grade(clock('primary', false), 'supply/backup')).to.equal(null);
    expect(grade(clock('rechargeable', true), 'supply/backup')).to.equal(null);
  });
});

describe('pin/wake', () => {
  const gauge = module(
    'rain',
    { protocol: 'switch', lines: { contact: 'out1' }, interrupts: { lines: ['contact'], source: 'sheet' } },
    [{ id: 'out1', kind: 'switch' }],
  );
  const chip = controller();
  const sleeper = (pins: string[] | null): Card =>
    card('mcu', {
      ...(chip as unknown as Json),
      supplies: [{ ...chip.supplies[0], current: { active: exactly('A', 0.01), sleep: exactly('A', 1e-5) } }],
      controller: { ...chip.controller, ...(pins ? { wake: { pins, source: 'sheet' } } : {}) },
    });
  it('finds a pulse that nobody is awake for', () => {
    const run = (pins: string[] | null, rest: 'sleep' | 'idle') => {
      const rain = part('rain', 'rain', { ports: pinned('contact', 'p2') });
      const mcu = part('mcu', 'mcu', { feeds: { vcc: 'v3.out' }, run: { every: 60, busy: 1, rest } });
      const judged = judge({
        cards: [V3, sleeper(pins), gauge],
        parts: [rain],
        plan: { parts: [part('v3', 'v3'), mcu, rain] },
      });
      return judged.of('pin/wake')[0];
    };
    expect(run(['p3'], 'sleep')?.severity).to.equal('fault');
    expect(run(['p2'], 'sleep')?.severity).to.equal(null);
    expect(run(null, 'sleep')).to.include({ severity: 'caution', evidence: 'assumed' });
    expect(run(['p3'], 'idle')).to.equal(undefined);
  });
});

describe('supply/noise', () => {
  const sensor = card('s', {
    terminals: terminals('vcc', 'gnd', 'out1'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } },
    ],
    signals: [{ id: 'out1', terminal: 'out1', kind: 'analog-out', reference: 'vcc' }],
    ports: [{ id: 'port', protocol: 'analog', lines: { out: 'out1' } }],
    measures: [
      {
        quantity: 'level',
        unit: '°C',
        range: { from: 0, to: 100, source: 'sheet' },
        accuracy: [{ from: 0, to: 100, error: 0, source: 'sheet' }],
        analog: { kind: 'linear', signal: 'out1', low: exactly('V', 0), high: exactly('V', 3) },
      },
    ],
  });
  const motor = card('m', {
    ...(load('m', 0.2) as unknown as Json),
    id: 'm',
    ports: [{ id: 'coil', protocol: 'coil', lines: {} }],
  });
  const build = (helpers: readonly Helper[], rail = 'v5.out'): Build => ({
    cards: [V5, V3, sensor, motor, CAP],
    parts: [part('s', 's', { needs: ['n'], feeds: { vcc: 'v5.out' } }), part('m', 'm', { feeds: { vcc: rail } })],
    helpers,
    plan: { needs: [need('level')] },
  });
  it('keeps a motor off the rail of a voltage that is read, unless 100 µF stand across it (common practice)', () => {
    expect(grade(build([]), 'supply/noise')).to.equal('caution');
    expect(grade(build([across(99e-6, 'm')]), 'supply/noise')).to.equal('caution');
    expect(grade(build([across(100e-6, 'm')]), 'supply/noise')).to.equal(null);
    expect(judge(build([], 'v3.out')).of('supply/noise')).to.deep.equal([]);
    expect(mends(judge(build([])), 'supply/noise')).to.deep.equal(['Put a card cap across the supply of m']);
  });
});

describe('bus/serial-rate', () => {
  // By hand: 16 MHz ÷ 16 ÷ 115 200 is 8.68, so 9: 111 111 bits a second, 3.55 % slow.
  it('is 3.5 % off at 16 MHz, 115 200 and 16 samples', () => {
    expect(rateError(16e6, 16, 115200)).to.be.closeTo(-0.0355, 1e-4);
    expect(rateError(16e6, 16, 9600)).to.be.closeTo(0.0016, 1e-4);
  });
  const build = (rate: number, error?: number): Build => {
    const chip = controller();
    return {
      cards: [
        V3,
        card('mcu', {
          ...(chip as unknown as Json),
          controller: { ...chip.controller, serial: { clock: exactly('Hz', 16e6), samples: 16 } },
        }),
        module(
          'u',
          {
            protocol: 'uart',
            lines: { tx: 'tx', rx: 'rx' },
            rate: exactly('Hz', rate),
            ...(error === undefined ? {} : { rateError: figure('share', { max: error }) }),
          },
          [
            { id: 'tx', kind: 'push-pull', ...CMOS },
            { id: 'rx', kind: 'input', ...CMOS },
          ],
        ),
      ],
      parts: [part('u', 'u', { feeds: { vcc: 'v3.out' } })],
    };
  };
  it('allows both ends 2 % together, and takes 1 % for a part that says nothing', () => {
    expect(grade(build(115200), 'bus/serial-rate')).to.equal('fault');
    expect(one(build(9600), 'bus/serial-rate')).to.include({ severity: null, evidence: 'assumed' });
    expect(grade(build(9600, 0.018), 'bus/serial-rate')).to.equal(null);
    expect(grade(build(9600, 0.019), 'bus/serial-rate')).to.equal('fault');
  });
});

describe('bus/long-leads', () => {
  const build = (lead: number, cable?: PartChoice['cable']): Build =>
    busBuild([i2cModule('m')], [onBus('m', 'm', 'v3.out', { lead, ...(cable ? { cable } : {}) })]);
  it('wants each line twisted with ground from 1 m on (common practice)', () => {
    expect(judge(build(1)).of('bus/long-leads')).to.deep.equal([]);
    expect(grade(build(1.1), 'bus/long-leads')).to.equal('caution');
    expect(grade(build(1.1, 'twisted'), 'bus/long-leads')).to.equal(null);
    expect(mends(judge(build(1.1)), 'bus/long-leads')).to.include('Take leads that are each twisted with ground to m');
  });
  it('counts 52 pF/m for a twisted pair, 60 for loose leads, 180 for a screened cable (common practice)', () => {
    const farads = (cable?: PartChoice['cable']) =>
      judge(build(1, cable)).circuit.nets.find(({ line }) => line === 'sda')?.capacitance ?? 0;
    const loose = farads();
    expect(loose - farads('twisted')).to.be.closeTo(8e-12, 1e-15);
    expect(farads('screened') - loose).to.be.closeTo(120e-12, 1e-15);
  });
});

describe('body/sun', () => {
  // By hand: 0.6 × 800 W/m² × 0.012 m² ÷ 0.25 W/K = 23.04 K.
  it('makes a closed box 23 K warmer, a tenth of it under a shield, nothing in the shade', () => {
    expect(sunRise(place({ closed: true, sun: 'sun' })).kelvin).to.be.closeTo(23.04, 1e-9);
    expect(sunRise(place({ closed: true, sun: 'shield' })).kelvin).to.be.closeTo(2.304, 1e-9);
    expect(sunRise(place({ closed: true, sun: 'shade' })).kelvin).to.equal(0);
    expect(sunRise(place({ outdoors: false, sun: 'sun' })).kelvin).to.equal(0);
    expect(sunRise(place({ closed: true })).assumed).to.equal(true);
  });
  const thermometer = card('x', {
    ...(load('x', 0) as unknown as Json),
    measures: [
      {
        quantity: 'air temperature',
        unit: '°C',
        range: { from: -40, to: 80, source: 'sheet' },
        accuracy: [{ from: -40, to: 80, error: 0.1, source: 'sheet' }],
      },
    ],
  });
  const build = (more: Partial<Place>): Build => ({
    cards: [V5, thermometer],
    parts: [fedBy('v5.out', { needs: ['n'] })],
    plan: withRules({ needs: [need('air temperature')], places: [place(more)] }),
  });
  it('is a caution for what feels the air, until somebody says shade', () => {
    const judged = judge(build({ closed: true }));
    expect(judged.of('body/sun')[0]).to.include({ severity: 'caution', evidence: 'assumed' });
    expect(mends(judged, 'body/sun')).to.include('Put “yard” where the sun never comes');
    expect(grade(build({ closed: true, sun: 'shade' }), 'body/sun')).to.equal(null);
  });
  it('is told of dew outdoors as well, of a board that may not be splashed', () => {
    expect(one(build({}), 'body/condensation')?.severity).to.equal('note');
    expect(judge(build({ outdoors: false })).of('body/condensation')).to.deep.equal([]);
  });
});

describe('body/surge', () => {
  const build = (lead: number, ohms: number | null): Build => ({
    cards: [V3, controller(), input('in')],
    parts: [part('in', 'in', { place: 'yard', feeds: { vcc: 'v3.out' }, lead, ports: pinned('in') })],
    plan: { places: [place({})] },
    helpers: ohms === null ? [] : [{ id: 'r', kind: 'series', part: 'in', port: 'port', line: 'in', ohms }],
  });
  it('wants a resistor at the pin for 3 m of lead outdoors (common practice)', () => {
    expect(judge(build(2.9, null)).of('body/surge')).to.deep.equal([]);
    expect(grade(build(3, null), 'body/surge')).to.equal('caution');
    expect(grade(build(3, 470), 'body/surge')).to.equal(null);
    expect(mends(judge(build(3, null)), 'body/surge')[0]).to.match(/^Put .*Ω in series with in/);
  });
});

describe('drive/chain', () => {
  const strip = (amps: number): Card => ({
    ...module(
      'x',
      { protocol: 'digital-in', lines: { in: 'in' }, chain: { lights: 30, source: 'sheet' } },
      [{ id: 'in', kind: 'input', ...CMOS }],
      amps,
    ),
  });
  const build = (amps: number, helpers: readonly Helper[] = []): Build => ({
    cards: [TWO_RAILS, controller(), strip(amps), CAP],
    parts: [part('x', 'x', { feeds: { vcc: 'v3.out' }, ports: pinned('in') })],
    helpers,
  });
  const grades = (b: Build) =>
    judge(b)
      .of('drive/chain')
      .map(({ severity }) => severity);
  const series = (ohms: number): Helper => ({ id: 'r', kind: 'series', part: 'x', port: 'port', line: 'in', ohms });
  it('wants 330 to 470 Ω in the data line and 500 to 1000 µF across the supply (common practice)', () => {
    expect(grades(build(0.5)).filter((s) => s === 'caution')).to.have.length(2);
    expect(grades(build(0.5, [series(470), across(470e-6)]))).to.deep.equal([null, null]);
    expect(grades(build(0.5, [series(2200), across(469e-6)]))).to.deep.equal(['caution', 'caution']);
  });
  it('is fed at both ends from 1.5 A on', () => {
    expect(grades(build(1.5, [series(470), across(1e-3)]))).to.include('note');
    expect(grades(build(1.49, [series(470), across(1e-3)]))).to.deep.equal([null, null]);
  });
});

describe('drive/gate', () => {
  const fet = (volts: number): Card =>
    revised(input('sw'), {
      kind: 'driver',
      driver: {
        terminal: 'in',
        voltage: { max: 30, unit: 'V', source: 'sheet' },
        current: { min: 2, unit: 'A', source: 'sheet' },
        diodeFitted: true,
        switchOff: { min: 1e-6, unit: 's', source: 'sheet' },
        onResistance: { max: 0.1, unit: 'Ω', source: 'sheet' },
        gate: { max: volts, unit: 'V', source: 'sheet' },
      },
    });
  const build = (volts: number): Build => ({
    cards: [V3, controller(CMOS), fet(volts)],
    parts: [part('sw', 'sw', { feeds: { vcc: 'v3.out' }, ports: pinned('in') })],
  });
  // VOH of the pin is 3.3 − 0.5 V; an input whose leakage is not said keeps it there.
  it('is on at 2.8 V, half on where 4.5 V or 10 V are asked', () => {
    expect(grade(build(2.8), 'drive/gate')).to.equal(null);
    expect(one(build(4.5), 'drive/gate')).to.include({ severity: 'fault', limit: 4.5 });
  });
});

describe('need/self-calibration and need/short-events', () => {
  const sensor = (more: Json): Card =>
    card('x', {
      ...(load('x', 0) as unknown as Json),
      measures: [
        {
          quantity: 'carbon dioxide',
          unit: 'ppm',
          range: { from: 0, to: 5000, source: 'sheet' },
          accuracy: [{ from: 0, to: 5000, error: 50, source: 'sheet' }],
          ...more,
        },
      ],
    });
  const build = (made: Card, from: number, places: readonly Place[], interval = 60): Build => ({
    cards: [V5, made],
    parts: [fedBy('v5.out', { needs: ['n'] })],
    plan: {
      needs: [need('carbon dioxide', { unit: 'ppm', from, to: 4000, accuracy: 100, interval })],
      places: [...places],
    },
  });
  const self = sensor({ selfCalibrates: { to: 400, source: 'sheet' } });
  it('is a caution in a closed box, and where fresh air is never read', () => {
    expect(grade(build(self, 400, []), 'need/self-calibration')).to.equal(null);
    expect(grade(build(self, 401, []), 'need/self-calibration')).to.equal('caution');
    expect(grade(build(self, 400, [place({ closed: true })]), 'need/self-calibration')).to.equal('caution');
  });
  it('tells an event that is over before it is read', () => {
    const brief = sensor({ holds: figure('s', { min: 2 }) });
    expect(grade(build(brief, 400, [], 2), 'need/short-events')).to.equal(null);
    expect(grade(build(brief, 400, [], 3), 'need/short-events')).to.equal('note');
  });
});

describe('bus/release', () => {
  const chip = (id: string, keeps: boolean): Card =>
    module(
      id,
      {
        protocol: 'spi',
        lines: { clk: 'clk', in: 'in', out: 'out1', select: 'cs' },
        ...(keeps ? { keepsDriving: { source: 'sheet' } } : {}),
      },
      [
        { id: 'clk', kind: 'input', ...CMOS },
        { id: 'in', kind: 'input', ...CMOS },
        { id: 'out1', kind: 'push-pull', ...CMOS },
        { id: 'cs', kind: 'input', ...CMOS },
      ],
    );
  const build = (keeps: boolean): Build => ({
    cards: [V3, controller(), chip('a', keeps), chip('b', false)],
    parts: ['a', 'b'].map((id) => part(id, id, { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'spi' } } })),
    buses: [{ id: 'spi', name: 'SPI', protocol: 'spi', lines: {} }],
  });
  it('finds the part that speaks while it is not selected', () => {
    expect(
      judge(build(true))
        .broken('bus/release')
        .filter(({ severity }) => severity === 'fault'),
    ).to.have.length(1);
    expect(
      judge(build(false))
        .broken('bus/release')
        .filter(({ severity }) => severity === 'fault'),
    ).to.deep.equal([]);
  });
});

describe('pin/floating', () => {
  const floats = card('x', {
    ...(load('x', 0.01) as unknown as Json),
    terminals: [
      ...terminals('vcc', 'gnd'),
      {
        id: 'en',
        label: 'EN',
        role: 'unused',
        header: 'main',
        position: 3,
        open: { rests: 'nowhere', source: 'sheet' },
      },
    ],
  });
  const build = (ties?: PartChoice['ties']): Build => ({
    cards: [V5, floats],
    parts: [fedBy('v5.out', ties ? { ties } : {})],
  });
  it('finds an enable in the air, and takes it tied to ground or to its supply', () => {
    expect(grade(build(), 'pin/floating')).to.equal('fault');
    expect(grade(build({ en: 'ground' }), 'pin/floating')).to.equal(null);
    expect(mends(judge(build()), 'pin/floating')).to.have.members(['Tie EN of x to ground', 'Tie EN of x to VCC']);
  });
  it('has the tie among what is wired', () => {
    const on = (ties: PartChoice['ties']) =>
      netlistOf(judge(build(ties)).circuit).nodes.find(({ pins }) => pins.some(({ terminal }) => terminal === 'en'))
        ?.role;
    expect(on({ en: 'ground' })).to.equal('ground');
    expect(on({ en: 'vcc' })).to.equal('supply');
  });
  it('ties the direction of a shipped translator by the way that its lines go', () => {
    const eight = library.get('translator-8');
    if (!eight?.translator?.direction) throw new Error('no direction');
    const { terminal } = eight.translator.direction;
    const built = (device: Card, line: string): string | undefined => {
      const { circuit } = judge({
        cards: [TWO_RAILS, controller(), device, eight],
        parts: [part('d', device.id, { feeds: { vcc: 'v3.high' }, ports: pinned(line) })],
        helpers: [
          {
            id: 't',
            kind: 'translator',
            card: 'translator-8',
            near: 'v3.out',
            far: 'v3.high',
            ports: [{ part: 'd', port: 'port' }],
          },
        ],
      });
      return netlistOf(circuit).nodes.find(({ pins }) => pins.some((p) => p.part === 't' && p.terminal === terminal))
        ?.role;
    };
    // Its card: tied to the low supply the low side drives.
    expect(built(input('in'), 'in')).to.equal('supply');
    expect(built(output('out'), 'out')).to.equal('ground');
  });
});

describe('supply/charging and supply/solar', () => {
  const panel: Card = {
    ...V5,
    rails: (V5.rails ?? []).map((r) => ({
      ...r,
      panel: { power: { min: 1, max: 1, unit: 'W' as const, source: 'sheet' }, source: 'sheet' },
    })),
  };
  const charger = (more: Json = {}): Card =>
    card('ch', {
      kind: 'regulator',
      terminals: [
        ...terminals('vcc', 'gnd'),
        { id: 'bat', label: 'BAT', role: 'supply', header: 'main', position: 3 },
        { id: 'o', label: 'OUT', role: 'supply', header: 'main', position: 4 },
      ],
      supplies: [
        { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 4, max: 7 }), current: { active: exactly('A', 0.1) } },
        { id: 'bat', terminal: 'bat', range: figure('V', { min: 2, max: 5 }), current: { active: exactly('A', 0) } },
      ],
      rails: [{ id: 'o', name: 'cell', terminal: 'o', limit: exactly('A', 1), from: { supply: 'bat', by: 'pass' } }],
      charger: {
        from: 'vcc',
        into: 'bat',
        current: exactly('A', 0.1),
        shares: false,
        feelsCold: false,
        source: 'sheet',
        ...more,
      },
    });
  const pack = (chemistry: string, charge?: number): Card => {
    const made = cells({ fresh: 4.2, end: 3.2 });
    const [rail] = made.rails ?? [];
    return card('v', {
      ...(made as unknown as Json),
      rails: [
        {
          ...rail,
          cells: { ...rail?.cells, chemistry, ...(charge ? { charge: exactly('A', charge) } : {}) },
        },
      ],
    });
  };
  const build = (more: Json, cell: Card, amps: number, plan: Partial<Plan> = {}): Build => ({
    cards: [panel, charger(more), cell, load('x', amps)],
    parts: [
      part('c', 'v'),
      part('ch', 'ch', { place: 'yard', feeds: { vcc: 'v5.out', bat: 'c.out' } }),
      part('x', 'x', { feeds: { vcc: 'ch.o' } }),
    ],
    plan,
  });
  const grades = (b: Build) =>
    judge(b)
      .of('supply/charging')
      .map(({ severity }) => severity);
  it('charges no primary cell, and no cell with more than it stands', () => {
    expect(grades(build({}, pack('primary'), 0.001))).to.deep.equal(['danger']);
    expect(grades(build({}, pack('lithium', 0.1), 0.001))).to.deep.equal([null, null, null]);
    expect(grades(build({}, pack('lithium', 0.09), 0.001))).to.include('danger');
    // Half the capacity an hour where nothing is said (common practice): 1 Ah stands 0.5 A.
    expect(judge(build({}, pack('lithium'), 0.001)).of('supply/charging')[0]).to.include({
      limit: 0.5,
      evidence: 'assumed',
    });
  });
  it('charges no lithium below freezing, unless it feels the cold', () => {
    const cold = (more: Json, from: number) =>
      grades(build(more, pack('lithium', 1), 0.001, { places: [place({ air: { from, to: 30 } })] }));
    expect(cold({}, -1)).to.include('danger');
    expect(cold({}, 0)).not.to.include('danger');
    expect(cold({ feelsCold: true }, -20)).not.to.include('danger');
  });
  it('ends at a tenth of its current (common practice): 10 mA of 100 mA, where the load has no way of its own', () => {
    expect(grades(build({}, pack('lithium', 1), 0.01))).not.to.include('caution');
    expect(grades(build({}, pack('lithium', 1), 0.0101))).to.include('caution');
    expect(grades(build({ shares: true }, pack('lithium', 1), 0.05))).not.to.include('caution');
  });
  // By hand: 1 W × 1 h × 0.7 = 0.7 Wh a day; 3.7 V × I × 24 h ÷ 0.85 takes as much at 6.70 mA.
  it('carries 6.7 mA through a month of one hour of sun a day', () => {
    const found = (amps: number, plan: Partial<Plan> = {}) =>
      judge(build({}, pack('lithium', 1), amps, plan)).of('supply/solar')[0];
    expect(found(0.0066)).to.include({ severity: null, evidence: 'assumed' });
    expect(found(0.0068)?.severity).to.equal('fault');
    expect(found(0.0132, { sunHours: 2 })).to.include({ severity: null, evidence: 'datasheet' });
  });
});

describe('what else the sun, a long lead and a sleep do', () => {
  const box = (sun: Place['sun']): Place => place({ closed: true, air: { from: 0, to: 40 }, ...(sun ? { sun } : {}) });
  const frail = card('x', {
    ...(load('x', 0.001) as unknown as Json),
    body: { ambient: { min: -10, max: 60, unit: '°C', source: 'sheet' } },
  });
  const standing = (sun: Place['sun']) =>
    one(
      { cards: [V5, frail], parts: [fedBy('v5.out', { place: 'yard' })], plan: { places: [box(sun)] } },
      'body/ambient',
    );
  it('heats a box of 40 °C to 63 °C in the sun, more than 60 °C that its part stands', () => {
    expect(standing('sun')).to.include({ severity: 'fault', limit: 60 });
    expect(standing('sun')?.measured).to.be.closeTo(63.04, 1e-9);
    expect(standing('shade')?.severity).to.equal(null);
    expect(standing(undefined)?.evidence).to.equal('assumed');
  });
  const ceramic = (stands: number): Card => {
    const made = load('x', 0.001);
    return card('x', {
      ...(made as unknown as Json),
      supplies: [{ ...made.supplies[0], absoluteMax: exactly('V', stands), capacitance: exactly('F', 10e-6) }],
    });
  };
  const rings = (lead: number, stands: number, helpers: readonly Helper[] = []) =>
    judge({ cards: [V5, ceramic(stands), CAP], parts: [fedBy('v5.out', { lead })], helpers })
      .of('supply/inrush')
      .map(({ severity }) => severity);
  it('swings to twice 5 V at the end of 1 m of lead, unless an electrolytic stands beside it', () => {
    expect(rings(0.9, 6)).to.deep.equal([]);
    expect(rings(1, 6)).to.deep.equal(['caution']);
    expect(rings(1, 10)).to.deep.equal([null]);
    expect(rings(1, 6, [across(100e-6)])).to.deep.equal([null]);
  });
  const chip = controller();
  const sleeper = card('mcu', {
    ...(chip as unknown as Json),
    supplies: [{ ...chip.supplies[0], current: { active: exactly('A', 0.01), sleep: exactly('A', 20e-6) } }],
  });
  const asleep = (ohms: number) => {
    const sensor = module('s', { protocol: 'digital-out', lines: { out: 'out1' } }, [
      { id: 'out1', kind: 'open-drain', ...CMOS },
    ]);
    const own = part('s', 's', { feeds: { vcc: 'c.out' }, ports: pinned('out') });
    const mcu = part('mcu', 'mcu', { feeds: { vcc: 'c.out' }, run: { every: 600, busy: 1, rest: 'sleep' } });
    return judge({
      cards: [cells({}), sleeper, sensor],
      parts: [own],
      plan: { parts: [part('c', 'v'), mcu, own], controller: 'mcu' },
      helpers: [{ id: 'r', kind: 'pull-up', of: 's.port', line: 'out', to: 'c.out', ohms }],
    }).of('supply/sleep')[0];
  };
  it('tells of a resistor that takes more asleep than the parts: 3.9 V ÷ 10 kΩ half of the time against 20 µA', () => {
    const found = asleep(10e3);
    expect(found?.severity).to.equal('caution');
    expect(found?.measured).to.be.closeTo(3.9 / 10e3 / 2, 1e-6);
    expect(asleep(1e6)?.severity).to.equal(null);
  });
});

describe('bus/spi-speed and bus/spi-mode', () => {
  const chip = (id: string, valid: number, mode: number): Card =>
    module(
      id,
      {
        protocol: 'spi',
        lines: { clk: 'clk', in: 'in', out: 'out1', select: 'cs' },
        valid: exactly('s', valid),
        spiMode: mode,
      },
      [
        { id: 'clk', kind: 'input', ...CMOS },
        { id: 'in', kind: 'input', ...CMOS },
        { id: 'out1', kind: 'push-pull', ...CMOS },
        { id: 'cs', kind: 'input', ...CMOS },
      ],
    );
  const board = (): Card => {
    const made = controller();
    return card('mcu', {
      ...(made as unknown as Json),
      controller: { ...made.controller, spiSetup: exactly('s', 20e-9) },
    });
  };
  const build = (clock: number, lead: number, modes: readonly number[] = [0]): Build => ({
    cards: [V3, board(), ...modes.map((mode, i) => chip(`c${i}`, 70e-9, mode))],
    parts: modes.map((_, i) =>
      part(`c${i}`, `c${i}`, { lead, feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'spi' } } }),
    ),
    buses: [{ id: 'spi', name: 'SPI', protocol: 'spi', clock, lines: {} }],
  });
  // By hand: 70 ns + 20 ns + 1 m × 10 ns are 100 ns, twice of it 200 ns: 5 MHz.
  it('reads at 5 MHz what is right after 70 ns, over 1 m of lead', () => {
    expect(grade(build(5e6, 1), 'bus/spi-speed')).to.equal(null);
    expect(one(build(5.1e6, 1), 'bus/spi-speed')?.limit).to.be.closeTo(5e6, 1);
    expect(grade(build(5.1e6, 1), 'bus/spi-speed')).to.equal('fault');
    expect(grade(build(5e6, 1.1), 'bus/spi-speed')).to.equal('fault');
  });
  it('notes two modes on one bus', () => {
    expect(grade(build(1e6, 0.1, [0, 0]), 'bus/spi-mode')).to.equal(null);
    expect(grade(build(1e6, 0.1, [0, 3]), 'bus/spi-mode')).to.equal('note');
  });
});

describe('the programming cable', () => {
  // By hand: 2 × 1.8 m × 84.2 mΩ/m + 0.12 Ω are 0.42 Ω, 0.21 V at 0.5 A (common practice for its contacts).
  it('loses 0.21 V of 0.5 A over 1.8 m of gauge 24', () => {
    expect(2 * 1.8 * gaugeResistance(24) + 0.12).to.be.closeTo(0.42, 0.005);
    const cable = card('wire', {
      kind: 'cable',
      cable: { plug: 'C', length: 1.8, gauge: 24, contacts: exactly('Ω', 0.12), source: 'sheet' },
    });
    const plan = { ...judge({ cards: [V5], parts: [] }).circuit.plan, leads: ['wire'] };
    const board = library.get('wifi-board');
    const outlet = library.get('usb-adapter');
    if (!board || !outlet) throw new Error('no card');
    const node = {
      id: 'b',
      label: 'b',
      card: board,
      choice: part('b', 'wifi-board', { feeds: { usb: 'a.5v' } }),
      helper: null,
    };
    expect((cableRun(plan, libraryOf([cable]), node, outlet)?.ohms ?? 0) * 0.5).to.be.closeTo(0.21, 0.003);
  });
});
