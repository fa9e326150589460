/** A hidden fault found with a self-test first: the program, then what can be seen by eye, then the meter. */
import { type Dictionary, SOUND, withMeasurements } from '../../src/bench/dictionary.ts';
import { Finder, type Finding } from '../../src/bench/finder.ts';
import type { HiddenBuild } from '../../src/bench/hidden.ts';
import { SURE } from '../../src/bench/hunt.ts';
import { deviation } from '../../src/bench/instrument.ts';
import { type Measurement, pinMeasurements } from '../../src/bench/measurement.ts';
import { answeredBy, isLook } from '../../src/selftest/answered.ts';
import { jobOf } from '../../src/selftest/job.ts';

const HEARD: Measurement = { kind: 'heard', key: 'heard', subjects: [], cost: 1 };
/** Readings closer than this are as planned. */
const SAME = 2.5;

/** The dictionary with what only a program sees. */
export function withPins(dictionary: Dictionary): Dictionary {
  const steps = withMeasurements(dictionary, pinMeasurements(dictionary.plan.circuit));
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

export interface Found {
  /** Where it first showed: to the program, to the eye, or nowhere, so that nobody looks for it. */
  readonly shows: 'program' | 'eye' | 'nowhere';
  /** Readings that a person was asked for once something had shown. */
  readonly questions: number;
  readonly finding: Finding | null;
}

export function selfTested(dictionary: Dictionary, hidden: HiddenBuild): Found {
  const { circuit } = dictionary.plan;
  const isOwn = answeredBy(circuit, jobOf(circuit));
  const sound = dictionary.entries.find(({ key }) => key === SOUND);
  const { measurements } = dictionary;
  const deviates = (is: (m: Measurement) => boolean) =>
    measurements.some((m, i) => is(m) && deviation(m.kind, hidden.read(m), sound?.readings[i] ?? 0) > SAME);
  const finder = new Finder(dictionary);
  const program = measurements.filter(isOwn);
  const eye = measurements.filter((m) => isLook(m) && !isOwn(m));
  // A program that does not run says nothing, and that is all that is known then.
  const silent = hidden.read(HEARD) === 'no';
  for (const m of silent ? [HEARD] : program)
    finder.observe({ measurement: m.key, value: hidden.read(m), byProgram: true });
  const shows = silent || deviates(isOwn) ? 'program' : deviates((m) => eye.includes(m)) ? 'eye' : 'nowhere';
  if (shows === 'nowhere') return { shows, questions: 0, finding: null };
  if (shows === 'eye') for (const m of eye) finder.observe({ measurement: m.key, value: hidden.read(m) });
  let questions = 0;
  let finding = finder.find();
  for (; (finding.suspects[0]?.chance ?? 0) < SURE && finding.next[0]; finding = finder.find()) {
    const { measurement } = finding.next[0];
    questions += 1;
    finder.observe({ measurement: measurement.key, value: hidden.read(measurement) });
  }
  return { shows, questions, finding };
}
