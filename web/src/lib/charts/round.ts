/** Geometry of one round: who is at work when. What a build sleeps through is pressed together, so that the work can be seen. */
import type { Doing, Lane } from '@idle-breadboard/core/circuit';
import { highest, valueAt, type Steps } from '@idle-breadboard/core/figures';
import { scaleLinear, type ScaleLinear } from 'd3';

export interface RoundAxis {
  /** s to px */
  readonly x: ScaleLinear<number, number>;
  /** px where the rest of the round begins that is pressed together; null where all is drawn to scale. */
  readonly fold: number | null;
  /** s from one beginning to the next */
  readonly every: number;
  readonly ticks: readonly { readonly x: number; readonly seconds: number }[];
}

/** Share of the width for the part that is drawn to scale. */
const WORK = 0.82;
/** Work that takes this share of the round or more needs no pressing. */
const BUSY = 0.45;

/** The round that is drawn: the shortest of the lanes'. Null where nothing follows a clock. */
export function roundAxis(lanes: readonly Lane[], width: number): RoundAxis | null {
  const periods = lanes.flatMap(({ rhythm }) => rhythm.every ?? []);
  if (periods.length === 0) return null;
  const every = Math.min(...periods);
  const end = Math.max(...lanes.flatMap(({ phases }) => phases.map(({ to }) => Math.min(to, every))), every / 1000);
  const inner = Math.max(40, width);
  const pressed = end < BUSY * every;
  const shown = pressed ? end * 1.12 : every;
  const x = pressed ? scaleLinear([0, shown, every], [0, inner * WORK, inner]) : scaleLinear([0, every], [0, inner]);
  const ticks = scaleLinear([0, shown], [0, 1])
    .ticks(4)
    .map((seconds) => ({ x: x(seconds), seconds }));
  return { x, fold: pressed ? inner * WORK : null, every, ticks };
}

export interface Block {
  readonly doing: Doing;
  readonly x: number;
  readonly width: number;
  /** Share of the tallest, 0 to 1. */
  readonly tall: number;
  readonly seconds: number;
  readonly amps: number;
}

/** What a part does in the round: its pieces of work, and the rest between them. */
export function blocks({ phases, rhythm, current }: Lane, axis: RoundAxis, most: number): Block[] {
  const block = (doing: Doing, from: number, to: number): Block => {
    const amps = valueAt(current, (from + to) / 2);
    const [a, b] = [axis.x(Math.min(from, axis.every)), axis.x(Math.min(to, axis.every))];
    return { doing, x: a, width: Math.max(1, b - a), tall: most > 0 ? amps / most : 0, seconds: to - from, amps };
  };
  if (rhythm.every === null) return [block(rhythm.duty > 0 ? 'active' : rhythm.rest, 0, axis.every)];
  const rounds = Math.max(1, Math.round(axis.every / rhythm.every));
  const work = Array.from({ length: rounds }, (_, k) =>
    phases
      .filter(({ to, from }) => to > from && from + k * (rhythm.every ?? 0) < axis.every)
      .map(({ doing, from, to }) => block(doing, from + k * (rhythm.every ?? 0), to + k * (rhythm.every ?? 0))),
  ).flat();
  const last = phases.at(-1)?.to ?? 0;
  return rhythm.rest === 'off' || last >= axis.every ? work : [...work, block(rhythm.rest, last, axis.every)];
}

/** The tallest of the lanes, A. */
export const tallest = (lanes: readonly Lane[]): number =>
  Math.max(1e-9, ...lanes.map(({ current }) => highest(current)));

/** A line of steps over the round, as an SVG path. */
export function stepPath(steps: Steps, axis: RoundAxis, y: (amps: number) => number): string {
  if (steps.period === 0 || steps.at.length === 1) {
    const level = y(steps.value[0] ?? 0).toFixed(1);
    return `M0 ${level}H${axis.x(axis.every).toFixed(1)}`;
  }
  let path = '';
  steps.at.forEach((t, i) => {
    if (t >= axis.every) return;
    const level = y(steps.value[i] ?? 0).toFixed(1);
    path += `${i === 0 ? 'M0 ' : `H${axis.x(t).toFixed(1)}V`}${level}`;
  });
  return `${path}H${axis.x(axis.every).toFixed(1)}`;
}
