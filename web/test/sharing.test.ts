import { expect } from 'chai';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { type PlanDocument, sharedWith } from '@idle-breadboard/core/plan';
import { verify } from '@idle-breadboard/core/verify';
import { Receiver, Sender } from '../src/lib/worker/sharing.ts';
import { readFileSync } from 'node:fs';
import { readPlan } from '@idle-breadboard/core/files';

const demo = (name: string): PlanDocument => {
  const read = readPlan(readFileSync(new URL(`../../catalogue/plans/${name}.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.value;
};
/** As a message goes from thread to thread. */
const sent = <T>(value: T): T => structuredClone(value);

describe('answers that name what was sent before', () => {
  it('come whole, share what is not changed, and are small then', () => {
    const [sender, receiver] = [new Sender(), new Receiver()];
    const over = <T>(value: T) => {
      const packed = sent(sender.pack(value));
      return { got: receiver.unpack(packed), packed };
    };
    const { plan: base, cards } = demo('cupboard-first-draft');
    let plan = base;
    let before = deriveCircuit({ plan, cards });
    const first = over({ circuit: before, verdict: verify(before) });
    expect(first.packed.afresh).to.equal(true);
    expect(first.got).to.deep.equal({ circuit: before, verdict: verify(before) });
    const clocks = [50e3, 100e3, 400e3, 50e3];
    let last = first.got;
    for (const clock of clocks) {
      plan = sharedWith(plan, sent({ ...plan, buses: plan.buses.map((bus) => ({ ...bus, clock })) }));
      const circuit = deriveCircuit({ plan, cards });
      const { got, packed } = over({ circuit, verdict: verify(circuit) });
      expect(packed.afresh).to.equal(false);
      expect(got).to.deep.equal({ circuit, verdict: verify(circuit) });
      for (const [id, part] of circuit.parts)
        expect(got.circuit.parts.get(id) === last.circuit.parts.get(id), id).to.equal(part === before.parts.get(id));
      [before, last] = [circuit, got];
    }
    // What has not changed at all is one number.
    expect(over(before).packed.value).to.be.a('bigint');
  });

  it('forget, both at once, before they know too much', () => {
    const [sender, receiver] = [new Sender(), new Receiver()];
    let fresh = 0;
    for (let i = 0; i < 200; i++) {
      const value = {
        i,
        many: Array.from({ length: 1000 }, (_, k) => ({ k, i })),
        none: [null, undefined, ''],
        map: new Map([[{ i }, new Set([i])]]),
      };
      const packed = sent(sender.pack(value));
      fresh += Number(packed.afresh);
      expect(receiver.unpack(packed)).to.deep.equal(value);
    }
    expect(fresh).to.be.within(3, 8);
  });
});
