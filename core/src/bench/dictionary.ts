/** What every measurement of a build shows with each thing that can be wrong with it: simulated once, then looked up. */
import type { Fault } from './fault.ts';
import { faultsOf } from './faults-of.ts';
import { measure, Measurements, type Measurement, type Reading } from './measurement.ts';
import { FirmwareModel } from './firmware-model.ts';
import { VirtualBuild, type Planned } from './virtual-build.ts';

export interface Entry {
  /** None for the build as planned; two where they come together. */
  readonly faults: readonly Fault[];
  readonly key: string;
  readonly prior: number;
  /** In the order of the measurements. */
  readonly readings: readonly Reading[];
}

export interface Dictionary {
  readonly plan: Planned;
  readonly measurements: readonly Measurement[];
  readonly entries: readonly Entry[];
}

/** How likely a build is in order, against one fault of prior 1: whoever asks has seen something. */
const PRIOR_SOUND = 10;

export const SOUND = 'sound';

/** One build simulated for every measurement. */
export function entryOf(
  plan: Planned,
  measurements: readonly Measurement[],
  faults: readonly Fault[],
  sound?: VirtualBuild,
): Entry {
  const build = new VirtualBuild(plan, faults, sound);
  const talk = new FirmwareModel(build);
  return {
    faults,
    key: faults.map(({ key }) => key).join(' and ') || SOUND,
    prior: faults.reduce((product, { prior }) => product * prior, faults.length === 0 ? PRIOR_SOUND : 1),
    readings: measurements.map((m) => measure(build, m, talk)),
  };
}

/**
 * The dictionary of single faults, one entry at a time, so that a worker can tell how far it is.
 * @yields the share that is done, 0 to 1
 */
export function* dictionarySteps(plan: Planned): Generator<number, Dictionary> {
  const measurements = new Measurements(plan).all;
  const faults = faultsOf(plan);
  const sound = new VirtualBuild(plan);
  const entries: Entry[] = [entryOf(plan, measurements, [])];
  for (const [i, fault] of faults.entries()) {
    entries.push(entryOf(plan, measurements, [fault], sound));
    yield (i + 1) / faults.length;
  }
  return { plan, measurements, entries };
}

/**
 * The same builds, asked for more: what was measured where nobody thought of it is evidence, too.
 * @yields the share that is done, 0 to 1
 */
export function* withMeasurements(
  { plan, measurements, entries }: Dictionary,
  more: readonly Measurement[],
): Generator<number, Dictionary> {
  const sound = new VirtualBuild(plan);
  const asked: Entry[] = [];
  for (const [i, entry] of entries.entries()) {
    const { readings } = entryOf(plan, more, entry.faults, sound);
    asked.push({ ...entry, readings: [...entry.readings, ...readings] });
    yield (i + 1) / entries.length;
  }
  return { plan, measurements: [...measurements, ...more], entries: asked };
}

export function dictionaryOf(plan: Planned): Dictionary {
  const steps = dictionarySteps(plan);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
