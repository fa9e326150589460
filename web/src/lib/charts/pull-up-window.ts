/** Geometry of the pull-up window: a logarithmic axis of resistance, what is allowed, the series inside, what is there. */
import type { PullUpWindow } from '@idle-breadboard/core/circuit';
import { formatQuantity, seriesBetween, type Interval, type SeriesName } from '@idle-breadboard/core/figures';
import { scaleLog } from 'd3';

export interface WindowChart {
  readonly width: number;
  /** px of the allowed stretch; null when it is shut. */
  readonly allowed: { from: number; to: number } | null;
  readonly series: readonly { x: number; ohms: number; text: string | null; inside: boolean }[];
  /** What all pull-ups make together, with its tolerance. */
  readonly effective: { from: number; at: number; to: number; inside: boolean } | null;
  readonly choice: { x: number; text: string } | null;
  readonly decades: readonly { x: number; text: string }[];
  /** px -> the nearest value of the series. */
  nearest(x: number): number;
  /** The value of the series after (or before) one. */
  step(ohms: number, by: 1 | -1): number;
  xOf(ohms: number): number;
}

const LOW = 300;
const HIGH = 100e3;

export function windowChart(
  window: PullUpWindow,
  effective: Interval | null,
  series: SeriesName,
  width: number,
): WindowChart {
  const x = scaleLog([LOW, HIGH], [10, Math.max(60, width - 10)]).clamp(true);
  const values = seriesBetween(series, LOW, HIGH);
  const open = window.max > window.min;
  let lastLabel = -Infinity;
  return {
    width,
    allowed: open ? { from: x(window.min), to: x(window.max) } : null,
    series: values.map((ohms) => {
      const inside = open && ohms >= window.min * (1 - 1e-9) && ohms <= window.max * (1 + 1e-9);
      const at = x(ohms);
      const room = inside && at - lastLabel > 34;
      if (room) lastLabel = at;
      return {
        x: at,
        ohms,
        inside,
        text: room ? formatQuantity(ohms, 'Ω').replace(/\s?Ω$/, '').replace(/\s/g, '') : null,
      };
    }),
    effective: effective && {
      from: x(effective.min),
      at: x(effective.typ),
      to: x(effective.max),
      inside: open && effective.min >= window.min * 0.95 - 1e-9 && effective.max <= window.max * 1.05 + 1e-9,
    },
    choice: window.choice === null ? null : { x: x(window.choice), text: formatQuantity(window.choice, 'Ω') },
    decades: [1e3, 1e4, 1e5].map((ohms) => ({ x: x(ohms), text: formatQuantity(ohms, 'Ω') })),
    nearest: (px) => {
      const ohms = x.invert(px);
      return values.reduce(
        (a, b) => (Math.abs(Math.log(b / ohms)) < Math.abs(Math.log(a / ohms)) ? b : a),
        values[0] ?? LOW,
      );
    },
    step: (ohms, by) => {
      const sorted = by > 0 ? values.filter((v) => v > ohms * 1.0001) : values.filter((v) => v < ohms * 0.9999);
      return (by > 0 ? sorted[0] : sorted.at(-1)) ?? ohms;
    },
    xOf: (ohms) => x(ohms),
  };
}
