import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import {
  card,
  CMOS,
  controller,
  document,
  exactly,
  figure,
  judge,
  module,
  part,
  source5,
  terminals,
  V5,
  type Json,
} from '../support/build.ts';
import { cells, chain, load, regulator, short } from '../support/power-build.ts';
import type { Card } from '../../src/card/card.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { DEFAULT_RULES } from '../../src/plan/default-rules.ts';

describe('supply/dropout', () => {
  const of = (volts: number, dropout = 1.2) =>
    judge(
      chain(source5('v', volts), regulator('reg', { more: { dropout: exactly('V', dropout) } }), load('x', 0.1)),
    ).of('supply/dropout')[0];
  it('finds a regulator that gets too little, with what is left', () => {
    // 6 V − 1.2 V is 4.8 V of the 5 V that it promises.
    expect(of(6)).to.include({ severity: 'fault', limit: 5 });
    expect(of(6)?.measured).to.be.closeTo(4.8, 1e-6);
  });
  it('passes a volt more, and exactly at the limit', () => {
    expect(of(7)?.severity).to.equal(null);
    expect(of(6.2)?.severity).to.equal(null);
  });
  it('counts what the leads take at the peak load', () => {
    const build = chain(source5('v', 6.25), regulator('reg', { more: { dropout: exactly('V', 1.2) } }), load('x', 1));
    const longer = { ...build, parts: build.parts.map((p) => (p.id === 'r' ? { ...p, lead: 1 } : p)) };
    expect(judge(build).of('supply/dropout')[0]?.severity).to.equal(null);
    // 1 A × 2 × 1 m × 0.2129 Ω/m = 0.4258 V.
    expect(judge(longer).broken('supply/dropout')[0]?.measured).to.be.closeTo(6.25 - 0.4258 - 1.2, 2e-4);
  });
  it('is a caution on cells that sink below it before they are empty', () => {
    const found = judge(
      chain(cells({}), regulator('reg', { volts: 3.3, more: { dropout: exactly('V', 0.3) } }), load('x', 0.001)),
    ).of('supply/dropout')[0];
    expect(found?.severity).to.equal('caution');
    expect(say(found?.message)).to.include('3.6 V');
  });
});

describe('supply/source-current', () => {
  const port = (more: Json = {}): Card =>
    card('v', {
      kind: 'source',
      terminals: terminals('out', 'gnd'),
      rails: [{ id: 'out', name: '5 V', terminal: 'out', voltage: exactly('V', 5), limit: exactly('A', 0.5), ...more }],
    });
  const on = (amps: number, derating = 1, source = port()) =>
    judge({
      cards: [source, load('x', amps)],
      parts: [part('v', 'v'), part('x', 'x', { feeds: { vcc: 'v.out' } })],
      plan: { rules: { ...DEFAULT_RULES, derating } },
    }).of('supply/source-current');
  // USB 2.0 §7.2.1 (from memory): a device draws 100 mA before it is configured and 500 mA after.
  it('of a USB port is 500 mA, and 100 mA until it was asked', () => {
    const usb = port({ port: { before: exactly('A', 0.1) } });
    const severities = (amps: number) =>
      on(amps, 1, usb)
        .toSorted((a, b) => (b.limit ?? 0) - (a.limit ?? 0))
        .map(({ severity, limit }) => [severity, limit]);
    expect(severities(0.1)).to.deep.equal([
      [null, 0.5],
      [null, 0.1],
    ]);
    expect(severities(0.3)).to.deep.equal([
      [null, 0.5],
      ['note', 0.1],
    ]);
    expect(severities(0.5001)).to.deep.equal([
      ['fault', 0.5],
      ['note', 0.1],
    ]);
  });
  it('is derated by the house rule', () => {
    expect(on(0.4, 0.8)[0]?.severity).to.equal(null);
    expect(on(0.401, 0.8)[0]?.severity).to.equal('fault');
  });
});

