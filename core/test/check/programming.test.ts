/** A serial programmer is there only while a program is loaded: a source and two crossed lines then, and nothing the rest of the time. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { whileProgramming } from '../../src/circuit/programming.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { documentOf } from '../../src/plan/document.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { circuitOf, TABLE, withParts } from '../support/bought.ts';
import { cards, library } from '../support/demo.ts';
import { verify } from '../../src/check/verify.ts';
import { CMOS, card, controller, exactly, judge, part, source5, type Build } from '../support/build.ts';

const programmer = (volts: number, limit = 0.5) =>
  card('prog', {
    terminals: [
      { id: 'out', label: 'VCC', role: 'supply', header: 'main', position: 1 },
      { id: 'gnd', label: 'GND', role: 'ground', header: 'main', position: 2 },
      { id: 't', label: 'TXD', role: 'signal', header: 'main', position: 3 },
      { id: 'r', label: 'RXD', role: 'signal', header: 'main', position: 4 },
    ],
    rails: [
      { id: 'out', name: `${volts} V`, terminal: 'out', voltage: exactly('V', volts), limit: exactly('A', limit) },
    ],
    signals: [
      { id: 't', terminal: 't', kind: 'push-pull', reference: 'out', ...CMOS },
      { id: 'r', terminal: 'r', kind: 'input', reference: 'out', ...CMOS },
    ],
    ports: [{ id: 'uart', protocol: 'uart', lines: { tx: 't', rx: 'r' } }],
    programs: { source: 'sheet' },
  });
const board = (() => {
  const made = controller(CMOS, 4, (n) => ({
    functions: ['in', 'out', ...(n === 0 ? ['uart0.tx'] : n === 1 ? ['uart0.rx'] : [])],
    ...(n < 2 ? { reserved: { by: 'console', meaning: 'Programs are loaded over it.', source: 'sheet' } } : {}),
  }));
  const [supply] = made.supplies;
  if (!supply || !made.controller) throw new Error('no board');
  return {
    ...made,
    // Its console is where it is: no line can be led elsewhere inside.
    controller: { ...made.controller, matrix: [] },
    supplies: [
      {
        ...supply,
        range: { min: 3, max: 3.6, unit: 'V' as const, source: 'sheet' },
        current: { active: { typ: 0.08, max: 0.08, unit: 'A' as const, source: 'sheet' } },
      },
    ],
  };
})();
const build = (volts: number, more: { limit?: number; tx?: string; rx?: string; alone?: boolean } = {}): Build => ({
  cards: [source5('cells', 3.3), board, programmer(volts, more.limit)],
  parts: [],
  plan: {
    controller: 'mcu',
    parts: [
      part('cells', 'cells'),
      part('mcu', 'mcu', { feeds: { vcc: 'cells.out' }, ...(more.alone ? {} : { also: { vcc: 'prog.out' } }) }),
      part('prog', 'prog', {
        only: 'programming',
        ports: {
          uart: { lines: { tx: { pin: more.tx ?? 'p1', locked: false }, rx: { pin: more.rx ?? 'p0', locked: false } } },
        },
      }),
    ],
  },
});

describe('a programmer that is there only while a program is loaded', () => {
  it('passes: 3.3 V into a board of 3.0 to 3.6 V, 80 of 500 mA, transmit to receive both ways', () => {
    const judged = judge(build(3.3));
    const [pass] = judged.of('supply/programming').filter(({ severity }) => severity === null);
    expect(say(pass?.message)).to.match(
      /^prog feeds mcu and talks to it while a program is loaded: \d+ rules hold then, too\.$/,
    );
    expect(judged.broken('pin/strap')).to.deep.equal([]);
    expect(judged.broken('supply/back-feed')).to.deep.equal([]);
  });
  it('says to take the cells out first where both are straight on one supply, and passes where it does not feed', () => {
    const [caution] = judge(build(3.3)).broken('supply/programming');
    expect(caution?.severity).to.equal('caution');
    expect(say(caution?.message)).to.equal(
      'Take cells off before prog goes on: both would feed VCC of mcu, and the higher one feeds the other.',
    );
    expect(judge(build(3.3, { alone: true })).broken('supply/programming')).to.deep.equal([]);
  });
  it('is a fault where its voltage is not the board’s: 5 V of 3.6', () => {
    const [found] = judge(build(5))
      .broken('supply/programming')
      .filter(({ severity }) => severity !== 'caution');
    expect(found?.severity).to.equal('fault');
    expect(found?.measured).to.equal(5);
    expect(say(found?.message)).to.match(/^While a program is loaded: /);
  });
  it('is a fault where it gives too little: 80 of 50 mA', () =>
    expect(
      judge(build(3.3, { limit: 0.05 }))
        .broken('supply/programming')
        .map(({ severity, measured }) => [severity, measured]),
    ).to.deep.include(['fault', 0.08]));
  it('is a fault where transmit meets transmit', () =>
    expect(
      judge(build(3.3, { tx: 'p0', rx: 'p1' }))
        .broken('supply/programming')
        .filter(({ severity }) => severity === 'fault').length,
    ).to.be.greaterThan(0));
  it('takes no part in the build at work: neither a source, nor a line, nor a load', () => {
    const { circuit } = judge(build(3.3));
    expect([...circuit.parts.keys()]).to.deep.equal(['cells', 'mcu']);
    expect(circuit.wishes).to.deep.equal([]);
    expect(circuit.rails.has('prog.out')).to.equal(false);
  });
});

describe('the programmer that ships', () => {
  const plan = withParts(TABLE, ['adapter-5v', 'wifi-board', 'serial-programmer']);

  it('is put on the console of the board crossed, and leaves the plan as verified as it was', () => {
    const lines = plan.parts.find(({ card: id }) => id === 'serial-programmer');
    expect(lines?.only).to.equal('programming');
    expect(Object.values(lines?.ports ?? {})[0]?.lines).to.deep.equal({
      tx: { pin: 'p3', locked: false },
      rx: { pin: 'p1', locked: false },
    });
    const grave = verify(circuitOf(plan)).findings.filter(
      ({ severity }) => severity === 'danger' || severity === 'fault',
    );
    expect(grave.map(({ message }) => say(message))).to.deep.equal([]);
    expect(whileProgramming(documentOf(plan, cards, library))).to.not.equal(null);
  });
  it('is kept from meeting the adapter by feeding nothing; a diode that takes 1 V of 4.4 leaves too little for 4.2, and is not offered', () => {
    const circuit = circuitOf(plan);
    const verdict = verify(circuit);
    const caution = verdict.findings.find(({ check }) => check === 'supply/programming');
    if (!caution) throw new Error('no caution');
    const titles = proposeRemedies(circuit, verdict, caution, library).map(({ title }) => say(title));
    expect(titles).to.include('Let Tansy S4 programmer feed nothing, and Hollin 5 V 4 A adapter stay on');
    expect(titles.filter((title) => say(title).includes('diode'))).to.deep.equal([]);
  });
  it('has a step of its own at the end of the wiring, and is on the parts list', () => {
    const build = buildOf(circuitOf(plan));
    const last = build.wiring.steps.at(-1);
    expect(last?.phase).to.equal('programming');
    expect(last?.checks.map((check) => ('says' in check ? say(check.says) : ''))).to.include.members([
      'GND of the programmer to GND of Marram W3 board, TXD to RX, RXD to TX.',
    ]);
    expect(build.parts.lines.some(({ card: id }) => id === 'serial-programmer')).to.equal(true);
  });
});
