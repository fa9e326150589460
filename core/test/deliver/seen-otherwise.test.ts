/** What a program has seen of rows that nobody measured: on builds in order, and with every single fault put in. */
import { expect } from 'chai';
import { type Dictionary, SOUND } from '../../src/bench/dictionary.ts';
import type { Reading } from '../../src/bench/measurement.ts';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { isInside } from '../../src/deliver/expected.ts';
import { seenOtherwise } from '../../src/deliver/seen-otherwise.ts';
import type { SheetRow } from '../../src/deliver/sheet-row.ts';
import { say } from '../../src/say/say.ts';
import { answeredBy } from '../../src/selftest/answered.ts';
import { jobOf } from '../../src/selftest/job.ts';
import { dictionaryFor } from '../support/bench-case.ts';
import { PLANS } from '../support/demo.ts';
import { withPins } from '../support/self-tested.ts';

/** Readings of every row of the sheet, on the build in order and on each with one fault. */
function builds(dictionary: Dictionary) {
  const full = withPins(dictionary);
  const { circuit } = full.plan;
  const { rows } = bringUpSheet(full.plan);
  const byProgram = answeredBy(circuit, jobOf(circuit));
  const own = new Set(full.measurements.flatMap((m) => (byProgram(m) ? [m.key] : [])));
  const runs = full.entries.map(({ key, readings }) => ({
    key,
    read: new Map(full.measurements.map((m, i): [string, Reading] => [m.key, readings[i] ?? 0])),
  }));
  const isRight = (row: SheetRow, read: ReadonlyMap<string, Reading>): boolean => {
    const value = read.get(row.key);
    return value !== undefined && isInside(row.expected, value);
  };
  /** What a person does without a meter under power: the checks before it, what can be seen or moved, and the program. */
  const told = rows.filter(
    ({ key, phase, kind, standard }) => own.has(key) || (phase === 'off' && standard) || kind === 'works',
  );
  /** What is seen otherwise on a build on which all of that is as expected; null where something is not. */
  const seenOf = (read: ReadonlyMap<string, Reading>) =>
    told.every((row) => isRight(row, read)) ? seenOtherwise(circuit, rows, new Set(told.map(({ key }) => key))) : null;
  return { circuit, rows, runs, told, isRight, seenOf };
}

describe('rows that are seen otherwise', function () {
  this.timeout(240_000);

  for (const name of PLANS)
    it(`leave of ${name} in order no voltage to a meter`, () => {
      const { rows, runs, told, seenOf } = builds(dictionaryFor(name));
      const seen = seenOf(runs.find(({ key }) => key === SOUND)?.read ?? new Map());
      const left = rows.filter(
        ({ key, standard }) => standard && !told.some((row) => row.key === key) && !seen?.has(key),
      );
      // The current at first power is read from the supply that limits it, edges from an oscilloscope where there is one.
      // What comes through a converter of its own no program reads yet.
      const typed = left.filter(({ kind }) => kind !== 'amps' && kind !== 'edge').map(({ title }) => say(title));
      expect(typed).to.deep.equal(name === 'stairwell' ? ['light sensor on the carrier, at the converter'] : []);
      for (const { key } of told) expect(seen?.has(key)).to.equal(false);
    });

  it('would all be as expected by meter, whatever single fault gets past the checks before power and the program', () => {
    const count = { faults: 0, past: 0, rows: 0 };
    for (const name of PLANS) {
      const { runs, rows, isRight, seenOf } = builds(dictionaryFor(name));
      for (const { key, read } of runs) {
        if (key !== SOUND) count.faults += 1;
        const seen = seenOf(read);
        if (!seen || key === SOUND) continue;
        count.past += 1;
        for (const row of rows.filter((one) => seen.has(one.key))) {
          count.rows += 1;
          expect(isRight(row, read), `${name} with ${key}: ${say(row.title)}`).to.equal(true);
        }
      }
    }
    expect(count.faults).to.be.greaterThan(800);
    expect(count.past).to.be.greaterThan(10);
    expect(count.rows).to.be.greaterThan(500);
  });

  it('are none while a check before power is left or outside', () => {
    const { circuit, rows, told } = builds(dictionaryFor('stairwell'));
    const keys = told.map(({ key }) => key);
    const [before] = told.filter(({ phase }) => phase === 'off');
    expect(seenOtherwise(circuit, rows, new Set(keys)).size).to.be.greaterThan(0);
    expect(seenOtherwise(circuit, rows, new Set(keys.filter((key) => key !== before?.key))).size).to.equal(0);
  });
});
