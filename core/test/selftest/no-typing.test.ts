/** A build in order is brought up without a value that anybody types: the program reads, the meter writes, what moves is looked at. */
import { expect } from 'chai';
import { HiddenBuild } from '../../src/bench/hidden.ts';
import { type Measurement, measure } from '../../src/bench/measurement.ts';
import { Target } from '../../src/bench/target.ts';
import { type Planned, VirtualBuild } from '../../src/bench/virtual-build.ts';
import { readMeterLine } from '../../src/capture/meter-line.ts';
import { readReadingsLog } from '../../src/capture/readings-log.ts';
import { isMeterKind, Steady } from '../../src/capture/steady.ts';
import { programText } from '../../src/bench/program.ts';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { isInside } from '../../src/deliver/expected.ts';
import { printedRows } from '../../src/deliver/printed-rows.ts';
import { seenOtherwise } from '../../src/deliver/seen-otherwise.ts';
import type { SheetRow } from '../../src/deliver/sheet-row.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { randomPlan } from '../support/random-plan.ts';
import { verify } from '../../src/check/verify.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { say } from '../../src/say/say.ts';
import { evidenceOf } from '../../src/selftest/evidence.ts';
import { Hearing } from '../../src/selftest/hearing.ts';
import { jobOf } from '../../src/selftest/job.ts';
import { printRun } from '../../src/selftest/print-run.ts';
import { benchOf, laidOut } from '../support/bench-case.ts';
import { library, PLANS } from '../support/demo.ts';
import { handAtWork, type Sample, type Spot } from '../support/meter-hand.ts';

const PLAN = '0123456789abcdef';
const SEEDS = 16;
/** As such meters write it. */
const lineOf = ({ value, unit }: Sample): string =>
  Number.isFinite(value) ? `${value.toPrecision(6)} ${unit === 'Ω' ? 'Ohm' : `${String(unit)} DC`}` : 'OL Ohm';

/** Rows of a meter, one after the other. @returns the value of each, and which were taken by themselves */
function metered(rows: readonly SheetRow[], spots: readonly Spot[], roll: () => number) {
  const values = new Map<string, number>();
  const alone = new Set<string>();
  const steady = new Steady(spots[0]?.kind ?? 'volts');
  for (const sample of handAtWork(spots, roll, (spot) => values.has(rows[spot]?.key ?? ''))) {
    const row = rows[values.size];
    const reading = readMeterLine(lineOf(sample));
    if (!row || !reading) continue;
    const value = steady.take(reading, sample.at);
    if (value === null && !sample.pressed) continue;
    values.set(row.key, value ?? reading.value);
    if (value !== null) alone.add(row.key);
    steady.next(spots[values.size]?.kind ?? 'volts');
  }
  return { values, alone };
}

/** Brings a build in order up. @returns rows that would have to be typed, rows outside, and how the meter did */
function broughtUp(plan: Planned) {
  const { circuit } = plan;
  const measurements = new Map<string, Measurement>();
  const sheet = bringUpSheet(plan, (m) => measurements.set(m.key, m));
  const hidden = new HiddenBuild(plan, [], 7);
  const told = new Map<string, number | string>();
  const standard = sheet.rows.filter((row) => row.standard);
  const roll = randomFrom(11);
  const byMeter = (rows: readonly SheetRow[]) => {
    const spots = rows.flatMap(({ key, kind }): Spot[] => {
      const m = measurements.get(key);
      return m && isMeterKind(kind) ? [{ kind, truth: Number(measure(hidden.build, m)) }] : [];
    });
    const { values, alone } = metered(rows, spots, roll);
    for (const [key, value] of values) told.set(key, value);
    return { all: rows.length, alone: alone.size };
  };
  const nameOf = (part: string) => say(circuit.parts.get(part)?.label ?? part);

  // Before power, and the rails.
  const first = byMeter(
    standard.filter(({ kind, phase }) => isMeterKind(kind) && (phase === 'off' || phase === 'power')),
  );
  const job = jobOf(circuit);
  const run = new Hearing(PLAN).take(printRun(job, PLAN, new Target(new VirtualBuild(plan))));
  for (const { measurement, value } of run ? evidenceOf(circuit, job, run).observations : [])
    told.set(measurement, value);
  // What the maker's own program prints of converters that the self-test does not know how to ask.
  const printed = readReadingsLog(programText(hidden, [...measurements.values()], nameOf));
  for (const { row, value } of printedRows(standard, printed, nameOf)) told.set(row.key, value);

  const isInSight = ({ key, expected }: SheetRow, inside: boolean) => {
    const value = told.get(key);
    return value !== undefined && isInside(expected, value) === inside;
  };
  const inside = sheet.rows.filter((row) => isInSight(row, true));
  const seen = seenOtherwise(circuit, sheet, new Set(inside.map(({ key }) => key)));
  const rest = byMeter(standard.filter(({ key, kind }) => isMeterKind(kind) && !told.has(key) && !seen.has(key)));
  const titles = (rows: readonly SheetRow[]) => rows.map(({ title }) => say(title));
  return {
    outside: titles(standard.filter((row) => isInSight(row, false))),
    // Yes or no is pressed, and an edge comes out of the file of an oscilloscope.
    typed: titles(
      standard.filter(
        ({ key, expected, kind }) => expected !== 'yes' && kind !== 'edge' && !told.has(key) && !seen.has(key),
      ),
    ),
    all: first.all + rest.all,
    alone: first.alone + rest.alone,
  };
}

describe('a build in order', function () {
  this.timeout(300_000);

  for (const name of PLANS)
    it(`is brought up with no typed value: ${name}`, () => {
      const { outside, typed, all, alone } = broughtUp(benchOf(name));
      expect(outside).to.deep.equal([]);
      expect(typed).to.deep.equal([]);
      // The others are high resistances, open ends and lines at 0 V, which prove no contact, and what a meter charges for long.
      expect(alone / all, `${alone} of ${all} by themselves`).to.be.greaterThan(0.6);
    });

  it('is brought up with no typed value where it is drawn at random', () => {
    let built = 0;
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { plan } = complete(deriveCircuit(randomPlan(seed, 2 + (seed % 5))), library);
      const planned = plan && laidOut(plan);
      // What is open need not work.
      if (!planned || verify(planned.circuit).status !== 'verified') continue;
      built += 1;
      const { outside, typed } = broughtUp(planned);
      expect(typed, `seed ${seed}`).to.deep.equal([]);
      expect(outside, `seed ${seed}`).to.deep.equal([]);
    }
    expect(built).to.be.greaterThan(SEEDS / 3);
  });
});
