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
  readonly planned: { readonly average: number; readonly round: Steps };
  /** s that the round of the plan has to be moved by. */
  readonly shift: number;
  /** True where it is as planned, as near as parts keep to their usual figures. */
  readonly agrees: boolean;
  /** The best first; several that nobody can tell apart by this. Empty where it agrees, or where no single slip explains it. */
  readonly explained: readonly Explanation[];
}

/** Below this two currents are one for a meter, A. */
const FLOOR = 1e-6;
/** Parts differ from their usual figures by this factor (common practice). */
const USUAL_SPREAD = 1.35;
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

/** Every way in which a part may not keep to its rhythm. */
function slipsOf(node: PartNode, rhythm: Rhythm): { slip: Slip; rhythm: Rhythm | null }[] {
  const states = statesOf(node);
  const rests = (['idle', 'sleep', 'off'] as const).filter(
    (rest) =>
      rest !== rhythm.rest &&
      (rest === 'off' || (rest === 'idle' ? states.some((s) => s.idle) : states.some((s) => s.sleep))),
  );
  const isTimed = rhythm.every !== null;
  return [
    ...rests
      .filter((rest) => rest !== 'off')
      .map((rest) => ({ slip: { is: 'rests' as const, in: rest }, rhythm: { ...rhythm, rest } })),
    ...(isTimed || rhythm.duty < 1
      ? [{ slip: { is: 'always' as const }, rhythm: { ...rhythm, every: null, duty: 1, phases: [], longest: [] } }]
      : []),
    ...(isTimed || rhythm.duty > 0
      ? [{ slip: { is: 'never' as const }, rhythm: { ...rhythm, every: null, duty: 0, phases: [], longest: [] } }]
      : []),
    { slip: { is: 'gone' as const }, rhythm: null },
  ];
}

/**
 * @param ref the rail that the meter is in
 * @returns null where the log is empty
 */
export function explainLog(circuit: Circuit, ref: string, log: readonly Sample[]): LogReport | null {
  if (log.length === 0) return null;
  const some = thinned(log);
  const round = roundOn(circuit, ref, circuit.rhythms, new Set());
  const planned = aligned(some, round);
  const amps = log.map((sample) => sample.amps);
  const average = amps.reduce((sum, a) => sum + a, 0) / amps.length;
  const agrees = planned.off <= Math.log(USUAL_SPREAD) ** 2;
  const tried = agrees
    ? []
    : partsBelow(circuit, ref).flatMap((part): Explanation[] => {
        const [node, rhythm] = [circuit.parts.get(part), circuit.rhythms.get(part)];
        if (!node || !rhythm) return [];
        return slipsOf(node, rhythm).map(({ slip, rhythm: other }) => {
          const rhythms = other ? new Map(circuit.rhythms).set(part, other) : circuit.rhythms;
          const steps = roundOn(circuit, ref, rhythms, other ? new Set() : new Set([part]));
          return { part, slip, average: mean(steps), left: aligned(some, steps).off / planned.off };
        });
      });
  const sorted = tried.toSorted((a, b) => a.left - b.left);
  const least = sorted[0]?.left ?? Infinity;
  return {
    measured: {
      average,
      least: amps.reduce((a, b) => Math.min(a, b), Infinity),
      most: amps.reduce((a, b) => Math.max(a, b), -Infinity),
    },
    planned: { average: mean(round), round },
    shift: planned.shift,
    agrees,
    explained:
      least <= EXPLAINS ? sorted.filter(({ left }) => left <= Math.max(least * ALIKE, least + 0.01)).slice(0, 4) : [],
  };
}
