import { say } from '@idle-breadboard/core/words';
/** Geometry of the bus time: one round of readings, part by part, and what it is of the interval. */
import type { BusShare } from '@idle-breadboard/core/verify';
import { scaleLinear } from 'd3';

interface TimeBlock {
  readonly label: string;
  readonly x: number;
  readonly width: number;
  /** px of it that is transfer; the rest is conversion. */
  readonly transfer: number;
  readonly seconds: number;
}

export interface TimeChart {
  readonly width: number;
  readonly blocks: readonly TimeBlock[];
  readonly total: number;
  /** px of the whole round on a bar that is the interval. */
  readonly share: number;
  readonly over: boolean;
}

export function timeChart(shares: readonly BusShare[], interval: number, width: number): TimeChart {
  const total = shares.reduce((sum, s) => sum + s.transfer + s.conversion, 0);
  const x = scaleLinear([0, total || 1], [0, width]);
  let at = 0;
  const blocks = shares.map(({ label, transfer, conversion }) => {
    const seconds = transfer + conversion;
    const block = { label: say(label), x: x(at), width: x(seconds), transfer: x(transfer), seconds };
    at += seconds;
    return block;
  });
  return { width, blocks, total, share: Math.min(1, total / interval) * width, over: total > interval };
}
