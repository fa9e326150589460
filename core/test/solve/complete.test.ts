/** The plan that completes itself, on the plans that ship and on random ones. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import loadHighs from 'highs';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { verify } from '../../src/check/verify.ts';
import { applyChanges } from '../../src/plan/changes.ts';
import { documentOf } from '../../src/plan/document.ts';
import { setLocked, setPin } from '../../src/plan/edits.ts';
import { isSame } from '../../src/plan/same.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import type { Completion } from '../../src/solve/complete/completion.ts';
import { encode } from '../../src/solve/complete/encode.ts';
import { holds } from '../../src/solve/joint/problem.ts';
import { solveJoint } from '../../src/solve/joint/solve.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { moveController } from '../../src/solve/move-controller.ts';
import { demo, library } from '../support/demo.ts';
import { lexicographic } from '../support/joint-lp.ts';
import { randomPlan } from '../support/random-plan.ts';

const PLANS = ['cupboard-first-draft', 'cupboard-verified', 'rain-barrel', 'stairwell'] as const;
const BOARDS = ['wifi-board', 'board-8bit', 'stick-board', 'stick-mini', 'linux-board'];
const circuitOf = (plan: Plan): Circuit => deriveCircuit(documentOf(plan, [], library));
const grave = (circuit: Circuit) =>
  verify(circuit).findings.filter(({ severity }) => severity === 'danger' || severity === 'fault');

/** A plan on another board, as the station Control moves it. */
function onBoard(name: (typeof PLANS)[number], board: string): Circuit {
  const circuit = circuitOf(demo(name).plan);
  const card = library.get(board);
  if (!card || circuit.controller?.card.id === board) return circuit;
  const moved = moveController(circuit, library, card);
  if (!moved) throw new Error('nothing to move');
  return circuitOf(moved.plan);
}

