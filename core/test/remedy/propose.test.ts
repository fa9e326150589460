import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Verdict } from '../../src/check/standing.ts';
import { verify } from '../../src/check/verify.ts';
import type { Result } from '../../src/check/result.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import { addHelper, changeBus, setAddress, setPin } from '../../src/plan/edits.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import type { Remedy } from '../../src/remedy/remedy.ts';
import { demo, library } from '../support/demo.ts';

const grave = (r: Result) => r.severity === 'danger' || r.severity === 'fault';
const study = (doc: PlanDocument) => {
  const circuit = deriveCircuit(doc);
  return { circuit, verdict: verify(circuit) };
};
const apply = (remedy: Remedy, doc: PlanDocument): PlanDocument => documentOf(remedy.plan, doc.cards, library);
const draft = demo('cupboard-first-draft');
const verified = demo('cupboard-verified');

/** Remedies of the first finding of a check, in a changed plan. */
function remediesOf(doc: PlanDocument, check: string): { remedies: Remedy[]; finding: Result; verdict: Verdict } {
  const { circuit, verdict } = study(doc);
  const finding = verdict.findings.find((r) => r.check === check);
  if (!finding) throw new Error(`${check} was not found`);
  return { remedies: proposeRemedies(circuit, verdict, finding, library), finding, verdict };
}

