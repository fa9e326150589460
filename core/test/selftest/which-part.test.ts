/** Which number is which part: never the wrong one, whatever the room does meanwhile. */
import { expect } from 'chai';
import { FirmwareModel } from '../../src/bench/firmware-model.ts';
import { Target } from '../../src/bench/target.ts';
import { VirtualBuild } from '../../src/bench/virtual-build.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { fingerprint } from '../../src/plan/fingerprint.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { withNumber } from '../../src/plan/wire-number.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { evidenceOf, type FoundPart } from '../../src/selftest/evidence.ts';
import { Hearing } from '../../src/selftest/hearing.ts';
import { jobOf } from '../../src/selftest/job.ts';
import { printRun } from '../../src/selftest/print-run.ts';
import { leftOver, numberedParts, readWireNumber, whichPart } from '../../src/selftest/which-part.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { isWireNumber } from '../../src/standard/one-wire.ts';
import { benchOf } from '../support/bench-case.ts';
import { demo, library } from '../support/demo.ts';

const PLAN = '0123456789abcdef';
const bench = benchOf('cupboard-verified');
const parts = numberedParts(bench.circuit);

/** What a run on the simulated build finds. @param circuit what the reader knows */
function heard(build: VirtualBuild, circuit = bench.circuit, warm: string | null = null) {
  const job = jobOf(circuit);
  const lines = new Hearing(PLAN).take(printRun(job, PLAN, new Target(build, warm)));
  if (!lines) throw new Error('no whole run');
  return evidenceOf(circuit, job, lines);
}

