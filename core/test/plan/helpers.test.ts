/** What every kind of helper says of itself, and what the circuit makes of one with several pieces. */
import { expect } from 'chai';
import { netlistOf } from '../../src/circuit/netlist.ts';
import { helperLabel, namesOf, piecesOf, renamed } from '../../src/plan/helpers.ts';
import { Helper } from '../../src/plan/helpers/shapes.ts';
import { say } from '../../src/say/say.ts';
import { input, pinned, TWO_RAILS } from '../support/boards.ts';
import { card, CMOS, controller, judge, part } from '../support/build.ts';

const on = { part: 'a', port: 'p', line: 'out' };
const EXAMPLES: { readonly [Kind in Helper['kind']]: Extract<Helper, { kind: Kind }> } = {
  'pull-up': { id: 'h', kind: 'pull-up', of: 'a.p', line: 'out', beyond: 't', to: 'r.out', ohms: 4700 },
  'pull-down': { id: 'h', kind: 'pull-down', ...on, ohms: 10_000 },
  series: { id: 'h', kind: 'series', ...on, ohms: 470 },
  fixed: { id: 'h', kind: 'fixed', ...on, to: 'r.out', ohms: 10_000 },
  divider: { id: 'h', kind: 'divider', ...on, upper: 10_000, lower: 20_000 },
  filter: { id: 'h', kind: 'filter', ...on, farads: 1e-7, card: 'c' },
  debounce: { id: 'h', kind: 'debounce', ...on, ohms: 10_000, farads: 1e-7, card: 'c' },
  capacitor: { id: 'h', kind: 'capacitor', part: 'a', supply: 'vcc', farads: 1e-4, polar: true, card: 'c' },
  diode: { id: 'h', kind: 'diode', part: 'a', card: 'd' },
  guard: { id: 'h', kind: 'guard', part: 'a', supply: 'vcc', rail: 'r.out', card: 'd' },
  translator: {
    id: 'h',
    kind: 'translator',
    card: 't',
    near: 'r.out',
    far: 's.out',
    ports: [{ part: 'a', port: 'p' }],
    gate: { pin: 'p1', locked: true },
  },
};
const all = Object.values<Helper>(EXAMPLES);

/** Every text in a helper that is a name of something in the plan. */
const textsIn = (helper: Helper): string[] =>
  JSON.stringify({ ...helper, id: '', kind: '', line: '' }).match(/"[a-z]+(?:\.[a-z]+)?"/g) ?? [];

describe('kinds of helpers', () => {
  it('are read back as they were written', () => {
    for (const helper of all) expect(Helper.parse(JSON.parse(JSON.stringify(helper)))).to.deep.equal(helper);
  });

  it('lead every name on, and leave themselves alone where nothing changes', () => {
    for (const helper of all) {
      expect(renamed(helper, {}), helper.kind).to.deep.equal(helper);
      const next = renamed(helper, {
        part: () => 'zz',
        port: ({ port }) => ({ part: 'zz', port }),
        rail: () => 'zz.zz',
        net: () => 'zz.zz',
        helper: () => 'zz',
        card: () => 'zz',
      });
      const left = textsIn(next ?? helper).filter((text) => /"(?:a|r|s|t|c|d)(?:\.|")/.test(text));
      expect(left, helper.kind).to.deep.equal([]);
    }
  });

  it('go with the part and the rail that they stand on', () => {
    for (const helper of all) {
      const { rails, nets, parts } = namesOf(helper);
      expect([...parts, ...nets], helper.kind).to.not.be.empty;
      const gone = renamed(helper, { part: () => null, port: () => null, net: () => null });
      expect(gone, helper.kind).to.equal(null);
      if (rails.length > 0) expect(renamed(helper, { rail: () => null }), helper.kind).to.equal(null);
    }
  });

  it('have a label that names what they are for, and something to buy', () => {
    const called = { part: () => 'PART', rail: () => 'RAIL', card: () => 'CARD', line: () => 'LINE' };
    for (const helper of all) {
      expect(say(helperLabel(helper, called)), helper.kind).to.match(/PART|LINE/);
      const { ohms, cards } = piecesOf(helper);
      expect(ohms.length + cards.length, helper.kind).to.be.greaterThan(0);
    }
  });
});

describe('a debounced contact', () => {
  const can = card('can', { kind: 'capacitor', capacitor: { farads: 100e-9, polar: false, source: 'sheet' } });
  const { circuit } = judge({
    cards: [TWO_RAILS, controller(CMOS), input('reed'), can],
    parts: [part('reed', 'reed', { feeds: { vcc: 'v3.out' }, ports: pinned('in') })],
    helpers: [
      { id: 'calm', kind: 'debounce', part: 'reed', port: 'port', line: 'in', ohms: 10_000, farads: 1e-7, card: 'can' },
    ],
  });

  it('has a resistor in its line and a capacitor at the pin, each with a name of its own', () => {
    const { twoTerminals, nodes } = netlistOf(circuit);
    expect(twoTerminals.map(({ id, kind }) => [id, kind])).to.deep.equal([
      ['calm', 'resistor'],
      ['calm/2', 'capacitor'],
    ]);
    const [resistor, capacitor] = twoTerminals;
    expect(resistor?.legs[0]).to.equal(capacitor?.legs[0]);
    const pins = (id: string | undefined) => nodes.find((node) => node.id === id)?.pins.map(({ part: of }) => of);
    expect(pins(resistor?.legs[0])).to.deep.equal(['mcu']);
    expect(pins(resistor?.legs[1])).to.deep.equal(['reed']);
  });

  it('weighs on the line by its capacitor', () => {
    const net = circuit.nets.find(({ of }) => of === 'reed.port');
    expect(net?.capacitance).to.be.greaterThan(100e-9);
    expect(net?.series.map(({ ohms }) => ohms)).to.deep.equal([10_000]);
  });
});
