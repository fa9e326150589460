/** A measured current beside the plan's: what is put into a made-up log is named again, and a log as planned is left alone. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { documentOf } from '../../src/plan/document.ts';
import { setRun } from '../../src/plan/edits.ts';
import { explainLog, type Sample } from '../../src/physics/current-log.ts';
import { partsBelow, roundOn } from '../../src/physics/timeline.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { type Steps, valueAt } from '../../src/quantity/steps.ts';
import { demo, library, PLANS } from '../support/demo.ts';

/** What a meter writes: a sample every so often from an unknown beginning, each a few per cent off, with its own resolution. */
function logOf(steps: Steps, random: () => number, gain = 1): Sample[] {
  const length = Math.max(20, Math.min(600, steps.period * (1.2 + random())));
  const begins = random() * Math.max(1, steps.period);
  const every = length / 900;
  return Array.from({ length: 900 }, (_, i) => ({
    time: i * every,
    amps: valueAt(steps, begins + i * every) * gain * (1 + (random() - 0.5) * 0.06) + (random() - 0.5) * 4e-7,
  }));
}

const sources = (circuit: Circuit): string[] =>
  [...circuit.rails.values()]
    .filter((rail) => rail.part === rail.source && rail.loads.length > 0)
    .map(({ ref }) => ref);

describe('a measured current', function () {
  this.timeout(120_000);

  it('as planned is left alone, with every part up to a quarter off its usual figures: four plans, from any beginning', () => {
    const random = randomFrom(5);
    for (const name of PLANS) {
      const circuit = deriveCircuit(demo(name));
      for (const ref of sources(circuit))
        for (const gain of [0.8, 1, 1.25]) {
          const report = explainLog(circuit, ref, logOf(roundOn(circuit, ref), random, gain));
          expect(report?.agrees, `${name} ${ref} × ${gain}`).to.equal(true);
          expect(report?.explained).to.deep.equal([]);
        }
    }
  });

  it('of a build whose controller does not lie down names it, worked by hand: rain barrel', () => {
    const { plan } = demo('rain-barrel');
    const circuit = deriveCircuit(documentOf(plan, [], library));
    const [ref = ''] = sources(circuit);
    const awake = deriveCircuit(documentOf(setRun(plan, plan.controller ?? '', { rest: 'idle' }), [], library));
    const report = explainLog(circuit, ref, logOf(roundOn(awake, ref), randomFrom(2)));
    expect(report?.agrees).to.equal(false);
    expect(report?.explained.map(({ part }) => part)).to.include(plan.controller);
  });

  it('names what was put into it, or what nobody can tell from it: every slip of every part that shows', () => {
    const random = randomFrom(17);
    const said = { hidden: 0, first: 0, among: 0, none: 0, other: 0 };
    for (const name of PLANS) {
      const circuit = deriveCircuit(demo(name));
      for (const ref of sources(circuit))
        for (const part of partsBelow(circuit, ref)) {
          const rhythm = circuit.rhythms.get(part);
          if (!rhythm) continue;
          const slips = [
            ['always', { ...rhythm, every: null, duty: 1, phases: [], longest: [] }],
            ['never', { ...rhythm, every: null, duty: 0, phases: [], longest: [] }],
            ['gone', null],
          ] as const;
          for (const [is, other] of slips) {
            const steps = roundOn(circuit, ref, part, other);
            const report = explainLog(circuit, ref, logOf(steps, random));
            if (!report || report.agrees) {
              said.hidden += 1;
              // It agrees, and says that this one would not be seen.
              expect(report?.unseen, `${name} ${part} ${is}`).to.include(part);
            } else if (report.explained.length === 0) said.none += 1;
            else if (report.explained[0]?.part === part) said.first += 1;
            else if (report.explained.some((one) => one.part === part && one.slip.is === is)) said.among += 1;
            else said.other += 1;
          }
        }
    }
    console.log('     ', said);
    // What a part takes that is little beside all others hides among their spread.
    expect(said.other).to.equal(0);
    expect(said.first + said.among).to.be.greaterThan(5);
  });
});
