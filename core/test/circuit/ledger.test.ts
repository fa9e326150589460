/** What small resistors and bases take from a rail, by hand. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { pinCurrents } from '../../src/physics/pin-currents.ts';
import { RESISTOR_TOLERANCE } from '../../src/standard/common-practice.ts';
import {
  CMOS,
  card,
  controller,
  exactly,
  figure,
  judge,
  part,
  source5,
  terminals,
  V3,
  type Build,
} from '../support/build.ts';
import { input, output, TWO_RAILS } from '../support/boards.ts';

const low = (ohms: number) => ohms * (1 - RESISTOR_TOLERANCE);
const bead = card('bead', {
  terminals: terminals('a', 'b'),
  signals: [{ id: 's', terminal: 'a', kind: 'passive' }],
  ports: [{ id: 'port', protocol: 'analog', lines: { out: 's' } }],
  measures: [
    {
      quantity: 'air temperature',
      unit: '°C',
      range: { from: -20, to: 60, source: 'sheet' },
      accuracy: [{ from: -20, to: 60, error: 1, source: 'sheet' }],
      analog: { kind: 'beta', signal: 's', r25: exactly('Ω', 10_000), beta: exactly('K', 3950) },
    },
  ],
});
const loadOf = (build: Build, rail: string, words: RegExp) =>
  judge(build)
    .circuit.rails.get(rail)
    ?.loads.find(({ label }) => words.test(say(label)));

describe('the ledger of currents', () => {
  it('has the divider of a bare thermistor, which takes all the time: 3.3 V ÷ (10 kΩ + 10 kΩ) = 165 µA', () => {
    const found = loadOf(
      {
        cards: [V3, controller(), bead],
        parts: [part('t', 'bead', { ports: { port: { lines: { out: { pin: 'p3', locked: false } } } } })],
        helpers: [{ id: 'f', kind: 'fixed', part: 't', port: 'port', line: 'out', to: 'v3.out', ohms: 10_000 }],
      },
      'v3.out',
      /divider of t/,
    );
    expect(found?.typical).to.be.closeTo(3.3 / 20_000, 1e-9);
    // At the hottest its own resistance counts for nothing.
    expect(found?.peak).to.be.closeTo(3.3 / low(10_000), 1e-9);
  });
  it('has a pull-down that a pin lifts: 3.3 V ÷ 10 kΩ, half of the time', () => {
    const found = loadOf(
      {
        cards: [V3, controller(), input('i')],
        parts: [
          part('i', 'i', {
            feeds: { vcc: 'v3.out' },
            ports: { port: { lines: { in: { pin: 'p3', locked: false } } } },
          }),
        ],
        helpers: [{ id: 'd', kind: 'pull-down', part: 'i', port: 'port', line: 'in', ohms: 10_000 }],
      },
      'v3.out',
      /to ground on i/,
    );
    expect(found?.peak).to.be.closeTo(3.3 / low(10_000), 1e-9);
    expect(found?.typical).to.be.closeTo(3.3 / 10_000 / 2, 1e-9);
  });
  it('has a divider on an output, from the rail of that part: 5 V ÷ 18 kΩ', () => {
    const found = loadOf(
      {
        cards: [TWO_RAILS, controller(), output('o')],
        parts: [
          part('o', 'o', {
            feeds: { vcc: 'v3.high' },
            ports: { port: { lines: { out: { pin: 'p3', locked: false } } } },
          }),
        ],
        helpers: [{ id: 'd', kind: 'divider', part: 'o', port: 'port', line: 'out', upper: 8_000, lower: 10_000 }],
      },
      'v3.high',
      /divider after o/,
    );
    expect(found?.peak).to.be.closeTo(5 / low(18_000), 1e-9);
  });
  it('has the base of a transistor, from the rail and from the pin: (5 − 0.6 V) ÷ 256.5 Ω = 17.2 mA', () => {
    const npn = card('npn', {
      kind: 'driver',
      terminals: terminals('e', 'b', 'c'),
      signals: [{ id: 'b', terminal: 'b', kind: 'input', leakage: exactly('A', 0) }],
      ports: [{ id: 'port', protocol: 'digital-in', lines: { in: 'b' } }],
      driver: {
        terminal: 'c',
        voltage: figure('V', { max: 40 }),
        current: figure('A', { min: 0.5 }),
        diodeFitted: false,
        switchOff: figure('s', { max: 1e-6 }),
        bipolar: {
          base: figure('V', { min: 0.6, typ: 0.7, max: 0.8 }),
          saturation: figure('V', { max: 0.3 }),
          gain: figure('1', { min: 100 }),
        },
      },
    });
    const five = source5('five', 5);
    const build: Build = {
      cards: [five, controller(CMOS), npn],
      parts: [],
      helpers: [{ id: 'r', kind: 'series', part: 'q', port: 'port', line: 'in', ohms: 270 }],
      plan: {
        controller: 'mcu',
        parts: [
          part('five', 'five'),
          part('mcu', 'mcu', { feeds: { vcc: 'five.out' } }),
          part('q', 'npn', { ports: { port: { lines: { in: { pin: 'p3', locked: false } } } } }),
        ],
      },
    };
    const found = loadOf(build, 'five.out', /base of q/);
    expect(found?.peak).to.be.closeTo(4.4 / low(270), 1e-9);
    const pin = pinCurrents(judge(build).circuit).find((current) => current.pin === 'p3');
    expect(pin?.amps).to.be.closeTo(4.4 / low(270), 1e-9);
  });
});
