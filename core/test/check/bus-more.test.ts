/** Time, capacitance, stretching and pairs of pull-ups on a bus; the limits of a one-wire line. */
import { expect } from 'chai';
import { busTime } from '../../src/check/bus-time.ts';
import { wireLimit } from '../../src/check/wire-budget.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import type { SenseNeed } from '../../src/plan/plan.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { library } from '../support/demo.ts';
import { busBuild, fitted, MCU, onBus, pull, TWO_RAILS } from '../support/boards.ts';
import {
  CMOS,
  document,
  exactly,
  figure,
  i2cBus,
  i2cModule,
  judge,
  module,
  part,
  type Build,
  withChip,
} from '../support/build.ts';

const need = (id: string, interval: number): SenseNeed => ({
  id,
  kind: 'sense',
  quantity: 'level',
  unit: 'm',
  from: 0,
  to: 1,
  accuracy: 1,
  interval,
  place: 'here',
});
const measuring = (bytes: number, conversion: number) => {
  const made = i2cModule('m', [0x40, 0x41]);
  return {
    ...made,
    ports: made.ports.map((p) => ({
      ...p,
      reading: { bytes, source: 'sheet' },
      clock: { max: 400e3, unit: 'Hz' as const, source: 'sheet' },
    })),
    measures: [
      {
        quantity: 'level',
        unit: 'm',
        range: { from: 0, to: 1, source: 'sheet' },
        accuracy: [{ from: 0, to: 1, error: 0.1, source: 'sheet' }],
        conversion: { max: conversion, unit: 's' as const, source: 'sheet' },
      },
    ],
  };
};

describe('bus/time', () => {
  const two = (interval: number, clock = 100e3): Build => ({
    ...busBuild(
      [measuring(10, 0.02)],
      [0x40, 0x41].map((address) =>
        onBus(`p${address}`, 'm', 'v3.out', { needs: ['n'], ports: { port: { bus: 'bus', address } } }),
      ),
      {
        buses: [i2cBus(clock)],
        plan: { needs: [need('n', interval)] },
      },
    ),
  });
  // Nine clocks a byte (UM10204 §3.1, from memory): (10 × 9 + 2) ÷ 100 kHz + 20 ms, twice.
  const round = 2 * (92 / 100e3 + 0.02);
  it('adds transfers and conversions one after the other', () => {
    const [held] = judge(two(60)).of('bus/time');
    expect([held?.severity, held?.limit]).to.deep.equal([null, 60]);
    expect(held?.measured).to.be.closeTo(round, 1e-12);
  });
  it('holds exactly at the interval, and a clock that is faster saves what it says', () => {
    expect(judge(two(round)).broken('bus/time')).to.deep.equal([]);
    const { circuit, verdict, broken } = judge(two(round - 1e-3));
    const [found] = broken('bus/time');
    expect(found?.severity).to.equal('fault');
    if (!found) return;
    const [remedy] = proposeRemedies(circuit, verdict, found.result, library);
    expect(remedy?.id).to.equal('clock:bus:400000');
    expect(judge(two(60, 400e3)).of('bus/time')[0]?.measured).to.be.closeTo(2 * (92 / 400e3 + 0.02), 1e-12);
  });
  it('lets what is read seldom take little: Σ time ÷ interval, 21 of 30 ms and 21 ms of ten minutes', () => {
    const doc = two(0.03);
    const mixed: Build = {
      ...doc,
      parts: doc.parts.map((p) => (p.id === 'p65' ? { ...p, needs: ['slow'] } : p)),
      plan: { needs: [need('n', 0.03), need('slow', 600)] },
    };
    const one = 92 / 100e3 + 0.02;
    const [held] = judge(mixed).of('bus/time');
    expect(held?.severity).to.equal(null);
    expect(held?.measured).to.be.closeTo(one + (one * 0.03) / 600, 1e-12);
    expect(judge(two(0.03)).broken('bus/time')).to.have.length(1);
  });
  it('tells the share of each part', () => {
    const { circuit } = judge(two(60));
    const [bus] = circuit.buses;
    expect(bus && busTime(circuit, bus).shares.map(({ label, bytes }) => [label, bytes])).to.deep.equal([
      ['p64', 10],
      ['p65', 10],
    ]);
  });
});

describe('bus/capacitance', () => {
  const lead = (metres: number): Build =>
    busBuild([i2cModule('a')], [onBus('a', 'a', 'v3.out', { lead: metres })], {
      helpers: [pull('sda', 1500), pull('scl', 1500)],
    });
  // Two pins of 10 pF, two rows of 3 pF: 374 pF are left for the lead at 60 pF/m.
  it('holds exactly at 400 pF', () => {
    expect(judge(lead(374 / 60)).broken('bus/capacitance')).to.deep.equal([]);
    const [found] = judge(lead(374.1 / 60)).broken('bus/capacitance');
    expect([found?.severity, found?.limit]).to.deep.equal(['note', 400e-12]);
  });
  it('allows 550 pF at 1 MHz', () => {
    const fast = { ...lead(7), buses: [i2cBus(1e6)] };
    expect(judge(fast).of('bus/capacitance')[0]?.limit).to.equal(550e-12);
  });
});