describe('the plan that completes itself', function () {
  this.timeout(300_000);
  const draft = circuitOf(demo('cupboard-first-draft').plan);

  it('takes the first draft to verified, with the changes that a person would make', () => {
    const done = complete(draft, library);
    expect(done.verdict.status).to.equal('verified');
    expect(done.why).to.deep.equal([]);
    expect(referenceProblems(documentOf(done.plan, [], library))).to.deep.equal([]);
    const titles = done.changes.map(({ title }) => say(title));
    for (const expected of [
      /^Add a .* regulator, fed from the 5 V of 5 V regulator$/,
      /^Put a .* 4-channel translator between the controller and display$/,
      /^Put (top|bottom) shelf sensor on I²C 2 at 0x44$/,
      /^Feed scale from the 3\.3 V of (controller|3\.3 V regulator for the sensors)$/,
      /^Move door contact from P0 to /,
      /^Put a .* diode across fan$/,
      /^Put 220 Ω in series with status light$/,
      /^Leave out a pull-up of 5\.6 kΩ on one-wire DATA/,
    ])
      expect(
        titles.filter((title) => expected.test(say(title))),
        String(expected),
      ).to.not.deep.equal([]);
    // A regulator, a translator, a diode and a resistor come, two pull-ups go.
    expect(done.pieces).to.equal(2);
    expect(done.changes.length).to.be.below(16);
  });

  it('leaves no more danger than there was, where not everything can be ended', () => {
    // Twelve parts drawn at random, more than their source can give: settled together, two of them were once put on a bus that harms one.
    const circuit = deriveCircuit(randomPlan(1708, 12));
    const dangers = (of: Circuit) => verify(of).findings.filter(({ severity }) => severity === 'danger').length;
    const done = complete(circuit, library);
    expect(dangers(circuitOf(done.plan))).to.be.at.most(dangers(circuit));
    expect(grave(circuitOf(done.plan)).length).to.be.below(grave(circuit).length);
  });

  it('says its changes so that all of them taken one after the other make the plan', () => {
    const done = complete(draft, library);
    const all = new Set(done.changes.map(({ id }) => id));
    const again = applyChanges(draft.plan, done.changes, all);
    expect(grave(circuitOf(again))).to.deep.equal([]);
    expect(new Set(again.parts.map(({ id }) => id))).to.deep.equal(new Set(done.plan.parts.map(({ id }) => id)));
    for (const part of done.plan.parts)
      expect(
        isSame(
          again.parts.find(({ id }) => id === part.id),
          part,
        ),
        part.id,
      ).to.equal(true);
    // Without the regulator nothing is fed from it.
    const regulator = done.changes.find(({ piece }) => piece.kind === 'add-part');
    const without = applyChanges(draft.plan, done.changes, new Set([...all].filter((id) => id !== regulator?.id)));
    expect(referenceProblems(documentOf(without, [], library))).to.deep.equal([]);
  });

  for (const name of PLANS) {
    for (const board of BOARDS) {
      it(`completes ${name} on ${board}, or says what cannot be`, () => {
        const circuit = onBoard(name, board);
        const done: Completion = complete(circuit, library);
        if (done.verdict.status === 'verified') {
          expect(grave(circuitOf(done.plan))).to.deep.equal([]);
          return;
        }
        if (done.why.length === 0) {
          // Only what no wiring can end is left: the part is not good enough on this board.
          // … or the place, or the cells, are not right for the board.
          const beyond = done.left.filter(({ check }) => !/^(need|analog|body)\/|^supply\/(runtime|sag)$/.test(check));
          expect(beyond.map(({ message }) => say(message))).to.deep.equal([]);
          expect(done.left).to.not.deep.equal([]);
          return;
        }
        expect(done.plan).to.equal(circuit.plan);
        for (const { sentence, members } of done.why) {
          expect(say(sentence)).to.match(/^No way of wiring|cannot|has no place|Nothing here/);
          expect(members).to.not.deep.equal([]);
        }
      });
    }
  }

  it('leaves a verified plan as it is, also when it is not told that it is verified', () => {
    for (const name of PLANS.slice(1)) {
      const circuit = circuitOf(demo(name).plan);
      expect(complete(circuit, library).changes, name).to.deep.equal([]);
      const encoding = encode(circuit, library);
      const found = encoding && solveJoint(encoding.problem);
      expect(found?.goals.changes, name).to.equal(0);
      expect(found?.goals.parts, name).to.equal(0);
    }
  });

  it('gives the same twice, and nothing more when it is asked again', () => {
    const [one, two] = [complete(draft, library), complete(draft, library)];
    expect(one.plan).to.deep.equal(two.plan);
    expect(complete(circuitOf(one.plan), library).changes).to.deep.equal([]);
  });

  it('never breaks a lock', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const bits = (n: number) => ((seed * 2654435761) >>> n) % 3 === 0;
      let plan = draft.plan;
      draft.wishes.forEach((wish, i) => {
        if (wish.pin && wish.pin !== 'p0' && bits(i % 24))
          plan = setPin(plan, wish.of, wish.line, { pin: wish.pin, locked: true });
      });
      const locked = ['shelf-top', 'probe-1', 'knob', 'sounder'].filter((_, i) => bits(i * 3));
      for (const id of locked) plan = setLocked(plan, id, true);
      const done = complete(circuitOf(plan), library);
      for (const wish of circuitOf(plan).wishes) {
        const after = circuitOf(done.plan).wishes.find(({ id }) => id === wish.id);
        if (wish.locked) expect(after?.pin, `${seed}: ${wish.id}`).to.equal(wish.pin);
      }
      for (const id of locked) {
        const [was, is] = [plan, done.plan].map((p) => p.parts.find((part) => part.id === id));
        expect(is?.feeds, `${seed}: ${id}`).to.deep.equal(was?.feeds);
        expect(is?.opened, `${seed}: ${id}`).to.deep.equal(was?.opened);
      }
    }
  });

  it('leaves what takes turns where it is, and mends the rest around it', () => {
    const verdict = verify(draft);
    const finding = verdict.findings.find(({ check }) => check === 'bus/address-collision');
    for (const way of ['gates:', 'bus-switch:']) {
      const remedy = finding && proposeRemedies(draft, verdict, finding, library).find(({ id }) => id.startsWith(way));
      if (!remedy) throw new Error(`${way} is not offered`);
      const circuit = circuitOf(remedy.plan);
      const done = complete(circuit, library);
      expect(done.verdict.status, `${way} ${done.why.map(({ sentence }) => say(sentence)).join()}`).to.equal(
        'verified',
      );
      const gates = (plan: Plan) => plan.helpers.filter((h) => h.kind === 'translator' && h.gate).length;
      expect(gates(done.plan)).to.equal(gates(remedy.plan));
    }
  });

  it('names the lock that stands in the way, and what opening it would come to', () => {
    const plan = setPin(draft.plan, 'door-contact.contact', 'contact', { pin: 'p0', locked: true });
    const done = complete(circuitOf(plan), library);
    expect(done.why.map(({ sentence }) => say(sentence)).join()).to.include('the lock of door contact on P0');
    const [relaxation] = done.why.flatMap(({ relaxations }) =>
      relaxations.filter(({ label }) => say(label).startsWith('Open')),
    );
    expect(relaxation?.goals?.parts).to.equal(4);
    expect(complete(circuitOf(relaxation?.plan ?? plan), library).verdict.status).to.equal('verified');
  });

  it('comes to the optimum of a mixed-integer solver on the plans that ship and on random ones', async () => {
    const highs = await loadHighs();
    const circuits = [
      draft,
      ...PLANS.slice(1).map((name) => circuitOf(demo(name).plan)),
      ...BOARDS.slice(1, 4).map((board) => onBoard('cupboard-first-draft', board)),
      ...Array.from({ length: 12 }, (_, i) => deriveCircuit(randomPlan(i + 1, 3 + (i % 5)))),
    ];
    let solved = 0;
    for (const [i, circuit] of circuits.entries()) {
      const encoding = encode(circuit, library, { againstRules: true });
      if (!encoding) continue;
      const mine = solveJoint(encoding.problem);
      if (mine) expect(holds(encoding.problem, mine.taken), `plan ${i}`).to.equal(true);
      expect(mine?.goals ?? null, `plan ${i}`).to.deep.equal(lexicographic(highs, encoding.problem));
      solved += Number(mine !== null);
    }
    expect(solved).to.be.above(10);
  });

  it('brings no random plan into more trouble than it was in', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const circuit = deriveCircuit(randomPlan(seed * 31, 2 + (seed % 6)));
      const done = complete(circuit, library);
      const after = grave(circuitOf(done.plan));
      expect(after.length, `seed ${seed}`).to.be.at.most(grave(circuit).length);
      expect(after.map(({ key }) => key)).to.deep.equal(done.left.map(({ key }) => key));
    }
  });
});