describe('supply/heat', () => {
  const thermal = { toAir: exactly('K/W', 50), toCase: exactly('K/W', 5), limit: exactly('°C', 125) };
  const at = (amps: number, plan: Partial<Plan> = {}, more: Json = {}, by = 'linear') =>
    judge(
      chain(
        source5('v', 9),
        regulator('reg', { by, own: 0.005, more: { thermal, ...more } }),
        load('x', amps, {}, 4),
        plan,
      ),
    ).of('supply/heat')[0];
  // By hand, with junction = ambient + P × RθJA as JESD51-1 defines it (from memory): (9 − 5) V × 100 mA + 9 V × 5 mA =
  // 0.445 W; 35 °C + 0.445 W × 50 K/W = 57.25 °C.
  it('is what the regulator takes away and what it takes itself', () => {
    const found = at(0.1);
    expect(found?.measured).to.be.closeTo(57.25, 1e-4);
    expect(found?.workings.find(({ name }) => name === 'surface')?.value).to.be.closeTo(57.25 - 0.445 * 5, 1e-4);
    expect(found?.severity).to.equal(null);
  });
  it('warns of a surface over 60 °C, and finds a junction beyond its limit', () => {
    // The surface of the same at 150 mA: 35 + 0.645 × 45 = 64.0 °C.
    expect(at(0.15)).to.include({ severity: 'caution', limit: 60 });
    expect(at(0.15)?.measured).to.be.closeTo(35 + 0.645 * 45, 1e-4);
    // 35 + (125 − 35) × 0.8 = 107 °C is reached at 1.44 W: 348.75 mA.
    expect(at(0.3485)?.severity).to.equal('caution');
    expect(at(0.349)).to.include({ severity: 'fault' });
    expect(at(0.349)?.limit).to.be.closeTo(107, 1e-9);
  });
  it('takes the air of its place', () => {
    const build = chain(source5('v', 9), regulator('reg', { own: 0.005, more: { thermal } }), load('x', 0.1, {}, 4), {
      places: [{ name: 'shed', water: 'dry', outdoors: false, closed: false, air: { from: -5, to: 20 } }],
    });
    const placed = { ...build, parts: build.parts.map((p) => (p.id === 'r' ? { ...p, place: 'shed' } : p)) };
    expect(judge(placed).of('supply/heat')[0]?.measured).to.be.closeTo(20 + 0.445 * 50, 1e-4);
  });
  it('of a switching one is what is lost on the way: 5 V × 0.5 A × (1 ÷ 0.9 − 1) and its own', () =>
    expect(at(0.5, {}, { efficiency: 0.9 }, 'switching')?.measured).to.be.closeTo(
      35 + (2.5 / 0.9 - 2.5 + 0.045) * 50,
      1e-3,
    ));
  it('counts a burst by its mean, and what lasts by itself', () => {
    const busy = (seconds: number) => load('x', 0.4, { idle: exactly('A', 0), busy: exactly('s', seconds) }, 4);
    const found = (seconds: number) => {
      const build = chain(source5('v', 9), regulator('reg', { more: { thermal } }), busy(seconds));
      return judge({ ...build, parts: build.parts.map((p) => (p.id === 'x' ? { ...p, run: { every: 100 } } : p)) }).of(
        'supply/heat',
      )[0]?.measured;
    };
    // 4 V × 400 mA for 10 s of 100: 0.16 W. For 40 s of 100: all of it, 1.6 W.
    expect(found(10)).to.be.closeTo(35 + 0.16 * 50, 1e-4);
    expect(found(40)).to.be.closeTo(35 + 1.6 * 50, 1e-4);
  });
});

