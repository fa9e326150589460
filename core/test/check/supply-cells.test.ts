import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Cells } from '../../src/card/power.ts';
import { coldFactor, packOf } from '../../src/physics/discharge.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { card, controller, document, exactly, figure, judge, part, source5, type Build } from '../support/build.ts';
import { cells, chain, load, regulator, short } from '../support/power-build.ts';

describe('supply/back-feed', () => {
  const diode = card('diode', { kind: 'diode' });
  const toggle = card('toggle', { kind: 'switch' });
  const guard = (rail: string, cardId: string, n = 1): Helper => ({
    id: `g${n}`,
    kind: 'guard',
    part: 'x',
    supply: 'vcc',
    rail,
    card: cardId,
  });
  const meet = (a: Card, b: Card, helpers: Helper[] = []) =>
    judge({
      cards: [a, b, load('x', 0.1), diode, toggle],
      parts: [part('a', a.id), part('b', b.id), part('x', 'x', { feeds: { vcc: 'a.out' }, also: { vcc: 'b.out' } })],
      helpers,
    }).of('supply/back-feed')[0];
  const [five, six] = [source5('s5', 5), source5('s6', 6)];
  it('is danger where two sources meet straight', () => expect(meet(five, six)?.severity).to.equal('danger'));
  it('is none where the lower one, or both, stand behind a diode', () => {
    expect(meet(five, six, [guard('a.out', 'diode')])?.severity).to.equal(null);
    expect(meet(five, six, [guard('a.out', 'diode'), guard('b.out', 'diode', 2)])?.severity).to.equal(null);
  });
  it('is a fault where the higher one is behind the diode: 6 V − 0.2 V push into 5 V that stand beside it straight', () => {
    const found = meet(five, six, [guard('b.out', 'diode')]);
    expect(found).to.include({ severity: 'fault', limit: 5 });
    expect(found?.measured).to.be.closeTo(5.8, 1e-9);
  });
  it('is danger where what stands straight is the port of a computer, which is at 0 V while that is off', () => {
    const port = card('port', {
      ...JSON.parse(JSON.stringify({ terminals: five.terminals })),
      kind: 'source',
      rails: [{ ...five.rails?.[0], port: { before: exactly('A', 0.1) } }],
    });
    const found = meet(port, source5('other', 5), [guard('b.out', 'diode')]);
    expect(found).to.include({ severity: 'danger', limit: 0 });
    expect(found?.measured).to.be.closeTo(4.8, 1e-9);
    expect(meet(port, source5('other', 5), [guard('a.out', 'diode')])?.severity).to.equal(null);
  });
  it('is a caution behind a switch that a hand turns: it is forgotten one day', () => {
    const found = meet(five, six, [guard('b.out', 'toggle')]);
    expect(found?.severity).to.equal('caution');
    expect(say(found?.message)).to.match(/^Turn the switch before the .* off/);
  });
  it('pushes nothing into cells: 0.2 V of a diode do not keep 5 V out of cells at 3 V', () => {
    const found = meet(cells({}), five, [guard('b.out', 'diode')]);
    expect(found).to.include({ severity: 'danger', limit: 3 });
    expect(found?.measured).to.be.closeTo(4.8, 1e-9);
    expect(meet(cells({}), five, [guard('a.out', 'diode')])?.severity).to.equal(null);
    expect(meet(cells({}), five, [guard('b.out', 'toggle')])?.severity).to.equal('caution');
  });
  it('counts the socket of a controller', () => {
    const board = (by: string): Card => {
      const mcu = controller();
      return card('mcu', {
        ...JSON.parse(JSON.stringify({ terminals: mcu.terminals, supplies: mcu.supplies })),
        kind: 'controller',
        controller: {
          ...mcu.controller,
          usb: { supply: 'vcc', by, voltage: figure('V', { min: 4.75, max: 5.25 }), source: 'sheet' },
        },
      });
    };
    const severity = (by: string, source: Card) =>
      judge({
        cards: [source, board(by)],
        parts: [part('v', source.id), part('m', 'mcu', { feeds: { vcc: 'v.out' } })],
      }).of('supply/back-feed')[0]?.severity;
    expect(severity('straight', source5('v', 5))).to.equal('caution');
    expect(severity('diode', source5('v', 5))).to.equal(null);
    expect(severity('diode', cells({}))).to.equal('danger');
  });
  it('lets the diode take its volt', () => {
    const { circuit } = judge({
      cards: [five, load('x', 0.1), diode],
      parts: [part('a', 's5'), part('x', 'x', { feeds: { vcc: 'a.out' }, ...short })],
      helpers: [guard('a.out', 'diode')],
    });
    expect(circuit.feeds.get('x.vcc')?.voltage?.min).to.be.closeTo(4, 1e-6);
  });
});

