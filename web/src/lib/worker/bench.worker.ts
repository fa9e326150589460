/** The simulated bench and the fault finder, in a thread of their own. */
import {
  dictionarySteps,
  faultsOf,
  fewest,
  Finder,
  FirmwareModel,
  HiddenBuild,
  hide,
  jobOf,
  planned,
  printRun,
  probeKey,
  programText,
  readScanLog,
  scanReading,
  scopeEdge,
  SOUND,
  SURE,
  Target,
  touchOf,
  VirtualBuild,
  withMeasurements,
  withPairs,
  type Dictionary,
  type Fault,
  type Measurement,
  type Observation,
  type Planned,
} from '@idle-breadboard/core/bench';
import type { Card } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { bringUpSheet, touchedRow, type SheetRow } from '@idle-breadboard/core/deliver';
import { layoutSteps } from '@idle-breadboard/core/layout';
import { placeNames, readPlace, say } from '@idle-breadboard/core/words';
import { expose } from 'comlink';
import { breath } from './breath';
import type { BenchWorker, Cause, Pointed } from './bench';

let kept: readonly Card[] = [];
let newest = 0;
let plan: Planned | null = null;
let dictionary: Dictionary | null = null;
let making: Promise<Dictionary | null> | null = null;
let asked = 0;
let hidden: { build: HiddenBuild; key: string } | null = null;

const causeOf = (faults: readonly Fault[]): Cause =>
  faults.length === 0
    ? { key: SOUND, says: 'Nothing: the build is as planned.', mend: '' }
    : {
        key: faults.map(({ key }) => key).join(' and '),
        says: faults.map(({ says }) => say(says)).join(' And: '),
        mend: faults.map(({ mend }) => say(mend)).join(' '),
      };

/** Takes steps with breath between them; null once a newer plan came, or nobody wants the end any more. */
async function taken<T>(
  steps: Generator<number, T>,
  progress: (share: number) => void,
  wanted = () => true,
): Promise<T | null> {
  const mine = newest;
  for (let n = 0; ; n++) {
    const step = steps.next();
    if (mine !== newest || !wanted()) return null;
    if (step.done) return step.value;
    if (n % 4 === 0) {
      progress(step.value);
      await breath();
    }
  }
}

/** The dictionary is made once for a plan; whoever asks meanwhile waits for the same one. */
async function made(progress: (share: number) => void): Promise<Dictionary | null> {
  if (dictionary || !plan) return dictionary;
  const of = plan;
  making ??= taken(dictionarySteps(of), progress).then((all) => (dictionary = all ?? dictionary));
  return making;
}

/** With what was measured where the dictionary did not think of it. */
async function madeFor(
  observations: readonly Observation[],
  progress: (share: number) => void,
  wanted: () => boolean,
): Promise<Dictionary | null> {
  const of = await made(progress);
  if (!of) return null;
  const known = new Set(of.measurements.map(({ key }) => key));
  const more = observations.flatMap(({ measurement: key }) => (known.has(key) ? [] : (measurements.get(key) ?? [])));
  if (more.length === 0) return of;
  const all = await taken(withMeasurements(of, more), progress, wanted);
  if (all && dictionary === of) dictionary = all;
  return all;
}

function pointed(of: Dictionary, observations: readonly Observation[]): Pointed {
  const found = new Finder(of, observations).find();
  const sure = (found.suspects[0]?.chance ?? 0) >= SURE;
  return {
    suspects: found.suspects
      .filter(({ chance }) => chance > 0.005)
      .slice(0, 5)
      .map(({ chance, entries }) => ({ chance, causes: entries.map(({ faults }) => causeOf(faults)) })),
    unknown: found.unknown,
    unexplained: found.unexplained,
    next: found.next.map(({ measurement, bits }) => ({ row: measurement.key, bits, seconds: measurement.cost })),
    settled: sure || found.next.length === 0,
  };
}

const measurements = new Map<string, Measurement>();
/** Of the sheet and those that were touched, by key. */
const rows = new Map<string, SheetRow>();
let sound: VirtualBuild | null = null;

