/** What a program is asked for while a person looks on: compiled and in Python, on the simulated bench. */
import { expect } from 'chai';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { FirmwareModel } from '../../src/bench/firmware-model.ts';
import { VirtualBuild } from '../../src/bench/virtual-build.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { Hearing } from '../../src/selftest/hearing.ts';
import { jobOf } from '../../src/selftest/job.ts';
import { writeLine } from '../../src/selftest/line.ts';
import { answerTo, askedBy, type Question, questionsOf } from '../../src/selftest/question.ts';
import { benchOf } from '../support/bench-case.ts';
import { asked, compiled, written } from '../support/bench-program.ts';
import type { PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';

const PLAN = '0123456789abcdef';
const partOf = (row: string): string => /^works:([^.]+)/.exec(row)?.[1] ?? '';
const questions = (name: (typeof PLANS)[number]) => questionsOf(benchOf(name).circuit, jobOf(benchOf(name).circuit));
/** Lines are watched for a second, which is long enough for a hand that does not tire. */
function text(question: Question, seq: number): string {
  const line = askedBy(question, seq);
  const fields = question.is === 'watch' ? ['1000', ...line.fields.slice(1)] : line.fields;
  return `${writeLine(PLAN, { ...line, fields })}\n`;
}
const heard = (question: Question, seq: number, printed: string): readonly number[] | null => {
  const hearing = new Hearing(PLAN);
  hearing.take(printed);
  return hearing.answered().map((line) => answerTo(question, seq, line))[0] ?? null;
};

describe('questions to the self-test', function () {
  this.timeout(240_000);

  it('are those that need a hand or an eye: what is pressed is watched, what moves, lights or sounds is driven', () => {
    const of = (name: (typeof PLANS)[number]) =>
      [...questions(name)].map(([row, { is }]) => `${is} ${row.slice('works:'.length)}`);
    expect(of('cupboard-verified')).to.have.members([
      'watch knob.knob',
      'watch door-contact.contact',
      'drive fan.coil',
      'drive fan-switch.in',
      'drive status-light.light',
      'drive sounder.in',
    ]);
    expect(of('stairwell')).to.have.members([
      'watch button-on-the-carrier.contact',
      'watch motion-at-the-top.out',
      'watch motion-at-the-foot.out',
      'drive light-on-the-carrier.light',
      'drive buzzer-on-the-carrier.in',
      'drive lamp-relay.in',
    ]);
  });

  it('name all that may move with an output, through a driver and a contact', () => {
    const fan = questions('cupboard-verified').get('works:fan.coil');
    expect(fan?.is === 'drive' && fan.moves).to.include.members(['fan-switch', 'fan']);
  });

  it('drive no pin that does not rest and watch none that does, on three hundred random plans', () => {
    const count = { drive: 0, watch: 0 };
    for (let seed = 1; seed <= 300; seed++) {
      const circuit = deriveCircuit(randomPlan(seed * 5 + 1, 1 + (seed % 8)));
      const job = jobOf(circuit);
      for (const question of questionsOf(circuit, job).values()) {
        count[question.is] += 1;
        if (question.is === 'drive') expect(job.pins[question.pin]?.rests).to.not.equal(null);
        else for (const { pin } of question.pins) expect(job.pins[pin]?.rests).to.equal(null);
      }
    }
    expect(count.drive).to.be.above(50);
    expect(count.watch).to.be.above(50);
  });

  for (const make of [compiled, written])
    it(`are answered by the program in ${make === compiled ? 'C' : 'Python'}: moved lines change, others do not, outputs go back to rest`, async () => {
      const plan = benchOf('cupboard-verified');
      const program = make(plan.circuit, PLAN);
      try {
        const build = new VirtualBuild(plan);
        for (const [row, question] of questions('cupboard-verified')) {
          const still = await asked(program, build, text(question, 7));
          if (question.is === 'drive') {
            expect(heard(question, 7, still.printed), row).to.deep.equal([]);
            const rests = program.job.pins[question.pin]?.rests === 'high' ? 1 : 0;
            expect(still.outputs.map((set) => Number(set.split(' ')[1]))).to.deep.equal([1 - rests, rests]);
            continue;
          }
          expect(heard(question, 7, still.printed), row).to.deep.equal(question.pins.map(() => 0));
          const moved = await asked(program, build, text(question, 8), partOf(row));
          expect(
            heard(question, 8, moved.printed)?.every((changes) => changes > 2),
            row,
          ).to.equal(true);
          // Under another number, and to another question, it is no answer.
          expect(heard(question, 9, moved.printed), row).to.equal(null);
        }
      } finally {
        program.remove();
      }
    });

  it('are answered as the build does with each fault of the lines that are watched', async () => {
    const plan = benchOf('stairwell');
    const program = compiled(plan.circuit, PLAN);
    let [silent, alive] = [0, 0];
    try {
      for (const [row, question] of questions('stairwell')) {
        if (question.is !== 'watch') continue;
        const part = partOf(row);
        const faults = faultsOf(plan).filter(({ key }) => key.includes(part));
        for (const fault of faults.filter((_, i) => i % 3 === 0)) {
          const build = new VirtualBuild(plan, [fault]);
          const talk = new FirmwareModel(build);
          if (!talk.runs()) continue;
          const port = row.slice(`works:${part}.`.length);
          const { printed } = await asked(program, build, text(question, 1), part);
          const changes = heard(question, 1, printed);
          const works = changes?.every((n) => n > 0);
          expect(works, `${row} with ${fault.key}: ${String(changes)}`).to.equal(talk.works(part, port));
          if (works) alive += 1;
          else silent += 1;
        }
      }
    } finally {
      program.remove();
    }
    expect(silent).to.be.above(3);
    expect(alive).to.be.above(0);
  });

  it('that came through broken, of another plan, or of pins that are not there, are answered by nothing', async () => {
    const { circuit } = benchOf('cupboard-verified');
    const [first] = questions('cupboard-verified').values();
    if (!first) throw new Error('nothing to ask');
    const good = text(first, 3);
    const bad = [
      good.replace(/ \d+ /, ' 1 '),
      `${writeLine('fedcba9876543210', askedBy(first, 3))}\n`,
      `${writeLine(PLAN, { seq: 3, word: 'watch', fields: ['5', '99', '1'] })}\n`,
      `${writeLine(PLAN, { seq: 3, word: 'drive', fields: ['99'] })}\n`,
      good.slice(0, -3) + '\n',
    ];
    for (const make of [compiled, written]) {
      const program = make(circuit, PLAN);
      try {
        const { printed, outputs } = await asked(program, new VirtualBuild(benchOf('cupboard-verified')), bad.join(''));
        expect(printed).to.equal('');
        expect(outputs).to.deep.equal([]);
      } finally {
        program.remove();
      }
    }
  });

  it('leave a run that is being heard whole', () => {
    const hearing = new Hearing(PLAN);
    hearing.take(`${writeLine(PLAN, { seq: 0, word: 'begin', fields: ['1', '2'] })}\n`);
    hearing.take(`${writeLine(PLAN, { seq: 0, word: 'watched', fields: ['4'] })}\n`);
    expect(hearing.heard.lines).to.equal(1);
    expect(hearing.answered().map(({ word }) => word)).to.deep.equal(['watched']);
    expect(hearing.answered()).to.deep.equal([]);
  });
});
