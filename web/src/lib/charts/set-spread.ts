/** Whole sets as points: cost along the ground, another figure upwards. */
import { max, min, scaleLinear } from 'd3';
import type { FoundSet, SetFigures } from '@idle-breadboard/core/solve';

interface SpreadPoint {
  readonly index: number;
  readonly x: number;
  readonly y: number;
}

export interface Spread {
  readonly points: readonly SpreadPoint[];
  readonly xTicks: readonly { at: number; value: number }[];
  readonly yTicks: readonly { at: number; value: number }[];
}

export const SPREAD = { left: 58, right: 14, top: 12, bottom: 26 } as const;

export function spreadOf(sets: readonly FoundSet[], by: keyof SetFigures, width: number, height: number): Spread {
  const scale = (key: keyof SetFigures, from: number, to: number) => {
    const values = sets.map(({ evaluation }) => evaluation.figures[key]);
    const [low, high] = [min(values) ?? 0, max(values) ?? 1];
    const room = (high - low || Math.abs(high) || 1) * 0.06;
    return scaleLinear([low - room, high + room], [from, to]);
  };
  const x = scale('cost', SPREAD.left, width - SPREAD.right);
  const y = scale(by, height - SPREAD.bottom, SPREAD.top);
  return {
    points: sets.map(({ evaluation }, index) => ({
      index,
      x: x(evaluation.figures.cost),
      y: y(evaluation.figures[by]),
    })),
    xTicks: x.ticks(5).map((value) => ({ at: x(value), value })),
    yTicks: y.ticks(4).map((value) => ({ at: y(value), value })),
  };
}
