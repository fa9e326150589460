import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { verify } from '../../src/check/verify.ts';
import { tried, withTrial } from '../../src/plan/trial.ts';
import { demo } from '../support/demo.ts';

describe('a trial', () => {
  const doc = demo('cupboard-verified');
  it('of nothing is the document itself', () => {
    expect(withTrial(doc.plan, {})).to.equal(doc.plan);
    expect(verify(deriveCircuit(tried(doc, {})))).to.deep.equal(verify(deriveCircuit(doc)));
  });
  it('changes a resistor, a lead, a clock and a rail, and leaves the plan alone', () => {
    const before = JSON.stringify(doc.plan);
    const trial = {
      ohms: { 'pull-probes': 2200 },
      lead: { 'shelf-top': 3 },
      clock: { i2c: 400e3 },
      volts: { 'board.3v3': 3.0 },
    };
    const circuit = deriveCircuit(tried(doc, trial));
    const net = (id: string) => circuit.nets.find((n) => n.id === id);
    expect(net('one-wire.data')?.pullUps[0]?.ohms.typ).to.equal(2200);
    expect(net('i2c.sda')?.capacitanceTerms.some(({ label }) => say(label).includes('lead, 3 m'))).to.equal(true);
    expect(net('i2c.sda')?.clock).to.equal(400e3);
    expect(circuit.rails.get('board.3v3')?.voltage).to.deep.equal({ min: 3, typ: 3, max: 3 });
    expect(JSON.stringify(doc.plan)).to.equal(before);
    expect(withTrial(doc.plan, trial).parts.find(({ id }) => id === 'board')?.card).to.equal('wifi-board');
  });
});
