import { say } from '../../src/say/say.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { injectFault } from '../../src/bench/inject-fault.ts';
import { FAULT_KINDS, type Fault } from '../../src/bench/fault.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { deviation, shown } from '../../src/bench/instrument.ts';
import { OPEN_FROM } from '../../src/standard/pocket-meter.ts';
import { parseHole } from '../../src/board/grid.ts';
import { FAULT_PRIORS } from '../../src/standard/fault-priors.ts';
import { benchOf } from '../support/bench-case.ts';
import { PLANS } from '../support/demo.ts';

describe('faults of a build', () => {
  it('have names of their own, a prior, and change something that the build has', () => {
    for (const name of PLANS) {
      const plan = benchOf(name);
      const faults = faultsOf(plan);
      expect(new Set(faults.map(({ key }) => key)).size).to.equal(faults.length);
      const sound = injectFault(plan.layout, []);
      for (const fault of faults) {
        expect(fault.prior, fault.key).to.be.above(0);
        expect(say(fault.says)).to.match(/^\S.*\.$/);
        expect(injectFault(plan.layout, [fault]), fault.key).to.not.deep.equal(sound);
      }
    }
  });

  it('of every kind are found in the demo plans', () => {
    const kinds = new Set(PLANS.flatMap((name) => faultsOf(benchOf(name)).map(({ kind }) => kind)));
    expect([...kinds].sort()).to.deep.equal([...FAULT_KINDS].sort());
    expect(Object.keys(FAULT_PRIORS).sort()).to.deep.equal([...FAULT_KINDS].sort());
  });

  it('put no end into a hole that is taken, nor where there is none', () => {
    for (const name of PLANS) {
      const { circuit, layout, netlist, ohms } = benchOf(name);
      const taken = new Set(
        layout.leads.flatMap(({ from, to }) => [from, to].flatMap((p) => (p.kind === 'hole' ? p.hole : []))),
      );
      for (const { changes } of faultsOf({ circuit, layout, netlist, ohms }))
        for (const change of changes)
          if (change.kind === 'move-end' && change.to.kind === 'hole') {
            expect(taken.has(change.to.hole), change.to.hole).to.equal(false);
            expect(parseHole(change.to.hole)).to.not.equal(null);
          }
    }
  });

  it('put in twice over, a swapped pair is right again', () => {
    const plan = benchOf('cupboard-verified');
    for (const fault of faultsOf(plan).filter(
      ({ kind }) => kind === 'crossed' || kind === 'reversed' || kind === 'turned',
    )) {
      const once = injectFault(plan.layout, [fault]).layout;
      const twice = injectFault(once, [fault]).layout;
      expect(once.leads, fault.key).to.not.deep.equal(plan.layout.leads);
      expect(twice.leads, fault.key).to.deep.equal(plan.layout.leads);
    }
  });

  it('take out, resist and kill what they name and nothing else', () => {
    const plan = benchOf('cupboard-verified');
    const faults = faultsOf(plan);
    const one = (kind: Fault['kind']) => faults.filter((fault) => fault.kind === kind).slice(0, 1);
    expect(injectFault(plan.layout, one('open')).layout.leads).to.have.length(plan.layout.leads.length - 1);
    const cold = injectFault(plan.layout, one('cold'));
    expect([...cold.ohms.values()]).to.deep.equal([220]);
    expect(cold.layout.leads.filter(({ of }) => of.startsWith('cold:'))).to.have.length(1);
    expect(injectFault(plan.layout, one('dead')).dead.size).to.equal(1);
    expect(injectFault(plan.layout, one('doubled')).closed.size).to.equal(1);
    expect(injectFault(plan.layout, one('strap')).addresses.size).to.equal(1);
  });
});

describe('an instrument', () => {
  it('shows a value within its error, an open lead as open, and a text as it is', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 20, noNaN: true }), fc.nat(), (truth, seed) => {
        const volts = Number(shown('volts', truth, randomFrom(seed)));
        expect(Math.abs(volts - truth)).to.be.at.most(truth * 0.005 + 0.01 + 1e-12);
        const ohms = Number(shown('ohms', truth * 1000, randomFrom(seed)));
        expect(ohms).to.be.within(truth * 1000 * 0.992, truth * 1000 * 1.008 + 0.3);
      }),
    );
    expect(shown('ohms', OPEN_FROM * 2, randomFrom(1))).to.equal(Infinity);
    expect(shown('scan', '0x26', randomFrom(1))).to.equal('0x26');
  });

  it('finds its own readings likely, and others the less the further they are', () => {
    for (const kind of ['volts', 'ohms', 'amps'] as const)
      for (const truth of [0.02, 3.3, 4700, 80e3]) {
        expect(deviation(kind, Number(shown(kind, truth, randomFrom(7))), truth), `${kind} ${truth}`).to.be.below(1.5);
        const far = [1.2, 2, 10].map((times) => deviation(kind, truth * times, truth));
        expect(far).to.deep.equal(far.toSorted((a, b) => a - b));
      }
    expect(deviation('ohms', Infinity, 5e6)).to.equal(0);
    expect(deviation('ohms', 0, 0.3)).to.be.below(1);
    expect(deviation('works', 'no', 'yes')).to.equal(Infinity);
  });
});
