import { say } from '../../src/say/say.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { expect } from 'chai';
import { deviation } from '../../src/bench/instrument.ts';
import { dictionaryOf, entryOf, SOUND, withMeasurements, type Dictionary } from '../../src/bench/dictionary.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { Finder, type Observation } from '../../src/bench/finder.ts';
import { HiddenBuild } from '../../src/bench/hidden.ts';
import { hunt } from '../../src/bench/hunt.ts';
import { withPairs } from '../../src/bench/pairs.ts';
import { fewest, hide } from '../../src/bench/hide-a-fault.ts';
import { edgeOf, Measurements } from '../../src/bench/measurement.ts';
import { benchOf, dictionaryFor, laidOut, theFault } from '../support/bench-case.ts';
import { demo, library, PLANS } from '../support/demo.ts';
import { changePart } from '../../src/plan/edits.ts';

describe('the fault finder', function () {
  // Every fault of every plan is hidden in turn, and hunted for.
  this.timeout(600_000);

  for (const name of PLANS)
    it(`names each single fault of ${name} by measurements alone`, () => {
      const dictionary = dictionaryFor(name);
      let [first, third, count] = [0, 0, 0];
      const missed: string[] = [];
      dictionary.entries.forEach((entry, seed) => {
        if (entry.key === SOUND) return;
        const { finding } = hunt(dictionary, new HiddenBuild(dictionary.plan, entry.faults, seed));
        const rank = finding.suspects.findIndex(({ entries }) => entries.some(({ key }) => key === entry.key));
        count += 1;
        if (rank === 0) first += 1;
        if (rank >= 0 && rank < 3) third += 1;
        else missed.push(entry.key);
      });
      expect(count).to.be.above(50);
      expect(third / count, `within three; not: ${missed.join(', ')}`).to.be.at.least(0.95);
      expect(first / count, 'first').to.be.at.least(0.8);
    });

  it('of a build in order says that it is in order', () => {
    const dictionary = dictionaryFor('rain-barrel');
    const { finding } = hunt(dictionary, new HiddenBuild(dictionary.plan, [], 3));
    expect(finding.suspects[0]?.entries.map(({ key }) => key)).to.deep.equal([SOUND]);
  });

  it('puts causes together that no measurement tells apart: a lead that is out, and one in an empty row', () => {
    const dictionary = dictionaryFor('rain-barrel');
    // Of the leads whose ends can go astray, some end in an empty row then.
    const astray = dictionary.entries.flatMap(({ faults }) =>
      faults[0]?.kind === 'off-row' && faults[0].changes[0] && 'lead' in faults[0].changes[0]
        ? [faults[0].changes[0].lead]
        : [],
    );
    const together = dictionary.entries
      .filter(({ key }) => astray.some((lead) => key === `open:${lead}`))
      .map(({ faults }) => hunt(dictionary, new HiddenBuild(dictionary.plan, faults, 5)).finding.suspects[0])
      .map((suspects) => suspects?.entries.map(({ faults }) => faults[0]?.kind) ?? []);
    expect(together.some((kinds) => kinds.includes('off-row') && kinds.length > 1)).to.equal(true);
  });

  it('says so when nothing that it knows fits', () => {
    const dictionary = dictionaryFor('stairwell');
    const supply = dictionary.measurements.filter(({ kind }) => kind === 'volts').slice(0, 6);
    const odd: Observation[] = supply.map(({ key }, i) => ({ measurement: key, value: 1.37 + i * 0.61 }));
    expect(new Finder(dictionary, odd).find().unknown).to.be.above(0.9);
  });

  it('finds two faults at once where one does not explain what is seen', () => {
    const dictionary = dictionaryFor('rain-barrel');
    const pick = (is: (key: string) => boolean) => dictionary.entries.find(({ key }) => is(key))?.faults[0];
    const two = [pick((k) => k.startsWith('crossed:radio')), pick((k) => k.startsWith('missing:'))].flatMap(
      (f) => f ?? [],
    );
    expect(two).to.have.length(2);
    const hidden = new HiddenBuild(dictionary.plan, two, 11);
    const seen = dictionary.measurements.map((m) => ({ measurement: m.key, value: hidden.read(m) }));
    const alone = new Finder(dictionary, seen).find();
    expect(alone.unexplained).to.not.deep.equal([]);
    const both = new Finder(withPairs(dictionary, seen), seen).find();
    expect(both.unexplained).to.deep.equal([]);
    const found = both.suspects[0]?.entries.map(({ faults }) => faults.map(({ key }) => key).sort());
    expect(found).to.deep.include(two.map(({ key }) => key).sort());
  });

  it('takes what tells most for the work: never more measurements on the average than a random order', () => {
    const dictionary = dictionaryFor('stairwell');
    const roll = randomFrom(1);
    let [wise, blind] = [0, 0];
    dictionary.entries.slice(1).forEach(({ faults }, seed) => {
      wise += hunt(dictionary, new HiddenBuild(dictionary.plan, faults, seed)).taken.length;
      const any = hunt(
        dictionary,
        new HiddenBuild(dictionary.plan, faults, seed),
        (_, open) => open[Math.floor(roll() * open.length)] ?? null,
      );
      blind += any.taken.length;
    });
    expect(wise).to.be.below(blind);
  });

  it('asks for nothing at cells that do not forgive a slipped probe, nor for what they feed with the power off', () => {
    const lithium = [...library.values()].find((card) =>
      card.rails?.some(({ cells }) => cells?.chemistry === 'lithium'),
    );
    expect(lithium).to.not.equal(undefined);
    const plan = changePart(demo('rain-barrel').plan, 'three-cells', (part) => ({ ...part, card: lithium?.id ?? '' }));
    const bench = laidOut(plan);
    const asked = new Measurements(bench).all;
    expect(asked.length).to.be.above(30);
    const live = bench.netlist.nodes.find(
      ({ role, pins }) => role === 'supply' && pins.some((p) => p.part === 'three-cells'),
    );
    expect(live).to.not.equal(undefined);
    for (const m of asked) {
      if ('from' in m)
        for (const p of [m.from, m.to]) expect(p.kind === 'terminal' && p.part).to.not.equal('three-cells');
      if (m.kind === 'ohms') {
        expect(m.subjects).to.not.include(live?.id);
        expect(m.subjects, 'behind its guard').to.not.include('behind:controller.vin');
        for (const { id, legs } of bench.netlist.twoTerminals)
          if (legs.includes('behind:controller.vin')) expect(m.subjects, 'across its guard').to.not.include(id);
      }
      expect(m.kind).to.not.equal('amps');
    }
  });
});

