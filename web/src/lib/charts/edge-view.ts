/** Geometry of the edge view: voltage over time after a line is let go, its thresholds, and the time it may take. */
import type { Edge } from '@idle-breadboard/core/circuit';
import { curveMonotoneX, line, scaleLinear } from 'd3';

export interface EdgeChart {
  readonly width: number;
  readonly height: number;
  readonly curves: readonly { name: string; path: string; kind: 'usual' | 'slowest' | 'falling' }[];
  readonly levels: readonly { y: number; text: string }[];
  /** From the first threshold the line has so long. */
  readonly allowed: { from: number; to: number; met: boolean } | null;
  readonly timeTicks: readonly { x: number; seconds: number }[];
  readonly supply: { y: number; volts: number };
}

export interface EdgeWish {
  readonly usual: Edge;
  readonly slowest: Edge;
  readonly falling: Edge | null;
  /** The longest time between the thresholds, s. */
  readonly allowed: number;
  readonly width: number;
}

const HEIGHT = 108;
const BOTTOM = 90;

/** The end of what is worth showing: the slowest has passed its threshold, or should have. */
function spanOf({ slowest, usual, allowed }: EdgeWish): number {
  const arrived = slowest.start !== null && slowest.seconds !== null ? slowest.start + slowest.seconds : 0;
  const due = (slowest.start ?? usual.start ?? 0) + allowed;
  return roundUp(Math.max(arrived, due) * 1.05);
}

const STEPS = [1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10];

/** To the next figure that is easy to read, so that the axis stands still while a value is swept. */
function roundUp(seconds: number): number {
  if (!(seconds > 0)) return 1e-6;
  const decade = 10 ** Math.floor(Math.log10(seconds));
  return (STEPS.find((step) => step * decade >= seconds * (1 - 1e-9)) ?? 10) * decade;
}

export function edgeChart(wish: EdgeWish): EdgeChart {
  const { usual, slowest, falling, allowed, width } = wish;
  const end = spanOf(wish);
  const top = Math.max(usual.rest, slowest.rest, slowest.high * 1.1, 0.1) * 1.08;
  const x = scaleLinear([0, end], [34, Math.max(80, width - 8)]);
  const y = scaleLinear([0, top], [BOTTOM, 6]);
  const draw = line<{ time: number; volts: number }>(
    (p) => x(p.time),
    (p) => y(p.volts),
  ).curve(curveMonotoneX);
  const until = (edge: Edge) => {
    const inside = edge.points.filter(({ time }) => time <= end);
    const last = edge.points.at(-1);
    // A curve that was followed only to its threshold ends there.
    return inside.length > 0 ? inside : last ? [last] : [];
  };
  const from = slowest.start;
  return {
    width,
    height: HEIGHT,
    curves: [
      ...(falling ? [{ name: 'falling', path: draw(until(falling)) ?? '', kind: 'falling' as const }] : []),
      { name: 'usual', path: draw(until(usual)) ?? '', kind: 'usual' as const },
      { name: 'slowest', path: draw(until(slowest)) ?? '', kind: 'slowest' as const },
    ],
    levels: [
      { y: y(slowest.low), text: '30 %' },
      { y: y(slowest.high), text: '70 %' },
    ],
    allowed:
      from === null
        ? null
        : { from: x(from), to: x(from + allowed), met: slowest.seconds !== null && slowest.seconds <= allowed },
    timeTicks: x.ticks(Math.max(2, Math.floor(width / 90))).map((seconds) => ({ x: x(seconds), seconds })),
    supply: { y: y(slowest.rest), volts: slowest.rest },
  };
}
