/** A board fed through its programming socket: its voltages by hand, its plug, its second source, its wiring and its bring-up. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { planned } from '../../src/bench/virtual-build.ts';
import { documentOf } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { gaugeResistance } from '../../src/standard/wire-gauge.ts';
import { library } from '../support/demo.ts';
import { card, CMOS, exactly, figure, judge, part, terminals, V5, type Json } from '../support/build.ts';
import { controllerCards, circuitOf, MATRIX } from '../support/matrix.ts';

const outlet = card('charger', {
  kind: 'source',
  headers: [{ id: 'main', kind: 'socket', rows: 1, pitch: 0.00254 }],
  terminals: terminals('out', 'gnd'),
  outlet: { source: 'sheet' },
  rails: [
    {
      id: 'out',
      name: '5 V',
      terminal: 'out',
      voltage: figure('V', { min: 4.9, typ: 5, max: 5.1 }),
      limit: exactly('A', 2),
    },
  ],
});
const cable = card('cable', {
  kind: 'cable',
  headers: [],
  cable: { plug: 'C', length: 1, gauge: 24, contacts: figure('Ω', { max: 0.12 }), source: 'sheet' },
});

/** A board that takes 0.4 A at its supply, or at the rail that its socket makes. */
const board = (usb: Json, more: Json = {}) =>
  card('board', {
    kind: 'controller',
    terminals: terminals('vcc', 'gnd', 'p0'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 4, max: 6 }), current: { active: exactly('A', 0.4) } },
    ],
    controller: {
      pins: [{ terminal: 'p0', functions: ['in', 'out'] }],
      io: { reference: 'vcc', ...CMOS },
      pinCurrent: { recommended: exactly('A', 0.02), absolute: exactly('A', 0.04) },
      usb: {
        supply: 'vcc',
        by: 'diode',
        plug: 'C',
        voltage: figure('V', { min: 4.4, max: 5.5 }),
        source: 'sheet',
        ...usb,
      },
    },
    ...more,
  });
const diode = { drop: figure('V', { min: 0.2, typ: 0.3, max: 0.45 }) };
const plugged = (cards: Parameters<typeof judge>[0]['cards'], feeds: Record<string, string>, leads = ['cable']) =>
  judge({
    cards,
    parts: [part('src', 'charger'), part('mcu2', 'board', { feeds })],
    plan: { controller: 'mcu2', leads },
  });

describe('a board in whose socket a cable is', () => {
  it('gets what the source gives, less the cable and its way, by hand', () => {
    // 0.4 A × (2 × 1 m × 84.2 mΩ/m + 0.12 Ω) = 115 mV; 4.9 V − 0.115 V − 0.45 V = 4.335 V. Gauge 24 from ASTM B258 (from memory).
    const { circuit } = plugged([outlet, cable, board(diode)], { usb: 'src.out' });
    const lost = 0.4 * (2 * gaugeResistance(24) + 0.12);
    expect(lost).to.be.closeTo(0.1154, 2e-4);
    const at = circuit.feeds.get('mcu2.vcc');
    expect(at?.voltage?.min).to.be.closeTo(4.9 - lost - 0.45, 1e-9);
    expect(at?.voltage?.max).to.be.closeTo(5.1 - 0.2, 1e-9);
    expect(at?.by).to.equal('inside');
    expect(circuit.rails.get('src.out')?.peak).to.be.closeTo(0.4, 1e-9);
  });
  it('makes its rail directly where it is so built, and its pins speak on that', () => {
    const made = board(
      { makes: 'five', drop: figure('V', { max: 0.15 }), limit: exactly('A', 0.5) },
      {
        supplies: [
          { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 7, max: 12 }), current: { active: exactly('A', 0) } },
        ],
        rails: [
          {
            id: 'five',
            name: '5 V',
            terminal: 'vcc',
            voltage: figure('V', { min: 4.8, max: 5.2 }),
            limit: exactly('A', 1),
            ownLoad: { active: exactly('A', 0.1) },
            from: { supply: 'vcc', by: 'linear' },
          },
        ],
      },
    );
    const { circuit, broken } = plugged([outlet, cable, made], { usb: 'src.out' });
    const five = circuit.rails.get('mcu2.five');
    expect(five?.voltage?.min).to.be.closeTo(4.9 - 0.1 * (2 * gaugeResistance(24) + 0.12) - 0.15, 1e-9);
    expect(five?.offer.limit.min).to.equal(0.5);
    expect(broken('supply/range')).to.deep.equal([]);
    // With the other supply fed as well the board takes that one.
    const both = plugged([outlet, cable, made, V5], { usb: 'src.out', vcc: 'v5.out' }).circuit;
    expect(both.rails.get('mcu2.five')?.voltage?.max).to.equal(5.2);
  });
  it('has no second source unless there is one', () => {
    const alone = plugged([outlet, cable, board({ by: 'straight' })], { usb: 'src.out' });
    expect(alone.of('supply/back-feed')).to.deep.equal([]);
    const two = plugged([outlet, cable, board({ by: 'straight' }), V5], { usb: 'src.out', vcc: 'v5.out' });
    expect(two.broken('supply/back-feed')[0]?.severity).to.equal('danger');
    const behind = plugged([outlet, cable, board({}), V5], { usb: 'src.out', vcc: 'v5.out' });
    expect(behind.of('supply/back-feed').map(({ severity }) => severity)).to.deep.equal([null]);
  });
  it('wants a plug that fits, and a cable among the leads', () => {
    expect(plugged([outlet, cable, board({})], { usb: 'src.out' }).of('supply/plug')[0]?.severity).to.equal(null);
    const none = plugged([outlet, cable, board({})], { usb: 'src.out' }, []).broken('supply/plug');
    expect(none.map(({ severity, message }) => [severity, message])).to.deep.equal([
      ['note', 'The cable from src to mcu2 (plug C) is not among the leads of the plan; one of 1 m is assumed.'],
    ]);
    const other = { ...outlet, outlet: { plug: 'B' as const, source: 'sheet' } };
    expect(plugged([other, board({})], { usb: 'src.out' }).broken('supply/plug')[0]?.message).to.equal(
      'The plug of src is B; the socket of mcu2 is C.',
    );
    expect(plugged([outlet, board({}), V5], { usb: 'v5.out' }).broken('supply/plug')[0]?.severity).to.equal('fault');
  });
  it('is plugged in where a source with an outlet was given loose leads', () => {
    const cards = [outlet, cable, board({})];
    const loose = plugged(cards, { vcc: 'src.out' });
    const [finding] = loose.broken('supply/plug');
    if (!finding) throw new Error('nothing found');
    expect(say(finding.message)).to.equal(
      'src ends in a plug or an outlet; mcu2 is to be fed by loose leads, and there is nothing to put them into.',
    );
    const [first] = proposeRemedies(loose.circuit, loose.verdict, finding.result, new Map(cards.map((c) => [c.id, c])));
    expect(say(first?.title)).to.equal('Plug src into the socket of mcu2');
    expect(first?.plan.parts.find(({ id }) => id === 'mcu2')?.feeds).to.deep.equal({ usb: 'src.out' });
  });
});

