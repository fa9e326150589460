/**
 * A measured current over time beside the one that the plan gives: where the round begins in it, and which single part that does not
 * keep to its rhythm explains the difference best. Every way of not keeping to it goes through the same regulators as the plan's own.
 */
import type { Circuit, PartNode, Rhythm } from '../circuit/model.ts';
import { statesOf } from '../circuit/rhythm.ts';
import type { RestState } from '../plan/plan.ts';
import { mean, type Steps, valueAt } from '../quantity/steps.ts';
import { partsBelow, roundOn } from './timeline.ts';

export interface Sample {
  /** s, rising. */
  readonly time: number;
  /** A */
  readonly amps: number;
}

/** How a part does not keep to its rhythm. */
type Slip =
  /** It rests in a state that takes more than the one that is planned. */
  | { readonly is: 'rests'; readonly in: RestState }
  /** It is at work all the time. */
  | { readonly is: 'always' }
  /** It never begins to work. */
  | { readonly is: 'never' }
  /** It takes no current at all. */
  | { readonly is: 'gone' };

interface Explanation {
  readonly part: string;
  readonly slip: Slip;
  /** A on the average, as it would be with it. */
  readonly average: number;
  /** How much is left unexplained beside what is without it: 0 all is explained, 1 nothing. */
  readonly left: number;
}

export interface LogReport {
  readonly measured: { readonly average: number; readonly least: number; readonly most: number };
  /** s that the round of the plan has to be moved by. */
  readonly shift: number;
  /** True where it is as planned, as near as parts keep to their usual figures. */
  readonly agrees: boolean;
  /** Of a log that agrees: parts that might be gone, or rest otherwise, without being seen in it. */
  readonly unseen: readonly string[];
  /** The best first; several that nobody can tell apart by this. Empty where it agrees, or where no single slip explains it. */
  readonly explained: readonly Explanation[];
}

/** Below this two currents are one for a meter, A. */
const FLOOR = 1e-6;
/** Parts differ from their usual figures by a factor of 1.35 (common practice). */
const SPREAD = Math.log(1.35);
/** A slip is named where it leaves at most this share, and others with it that leave hardly more. */
const EXPLAINS = 0.4;
const ALIKE = 1.15;
const SHIFTS = 72;
const JUMPS = 8;
const SAMPLES = 300;

const distance = (a: number, b: number): number => Math.log((Math.max(0, a) + FLOOR) / (Math.max(0, b) + FLOOR)) ** 2;

/** As many samples as are compared, evenly. */
function thinned(log: readonly Sample[]): readonly Sample[] {
  const every = Math.max(1, Math.floor(log.length / SAMPLES));
  return log.filter((_, i) => i % every === 0);
}

function offBy(log: readonly Sample[], steps: Steps, shift: number): number {
  const sum = log.reduce((total, { time, amps }) => total + distance(amps, valueAt(steps, time + shift)), 0);
  return sum / log.length;
}

/** Places where values change most, the largest change first. */
function jumps(list: readonly { readonly time: number; readonly amps: number }[]): number[] {
  return list
    .slice(1)
    .map(({ time, amps }, i) => ({ time, by: distance(amps, list[i]?.amps ?? amps) }))
    .filter(({ by }) => by > 0)
    .sort((a, b) => b.by - a.by)
    .slice(0, JUMPS)
    .map(({ time }) => time);
}

/** The shift at which a round lies nearest, and how far off it then is. */
function aligned(log: readonly Sample[], steps: Steps): { shift: number; off: number } {
  if (steps.period === 0) return { shift: 0, off: offBy(log, steps, 0) };
  const tried = (shifts: readonly number[]) =>
    shifts.reduce(
      (best, shift) => {
        const off = offBy(log, steps, shift);
        return off < best.off ? { shift, off } : best;
      },
      { shift: 0, off: Infinity },
    );
  const step = steps.period / SHIFTS;
  // Short work falls between the places of an even grid: where the log jumps, one of the steps begins.
  const begins = jumps(steps.at.map((time, i) => ({ time, amps: steps.value[i] ?? 0 })));
  const rises = jumps(log);
  const coarse = tried([
    ...Array.from({ length: SHIFTS }, (_, i) => i * step),
    ...[...begins, 0].flatMap((at) => rises.map((time) => at - time)),
  ]);
  const between = ((log.at(-1)?.time ?? 0) - (log[0]?.time ?? 0)) / log.length;
  const fine = tried(Array.from({ length: 21 }, (_, i) => coarse.shift + ((i - 10) / 10) * between));
  return fine.off < coarse.off ? fine : coarse;
}

