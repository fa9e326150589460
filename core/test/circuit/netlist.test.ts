/** The netlist against the circuit that it is taken from, and helper by helper. */
import { quantityOf } from '../../src/quantity/message.ts';
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { netlistOf, reachedAt } from '../../src/circuit/netlist.ts';
import { type Netlist } from '../../src/circuit/netlist-model.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import { documentOf } from '../../src/plan/document.ts';
import { MCU, onBus, output, PAIR, pinned, translator, TWO_RAILS } from '../support/boards.ts';
import {
  card,
  CMOS,
  controller,
  document,
  exactly,
  figure,
  i2cBus,
  i2cModule,
  judge,
  module,
  part,
  source5,
  terminals,
  V5,
  type Build,
  revised,
} from '../support/build.ts';
import { load } from '../support/power-build.ts';
import { demo, PLANS } from '../support/demo.ts';

const listOf = (build: Build): Netlist => netlistOf(judge(build).circuit);
const nodeOf = (list: Netlist, part: string, terminal: string) =>
  list.nodes.find(({ pins }) => pins.some((p) => p.part === part && p.terminal === terminal))?.id;
const legs = (list: Netlist, id: string) => list.twoTerminals.find((l) => l.id === id)?.legs;

for (const name of PLANS)
  describe(`netlist of ${name}`, () => {
    const circuit = deriveCircuit(demo(name));
    const list = netlistOf(circuit);

    it('has every net, rail and ground once, and no pin on two nodes', () => {
      const seen = new Set<string>();
      for (const { pins } of list.nodes)
        for (const { part: p, terminal } of pins) {
          expect(seen.has(`${p}.${terminal}`), `${p}.${terminal}`).to.equal(false);
          seen.add(`${p}.${terminal}`);
        }
      const fitted = (id: string) => circuit.parts.get(id)?.choice?.fittedOn !== undefined;
      for (const net of circuit.nets) {
        if (net.ends.some((end) => fitted(end.part))) continue;
        const groups = new Set(net.ends.filter((e) => !e.divider).map((end) => nodeOf(list, end.part, end.terminal)));
        // A resistor in series cuts the line in two, nothing else does.
        expect(groups.size, say(net.label)).to.equal(net.series.length > 0 ? 2 : 1);
        expect(groups.has(undefined), say(net.label)).to.equal(false);
      }
      for (const { part: p, supply, rail } of circuit.feeds.values()) {
        if (!rail || fitted(p)) continue;
        const made = circuit.rails.get(rail);
        const guard = circuit.guards.some((g) => g.part === p && g.supply === supply.id && g.rail === rail);
        const same = nodeOf(list, p, supply.terminal) === nodeOf(list, made?.part ?? '', made?.offer.terminal ?? '');
        expect(same, `${p}.${supply.id}`).to.equal(!guard);
      }
    });

    it('has the legs of every helper, each between two different nodes', () => {
      const wanted = circuit.plan.helpers.flatMap((h) =>
        h.kind === 'divider' ? [`${h.id}/upper`, `${h.id}/lower`] : h.kind === 'translator' ? [] : [h.id],
      );
      expect(list.twoTerminals.map(({ id }) => id).sort()).to.deep.equal(wanted.sort());
      for (const { id, legs: two } of list.twoTerminals) expect(two[0], id).to.not.equal(two[1]);
    });
  });

