/** Geometry of the analog transfer curve: volts at the pin over the reading, the wanted range, the end of the converter. */
import type { TransferPoint } from '@idle-breadboard/core/verify';
import { curveMonotoneX, extent, line, scaleLinear, scaleLog } from 'd3';

export interface TransferChart {
  readonly width: number;
  readonly height: number;
  readonly path: string;
  readonly wanted: { from: number; to: number };
  readonly full: { y: number; volts: number };
  readonly ticks: readonly { x: number; text: string }[];
  readonly volts: readonly { y: number; text: string }[];
  readonly over: boolean;
}

const HEIGHT = 120;
const BOTTOM = 100;

export function transferChart(
  points: readonly TransferPoint[],
  wanted: { from: number; to: number },
  fullScale: number,
  width: number,
  decades: boolean,
): TransferChart | null {
  const [from, to] = extent(points, (p) => p.at);
  if (from === undefined || to === undefined) return null;
  const highest = Math.max(...points.map((p) => p.volts));
  const range: [number, number] = [36, Math.max(90, width - 8)];
  const x = decades ? scaleLog([Math.max(from, 0.01), to], range) : scaleLinear([from, to], range);
  const y = scaleLinear([0, Math.max(fullScale, highest) * 1.1], [BOTTOM, 6]);
  const draw = line<TransferPoint>(
    (p) => x(p.at),
    (p) => y(p.volts),
  ).curve(curveMonotoneX);
  const count = Math.max(2, Math.floor(width / 70));
  const places = decades ? x.ticks(count).filter((t) => Math.log10(t) % 1 === 0) : x.ticks(count);
  return {
    width,
    height: HEIGHT,
    path: draw(points) ?? '',
    wanted: { from: x(Math.max(wanted.from, from)), to: x(Math.min(wanted.to, to)) },
    full: { y: y(fullScale), volts: fullScale },
    ticks: places.map((t) => ({ x: x(t), text: String(t) })),
    volts: y.ticks(4).map((t) => ({ y: y(t), text: String(t) })),
    over: highest > fullScale,
  };
}
