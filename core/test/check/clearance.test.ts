/** Room on the board, sockets, and what the parts cost, when they come, and whether they have to be soldered. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { socketsFor } from '../../src/circuit/mated.ts';
import { netlistOf } from '../../src/circuit/netlist.ts';
import type { Result } from '../../src/check/result.ts';
import { verify } from '../../src/check/verify.ts';
import { documentOf } from '../../src/plan/document.ts';
import { changePart, emptyPlan, setBoards, setOn, setRules, setSpot } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { riseAt } from '../../src/physics/heat.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { cards, demo, library } from '../support/demo.ts';

const circuitOf = (plan: Plan): Circuit => deriveCircuit(documentOf(plan, cards, library));
const add = (plan: Plan, id: string): Plan =>
  addPart(circuitOf(plan), library, library.get(id) as (typeof cards)[number]).plan;
const built = (...ids: string[]): Plan =>
  ids.reduce(add, { ...emptyPlan('p', 'p'), boards: ['board-full'], resistors: 'resistors-e12' });
const resultsOf = (plan: Plan, check: string): Result[] => {
  const { findings, passes } = verify(circuitOf(plan));
  return [...findings, ...passes].filter((r) => r.check === check);
};
const idOf = (plan: Plan, card: string): string => plan.parts.find((p) => p.card === card)?.id ?? '';
const about = (plan: Plan, check: string, ...subjects: string[]) =>
  resultsOf(plan, check).find((r) => subjects.every((s) => r.aspect === s || r.subjects.includes(s)));

describe('body/clearance', () => {
  const plan = built('usb-adapter', 'wifi-board', 'scale-amp', 'thermo-volt');

  it('counts the holes that stay free: one beside each pin of a board of 28 mm, two of one of 21 mm', () => {
    // 28 mm are 11.02 steps of 2.54 mm: of ten columns and the channel (11 steps from a to j) all but the outermost are covered.
    expect(about(plan, 'body/clearance', idOf(plan, 'wifi-board'))).to.include({
      severity: null,
      measured: 1,
      limit: 1,
    });
    const stick = built('usb-adapter', 'stick-board');
    expect(about(stick, 'body/clearance', idOf(stick, 'stick-board'))).to.include({ severity: null, measured: 2 });
  });

  it('finds a board that is too short, and offers a longer one that ends it', () => {
    const small = setBoards(built('usb-adapter', 'stick-board'), ['board-mini']);
    const wide = { ...small, parts: small.parts };
    expect(about(wide, 'body/clearance', idOf(wide, 'stick-board'))?.severity).to.equal(null); // 16 rows of 17
    const tiny = cards.map((card) =>
      card.id === 'board-mini' && card.board ? { ...card, board: { ...card.board, rows: 14 } } : card,
    );
    const circuit = deriveCircuit(documentOf(wide, tiny, library));
    const verdict = verify(circuit);
    const finding = verdict.findings.find(({ check }) => check === 'body/clearance');
    expect(say(finding?.message)).to.match(/its pins take 1\d rows, and the longest board has 14/);
    const remedies = finding ? proposeRemedies(circuit, verdict, finding, library) : [];
    expect(remedies.map(({ title }) => say(title)).some((t) => /breadboard/.test(say(t)))).to.equal(true);
  });

  it('finds two parts put down in one place, says what needs the air, and lets one of them go', () => {
    const [scale, air] = [idOf(plan, 'scale-amp'), idOf(plan, 'thermo-volt')];
    const put = setSpot(setSpot(plan, scale, { hole: '1:e30', turned: true }), air, { hole: '1:f29' });
    const finding = about(put, 'body/clearance', scale, air);
    expect(finding?.severity).to.equal('fault');
    expect(say(finding?.message)).to.match(/needs free air/);
    const apart = setSpot(put, air, { hole: '1:f50' });
    expect(about(apart, 'body/clearance', scale, air)).to.equal(undefined);
    const circuit = circuitOf(put);
    const verdict = verify(circuit);
    const remedies = finding ? proposeRemedies(circuit, verdict, finding, library) : [];
    expect(remedies).to.have.length(2);
  });

  it('compares the pins of a part in a socket one by one: supply on ground is danger, each on its own line is a pass', () => {
    const board = built('usb-adapter', 'board-8bit', 'motion-mini');
    const [host, part] = [idOf(board, 'board-8bit'), idOf(board, 'motion-mini')];
    const card = library.get('board-8bit');
    const at = (id: string) => card?.terminals.find((t) => t.id === id)?.position ?? 0;
    // + OUT − beside A5 GND 5V: each pin one off.
    const wrong = setOn(board, part, { part: host, header: 'right', at: at('gnd') - 1 });
    const finding = about(wrong, 'body/clearance', part, 'socket');
    expect(finding?.severity).to.equal('danger');
    expect(say(finding?.message)).to.match(/does not belong into that socket: its .* meets/);
    // Fed from a pin, read by the next, ground beside it: D-pins that the plan gave it.
    const fed = changePart(board, part, (p) => ({
      ...p,
      feeds: { ...p.feeds, vcc: `${host}.a4` },
      ports: Object.fromEntries(
        Object.entries(p.ports).map(([port, c]) => [port, { ...c, lines: { out: { pin: 'a5', locked: true } } }]),
      ),
    }));
    const right = setOn(fed, part, { part: host, header: 'right', at: at('a4') });
    const pass = about(right, 'body/clearance', part, 'socket');
    expect(say(pass?.message)).to.include('every pin on its own line');
    expect(pass?.severity).to.equal(null);
    // Found without being told: where it agrees, and nowhere else.
    const circuit = circuitOf(fed);
    expect(socketsFor(circuit, netlistOf(circuit), part)).to.deep.equal([
      { part: host, header: 'right', at: at('a4'), turned: false },
    ]);
    const before = circuitOf(board);
    expect(socketsFor(before, netlistOf(before), part)).to.deep.equal([]);
  });
});

describe('body/heat, by the holes', () => {
  it('feels what was put down on the same board, by the distance from edge to edge', () => {
    const { plan } = demo('rain-barrel');
    const bare: Plan = { ...plan, boards: ['board-full'] };
    const air = idOf(bare, 'probe-bare');
    const near = (hole: string) => {
      const put = setSpot(setSpot(bare, air, { hole }), 'controller', { hole: '1:c20' });
      return about(put, 'body/heat', air);
    };
    const [close, far] = [near('1:e24'), near('1:e60')];
    const felt = close?.workings.find(({ name }) => say(name).startsWith('felt'));
    const watts = close?.workings.find(({ unit }) => unit === 'W');
    expect(felt?.value).to.be.above(0);
    expect(watts?.value).to.be.above(0);
    expect(far?.measured ?? 0).to.be.below(close?.measured ?? 0);
    expect(riseAt(1, 0.01)).to.be.above(riseAt(1, 0.05));
  });
});

describe('parts', () => {
  const { plan } = demo('cupboard-verified');

  it('budget: the cheapest order in time, to the cent, and one cent below it', () => {
    const pass = about(plan, 'parts/budget', 'budget');
    expect(pass?.severity).to.equal(null);
    const total = pass?.measured ?? 0;
    const with_ = (most: number) => about({ ...plan, budget: { most, currency: 'EUR' } }, 'parts/budget', 'budget');
    expect(with_(total)?.severity).to.equal(null);
    expect(with_(total - 0.01)?.severity).to.equal('caution');
    expect(say(with_(total - 0.01)?.message)).to.include('0.01 EUR more than the budget');
  });

  it('arrival: three days can be kept, two cannot', () => {
    const late = (readyInDays: number) =>
      resultsOf({ ...plan, readyInDays }, 'parts/arrival').filter(({ severity }) => severity !== null);
    expect(late(3)).to.deep.equal([]);
    expect(late(2).length).to.be.above(10);
    expect(say(late(2)[0]?.message)).to.match(/takes 3 days at the soonest; the build is to be ready in 2/);
  });

  it('solder: a bare part against the house rule, and with it', () => {
    const bare = add(plan, 'humid-bare');
    const finding = resultsOf(bare, 'parts/solder').find(({ severity }) => severity !== null);
    expect(say(finding?.message)).to.include('has to be soldered');
    expect(resultsOf(setRules(bare, { soldering: 'cheapest' }), 'parts/solder')).to.deep.equal([]);
  });
});