describe('remedies', () => {
  const { circuit, verdict } = study(draft);

  it('exist for every danger and fault of the first draft', () => {
    for (const finding of verdict.findings.filter(grave))
      expect(proposeRemedies(circuit, verdict, finding, library), finding.key).to.not.be.empty;
  });

  it('end their finding, bring neither danger nor fault, and leave a plan that holds together', () => {
    for (const finding of verdict.findings.filter(({ severity }) => severity !== 'note')) {
      for (const remedy of proposeRemedies(circuit, verdict, finding, library)) {
        const doc = apply(remedy, draft);
        const after = verify(deriveCircuit(doc));
        const keys = new Set(verdict.findings.map(({ key }) => key));
        expect(referenceProblems(doc), remedy.id).to.deep.equal([]);
        expect(
          after.findings.map(({ key }) => key),
          remedy.id,
        ).to.not.include(finding.key);
        expect(
          after.findings.filter((r) => grave(r) && !keys.has(r.key)),
          remedy.id,
        ).to.deep.equal([]);
        expect(remedy.ends, remedy.id).to.include(finding.key);
      }
    }
  });

  it('lead from the first draft to a verified plan, the first remedy each time', () => {
    let doc = draft;
    let steps = 0;
    for (; steps < 20; steps++) {
      const now = study(doc);
      const finding = now.verdict.findings.find(({ severity }) => severity !== 'note');
      if (!finding) break;
      const [remedy] = proposeRemedies(now.circuit, now.verdict, finding, library);
      if (!remedy) throw new Error(`no remedy for ${finding.key}`);
      doc = apply(remedy, doc);
    }
    expect(study(doc).verdict.status).to.equal('verified');
    expect(steps).to.be.at.most(9);
  });

  it('offer each way out of one fixed address: another part, a second bus, a bus switch, gates, switched supplies', () => {
    const ids = remediesOf(draft, 'bus/address-collision').remedies.map(({ id }) => id);
    expect(ids).to.include.members(['card:shelf-bottom:humid-strap', 'bus:shelf-bottom.i2c:i2c-second']);
  });

  it('offer another strap setting where the card has one', () => {
    const clash = { ...verified, plan: setAddress(verified.plan, 'shelf-bottom', 'i2c', 0x44) };
    const [first] = remediesOf(clash, 'bus/address-collision').remedies;
    expect(first?.id).to.equal('address:shelf-bottom.i2c:0x45');
    expect(first?.cost).to.equal(0);
  });

  it('halve an 8-bit address', () => {
    const eight = { ...verified, plan: setAddress(verified.plan, 'shelf-bottom', 'i2c', 0x8a) };
    expect(remediesOf(eight, 'bus/address-reserved').remedies.map(({ id }) => id)).to.include(
      'address:shelf-bottom.i2c:0x45',
    );
  });

  it('put a translator between, or feed the part otherwise', () => {
    const ids = (subject: string, check = 'level/over-voltage') => {
      const found = verdict.findings.find((r) => r.check === check && r.subjects.includes(subject));
      return found ? proposeRemedies(circuit, verdict, found, library).map(({ id }) => id) : [];
    };
    expect(ids('board.p8')).to.include.members(['feed:scale.vcc:board.3v3', 'translator:scale.data:translator-4']);
    // The one with a direction drives both ways by turns and cannot carry a bus.
    expect(ids('i2c.sda', 'level/mixed-pull-ups')).to.deep.equal([
      'translator:display.i2c:translator-gated',
      'translator:display.i2c:translator-4',
    ]);
  });

  it('add a missing pull-up, of the value that the house rule takes, to both lines', () => {
    const bare = {
      ...verified,
      plan: { ...verified.plan, helpers: verified.plan.helpers.filter(({ id }) => id !== 'pull-door') },
    };
    const [first] = remediesOf(bare, 'level/no-pull-up').remedies;
    expect(first?.plan.helpers.find(({ kind, id }) => kind === 'pull-up' && id.includes('door'))).to.include({
      ohms: 10e3,
      to: 'board.3v3',
    });
  });

  it('weaken pull-ups that are too strong, by leaving resistors out or opening jumpers', () => {
    const strong = ['sda', 'scl'].reduce(
      (plan, line) =>
        addHelper(plan, { id: `r-${line}`, kind: 'pull-up', of: 'i2c', line, to: 'board.3v3', ohms: 470 }),
      verified.plan,
    );
    expect(remediesOf({ ...verified, plan: strong }, 'bus/pull-up-strong').remedies.map(({ id }) => id)).to.include(
      'no-pull-up:i2c',
    );
  });

  it('slow the clock or pull harder where an edge is too slow', () => {
    const long = changeBus(verified.plan, 'i2c', (bus) => ({ ...bus, clock: 400e3 }));
    const ids = remediesOf({ ...verified, plan: long }, 'bus/pull-up-weak').remedies.map(({ id }) => id);
    expect(ids).to.include('clock:i2c:100000');
  });

  it('run a bus at the speed of its slowest part', () => {
    const fast = changeBus(verified.plan, 'i2c', (bus) => ({ ...bus, clock: 400e3 }));
    expect(remediesOf({ ...verified, plan: fast }, 'bus/clock').remedies.map(({ title }) => say(title))).to.include(
      'Run I²C at 100 kHz',
    );
  });

  it('move a line off a doubled, incapable or strapping pin', () => {
    const at = (pin: string) => ({
      ...verified,
      plan: setPin(verified.plan, 'sounder.in', 'in', { pin, locked: false }),
    });
    expect(say(remediesOf(at('p8'), 'pin/double').remedies[0]?.title)).to.match(/^Move/);
    expect(say(remediesOf(at('a0'), 'pin/capability').remedies[0]?.title)).to.match(/^Move buzzer to P/);
    expect(say(remediesOf(draft, 'pin/strap').remedies[0]?.title)).to.match(/^Move door contact to/);
  });

  it('take load off a rail by one more regulator', () => {
    const { remedies } = remediesOf(draft, 'supply/rail-current');
    const added = remedies.find(({ id }) => id.startsWith('regulator:step-down-3v3'));
    expect(added?.pieces).to.equal(1);
    expect(added?.cost).to.be.closeTo(2.6, 1e-9);
  });

  it('feed a part from a rail inside its range', () => {
    const wrong = {
      ...verified,
      plan: {
        ...verified.plan,
        parts: verified.plan.parts.map((p) => (p.id === 'display' ? { ...p, feeds: { vcc: 'board.3v3' } } : p)),
      },
    };
    expect(remediesOf(wrong, 'supply/range').remedies.map(({ id }) => id)).to.include('feed:display.vcc:five-volt.5v');
  });

  it('take another card where a need is not met', () => {
    const pulse = {
      ...verified,
      plan: {
        ...verified.plan,
        needs: verified.plan.needs.map((n) => (n.id === 'co2' && n.kind === 'sense' ? { ...n, accuracy: 60 } : n)),
      },
    };
    expect(remediesOf(pulse, 'need/accuracy').remedies).to.deep.equal([]); // no card of the catalogue is that good
    const coarse = structuredClone(verified);
    const shelf = coarse.cards.find(({ id }) => id === 'humid-strap');
    const band = shelf?.measures[0]?.accuracy.at(-1);
    if (!band) throw new Error('card is gone');
    band.error = 9;
    // Its nearest rival would answer at the other shelf's address; this one does not.
    expect(remediesOf(coarse, 'need/accuracy').remedies.map(({ id }) => id)).to.deep.equal([
      'card:shelf-bottom:humid-5v',
    ]);
  });
});
