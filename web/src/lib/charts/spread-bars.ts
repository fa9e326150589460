/** Geometry of a spread: how many draws took how long, and where the limit is. */
import { bin, max, scaleLinear } from 'd3';

export interface SpreadBars {
  readonly bars: readonly { x: number; width: number; y: number; height: number; over: boolean }[];
  readonly limit: number;
  readonly ticks: readonly { x: number; seconds: number }[];
}

export function spreadBars(seconds: readonly number[], allowed: number, width: number, height: number): SpreadBars {
  const end = Math.max(allowed * 1.1, seconds.at(-1) ?? 0);
  const x = scaleLinear([0, end], [2, width - 2]);
  const bins = bin().domain([0, end]).thresholds(40)([...seconds]);
  const y = scaleLinear([0, max(bins, (b) => b.length) ?? 1], [height - 14, 2]);
  return {
    bars: bins
      .filter((b) => b.length > 0)
      .map((b) => ({
        x: x(b.x0 ?? 0),
        width: Math.max(1, x(b.x1 ?? 0) - x(b.x0 ?? 0) - 1),
        y: y(b.length),
        height: height - 14 - y(b.length),
        over: (b.x0 ?? 0) >= allowed,
      })),
    limit: x(allowed),
    ticks: x.ticks(5).map((s) => ({ x: x(s), seconds: s })),
  };
}