describe('evidence that is not simulated for everything', () => {
  it('is asked of the faults once somebody has it: a slow edge alone points to its pull-up', function () {
    this.timeout(60_000);
    const dictionary = dictionaryFor('stairwell');
    const plan = benchOf('cupboard-verified');
    const fault = theFault(plan, ({ kind, says }) => kind === 'tenfold' && say(says).includes('4.7 kΩ'));
    const net = plan.circuit.nets.find(({ protocol }) => protocol === 'onewire');
    const m = edgeOf(net?.id ?? '');
    expect(dictionary.measurements.some(({ kind }) => kind === 'edge')).to.equal(false);
    // Of the faults of the cupboard those that touch that line, and every tenth of the others.
    const faults = faultsOf(plan).filter(
      (f, i) => f.subjects.includes(net?.id ?? '') || f.key === fault.key || i % 10 === 0,
    );
    const none: Dictionary = {
      plan,
      measurements: [],
      entries: [[], ...faults.map((f) => [f])].map((f) => entryOf(plan, [], f)),
    };
    const steps = withMeasurements(none, [m]);
    let step = steps.next();
    while (!step.done) step = steps.next();
    const seen = new HiddenBuild(plan, [fault], 3).read(m);
    const { suspects } = new Finder(step.value, [{ measurement: m.key, value: seen }]).find();
    expect(suspects[0]?.entries.map(({ key }) => key)).to.include(fault.key);
    expect(suspects[0]?.entries.map(({ key }) => key)).to.not.include(SOUND);
  });

  it('an edge counts by its ratio: a fifth off is nothing, twice as long is something, none at all is no edge', () => {
    expect(deviation('edge', 1.2e-6, 1e-6)).to.be.below(1);
    expect(deviation('edge', 2e-6, 1e-6)).to.be.above(2.4);
    expect(deviation('edge', Infinity, 1e-6)).to.equal(Infinity);
    expect(deviation('edge', Infinity, Infinity)).to.equal(0);
  });
});

describe('practice', () => {
  it('draws a fault by how often it is met, the same one for the same number', () => {
    const dictionary = dictionaryFor('stairwell');
    expect(hide(dictionary, 4)?.key).to.equal(hide(dictionary, 4)?.key);
    const drawn = new Set(Array.from({ length: 60 }, (_, seed) => hide(dictionary, seed)?.key));
    expect(drawn.size).to.be.above(15);
  });

  it('counts the fewest measurements that would have told: against every set of up to two, and never above what the finder took', () => {
    const dictionary = dictionaryFor('stairwell');
    for (const [seed, { key, faults }] of dictionary.entries.slice(1, 30).entries()) {
      const least = fewest(dictionary, key);
      const { taken, finding } = hunt(dictionary, new HiddenBuild(dictionary.plan, faults, seed));
      const found = finding.suspects[0]?.entries.some((entry) => entry.key === key);
      expect(least).to.be.at.least(1);
      if (found && finding.next.length === 0) expect(least, key).to.be.at.most(Math.max(3, taken.length));
    }
  });
});

describe('the dictionary', () => {
  it('is the same each time', () => {
    const plan = benchOf('stairwell');
    const measurements = new Measurements(plan).all;
    const [fault] = dictionaryOf(plan).entries.slice(1);
    expect(entryOf(plan, measurements, fault?.faults ?? []).readings).to.deep.equal(
      entryOf(plan, measurements, fault?.faults ?? []).readings,
    );
  });
});