const MCU = controller({ ...CMOS, outputHigh: figure('V', { min: 4.2 }) });
describe('supply/pin-fed', () => {
  const on5 = (amps: number, pinPower: number) => {
    const doc = document({
      cards: [V5, MCU, load('x', amps, {}, 4.5, 5.5)],
      parts: [part('x', 'x', { feeds: { vcc: 'mcu.p3' }, ...short })],
    });
    return judge({
      ...doc,
      plan: {
        ...doc.plan,
        rules: { ...DEFAULT_RULES, pinPower },
        parts: doc.plan.parts.map((p) => (p.id === 'mcu' ? { ...p, feeds: { vcc: 'v5.out' } } : p)),
      },
    });
  };
  it('is against a house rule that says never, however little it is', () => {
    const [found] = on5(0.002, 0).of('supply/pin-fed');
    expect(found?.severity).to.equal('fault');
    expect(say(found?.message)).to.include('never');
  });
  it('may go up to the share of the house rule, exactly', () => {
    // 20 mA recommended × 0.5.
    expect(on5(0.01, 0.5).of('supply/pin-fed')[0]).to.include({ severity: null, limit: 0.01 });
    expect(on5(0.0101, 0.5).of('supply/pin-fed')[0]?.severity).to.equal('fault');
  });
  it('is danger beyond what the pin stands', () =>
    expect(on5(0.041, 1).of('supply/pin-fed')[0]).to.include({ severity: 'danger', limit: 0.04 }));
  it('sags with its load: 5 V − (5 − 4.2) V × 10 mA ÷ 20 mA = 4.6 V at the part', () => {
    const { circuit, of } = on5(0.01, 0.5);
    expect(circuit.feeds.get('x.vcc')?.voltage?.min).to.be.closeTo(4.6, 1e-6);
    expect(of('supply/range').find(({ subjects }) => subjects[0] === 'x.vcc')?.severity).to.equal(null);
    // 15 mA leave 4.4 V, less than the part’s 4.5 V.
    expect(on5(0.015, 1).broken('supply/range')[0]?.measured).to.be.closeTo(4.4, 1e-6);
  });
  it('takes the pin, and is counted on it and on the rail behind it', () => {
    const { circuit, of } = on5(0.01, 0.5);
    expect(say(circuit.wishes.find(({ pin }) => pin === 'p3')?.label)).to.equal('supply of x');
    expect(circuit.rails.get('v5.out')?.peak).to.be.closeTo(0.01, 1e-12);
    expect(of('pin/current').some(({ measured }) => measured === 0.01)).to.equal(true);
  });
  it('of a controller that nothing feeds gives nothing', () => {
    const doc = document({
      cards: [MCU, load('x', 0.01, {}, 4.5, 5.5)],
      parts: [part('x', 'x', { feeds: { vcc: 'mcu.p3' } })],
    });
    const bare = {
      ...doc,
      plan: { ...doc.plan, parts: doc.plan.parts.map((p) => (p.id === 'mcu' ? { ...p, feeds: {} } : p)) },
    };
    expect(judge(bare).broken('supply/range')).to.have.length(2);
  });
});

describe('supply/common-ground', () => {
  const talker = module('talk', { protocol: 'digital-out', lines: { out: 'o' } }, [
    { id: 'o', kind: 'push-pull', ...CMOS },
  ]);
  const judged = (apart: boolean) => {
    const doc = document({
      cards: [V5, source5('v3', 5), controller(), talker],
      parts: [
        part('t', 'talk', {
          feeds: { vcc: 'v5.out' },
          ports: { port: { lines: { out: { pin: 'p0', locked: false } } } },
        }),
      ],
    });
    const parts = doc.plan.parts.map((p) => (p.id === 'v5' && apart ? { ...p, apart } : p));
    return judge({ ...doc, plan: { ...doc.plan, parts } }).of('supply/common-ground');
  };
  it('of two sources that a line joins is shared, and said', () => {
    expect(judged(false).map(({ severity, subjects }) => [severity, ...subjects])).to.deep.equal([[null, 'v3', 'v5']]);
    expect(judged(true)[0]?.severity).to.equal('fault');
  });
  it('is nobody’s concern with one source', () =>
    expect(
      judge({ cards: [V5, load('x', 0.1)], parts: [part('x', 'x', { feeds: { vcc: 'v5.out' } })] }).of(
        'supply/common-ground',
      ),
    ).to.deep.equal([]));
});

describe('supply/lead-drop', () => {
  // ASTM B258: gauge 22 is 52.96 mΩ/m. 1 A × 2 × 1.41 m of it lose 149.3 mV, 3 % of 5 V are 150.
  const at = (metres: number, gauge?: number) =>
    judge({
      cards: [V5, load('x', 1)],
      parts: [part('x', 'x', { feeds: { vcc: 'v5.out' }, lead: metres, ...(gauge ? { gauge } : {}) })],
    }).of('supply/lead-drop')[0];
  it('is current × twice the length × resistance of the gauge', () => {
    expect(at(1, 22)?.measured).to.be.closeTo(0.10592, 1e-4);
    expect(at(1)?.measured).to.be.closeTo(0.4258, 2e-4);
  });
  it('cautions above 3 % of the rail', () => {
    expect(at(1.41, 22)?.severity).to.equal(null);
    expect(at(1.42, 22)).to.include({ severity: 'caution', limit: 0.15 });
  });
});
