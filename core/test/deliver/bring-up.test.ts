import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { HiddenBuild } from '../../src/bench/hidden.ts';
import { Measurements, pinMeasurements } from '../../src/bench/measurement.ts';
import { VirtualBuild } from '../../src/bench/virtual-build.ts';
import { withMeasured } from '../../src/check/measured.ts';
import { verify } from '../../src/check/verify.ts';
import { answersOf, SHEET_PHASES, type SheetRow } from '../../src/deliver/sheet-row.ts';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { isInside } from '../../src/deliver/expected.ts';
import { setMeasured, setRules } from '../../src/plan/edits.ts';
import { fingerprint } from '../../src/plan/fingerprint.ts';
import { benchOf, theFault } from '../support/bench-case.ts';
import { demo, PLANS } from '../support/demo.ts';

const rowOf = (rows: readonly SheetRow[], is: (row: SheetRow) => boolean): SheetRow => {
  const row = rows.find(is);
  if (!row) throw new Error('no such row');
  return row;
};

describe('the bring-up sheet', function () {
  this.timeout(120_000);

  it('has a row for every measurement, in the order in which it is safe', () => {
    for (const name of PLANS) {
      const plan = benchOf(name);
      const { rows } = bringUpSheet(plan);
      const measured = rows.filter(({ kind }) => kind !== 'edge').map(({ key }) => key);
      const all = [...new Measurements(plan).all, ...pinMeasurements(plan.circuit)];
      expect(measured.toSorted()).to.deep.equal(all.map(({ key }) => key).sort());
      const phases = rows.map(({ phase }) => SHEET_PHASES.indexOf(phase));
      expect(phases).to.deep.equal(phases.toSorted((a, b) => a - b));
    }
  });

  it('expects what a build in order shows, with its own pieces and the error of its meter, in all demo plans', () => {
    for (const name of PLANS)
      for (const seed of [1, 2, 3]) {
        const plan = benchOf(name);
        const hidden = new HiddenBuild(plan, [], seed);
        const all = new Map(new Measurements(plan).all.map((m) => [m.key, m]));
        for (const row of bringUpSheet(plan).rows) {
          const m = all.get(row.key);
          if (!m) continue;
          const seen = hidden.read(m);
          // The pull-ups of the first draft fight each other through protection diodes: the sheet takes the plan at its word.
          if (name === 'cupboard-first-draft' && row.phase === 'rest') continue;
          expect(isInside(row.expected, seen), `${name}: ${say(row.title)}: ${String(seen)}`).to.equal(true);
        }
      }
  });

  it('goes through every lead once, and calls what has two legs by its value', () => {
    for (const name of PLANS) {
      const { layout, ...plan } = benchOf(name);
      const rows = bringUpSheet({ layout, ...plan }).rows.filter(({ lead }) => lead);
      const wires = layout.leads.filter(({ kind }) => kind === 'lead' || kind === 'own');
      expect(rows.filter(({ title }) => say(title).startsWith('Lead ')).length, name).to.be.at.most(wires.length);
      for (const { kind, value, from } of layout.leads) {
        if (kind !== 'resistor') continue;
        const own = rows.filter(
          ({ title, how }) => say(title).startsWith(`${say(value)} `) && say(how).startsWith('Ohms from '),
        );
        expect(own.length, `${name}: ${value} at ${JSON.stringify(from)}`).to.be.at.least(1);
      }
    }
  });

  it('takes the limits from the circuit: of the 12 V adapter 11.4 to 12.6 V, and 0.5 % and 10 mV for the meter', () => {
    const { rows } = bringUpSheet(benchOf('cupboard-verified'));
    const { expected } = rowOf(rows, ({ kind, subjects }) => kind === 'volts' && subjects[0] === 'rail:adapter.12v');
    if (typeof expected === 'string') throw new Error('a text');
    expect(expected.min).to.be.closeTo(11.4 - 0.057 - 0.01, 1e-9);
    expect(expected.max).to.be.closeTo(12.6 + 0.063 + 0.01, 1e-9);
  });

  it('sees a lead that is out, a wrong resistor and a strap in the wrong position as outside', () => {
    const plan = benchOf('cupboard-verified');
    const { rows } = bringUpSheet(plan);
    const all = new Map(new Measurements(plan).all.map((m) => [m.key, m]));
    const outside = (is: Parameters<typeof theFault>[1]) => {
      const hidden = new HiddenBuild(plan, [theFault(plan, is)], 4);
      return rows.filter((row) => {
        const m = all.get(row.key);
        return m && !isInside(row.expected, hidden.read(m));
      });
    };
    expect(outside(({ kind }) => kind === 'open').some(({ title }) => say(title).startsWith('Lead '))).to.equal(true);
    const tenfold = outside(({ kind, says }) => kind === 'tenfold' && say(says).includes('4.7 kΩ'));
    expect(tenfold.some(({ kind }) => kind === 'ohms')).to.equal(true);
    expect(outside(({ kind }) => kind === 'strap').some(({ kind }) => kind === 'scan')).to.equal(true);
  });

  it('says what can hurt, and has nothing connected on the mains side of what switches it', () => {
    const { rows, cautions } = bringUpSheet(benchOf('stairwell'));
    expect(cautions.map(({ hazard }) => hazard)).to.include('mains');
    expect(say(rowOf(rows, ({ subjects, phase }) => subjects[0] === 'lamp-relay' && phase === 'reading').how)).to.match(
      /^Nothing is connected on its mains side/,
    );
  });

  it('expects no current below what waits and none above the peak of the plan', () => {
    const plan = benchOf('cupboard-verified');
    const { expected } = rowOf(bringUpSheet(plan).rows, ({ kind }) => kind === 'amps');
    const at = new VirtualBuild(plan).powered().amps.get('adapter.12v') ?? 0;
    if (typeof expected === 'string') throw new Error('a text');
    expect(at).to.be.within(expected.min ?? NaN, expected.max ?? NaN);
    expect(expected.max).to.be.closeTo((plan.circuit.rails.get('adapter.12v')?.peak ?? 0) * 1.015 + 1e-4, 1e-6);
  });
});