describe('a shipped board on a computer', () => {
  const added = (...ids: string[]): Plan =>
    ids.reduce<Plan>(
      (plan, id) => {
        const own = library.get(id);
        if (!own) throw new Error(id);
        return addPart(deriveCircuit(documentOf(plan, [], library)), library, own).plan;
      },
      {
        ...emptyPlan('p', 'p'),
        boards: ['board-full'],
        leads: ['leads-mm', 'leads-mf'],
        resistors: 'resistors-e12',
        joint: 'joint-lever',
      },
    );
  for (const id of ['board-8bit', 'stick-board', 'stick-mini', 'wifi-board'])
    it(`${id} is plugged in, bought with its cable, wired last, read back and brought up`, () => {
      const circuit = deriveCircuit(documentOf(added(id, 'usb-port', 'humid-strap'), [], library));
      const controller = circuit.controller;
      expect(controller?.choice?.feeds.usb).to.equal(`${circuit.plan.parts[1]?.id}.5v`);
      const build = buildOf(circuit);
      expect(build.proof?.mismatches ?? []).to.deep.equal([]);
      const last = build.wiring.steps.at(-1);
      expect(say(last?.title)).to.match(/^Plug the cable of Port of a computer into .*, last$/);
      expect(last?.leads).to.deep.equal([]);
      expect(build.parts.lines.map(({ card: c }) => c)).to.include(id === 'board-8bit' ? 'cable-b' : 'cable-c');
      if (!build.layout) throw new Error('not laid out');
      const sheet = bringUpSheet(planned(circuit, build.layout));
      const power = sheet.rows.filter(({ phase }) => phase === 'power');
      expect(power.length).to.be.above(1);
      // No line asks for a probe inside a plug.
      expect(sheet.rows.filter(({ how }) => /USB|computer/.test(say(how)))).to.deep.equal([]);
    });
});

describe('every shipped controller, alone on each feed that fits', () => {
  for (const controller of controllerCards)
    it(`${controller.id} has no danger and no fault`, () => {
      const seen = new Set<string>();
      for (const cell of MATRIX.filter((c) => c.controller === controller)) {
        if (seen.has(cell.by)) continue;
        seen.add(cell.by);
        const plan = circuitOf(cell).plan;
        const alone = { ...plan, needs: [], parts: plan.parts.filter(({ id }) => id !== 'part') };
        const done = complete(deriveCircuit(documentOf(alone, [], library)), library);
        expect(
          done.left.map(({ message }) => say(message)),
          cell.by,
        ).to.deep.equal([]);
        expect(done.plan.parts, cell.by).to.have.length(2);
      }
    });
  it('charges what the Linux board takes to its input, not to its 3.3 V regulator', () => {
    const cell = MATRIX.find(({ controller, by }) => controller.id === 'linux-board' && by === 'adapter');
    if (!cell) throw new Error('no cell');
    const done = complete(circuitOf(cell), library);
    const heat = done.verdict.passes.find(
      ({ check, subjects }) => check === 'supply/heat' && subjects[0] === 'board.3v3',
    );
    // 5.25 V × 8 mA and the little that one sensor loses in switching: far below a watt, where it was 4.73 W.
    expect(heat?.measured).to.be.below(45);
  });
});
