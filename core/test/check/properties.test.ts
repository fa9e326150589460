/** What must hold of every plan, tried on plans put together at random from the catalogue. */
import { expect } from 'chai';
import fc from 'fast-check';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Verdict } from '../../src/check/standing.ts';
import { verify } from '../../src/check/verify.ts';
import { drawCorner } from '../../src/physics/edge-spread.ts';
import { edgesOf, isJoined, slowestRise } from '../../src/physics/edge.ts';
import { corner, linesOf, lineNetwork, type Corner } from '../../src/physics/line.ts';
import { allPullUps, highestRest, lowestRest } from '../../src/physics/node.ts';
import { operatingPoint } from '../../src/physics/operating-point.ts';
import { documentOf } from '../../src/plan/document.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { riseTime } from '../../src/standard/bus-timing.ts';
import { demo, library, PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';

const seeds = fc.integer({ min: 1, max: 1e6 });
const keysOf = (verdict: Verdict) => new Map(verdict.findings.map((r) => [r.key, r]));

describe('of every plan', function () {
  this.timeout(120_000);

  it('no remedy brings a danger or a fault', () => {
    let tried = 0;
    fc.assert(
      fc.property(seeds, (seed) => {
        const doc = randomPlan(seed, 5);
        const circuit = deriveCircuit(doc);
        const verdict = verify(circuit);
        const before = keysOf(verdict);
        for (const finding of verdict.findings) {
          for (const remedy of proposeRemedies(circuit, verdict, finding, library)) {
            tried += 1;
            const after = verify(deriveCircuit(documentOf(remedy.plan, doc.cards, library)));
            for (const r of after.findings) {
              const was = before.get(r.key)?.severity;
              if (r.severity === 'danger') expect(was, `${remedy.id}: ${r.message}`).to.equal('danger');
              if (r.severity === 'fault') expect(was, `${remedy.id}: ${r.message}`).to.be.oneOf(['danger', 'fault']);
            }
            expect(keysOf(after).has(finding.key), remedy.id).to.equal(false);
          }
        }
      }),
      { numRuns: 30, seed: 4 },
    );
    expect(tried).to.be.greaterThan(60);
  });

  it('the verdict does not depend on the order of parts and helpers', () => {
    fc.assert(
      fc.property(seeds, seeds, (seed, order) => {
        const { plan, cards } = randomPlan(seed, 6);
        const random = randomFrom(order);
        const shuffled = <T>(list: readonly T[]): T[] =>
          list
            .map((item) => [random(), item] as const)
            .sort((a, b) => a[0] - b[0])
            .map(([, item]) => item);
        const said = (p: typeof plan) => {
          const verdict = verify(deriveCircuit({ plan: p, cards }));
          return [...verdict.findings, ...verdict.passes]
            .map((r) => [r.check, r.severity, r.unit, r.measured?.toPrecision(9), r.limit?.toPrecision(9)].join(' '))
            .sort();
        };
        const other = {
          ...plan,
          parts: shuffled(plan.parts),
          helpers: shuffled(plan.helpers),
          buses: shuffled(plan.buses),
        };
        expect(said(other)).to.deep.equal(said(plan));
      }),
      { numRuns: 40, seed: 5 },
    );
  });
});

/** Every bus line of the plans that ship and of random ones. */
function lines() {
  const docs = [...PLANS.map(demo), ...[11, 12, 13, 14, 15, 16, 17, 18, 19].map((seed) => randomPlan(seed, 7))];
  return docs
    .map(deriveCircuit)
    .flatMap((circuit) =>
      circuit.nets.filter((net) => net.openDrain && allPullUps(net).length > 0).map((net) => ({ circuit, net })),
    );
}

describe('of every bus line', function () {
  this.timeout(120_000);
  const all = lines();
  it('there are enough of them', () => expect(all.length).to.be.at.least(30));

  it('the rest lies between the lowest and the highest, whatever the figures are within their ends', () => {
    fc.assert(
      fc.property(fc.nat(all.length - 1), seeds, (i, seed) => {
        const net = all[i]?.net;
        if (!net) return;
        // Without its diodes: the two bounds are of the open net.
        const bare = {
          ...net,
          ends: net.ends.map((end) => ({ ...end, levels: { ...end.levels, absoluteMax: undefined } })),
        };
        const { network, node } = lineNetwork({ nets: [bare], junctions: [] }, drawCorner(randomFrom(seed)));
        const rest = operatingPoint(network)[node.get(net.id) ?? 0] ?? NaN;
        expect(rest).to.be.at.most((highestRest(net)?.volts ?? NaN) + 1e-6);
        expect(rest).to.be.at.least((lowestRest(net)?.volts ?? NaN) - 1e-6);
      }),
      { numRuns: 300, seed: 6 },
    );
  });

  it('no draw rises slower than the slowest rise', () => {
    const buses = all.filter(({ net }) => net.protocol === 'i2c' && net.beyond === null);
    fc.assert(
      fc.property(fc.nat(buses.length - 1), seeds, (i, seed) => {
        const { circuit, net } = buses[i] ?? {};
        const line = circuit && net && linesOf(circuit, net)[0];
        if (!line) return;
        const slowest = slowestRise(circuit, net);
        if (slowest === null) return;
        const drawn = edgesOf(line, drawCorner(randomFrom(seed)), net.id, true).get(net.id)?.seconds ?? Infinity;
        expect(drawn, net.id).to.be.at.most(slowest * 1.002);
      }),
      { numRuns: 120, seed: 7 },
    );
  });

  it('more pull-up resistance never makes an edge faster', () => {
    fc.assert(
      fc.property(fc.nat(all.length - 1), fc.double({ min: 1.05, max: 4, noNaN: true }), (i, more) => {
        const { circuit, net } = all[i] ?? {};
        const line = circuit && net && linesOf(circuit, net)[0];
        if (!line) return;
        const plain = corner('typ', 'typ', 'typ', 1, 0);
        const weaker: Corner = { ...plain, ohms: (_, ohms) => ohms.typ * more };
        const sink = line.nets[0]?.id ?? net.id;
        const before = edgesOf(line, plain, sink, true).get(net.id)?.seconds ?? Infinity;
        const after = edgesOf(line, weaker, sink, true).get(net.id)?.seconds ?? Infinity;
        expect(after, net.id).to.be.at.least(before * 0.999);
      }),
      { numRuns: 120, seed: 8 },
    );
  });

  it('of one resistor and one capacitor the network gives what UM10204 says: tr = 0.8473 × R × C', () => {
    for (const { circuit, net } of all) {
      const pulls = allPullUps(net);
      if (pulls.length !== 1 || isJoined(circuit, net) || net.protocol !== 'i2c') continue;
      const ohms = pulls[0]?.ohms.max ?? 0;
      const at = corner('typ', 'max', 'typ', 1, 0);
      const seconds = edgesOf({ nets: [net], junctions: [] }, at, net.id, true).get(net.id)?.seconds;
      expect(seconds, net.id).to.be.closeTo(riseTime(ohms, net.capacitance), riseTime(ohms, net.capacitance) * 2e-3);
    }
  });
});