describe('which number is which part', function () {
  this.timeout(120_000);

  it('is told by warming one after the other, and the last one is left over', () => {
    const build = new VirtualBuild(bench, []);
    let plan: Plan = bench.circuit.plan;
    let before = heard(build).found;
    expect(before).to.have.length(3);
    for (const { part, port } of parts.slice(0, 2)) {
      const after = heard(build, bench.circuit, part).found;
      const which = whichPart(before, after);
      expect(which.is).to.equal('warmed');
      if (which.is === 'warmed') plan = withNumber(plan, part, port, which.rom);
      before = after;
    }
    const circuit = deriveCircuit(documentOf(plan, [], library));
    const [left, ...more] = leftOver(circuit, before);
    expect([left?.at.part, more]).to.deep.equal([parts[2]?.part, []]);
    const whole = withNumber(plan, left?.at.part ?? '', left?.at.port ?? '', left?.rom ?? '');
    const numbers = numberedParts(deriveCircuit(documentOf(whole, [], library))).map(({ number }) => number);
    expect(new Set(numbers).size).to.equal(3);
    // Which number is which is no hardware: verdict, layout and evidence stay.
    expect(fingerprint(documentOf(whole, [], library))).to.equal(fingerprint(demo('cupboard-verified')));
  });

  it('is never the wrong one: 5000 runs with noise, drift, cold hands, and two that are warmed', () => {
    const random = randomFrom(11);
    const said = { warmed: 0, none: 0, several: 0, joined: 0 };
    for (let n = 0; n < 5000; n++) {
      const count = 1 + Math.floor(random() * 6);
      const rooms = Array.from({ length: count }, (_, i) => ({ bus: 'w', rom: `r${i}`, celsius: 15 + random() * 10 }));
      const held = Math.floor(random() * count);
      const [warmth, drift] = [random() * 10, random() * 1.2 - 0.4];
      const also = random() < 0.1 ? Math.floor(random() * count) : held;
      const after = rooms.map((part, i): FoundPart => {
        const own = i === held || i === also ? warmth * (i === held ? 1 : random()) : 0;
        const noise = (random() - 0.5) * 0.25;
        return { ...part, celsius: random() < 0.02 ? null : part.celsius + drift + own + noise };
      });
      const which = whichPart(rooms, after);
      said[which.is] += 1;
      if (which.is !== 'warmed') continue;
      const wrong = which.rom !== `r${held}` && after[held]?.celsius !== null;
      expect(wrong, `case ${n}`).to.equal(false);
    }
    expect(said.warmed).to.be.greaterThan(2500);
    expect(said.joined).to.equal(0);
  });

  it('is told by plugging one in, not by two, and nothing is left over where one is missing', () => {
    const found = heard(new VirtualBuild(bench, [])).found;
    expect(whichPart(found.slice(1), found)).to.deep.equal({ is: 'joined', rom: found[0]?.rom });
    expect(whichPart(found.slice(2), found).is).to.equal('several');
    expect(whichPart(found, found).is).to.equal('none');
    expect(leftOver(bench.circuit, found)).to.deep.equal([]);
    const two = parts
      .slice(0, 2)
      .reduce((p, { part, port }, i) => withNumber(p, part, port, found[i]?.rom ?? ''), bench.circuit.plan);
    const circuit = deriveCircuit(documentOf(two, [], library));
    expect(leftOver(circuit, found)).to.have.length(1);
    expect(leftOver(circuit, found.slice(1))).to.deep.equal([]);
  });

  it('names the one that is missing, as soon as the plan has their numbers, for every fault of this plan', () => {
    const found = heard(new VirtualBuild(bench, [])).found;
    const byPart = parts.map((at) => {
      const warm = heard(new VirtualBuild(bench, []), bench.circuit, at.part).found;
      const which = whichPart(found, warm);
      return { at, rom: which.is === 'warmed' ? which.rom : '' };
    });
    const plan = byPart.reduce((p, { at, rom }) => withNumber(p, at.part, at.port, rom), bench.circuit.plan);
    const circuit = deriveCircuit(documentOf(plan, [], library));
    let named = 0;
    for (const fault of faultsOf(bench)) {
      const build = new VirtualBuild(bench, [fault]);
      const talk = new FirmwareModel(build);
      if (!talk.runs()) continue;
      const { observations } = heard(build, circuit);
      const told = parts.flatMap(({ part, port }) => {
        const seen = observations.find(({ measurement }) => measurement === `works:${part}.${port}`);
        return seen ? [[part, seen.value, talk.works(part, port) ? 'yes' : 'no'] as const] : [];
      });
      for (const [part, seen, does] of told) expect(seen, `${part} with ${fault.key}`).to.equal(does);
      if (told.length === 3 && told.some(([, seen]) => seen === 'no') && told.some(([, seen]) => seen === 'yes'))
        named += 1;
    }
    expect(named).to.be.greaterThan(5);
  });

  it('is read from a label in either order, with and without its check, and refused where that is wrong', () => {
    const number = heard(new VirtualBuild(bench, [])).found[0]?.rom ?? '';
    const bytes = number.match(/../g) ?? [];
    const turned = bytes.toReversed();
    for (const text of [
      number,
      number.toUpperCase(),
      bytes.join(' '),
      bytes.join(':'),
      turned.join(''),
      turned.join('-'),
    ])
      expect(readWireNumber(text), text).to.equal(number);
    // The form of a system: kind, then the six bytes the other way round, without the check.
    expect(readWireNumber(`${bytes[0]}-${bytes.slice(1, 7).reverse().join('')}`)).to.equal(number);
    const random = randomFrom(3);
    let taken = 0;
    for (let n = 0; n < 2000; n++) {
      const at = Math.floor(random() * 16);
      const digit = Math.floor(random() * 16).toString(16);
      const bent = number.slice(0, at) + digit + number.slice(at + 1);
      const read = readWireNumber(bent);
      if (read === null) continue;
      taken += 1;
      expect(isWireNumber(read)).to.equal(true);
      expect([number, bent, (bent.match(/../g) ?? []).reverse().join('')]).to.include(read);
      if (bent !== number) expect(read, bent).to.equal(number);
    }
    expect(taken).to.be.greaterThan(50);
    for (const none of ['', '28', 'kettle', '0000000000000000', `${number} ${number}`])
      expect(readWireNumber(none), none).to.equal(null);
  });
});
