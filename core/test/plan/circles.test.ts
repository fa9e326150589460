import { expect } from 'chai';
import fc from 'fast-check';
import { verify } from '../../src/check/verify.ts';
import { circleOf, wouldCircle } from '../../src/circuit/circle.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { readPlan } from '../../src/format/plan-file.ts';
import { circlesOf } from '../../src/plan/circles.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import { setFeed } from '../../src/plan/edits.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import { sayProblems, sayResult } from '../../src/say/say.ts';
import { planText } from '../support/demo.ts';

function shipped(): PlanDocument {
  const read = readPlan(planText('cupboard-verified'));
  if (!read.ok) throw new Error('a plan that ships is not read');
  return read.value;
}
const fed = (part: string, supply: string, rail: string): PlanDocument => {
  const document = shipped();
  return { ...document, plan: setFeed(document.plan, part, supply, rail) };
};

/** Kahn's way: whatever can be taken away because it leads nowhere that is left, is; what stays then runs in a circle. */
function hasCircle(next: ReadonlyMap<string, readonly string[]>): boolean {
  const left = new Set(next.keys());
  for (let before = -1; before !== left.size;) {
    before = left.size;
    for (const at of left) if (!(next.get(at) ?? []).some((to) => left.has(to))) left.delete(at);
  }
  return left.size > 0;
}

describe('circles', () => {
  it('are found where there are any, and only there, on any graph (property)', () => {
    const graph = fc.array(fc.array(fc.nat(7), { maxLength: 3 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(graph, (leads) => {
        const next = new Map(leads.map((to, i) => [String(i), to.map(String)]));
        const found = circlesOf(next);
        expect(found.length > 0).to.equal(hasCircle(next));
        for (const way of found)
          for (const [i, at] of way.entries()) expect(next.get(at)).to.include(way[(i + 1) % way.length]);
      }),
      { numRuns: 3000 },
    );
  });

  for (const [name, rail, way] of [
    ['of itself', 'five-volt.5v', ['five-volt.5v']],
    ['of what is made of it', 'sensor-supply.3v3', ['five-volt.5v', 'sensor-supply.3v3']],
  ] as const)
    it(`a rail made ${name} is refused in a file, with the way round`, () => {
      const [problem, ...others] = sayProblems(referenceProblems(fed('five-volt', 'in', rail)));
      expect(others).to.deep.equal([]);
      expect(problem?.path).to.match(/^\/plan\/parts\/\d+\/feeds\/in$/);
      for (const at of way) expect(problem?.message).to.include(`“${at}”`);
    });

  it('a rail made of itself is one finding that names the circle, at the supplies in it alone', () => {
    const circuit = deriveCircuit(fed('five-volt', 'in', 'sensor-supply.3v3'));
    const said = verify(circuit)
      .findings.filter(({ check }) => check === 'supply/range')
      .map(sayResult);
    const round = said.filter(({ message }) => message.includes('fed by what it feeds itself'));
    expect(round.map(({ message }) => message.split(' is fed')[0])).to.have.length(2);
    expect(said.length).to.be.greaterThan(round.length);
  });

  it('what gives a board its logic level and is fed by the board is no circle', () => {
    const { plan, cards } = shipped();
    expect(referenceProblems({ plan, cards })).to.deep.equal([]);
    const circuit = deriveCircuit({ plan, cards });
    for (const feed of circuit.feeds.values()) expect(circleOf(circuit, feed)).to.equal(null);
  });

  it('a feed that would close a circle is known before it is made, and no other is', () => {
    const { plan, cards } = shipped();
    const circuit = deriveCircuit({ plan, cards });
    for (const { part, supply } of circuit.feeds.values())
      for (const rail of circuit.rails.values()) {
        if (circuit.parts.get(part)?.helper || rail.pin) continue;
        const changed = referenceProblems({ plan: setFeed(plan, part, supply.id, rail.ref), cards });
        const closes = changed.some(({ message }) => message.id === 'circle');
        expect(wouldCircle(circuit, part, supply.id, rail), `${part}.${supply.id} from ${rail.ref}`).to.equal(closes);
      }
  });

  it('a bus that hangs behind itself is refused', () => {
    const { plan, cards } = shipped();
    const [first] = plan.buses;
    const part = plan.parts.find(({ ports }) => Object.values(ports).some(({ bus }) => bus === first?.id));
    if (!first || !part) throw new Error('no bus with a part on it');
    const buses = plan.buses.map((bus) => (bus === first ? { ...bus, behind: { part: part.id, channel: 0 } } : bus));
    const said = sayProblems(referenceProblems({ plan: { ...plan, buses }, cards }));
    expect(said.find(({ message }) => message.includes('circle'))?.path).to.equal('/plan/buses/0/behind');
  });
});
