/** A cell's range against the range that is wanted: both as shares of the width. */
import { scaleLinear } from 'd3';

export interface CellBar {
  /** The wanted stretch, 0 to 1. */
  readonly band: readonly [number, number];
  /** What the part covers. */
  readonly bar: readonly [number, number];
}

export function cellBar(
  range: { from: number; to: number },
  wanted: { from: number; to: number },
  all: readonly { from: number; to: number }[],
): CellBar {
  const low = Math.min(wanted.from, ...all.map(({ from }) => from));
  const high = Math.max(wanted.to, ...all.map(({ to }) => to));
  const x = scaleLinear([low, high === low ? low + 1 : high], [0, 1]).clamp(true);
  return { band: [x(wanted.from), x(wanted.to)], bar: [x(range.from), x(range.to)] };
}
