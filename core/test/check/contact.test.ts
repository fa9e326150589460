/** Low-voltage loads on the contact of a relay: rated, wired, drawn, bought and brought up. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { planned, VirtualBuild } from '../../src/bench/virtual-build.ts';
import { FirmwareModel } from '../../src/bench/firmware-model.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { netlistOf } from '../../src/circuit/netlist.ts';
import { verify } from '../../src/check/verify.ts';
import { documentOf } from '../../src/plan/document.ts';
import { emptyPlan, setContact } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { card, controller, exactly, figure, judge, part, source5, terminals, type Json } from '../support/build.ts';
import { library } from '../support/demo.ts';

const contact: Json = {
  common: 'com',
  open: 'no',
  closed: 'nc',
  direct: { voltage: figure('V', { max: 24 }), current: exactly('A', 2) },
  inrush: exactly('A', 5),
  source: 'sheet',
};
const relay = card('relay', {
  terminals: [
    ...terminals('vcc', 'gnd', 'in'),
    ...['com', 'no', 'nc'].map((id, i) => ({
      id,
      label: id.toUpperCase(),
      role: 'contact',
      header: 'main',
      position: 4 + i,
    })),
  ],
  supplies: [
    { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 3, max: 6 }), current: { active: exactly('A', 0.08) } },
  ],
  signals: [
    {
      id: 'in',
      terminal: 'in',
      kind: 'input',
      reference: 'vcc',
      inputHigh: figure('V', { min: 2 }),
      inputLow: figure('V', { max: 0.8 }),
    },
  ],
  ports: [{ id: 'in', protocol: 'digital-in', lines: { in: 'in' } }],
  contact,
});
const load = (amps: number, peak = amps) =>
  card('fan', {
    terminals: [
      { id: 'plus', label: 'red', role: 'supply', header: 'main', position: 1 },
      { id: 'minus', label: 'black', role: 'ground', header: 'main', position: 2 },
    ],
    supplies: [
      {
        id: 'coil',
        terminal: 'plus',
        range: figure('V', { min: 10, max: 30 }),
        current: { active: exactly('A', amps), peak: exactly('A', peak) },
      },
    ],
    ports: [{ id: 'coil', protocol: 'coil', lines: {} }],
  });
const build = (amps: number, peak = amps, volts = 12, driver: string | null = 'relay') =>
  judge({
    cards: [source5('v3', 3.3), source5('v12', volts), controller(), relay, load(amps, peak)],
    parts: [
      part('v12', 'v12'),
      part('relay', 'relay', {
        feeds: { vcc: 'v3.out' },
        ports: { in: { lines: { in: { pin: 'p2', locked: false } } } },
      }),
      part('fan', 'fan', { feeds: { coil: 'v12.out' }, ports: { coil: driver === null ? {} : { driver } } }),
    ],
  });

describe('a load on the contact of a relay', () => {
  // Current: 2 A × 0.8 = 1.6 A may flow; for a moment 5 A; 24 V direct.
  it('holds exactly at the derated current, and breaks above it', () => {
    expect(
      build(1.6)
        .of('drive/contact')
        .map(({ severity }) => severity),
    ).to.deep.equal([null]);
    const [over] = build(1.61).broken('drive/contact');
    expect(over?.severity).to.equal('fault');
    expect(say(over?.message)).to.equal(
      'fan asks the contact of relay for a current of 1.61 A; 1.6 A is the most. It welds or burns.',
    );
  });
  it('is held against the inrush and against the voltage for direct current', () => {
    expect(build(1, 5).broken('drive/contact')).to.deep.equal([]);
    expect(say(build(1, 5.1).broken('drive/contact')[0]?.message)).to.include(
      'a current for a moment of 5.1 A; 5 A is the most',
    );
    expect(build(1, 1, 24).broken('drive/contact')).to.deep.equal([]);
    expect(build(1, 1, 24.1).broken('drive/contact')[0]?.severity).to.equal('danger');
  });
  it('is said where nothing switches it, and so is a contact with nothing on it; neither is verified', () => {
    const found = build(1, 1, 12, null);
    expect(found.broken('drive/flyback').map(({ message }) => say(message))).to.deep.equal([
      'Nothing switches fan; it needs a driver or the contact of a relay, no pin can carry it.',
    ]);
    expect(found.broken('drive/contact').map(({ message }) => say(message))).to.deep.equal([
      'Nothing hangs on the contact of relay: it clicks and switches nothing.',
    ]);
    expect(found.verdict.status).to.equal('open');
    const [finding] = found.broken('drive/flyback');
    const [first] = finding
      ? proposeRemedies(found.circuit, found.verdict, finding.result, new Map(found.circuit.cards))
      : [];
    expect(say(first?.title)).to.equal('Switch fan with relay');
    expect(first?.ends).to.have.length(2);
  });
  it('is wired from its rail through COM and NO, or NC, and straight to ground', () => {
    const joined = (side: 'open' | 'closed') => {
      const { circuit } = build(1);
      const plan = setContact(circuit.plan, 'fan', 'coil', side);
      const nodes = netlistOf(deriveCircuit({ plan, cards: [...circuit.cards.values()] })).nodes;
      const of = (p: string, t: string) =>
        nodes.find(({ pins }) => pins.some((pin) => pin.part === p && pin.terminal === t))?.id;
      return {
        rail: of('v12', 'out'),
        com: of('relay', 'com'),
        no: of('relay', 'no'),
        nc: of('relay', 'nc'),
        plus: of('fan', 'plus'),
        minus: of('fan', 'minus'),
        ground: of('mcu', 'gnd'),
      };
    };
    const open = joined('open');
    expect(open.com).to.equal(open.rail);
    expect(open.plus).to.equal(open.no).and.to.not.equal(open.rail);
    expect(open.minus).to.equal(open.ground);
    expect(open.nc).to.equal(undefined);
    const closed = joined('closed');
    expect(closed.plus).to.equal(closed.nc);
    expect(closed.no).to.equal(undefined);
  });
});

describe('a greenhouse logger', () => {
  const cards = [
    'adapter-12v',
    'stick-board',
    'humid-strap',
    'humid-strap',
    'light-two',
    'soil-analog',
    'display-dot-3v',
    'relay-one',
    'fan-12v',
    'light-green',
  ];
  const start: Plan = {
    ...emptyPlan('greenhouse', 'greenhouse'),
    boards: ['board-full'],
    leads: ['leads-mm', 'leads-mf', 'leads-ff'],
    resistors: 'resistors-e12',
    joint: 'joint-lever',
    needs: [{ id: 'air', kind: 'drive', what: 'move air', place: 'greenhouse', service: 'moving air' }],
  };
  const plan = cards.reduce((p, id) => {
    const own = library.get(id);
    if (!own) throw new Error(id);
    return addPart(deriveCircuit(documentOf(p, [], library)), library, own, own.name, id === 'fan-12v' ? ['air'] : [])
      .plan;
  }, start);
  const done = complete(deriveCircuit(documentOf(plan, [], library)), library);
  const circuit = deriveCircuit(documentOf(done.plan, [], library));

  it('is verified with the fan on the contact, laid out, read back, bought and brought up', function () {
    this.timeout(60_000);
    expect(done.left.map(({ message }) => say(message))).to.deep.equal([]);
    expect(verify(circuit).status).to.equal('verified');
    const fan = circuit.plan.parts.find(({ card: c }) => c === 'fan-12v');
    const relay = circuit.plan.parts.find(({ card: c }) => c === 'relay-one');
    expect(fan?.ports.coil?.driver).to.equal(relay?.id);
    const made = buildOf(circuit);
    expect(made.proof?.mismatches ?? []).to.deep.equal([]);
    if (!made.layout) throw new Error('not laid out');
    const steps = made.wiring.steps
      .flatMap(({ leads }) => leads.map((lead) => `${say(lead.fromSays)} ${say(lead.toSays)}`))
      .join('\n');
    expect(steps).to.include('COM').and.to.include('NO');
    const sheet = bringUpSheet(planned(circuit, made.layout));
    expect(sheet.rows.some(({ key }) => key === `works:${fan?.id}.coil`)).to.equal(true);
    // On the simulated bench it stands while the pin is at rest and runs while it is high.
    expect(new FirmwareModel(new VirtualBuild(planned(circuit, made.layout))).works(fan?.id ?? '', 'coil')).to.equal(
      true,
    );
  });
});