describe('netlist', () => {
  it('lays a divider from the part to the pin and from there to ground', () => {
    const list = listOf({
      cards: [TWO_RAILS, MCU, output('chip')],
      parts: [part('chip', 'chip', { feeds: { vcc: 'v3.high' }, ports: pinned('out') })],
      helpers: [{ id: 'div', kind: 'divider', part: 'chip', port: 'port', line: 'out', upper: 1500, lower: 2700 }],
    });
    const [above, below] = [nodeOf(list, 'chip', 'out1'), nodeOf(list, 'mcu', 'p2')];
    expect(legs(list, 'div/upper')).to.deep.equal([above, below]);
    expect(legs(list, 'div/lower')).to.deep.equal([below, 'ground']);
    expect(list.twoTerminals.map(({ ohms }) => ohms)).to.deep.equal([1500, 2700]);
  });

  it('lays a fixed resistor from its rail to the pin that the bare part is on', () => {
    const bead = card('bead', {
      terminals: terminals('end', 'gnd'),
      signals: [{ id: 'end', terminal: 'end', kind: 'passive' }],
      ports: [{ id: 'port', protocol: 'analog', lines: { out: 'end' } }],
    });
    const list = listOf({
      cards: [TWO_RAILS, MCU, bead],
      parts: [part('bead', 'bead', { ports: pinned('out') }), part('other', 'bead', { ports: pinned('out', 'p3') })],
      helpers: [{ id: 'fix', kind: 'fixed', part: 'bead', port: 'port', line: 'out', to: 'v3.out', ohms: 18e3 }],
    });
    expect(legs(list, 'fix')).to.deep.equal([nodeOf(list, 'mcu', 'p2'), nodeOf(list, 'v3', 'out')]);
    expect(nodeOf(list, 'bead', 'end')).to.equal(nodeOf(list, 'mcu', 'p2'));
  });

  it('ties the enable of a translator that nothing switches to its low side', () => {
    const made = translator();
    const gated = revised(made, {
      terminals: [...made.terminals, { id: 'en', label: 'EN', role: 'signal' as const, header: 'main', position: 20 }],
      signals: [
        ...made.signals,
        ...output('x').signals.map((s) => ({
          ...s,
          id: 'en',
          terminal: 'en',
          kind: 'input' as const,
          reference: 'lv',
        })),
      ],
      ports: [{ id: 'enable', protocol: 'digital-in' as const, lines: { in: 'en' } }],
      translator: { ...made.translator, enable: 'enable' },
    });
    const with_ = (gate: object): Build => ({
      cards: [TWO_RAILS, MCU, i2cModule('a'), gated],
      parts: [onBus('a', 'a', 'v3.high')],
      buses: [i2cBus()],
      helpers: [
        ...PAIR,
        {
          id: 't',
          kind: 'translator',
          card: 'tr',
          near: 'v3.out',
          far: 'v3.high',
          ports: [{ part: 'a', port: 'port' }],
          ...gate,
        } as Helper,
      ],
    });
    const tied = listOf(with_({}));
    expect(nodeOf(tied, 't', 'en')).to.equal(nodeOf(tied, 'v3', 'out'));
    const switched = listOf(with_({ gate: { pin: 'p6', locked: false } }));
    expect(nodeOf(switched, 't', 'en')).to.equal(nodeOf(switched, 'mcu', 'p6'));
  });

  it('puts the supply terminal of a part that lives on its data line to ground', () => {
    const probe = module(
      'probe',
      {
        protocol: 'onewire',
        lines: { data: 'data' },
        parasite: { current: exactly('A', 1.5e-3), least: figure('V', { min: 3 }) },
      },
      [{ id: 'data', kind: 'open-drain', ...CMOS }],
    );
    const list = listOf({
      cards: [TWO_RAILS, MCU, probe],
      parts: [part('p', 'probe', { ports: { port: { bus: 'w', parasite: true } } })],
      buses: [{ id: 'w', name: 'w', protocol: 'onewire', lines: { data: { pin: 'p3', locked: false } } }],
    });
    expect(nodeOf(list, 'p', 'vcc')).to.equal('ground');
  });

  it('leads each source through its own guard to the part, the plain end of a diode on the side of the source', () => {
    const [diode, toggle] = ['diode', 'switch'].map((kind) => card(kind, { kind }));
    if (!diode || !toggle) throw new Error('no cards');
    const list = listOf({
      cards: [source5('s5', 5), source5('s6', 6), load('x', 0.1), diode, toggle],
      parts: [part('a', 's5'), part('b', 's6'), part('x', 'x', { feeds: { vcc: 'a.out' }, also: { vcc: 'b.out' } })],
      helpers: [
        { id: 'g1', kind: 'guard', part: 'x', supply: 'vcc', rail: 'a.out', card: 'diode' },
        { id: 'g2', kind: 'guard', part: 'x', supply: 'vcc', rail: 'b.out', card: 'switch' },
      ],
    });
    const behind = nodeOf(list, 'x', 'vcc');
    expect(legs(list, 'g1')).to.deep.equal([nodeOf(list, 'a', 'out'), behind]);
    expect(legs(list, 'g2')).to.deep.equal([nodeOf(list, 'b', 'out'), behind]);
    expect(list.twoTerminals.find(({ id }) => id === 'g1')?.polar?.map(say)).to.deep.equal(['plain end', 'ring end']);
  });

  it('joins a pin with the part that it feeds', () => {
    const doc = document({
      cards: [V5, source5('v3', 5), controller(CMOS), load('x', 0.01)],
      parts: [part('x', 'x', { feeds: { vcc: 'mcu.p3' } })],
    });
    const list = netlistOf(deriveCircuit(documentOf(doc.plan, doc.cards)));
    expect(nodeOf(list, 'x', 'vcc')).to.equal(nodeOf(list, 'mcu', 'p3'));
  });

  it('keeps the ground of a source apart where the plan says so, and that of what it alone feeds', () => {
    const build = (apart: boolean): Build => ({
      cards: [source5('s5', 5), source5('s6', 6), load('x', 0.1), load('y', 0.1)],
      parts: [
        part('a', 's5'),
        part('b', 's6', apart ? { apart: true } : {}),
        part('x', 'x', { feeds: { vcc: 'a.out' } }),
        part('y', 'y', { feeds: { vcc: 'b.out' } }),
      ],
    });
    const [joined, kept] = [listOf(build(false)), listOf(build(true))];
    expect(nodeOf(joined, 'y', 'gnd')).to.equal(nodeOf(joined, 'x', 'gnd'));
    expect(nodeOf(kept, 'y', 'gnd')).to.equal(nodeOf(kept, 'b', 'gnd'));
    expect(nodeOf(kept, 'y', 'gnd')).to.not.equal(nodeOf(kept, 'x', 'gnd'));
  });

  it('puts a capacitor across the supply of its part, the long leg of a polar one on plus', () => {
    const can = card('can', { kind: 'capacitor' });
    const list = listOf({
      cards: [source5('s5', 5), load('x', 0.1), can],
      parts: [part('a', 's5'), part('x', 'x', { feeds: { vcc: 'a.out' } })],
      helpers: [{ id: 'c', kind: 'capacitor', part: 'x', supply: 'vcc', farads: 100e-6, polar: true, card: 'can' }],
    });
    expect(list.twoTerminals).to.deep.include({
      id: 'c',
      kind: 'capacitor',
      value: quantityOf(100e-6, 'F'),
      ohms: null,
      card: 'can',
      legs: ['rail:a.out', 'ground'],
      polar: list.twoTerminals[0]?.polar ?? null,
    });
    expect(list.twoTerminals[0]?.polar?.map(say)).to.deep.equal(['long leg', 'short leg']);
  });

  it('reaches the pins of a controller in its carrier where the carrier leads them out', () => {
    const circuit = deriveCircuit(demo('stairwell'));
    const at = (terminal: string) =>
      reachedAt(circuit, { part: 'controller', terminal }).map(({ part: p, terminal: t }) => `${p}.${t}`);
    expect(at('a2')).to.deep.equal(['trestle-lab-carrier.f3']);
    expect(at('vin')).to.deep.equal([1, 2, 3].map((n) => `trestle-lab-carrier.vin-${n}`));
  });
});
