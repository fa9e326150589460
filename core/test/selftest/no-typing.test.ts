/** A build in order is brought up without a value that anybody types: the program reads, the meter writes, what moves is looked at. */
import { expect } from 'chai';
import { HiddenBuild } from '../../src/bench/hidden.ts';
import type { Measurement } from '../../src/bench/measurement.ts';
import { Target } from '../../src/bench/target.ts';
import { VirtualBuild } from '../../src/bench/virtual-build.ts';
import { readMeterLine } from '../../src/capture/meter-line.ts';
import { readReadingsLog } from '../../src/capture/readings-log.ts';
import { type MeterKind, Steady } from '../../src/capture/steady.ts';
import { programText } from '../../src/bench/program.ts';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { isInside } from '../../src/deliver/expected.ts';
import { printedRows } from '../../src/deliver/printed-rows.ts';
import { seenOtherwise } from '../../src/deliver/seen-otherwise.ts';
import type { SheetRow } from '../../src/deliver/sheet-row.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { say } from '../../src/say/say.ts';
import { evidenceOf } from '../../src/selftest/evidence.ts';
import { Hearing } from '../../src/selftest/hearing.ts';
import { jobOf } from '../../src/selftest/job.ts';
import { printRun } from '../../src/selftest/print-run.ts';
import { benchOf } from '../support/bench-case.ts';
import { PLANS } from '../support/demo.ts';
import { handAtWork, type Sample, type Spot } from '../support/meter-hand.ts';

const PLAN = '0123456789abcdef';
const isMeterKind = (kind: string): kind is MeterKind => kind === 'volts' || kind === 'ohms' || kind === 'amps';
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

describe('a build in order', function () {
  this.timeout(120_000);

  for (const name of PLANS)
    it(`is brought up with no typed value: ${name}`, () => {
      const plan = benchOf(name);
      const { circuit } = plan;
      const measurements = new Map<string, Measurement>();
      const sheet = bringUpSheet(plan, (m) => measurements.set(m.key, m));
      const hidden = new HiddenBuild(plan, [], 7);
      const told = new Map<string, number | string>();
      const standard = sheet.rows.filter((row) => row.standard);

      // Before power, and the rails: the meter.
      const roll = randomFrom(11);
      const byMeter = (rows: readonly SheetRow[]) => {
        const spots = rows.flatMap(({ key, kind }): Spot[] => {
          const m = measurements.get(key);
          return m && isMeterKind(kind) ? [{ kind, truth: Number(hidden.read(m)) }] : [];
        });
        const { values, alone } = metered(rows, spots, roll);
        for (const [key, value] of values) told.set(key, value);
        return { all: rows.length, alone: alone.size };
      };
      const first = byMeter(
        standard.filter(({ kind, phase }) => isMeterKind(kind) && (phase === 'off' || phase === 'power')),
      );

      // The program.
      const hearing = new Hearing(PLAN);
      const run = hearing.take(printRun(jobOf(circuit), PLAN, new Target(new VirtualBuild(plan))));
      for (const { measurement, value } of run ? evidenceOf(circuit, jobOf(circuit), run).observations : [])
        told.set(measurement, value);

      // What it prints of converters that it does not know how to ask, written by the maker.
      const printed = readReadingsLog(
        programText(hidden, [...measurements.values()], (id) => say(circuit.parts.get(id)?.label ?? id)),
      );
      for (const { row, value } of printedRows(standard, printed, (id) => say(circuit.parts.get(id)?.label ?? id)))
        told.set(row.key, value);

      const inside = [...sheet.rows].filter(({ key, expected }) => {
        const value = told.get(key);
        return value !== undefined && isInside(expected, value);
      });
      const seen = seenOtherwise(circuit, sheet, new Set(inside.map(({ key }) => key)));
      // What is left at rest, by the meter again.
      const rest = byMeter(standard.filter(({ key, kind }) => isMeterKind(kind) && !told.has(key) && !seen.has(key)));

      const outside = standard.filter(({ key, expected }) => {
        const value = told.get(key);
        return value !== undefined && !isInside(expected, value);
      });
      expect(outside.map(({ title }) => say(title))).to.deep.equal([]);
      const left = standard.filter(({ key }) => !told.has(key) && !seen.has(key));
      // Yes or no is pressed, and an edge comes out of the file of an oscilloscope.
      expect(
        left.filter(({ expected, kind }) => expected !== 'yes' && kind !== 'edge').map(({ title }) => say(title)),
      ).to.deep.equal([]);
      const [all, alone] = [first.all + rest.all, first.alone + rest.alone];
      // The others are open ends and lines at 0 V, which show no contact, and what a meter charges for long.
      expect(alone / all, `${alone} of ${all} by themselves`).to.be.greaterThan(0.8);
    });
});