describe('bus/stretching', () => {
  const slow = (noHold: boolean) => {
    const made = i2cModule('slow');
    return {
      ...made,
      ports: made.ports.map((p) => ({
        ...p,
        stretches: { longest: { max: 0.05, unit: 's' as const, source: 'sheet' }, noHold },
      })),
    };
  };
  const on = (waits: boolean, noHold: boolean, chosen: boolean): Build => ({
    ...busBuild(
      [slow(noHold)],
      [onBus('slow', 'slow', 'v3.out', { ports: { port: { bus: 'bus', ...(chosen ? { noHold: true } : {}) } } })],
    ),
    cards: [TWO_RAILS, withChip(MCU, { waitsForStretching: { waits, source: 'sheet' } }), slow(noHold)],
  });
  it('passes a controller that waits, and one that need not', () => {
    expect(judge(on(true, false, false)).broken('bus/stretching')).to.deep.equal([]);
    expect(judge(on(false, true, true)).broken('bus/stretching')).to.deep.equal([]);
  });
  it('finds one that does not, and does not take the choice for commands that the part has not', () => {
    expect(judge(on(false, true, false)).broken('bus/stretching')).to.have.length(1);
    expect(judge(on(false, false, true)).broken('bus/stretching')).to.have.length(1);
  });
});

describe('bus/pull-up-pairs', () => {
  const rules = document({ cards: [], parts: [] }).plan.rules;
  const modules = (
    count: number,
    removable: 'jumper' | 'no',
    pullUps: 'one-pair' | 'keep',
    helpers: Helper[] = [],
  ): Build =>
    busBuild(
      [i2cModule('a', [0x40, 0x41, 0x42], fitted(10e3, removable))],
      [0x40, 0x41, 0x42]
        .slice(0, count)
        .map((address) => onBus(`p${address}`, 'a', 'v3.out', { ports: { port: { bus: 'bus', address } } })),
      {
        helpers,
        plan: { rules: { ...rules, pullUps } },
      },
    );
  const count = (build: Build) => judge(build).broken('bus/pull-up-pairs').length;
  it('cautions about more pairs than one that can be taken away, on both lines', () => {
    expect(count(modules(3, 'jumper', 'one-pair'))).to.equal(2);
    expect(count(modules(1, 'jumper', 'one-pair'))).to.equal(0);
  });
  it('says nothing under the other rule, or of what stays', () => {
    expect(count(modules(3, 'jumper', 'keep'))).to.equal(0);
    expect(count(modules(3, 'no', 'one-pair'))).to.equal(0);
  });
  it('wants none besides those that stay and suffice', () =>
    expect(count(modules(3, 'no', 'one-pair', [pull('sda', 4700), pull('scl', 4700)]))).to.equal(2));
});

describe('wire/budget', () => {
  const probe = module(
    'probe',
    {
      protocol: 'onewire',
      lines: { data: 'data' },
      parasite: { current: exactly('A', 1.5e-3), least: figure('V', { min: 3 }) },
    },
    [
      {
        id: 'data',
        kind: 'open-drain',
        ...CMOS,
        absoluteMax: figure('V', { max: 6 }),
        inputHigh: figure('V', { min: 2.2 }),
        inputLow: figure('V', { max: 0.8 }),
        capacitance: exactly('F', 25e-12),
      },
    ],
  );
  const line = (ohms: number, lead: number, parasite = false): Build => ({
    cards: [TWO_RAILS, MCU, probe],
    parts: [
      part('p', 'probe', {
        lead,
        feeds: parasite ? {} : { vcc: 'v3.out' },
        ports: { port: { bus: 'w', ...(parasite ? { parasite: true } : {}) } },
      }),
    ],
    buses: [{ id: 'w', name: 'wire', protocol: 'onewire', lines: { data: { pin: 'p3', locked: false } } }],
    helpers: [pull('data', ohms, 'v3.out', 'w')],
  });
  it('tells how much lead the line would carry, and holds exactly there', () => {
    const { circuit } = judge(line(4700, 10));
    const spare = (circuit.nets[0] && wireLimit(circuit.nets[0])?.spareLead) ?? NaN;
    expect(judge(line(4700, 10 + spare - 1e-6)).broken('wire/budget')).to.deep.equal([]);
    expect(judge(line(4700, 10 + spare + 1e-3)).broken('wire/budget')).to.have.length(1);
    // By hand: 9 µs ÷ (4.935 kΩ × ln(2.9 ÷ 0.99)) is 1.697 nF, less 35 pF of pins and 6 pF of rows: 27.6 m at 60 pF/m.
    expect(10 + spare).to.be.closeTo((9e-6 / (4935 * Math.log(2.9 / 0.99)) - 41e-12) / 60e-12, 1e-6);
  });
  it('starves a part that lives on its data line: 3.3 V − 1.5 mA × 4.935 kΩ is below nothing', () => {
    const { circuit, verdict, broken } = judge(line(4700, 1, true));
    const [found] = broken('wire/budget');
    expect(found?.measured).to.be.closeTo(3.3 - 1.5e-3 * 4935, 1e-9);
    if (!found) return;
    const [remedy] = proposeRemedies(circuit, verdict, found.result, library);
    expect(remedy?.id).to.equal('fed:w');
  });
  it('does not ask for a supply wire of a part that lives on its data line', () =>
    expect(judge(line(4700, 1, true)).broken('supply/range')).to.deep.equal([]));
});