describe('words that tell parts apart', () => {
  it('have rows of their own, with the register to read and the word to see', () => {
    const bench = benchOf('cupboard-verified');
    const { circuit } = bench;
    const gas = circuit.parts.get('air-gas');
    if (!gas) throw new Error('no such part');
    const ports = gas.card.ports.map((port) => ({
      ...port,
      identity: [
        { register: 0xd0, bits: 8 as const, value: 0x60, says: 'Another word is another part.', source: 'class' },
      ],
    }));
    const parts = new Map(circuit.parts).set('air-gas', { ...gas, card: { ...gas.card, ports } });
    const row = rowOf(bringUpSheet({ ...bench, circuit: { ...circuit, parts } }).rows, ({ kind }) => kind === 'word');
    expect(row).to.deep.include({
      key: 'word:air-gas.i2c.208',
      phase: 'scan',
      expected: '0x60',
    });
    expect(say(row.title)).to.equal('Word of carbon dioxide sensor');
    expect(say(row.how)).to.equal('Read register 0xD0. Another word is another part.');
  });
});

describe('what was measured', () => {
  const document = demo('cupboard-verified');
  const plan = benchOf('cupboard-verified');
  const verdict = verify(plan.circuit);
  const { rows } = bringUpSheet(plan);
  const supply = rowOf(
    rows,
    ({ kind, phase, subjects, standard }) =>
      kind === 'volts' && phase === 'power' && standard && subjects[0] === 'scale',
  );

  it('answers the proofs that are about it, and no others', () => {
    const keys = answersOf(supply, verdict.passes);
    expect(keys).to.include('supply/range|scale.vcc');
    expect(keys.every((key) => /^supply\/(range|lead-drop)\|scale\./.test(key))).to.equal(true);
    const edge = rowOf(rows, ({ key }) => key === 'edge:i2c.sda');
    expect(answersOf(edge, verdict.passes)).to.deep.equal(['bus/pull-up-weak|i2c.sda']);
  });

  it('lifts them from trust as long as the hardware is the same, and does not change the fingerprint', () => {
    const results = answersOf(supply, verdict.passes);
    const print = fingerprint(document);
    const signed = setMeasured(document.plan, { fingerprint: print, at: '2026-01-01T12:00:00.000Z', results });
    expect(fingerprint({ ...document, plan: signed })).to.equal(print);
    const lifted = withMeasured(verdict, signed.measured, print);
    expect(lifted.assumed).to.equal(verdict.assumed - results.length);
    expect(lifted.passes.find(({ key }) => key === 'supply/range|scale.vcc')?.evidence).to.equal('measured');
    const other = fingerprint({ ...document, plan: setRules(signed, { series: 'E24' }) });
    expect(withMeasured(verdict, signed.measured, other)).to.equal(verdict);
  });
});
