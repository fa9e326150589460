import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { METER_INPUT } from '../../src/bench/usual.ts';
import { releasedLine, scopeEdge } from '../../src/bench/scope.ts';
import { AT_REST, withHigh, withPull } from '../../src/bench/state.ts';
import { FirmwareModel } from '../../src/bench/firmware-model.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { planned, VirtualBuild } from '../../src/bench/virtual-build.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { layBuild } from '../../src/layout/lay.ts';
import { HiddenBuild } from '../../src/bench/hidden.ts';
import { Measurements, scanReading } from '../../src/bench/measurement.ts';
import { programText } from '../../src/bench/program.ts';
import { readOneWireList } from '../../src/capture/one-wire-list.ts';
import { readReadingsLog } from '../../src/capture/readings-log.ts';
import { readScanLog } from '../../src/capture/scan-log.ts';
import { changeHelperOf } from '../../src/plan/edits.ts';
import { benchOf, laidOut, theFault } from '../support/bench-case.ts';
import { demo, PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';
import { spiceRest, spiceTimes } from '../support/spice.ts';

const pin = (part: string, terminal: string) => ({ kind: 'terminal', part, terminal }) as const;

describe('a build on the simulated bench', function () {
  this.timeout(120_000);

  it('as planned gives every part its supply, and every part answers, in all demo plans', () => {
    for (const name of PLANS) {
      const build = new VirtualBuild(benchOf(name));
      const talk = new FirmwareModel(build);
      for (const { id, card } of build.circuit.parts.values()) {
        const coil = card.ports.some(({ protocol }) => protocol === 'coil');
        if (!coil && !card.carrier) expect(build.alive(id), `${name}: ${id}`).to.equal(true);
        for (const port of card.ports)
          if (port.protocol !== 'analog') expect(talk.works(id, port.id), `${name}: ${id}.${port.id}`).to.equal(true);
      }
    }
  });

  it('shows what the first draft does to its bus: 4.99 V and 3.3 V through their pull-ups, Σ(V/R) ÷ Σ(1/R)', () => {
    const build = new VirtualBuild(benchOf('cupboard-first-draft'));
    const { circuit } = build;
    const net = circuit.nets.find(({ id }) => id === 'i2c.sda');
    const terms = (net?.pullUps ?? []).map(({ ohms, voltage }) => [voltage?.typ ?? 0, ohms.typ] as const);
    const sum = (of: (t: readonly [number, number]) => number) => terms.reduce((all, t) => all + of(t), 0);
    const expected = sum(([v, r]) => v / r) / sum(([, r]) => 1 / r);
    expect(expected).to.be.above(3.6);
    const volts = build.voltage(pin('board', 'p10'), pin('board', 'gnd'));
    // Protection diodes of the 3.3 V parts give way before that: they carry what the display pushes into their rail.
    expect(volts).to.be.within(3.3 + 0.45, expected - 0.05);
  });

  it('equals the reference simulator, node by node: at rest, a line pulled, an output on, and with faults in it', () => {
    const cases = [
      ['cupboard-verified', null, AT_REST],
      ['cupboard-verified', null, withPull(AT_REST, 'board.p10')],
      ['cupboard-verified', null, withHigh(AT_REST, 'board.p5', 'board.p4')],
      ['cupboard-verified', 'open:1:j44>1:l+36', AT_REST],
      ['cupboard-first-draft', null, AT_REST],
      ['rain-barrel', null, AT_REST],
      ['stairwell', null, AT_REST],
    ] as const;
    for (const [name, key, state] of cases) {
      const plan = benchOf(name);
      const faults = key === null ? [] : [theFault(plan, ({ kind }) => kind === 'open')];
      const build = new VirtualBuild(plan, faults);
      const { volts, network, numbered, unsettled } = build.powered(state);
      expect(unsettled).to.equal(false);
      // What nothing is joined to has no place in the reference: a very large resistor gives it one.
      const loose = Array.from({ length: network.nodes - 1 }, (_, i) => ({ a: i + 1, b: 0, ohms: 1e12 }));
      const reference = spiceRest({ ...network, resistors: [...network.resistors, ...loose] });
      volts.forEach((v, node) =>
        expect(v, `${name} node ${node}`).to.be.closeTo(reference[numbered(node)] ?? NaN, 2e-4),
      );
    }
  });

  it('reads from the circuit: another resistor in the plan, another reading', () => {
    const { plan } = demo('cupboard-verified');
    const read = (ohms: number) => {
      const changed = changeHelperOf(plan, 'pull-probes', 'pull-up', (h) => ({ ...h, ohms }));
      const bench = laidOut(changed);
      const build = new VirtualBuild(bench);
      const rail = bench.netlist.nodes.find(
        ({ pins, role }) => role === 'supply' && pins.some((p) => p.part === 'probe-1'),
      );
      const supply = rail?.pins.find((p) => p.part === 'probe-1');
      return build.resistance(pin('probe-1', 'data'), pin('probe-1', supply?.terminal ?? ''));
    };
    expect(read(4700)).to.be.closeTo(4700, 5);
    expect(read(3300)).to.be.closeTo(3300, 5);
  });

  it('a meter loads what it measures: a floating line behind 10 MΩ shows half of what is there', () => {
    const plan = benchOf('cupboard-verified');
    const build = new VirtualBuild(plan);
    const [p10, zero] = [pin('board', 'p10'), pin('board', 'gnd')];
    const { volts, behind } = build.powered();
    const [a, b] = [build.copper.at(p10), build.copper.at(zero)];
    const open = (volts[a] ?? 0) - (volts[b] ?? 0);
    const source = behind(a, b);
    expect(source).to.be.within(1000, 12_000);
    expect(build.voltage(p10, zero)).to.be.closeTo((open * METER_INPUT) / (METER_INPUT + source), 1e-9);
  });

  it('a short makes a source limit instead of giving what it wants', () => {
    const plan = benchOf('stairwell');
    const fault = theFault(plan, ({ kind }) => kind === 'reversed');
    const build = new VirtualBuild(plan, [fault]);
    const [source] = build.elements.regulators.filter(({ from }) => !from);
    const given = build.powered().amps.get(source?.key ?? '') ?? 0;
    expect(given).to.be.at.most((source?.limit ?? 0) + 1e-6);
  });
});

describe('a line on the oscilloscope', function () {
  this.timeout(60_000);

  it('rises as the reference simulator says, through the translator to the other side as well', () => {
    const build = new VirtualBuild(benchOf('cupboard-verified'));
    for (const id of ['i2c.sda', 'one-wire.data']) {
      const net = build.circuit.nets.find((n) => n.id === id);
      const line = net && releasedLine(build, net);
      if (!line) throw new Error(id);
      const { network, start, node, rest, end } = line;
      const loose = Array.from({ length: network.nodes - 1 }, (_, i) => ({ a: i + 1, b: 0, ohms: 1e12 }));
      const whole = { ...network, resistors: [...network.resistors, ...loose] };
      const [low = NaN, high = NaN] = spiceTimes(whole, start, end, [
        { node, level: 0.3 * rest, rising: true },
        { node, level: 0.7 * rest, rising: true },
      ]);
      const seconds = scopeEdge(build, id)?.seconds ?? NaN;
      expect(seconds / (high - low), id).to.be.closeTo(1, 0.01);
      // Looked at only for its time it is as right as a scope can be read.
      expect((scopeEdge(build, id, 'time')?.seconds ?? NaN) / (high - low), `${id}, its time`).to.be.closeTo(1, 0.02);
    }
  });

  it('of one resistor and one capacitor takes 0.8473 R C; ten times the resistor, ten times as long', () => {
    const plan = benchOf('cupboard-verified');
    const rise = (...faults: Parameters<typeof theFault>[1][]) =>
      scopeEdge(
        new VirtualBuild(
          plan,
          faults.map((is) => theFault(plan, is)),
        ),
        'one-wire.data',
      )?.seconds ?? NaN;
    const net = plan.circuit.nets.find(({ id }) => id === 'one-wire.data');
    const expected = 0.8473 * 4700 * (net?.capacitance ?? 0) * 0.7;
    expect(rise() / expected).to.be.closeTo(1, 0.02);
    const tenfold = rise(({ kind, says }) => kind === 'tenfold' && say(says).includes('4.7 kΩ'));
    expect(tenfold / rise()).to.be.within(9, 10.2);
    expect(rise(({ kind, says }) => kind === 'missing' && say(says).includes('4.7 kΩ'))).to.deep.equal(NaN);
  });
});

describe('what the program sees', () => {
  const plan = benchOf('cupboard-verified');
  const scanWith = (is: Parameters<typeof theFault>[1]) =>
    new FirmwareModel(new VirtualBuild(plan, [theFault(plan, is)])).scan('i2c');

  it('finds every address of the plan', () => {
    expect(new FirmwareModel(new VirtualBuild(plan)).scan('i2c')).to.deep.equal([0x26, 0x44, 0x45, 0x6a]);
  });
  it('loses the one part whose clock and data are swapped, and no other', () => {
    const swapped = scanWith(
      ({ kind, subjects, says }) =>
        kind === 'crossed' && subjects[0] === 'air-gas' && /SDA/.test(say(says)) && /SCL/.test(say(says)),
    );
    expect(swapped).to.deep.equal([0x26, 0x44, 0x45]);
  });
  it('sees a strap in its other position, and a clone at an address that no card names', () => {
    const strap = scanWith(({ kind, subjects }) => kind === 'strap' && subjects[0] === 'shelf-bottom');
    expect(strap).to.deep.equal([0x26, 0x44, 0x6a]);
    const clone = scanWith(({ kind, subjects }) => kind === 'clone' && subjects[0] === 'air-gas');
    expect(clone.slice(0, 3)).to.deep.equal([0x26, 0x44, 0x45]);
    expect(clone).to.have.length(4);
  });
  it('takes whatever a clone answers at for one and the same: an address that no card names', () => {
    expect(scanReading(plan.circuit, [0x5d, 0x45, 0x26, 0x44, 0x26])).to.equal('0x26 0x44 0x45 ?');
    expect(scanReading(plan.circuit, [0x13, null, 0x45, 0x26, 0x44])).to.equal('0x26 0x44 0x45 ?');
    expect(scanReading(plan.circuit, [])).to.equal('none');
    const all = new Measurements(plan).all;
    const scan = all.find(({ kind }) => kind === 'scan');
    const clone = theFault(plan, ({ kind, subjects }) => kind === 'clone' && subjects[0] === 'air-gas');
    expect(scan && new HiddenBuild(plan, [clone], 1).read(scan)).to.equal('0x26 0x44 0x45 ?');
  });
  it('counts the probes that are left when one has lost its data wire', () => {
    const fault = theFault(plan, ({ kind, key }) => kind === 'open' && /probe-2\.data/.test(key));
    const talk = new FirmwareModel(new VirtualBuild(plan, [fault]));
    expect(talk.count('one-wire')).to.equal(2);
    expect(talk.works('probe-2', 'wire')).to.equal(false);
    expect(talk.works('probe-1', 'wire')).to.equal(true);
  });
  it('a diode the wrong way round across the fan takes the fan’s place', () => {
    const fault = theFault(plan, ({ kind }) => kind === 'turned');
    expect(new FirmwareModel(new VirtualBuild(plan, [fault])).works('fan', 'coil')).to.equal(false);
  });
});

describe('what a program prints', () => {
  it('is read back by what reads logs: addresses, numbers whose check is right, parts that give no number', () => {
    const plan = benchOf('cupboard-verified');
    const { all } = new Measurements(plan);
    const printed = (...is: Parameters<typeof theFault>[1][]) => {
      const hidden = new HiddenBuild(
        plan,
        is.map((one) => theFault(plan, one)),
        1,
      );
      return programText(hidden, all, (part) => say(plan.circuit.parts.get(part)?.label ?? part));
    };
    const good = printed();
    expect(readScanLog(good).addresses.map(({ value }) => value)).to.deep.equal([0x26, 0x44, 0x45, 0x6a]);
    const numbers = readOneWireList(good);
    expect(numbers.map(({ checked }) => checked)).to.deep.equal([true, true, true]);
    expect(new Set(numbers.map(({ serial }) => serial)).size).to.equal(3);
    expect(readReadingsLog(good).filter(({ value }) => value === null)).to.deep.equal([]);
    const bad = printed(({ kind, key }) => kind === 'open' && /probe-2\.data/.test(key));
    expect(readOneWireList(bad)).to.have.length(2);
    expect(
      readReadingsLog(bad)
        .filter(({ value }) => value === null)
        .map(({ name }) => name),
    ).to.deep.equal(['second wheel probe']);
  });
});

describe('builds put together at random', function () {
  this.timeout(240_000);

  it('settle under power in order, and all but a few with a fault, at voltages that their sources can make', () => {
    let [builds, states, restless] = [0, 0, 0];
    for (let seed = 1; seed <= 24; seed++) {
      const circuit = deriveCircuit(randomPlan(seed, 2 + (seed % 5)));
      const laid = layBuild(circuit, 4000);
      if (!laid.ok) continue;
      builds += 1;
      const plan = planned(circuit, laid.layout);
      const faults = faultsOf(plan);
      const some = faults.filter((_, i) => i % Math.ceil(faults.length / 6) === 0);
      for (const fault of [null, ...some]) {
        const build = new VirtualBuild(plan, fault ? [fault] : []);
        const { volts, unsettled } = build.powered();
        states += 1;
        if (fault === null) expect(unsettled, `${seed} in order`).to.equal(false);
        restless += unsettled ? 1 : 0;
        for (const v of volts) expect(Math.abs(v), `${seed} ${fault?.key ?? 'in order'}`).to.be.below(20);
      }
    }
    expect(builds).to.be.above(15);
    expect(states).to.be.above(80);
    expect(restless / states).to.be.below(0.03);
  });
});