describe('supply/cut-off', () => {
  const on = (chemistry: 'primary' | 'rechargeable' | 'lithium', least: number, protectedAt?: number) => {
    const made = cells({ cutOff: 3 });
    const [rail] = made.rails ?? [];
    if (!rail?.cells) throw new Error('no cells');
    const protection = { cutsAt: { min: protectedAt ?? 0, unit: 'V' as const, source: 'sheet' }, source: 'sheet' };
    const pack = { ...rail.cells, chemistry, ...(protectedAt === undefined ? {} : { protection }) };
    return judge({
      cards: [{ ...made, rails: [{ ...rail, cells: pack }] }, load('x', 0.01, {}, least, 6)],
      parts: [part('v', 'v'), part('x', 'x', { feeds: { vcc: 'v.out' } })],
    }).of('supply/cut-off')[0];
  };
  it('is danger where a part drains a lithium cell of 3 V down to 2 V, and a fault for what is charged again', () => {
    expect(on('lithium', 2)).to.include({ severity: 'danger', measured: 2, limit: 3, margin: -1 });
    expect(on('rechargeable', 2)?.severity).to.equal('fault');
  });
  it('counts what the cells feed beside another source', () => {
    const made = cells({ cutOff: 3 });
    const [rail] = made.rails ?? [];
    if (!rail?.cells) throw new Error('no cells');
    const pack = { ...made, rails: [{ ...rail, cells: { ...rail.cells, chemistry: 'lithium' as const } }] };
    const found = judge({
      cards: [pack, source5('five', 5), load('x', 0.01, {}, 2, 6)],
      parts: [
        part('v', 'v'),
        part('five', 'five'),
        part('x', 'x', { feeds: { vcc: 'five.out' }, also: { vcc: 'v.out' } }),
      ],
    }).of('supply/cut-off')[0];
    expect(found).to.include({ severity: 'danger', measured: 2 });
  });
  it('passes what stops in time, what cuts itself off, and cells that are thrown away', () => {
    expect(on('lithium', 3)?.severity).to.equal(null);
    expect(on('lithium', 2, 2.7)).to.include({ severity: null, measured: 2.7 });
    expect(on('primary', 1)).to.equal(undefined);
  });
  it('knows that the cold raises the resistance: 1.4 times for each ten degrees, 1.5 at the worst', () => {
    expect(coldFactor(20, 1.4)).to.equal(1);
    expect(coldFactor(-10, 1.4)).to.be.closeTo(2.744, 1e-12);
    expect(packOf(cells({ resistance: 2 }).rails?.[0]?.cells as Cells, 'worst', 0).resistance).to.be.closeTo(
      2 * 2.25,
      1e-9,
    );
  });
});

describe('supply/sag and supply/runtime', () => {
  const DAYS = 86400;
  const run = (of: Card, plan: Partial<Plan> = {}, source = cells({})) =>
    judge({
      cards: [source, of],
      parts: [part('v', 'v'), part('x', of.id, { feeds: { vcc: 'v.out' }, ...short })],
      plan,
    });
  it('is charge ÷ current along the curve: 1 Ah into 1 mA', () => {
    // Terminals at 3 V are 3.0005 V inside, a straight curve from 4.8 to 3: 1 − 0.0005 ÷ 1.8 of 3600 s × 1000.
    const [found] = run(load('x', 0.001)).of('supply/runtime');
    expect(found?.measured).to.be.closeTo((3.6e6 * (1 - 0.0005 / 1.8)) / DAYS, 1e-3);
    expect(found?.limit).to.equal(null);
  });
  it('is a fault where even the usual is too short, a caution where the worst is', () => {
    const spread = load('x', 0.001);
    const states = spread.supplies[0]?.current as { active: { min?: number; typ?: number; max?: number } };
    states.active = { ...states.active, min: 0.001, typ: 0.001, max: 0.002 };
    const severity = (days: number) => run(spread, { runFor: days * DAYS }).of('supply/runtime')[0]?.severity;
    expect([20, 30, 45].map(severity)).to.deep.equal([null, 'caution', 'fault']);
  });
  it('ends where the first part stops, not where the cells do', () => {
    const [found] = run(load('x', 0.001, {}, 3.9, 6)).of('supply/runtime');
    expect(found?.measured).to.be.closeTo((3.6e6 * (0.9 / 1.8)) / DAYS, 0.03);
  });
  it('finds a pack whose own resistance lets it sink at the worst moment', () => {
    const peaky = load('x', 0.001, { peak: exactly('A', 0.1) });
    // Fresh 4.8 V − 100 mA × 18 Ω = 3 V: exactly at the cut-off; at 19 Ω it is 2.9 V.
    expect(run(peaky, {}, cells({ resistance: 18 })).of('supply/sag')[0]).to.include({ severity: null, limit: 3 });
    const [found] = run(peaky, {}, cells({ resistance: 19 })).of('supply/sag');
    expect(found?.severity).to.equal('fault');
    expect(found?.measured).to.be.closeTo(2.9, 1e-6);
  });
  it('through a linear regulator lasts by the current, through a switching one by the power', () => {
    const behind = (by: string) => {
      const build = chain(
        cells({ resistance: 1e-6, fresh: 6.6, end: 6.6 - 1e-9, cutOff: 5 }),
        regulator('reg', { by, volts: 3.3, more: { efficiency: 0.9 } }),
        load('x', 0.01),
      );
      return judge(build).of('supply/runtime')[0]?.measured ?? 0;
    };
    expect(behind('linear')).to.be.closeTo(3600 / 0.01 / DAYS, 0.01);
    expect(behind('switching')).to.be.closeTo(3600 / ((0.01 * 3.3) / (0.9 * 6.6)) / DAYS, 0.02);
  });
  it('ranks what eats the charge', () => {
    const build: Build = {
      cards: [cells({}), load('x', 0.003), load('y', 0.001)],
      parts: [part('v', 'v'), part('x', 'x', { feeds: { vcc: 'v.out' } }), part('y', 'y', { feeds: { vcc: 'v.out' } })],
      plan: { runFor: 1e7 },
    };
    expect(say(judge(build).of('supply/runtime')[0]?.message)).to.include('75 % of it goes to x, at work');
    expect(deriveCircuit(document(build)).rails.get('v.out')?.typical).to.be.closeTo(0.004, 1e-12);
  });
});
