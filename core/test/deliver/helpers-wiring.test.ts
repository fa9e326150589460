/** Resistors and ties that the electrical proof adds, on the bench: where each leg goes. */
import { expect } from 'chai';
import { partsList } from '../../src/deliver/parts-list.ts';
import { pointKey, type Lead } from '../../src/deliver/wirer.ts';
import { wiringPlan } from '../../src/deliver/wiring.ts';
import type { Helper } from '../../src/plan/plan.ts';
import { MCU, onBus, output, PAIR, pinned, translator, TWO_RAILS } from '../support/boards.ts';
import {
  card,
  CMOS,
  exactly,
  figure,
  i2cBus,
  i2cModule,
  judge,
  module,
  part,
  terminals,
  type Build,
} from '../support/build.ts';

const leadsOf = (build: Build): Lead[] => wiringPlan(judge(build).circuit).steps.flatMap(({ leads }) => leads);
const ends = (lead: Lead | undefined) => (lead ? [pointKey(lead.from), pointKey(lead.to)].sort() : []);

describe('wiring of helpers', () => {
  it('lays a divider from the part’s row to the pin and from there to ground', () => {
    const build: Build = {
      cards: [TWO_RAILS, MCU, output('chip')],
      parts: [part('chip', 'chip', { feeds: { vcc: 'v3.high' }, ports: pinned('out') })],
      helpers: [{ id: 'div', kind: 'divider', part: 'chip', port: 'port', line: 'out', upper: 1500, lower: 2700 }],
    };
    const leads = leadsOf(build).filter(({ kind }) => kind === 'resistor');
    expect(ends(leads.find(({ value }) => value === '1.5 kΩ'))).to.deep.equal(['chip.out1', 'mcu.p2']);
    expect(ends(leads.find(({ value }) => value === '2.7 kΩ'))).to.deep.equal(['mcu.p2', 'strip:ground']);
    const { circuit } = judge({
      ...build,
      plan: { resistors: 'box' },
      cards: [...build.cards, card('box', { kind: 'resistor' })],
    });
    expect(partsList(circuit, wiringPlan(circuit)).lines.find(({ card: id }) => id === 'box')?.needed).to.equal(2);
  });
  it('lays a fixed resistor from its rail to the pin that the bare part is on', () => {
    const bead = card('bead', {
      terminals: terminals('end', 'gnd'),
      signals: [{ id: 'end', terminal: 'end', kind: 'passive' }],
      ports: [{ id: 'port', protocol: 'analog', lines: { out: 'end' } }],
    });
    const leads = leadsOf({
      cards: [TWO_RAILS, MCU, bead],
      parts: [part('bead', 'bead', { ports: pinned('out') }), part('other', 'bead', { ports: pinned('out', 'p3') })],
      helpers: [{ id: 'fix', kind: 'fixed', part: 'bead', port: 'port', line: 'out', to: 'v3.out', ohms: 18e3 }],
    });
    const [resistor] = leads.filter(({ kind }) => kind === 'resistor');
    expect(ends(resistor)).to.deep.equal(['mcu.p2', 'strip:v3.out']);
    expect(leads.some((lead) => ends(lead).join() === 'bead.end,mcu.p2')).to.equal(true);
  });
  it('ties the enable of a translator that nothing switches to its low side', () => {
    const made = translator();
    const gated = {
      ...made,
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
      translator: made.translator && { ...made.translator, enable: 'enable' },
    };
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
    const on = (build: Build) =>
      leadsOf(build)
        .filter((lead) => ends(lead).includes('t.en'))
        .map((lead) => ends(lead).join());
    expect(on(with_({}))).to.deep.equal(['strip:v3.out,t.en']);
    expect(on(with_({ gate: { pin: 'p6', locked: false } }))).to.deep.equal(['mcu.p6,t.en']);
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
    const leads = leadsOf({
      cards: [TWO_RAILS, MCU, probe],
      parts: [part('p', 'probe', { ports: { port: { bus: 'w', parasite: true } } })],
      buses: [{ id: 'w', name: 'w', protocol: 'onewire', lines: { data: { pin: 'p3', locked: false } } }],
    });
    expect(leads.some((lead) => ends(lead).join() === 'p.vcc,strip:ground')).to.equal(true);
  });
});