/** Every way in which a part may not keep to its rhythm; no rhythm where it takes nothing. */
function slipsOf(node: PartNode, rhythm: Rhythm): { slip: Slip; rhythm: Rhythm | null }[] {
  const states = statesOf(node);
  const steady = { ...rhythm, every: null, phases: [], longest: [] };
  const rests = (['idle', 'sleep'] as const).filter((rest) => rest !== rhythm.rest && states.some((s) => s[rest]));
  return [
    ...rests.map((rest) => ({ slip: { is: 'rests' as const, in: rest }, rhythm: { ...rhythm, rest } })),
    ...(rhythm.every !== null || rhythm.duty < 1
      ? [{ slip: { is: 'always' as const }, rhythm: { ...steady, duty: 1 } }]
      : []),
    ...(rhythm.every !== null || rhythm.duty > 0
      ? [{ slip: { is: 'never' as const }, rhythm: { ...steady, duty: 0 } }]
      : []),
    { slip: { is: 'gone' as const }, rhythm: null },
  ];
}

/** What would flow with each slip of each part. */
const slipped = (circuit: Circuit, ref: string): { part: string; slip: Slip; steps: Steps }[] =>
  partsBelow(circuit, ref).flatMap((part) => {
    const [node, rhythm] = [circuit.parts.get(part), circuit.rhythms.get(part)];
    if (!node || !rhythm) return [];
    return slipsOf(node, rhythm).map((one) => ({
      part,
      slip: one.slip,
      steps: roundOn(circuit, ref, part, one.rhythm),
    }));
  });

/**
 * Parts whose slip could look like the plan. Two logs that are each within the spread of one round are within twice of it of each other, so
 * a slip that is further off than that would have been seen.
 */
function unseenIn(log: readonly Sample[], round: Steps, shift: number, all: ReturnType<typeof slipped>): string[] {
  const hidden = all.filter(({ steps }) => {
    const as = log.map(({ time }) => ({ time, amps: valueAt(steps, time + shift) }));
    return Math.sqrt(aligned(as, round).off) <= 2 * SPREAD;
  });
  return [...new Set(hidden.map(({ part }) => part))];
}

/**
 * @param ref the rail that the meter is in
 * @returns null where the log is empty
 */
export function explainLog(circuit: Circuit, ref: string, log: readonly Sample[]): LogReport | null {
  if (log.length === 0) return null;
  const some = thinned(log);
  const round = roundOn(circuit, ref);
  const { shift, off } = aligned(some, round);
  const all = slipped(circuit, ref);
  const amps = log.map((sample) => sample.amps);
  const agrees = Math.sqrt(off) <= SPREAD;
  const tried = agrees
    ? []
    : all
        .map(({ part, slip, steps }) => ({ part, slip, average: mean(steps), left: aligned(some, steps).off / off }))
        .sort((a, b) => a.left - b.left);
  const least = tried[0]?.left ?? Infinity;
  return {
    measured: {
      average: amps.reduce((sum, a) => sum + a, 0) / amps.length,
      least: amps.reduce((a, b) => Math.min(a, b), Infinity),
      most: amps.reduce((a, b) => Math.max(a, b), -Infinity),
    },
    shift,
    agrees,
    unseen: agrees ? unseenIn(some, round, shift, all) : [],
    explained:
      least <= EXPLAINS ? tried.filter(({ left }) => left <= Math.max(least * ALIKE, least + 0.01)).slice(0, 4) : [],
  };
}