/** The row of a key, on the sheet or anywhere else. */
function rowOf(key: string): { row: SheetRow } | { says: string } {
  const known = rows.get(key);
  if (known) return { row: known };
  if (!plan) return { says: 'There is no layout yet.' };
  sound ??= new VirtualBuild(plan);
  const touch = touchOf(sound, key);
  if (!touch.ok) return { says: say(touch.says) };
  const { measurement } = touch;
  if (measurement.kind !== 'ohms' && measurement.kind !== 'volts') return { says: 'Two probes show volts or ohms.' };
  const row = touchedRow(sound, measurement);
  measurements.set(key, measurement);
  rows.set(key, row);
  return { row };
}

/** A scan that was typed or pasted, in the form that the dictionary has. */
function asCompared(observation: Observation): Observation {
  const { measurement, value } = observation;
  if (!plan || measurements.get(measurement)?.kind !== 'scan') return observation;
  const { addresses } = readScanLog(String(value));
  const strange = String(value).includes('?') ? [null] : [];
  return { measurement, value: scanReading(plan.circuit, [...addresses.map((a) => a.value), ...strange]) };
}

const worker: BenchWorker = {
  async prepare(next, cards) {
    kept = cards ?? kept;
    const mine = ++newest;
    [plan, dictionary, making, hidden, sound] = [null, null, null, null, null];
    measurements.clear();
    rows.clear();
    const circuit = deriveCircuit({ plan: next, cards: kept });
    const steps = layoutSteps(circuit);
    for (let step = steps.next(); ; step = steps.next()) {
      if (mine !== newest) return null;
      if (!step.done) {
        await breath();
        continue;
      }
      if (!step.value.ok) return null;
      plan = planned(circuit, step.value.layout);
      const sheet = bringUpSheet(plan, (m) => measurements.set(m.key, m));
      for (const row of sheet.rows) rows.set(row.key, row);
      return sheet;
    }
  },
  async find(observations, progress) {
    const mine = ++asked;
    const of = await madeFor(observations, progress, () => mine === asked);
    if (!of || mine !== asked) return null;
    const seen = observations.map(asCompared);
    const alone = pointed(of, seen);
    if (alone.unexplained.length === 0) return alone;
    // One cause does not explain it: two might.
    const both = pointed(withPairs(of, seen), seen);
    return both.unexplained.length < alone.unexplained.length ? both : alone;
  },
  places: () => (plan ? placeNames(plan.circuit, plan.layout) : []),
  touch(kind, from, to) {
    if (!plan) return { says: 'There is no layout yet.' };
    const { circuit, layout } = plan;
    try {
      return rowOf(probeKey(kind, readPlace(circuit, layout, from), readPlace(circuit, layout, to)));
    } catch (error) {
      return { says: error instanceof Error ? error.message : String(error) };
    }
  },
  touched: (keys) =>
    keys.flatMap((key) => {
      const found = rowOf(key);
      return 'row' in found && found.row.touched ? [found.row] : [];
    }),
  look(net) {
    if (!hidden || !plan) return null;
    sound ??= new VirtualBuild(plan);
    return { seen: scopeEdge(hidden.build.build, net), sound: scopeEdge(sound, net) };
  },
  faults: () => (plan ? faultsOf(plan).map((fault) => causeOf([fault])) : []),
  async put(fault, seed) {
    const of = fault === null ? await made(() => undefined) : null;
    if (!plan) return false;
    const own = fault === null ? (of && hide(of, seed))?.faults : faultsOf(plan).filter(({ key }) => key === fault);
    hidden = { build: new HiddenBuild(plan, own ?? [], seed), key: own?.[0]?.key ?? SOUND };
    return hidden.key !== SOUND;
  },
  read(row) {
    const m = measurements.get(row);
    return hidden && m ? hidden.build.read(m) : null;
  },
  programText() {
    if (!hidden || !plan) return '';
    const { parts } = plan.circuit;
    return programText(hidden.build, [...measurements.values()], (part) => say(parts.get(part)?.label ?? part));
  },
  selfTestText(fingerprint, warm) {
    if (!hidden || !plan) return '';
    const { build } = hidden.build;
    // Without power nothing runs, and nothing is printed.
    return new FirmwareModel(build).runs() ? printRun(jobOf(plan.circuit), fingerprint, new Target(build, warm)) : '';
  },
  reveal() {
    if (!hidden) return null;
    const fault = plan ? faultsOf(plan).find(({ key }) => key === hidden?.key) : undefined;
    return {
      cause: causeOf(fault ? [fault] : []),
      fewest: dictionary ? fewest(dictionary, hidden.key) : 0,
    };
  },
};

expose(worker);
