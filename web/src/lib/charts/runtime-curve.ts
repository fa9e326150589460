/** Geometry of a discharge: voltage over time, from the worst to the usual, against the time that is wanted. */
import type { Runtime } from '@idle-breadboard/core/circuit';
import { DAY, HOUR } from '@idle-breadboard/core/figures';
import { area, line, scaleLinear } from 'd3';

export interface RuntimeCurve {
  readonly usual: string;
  readonly worst: string;
  /** Between the two: where it may turn out. */
  readonly band: string;
  readonly ends: { readonly usual: { x: number; y: number }; readonly worst: { x: number; y: number } };
  /** px of the wanted time; null where none is. */
  readonly wanted: number | null;
  /** px of the voltage at which it ends. */
  readonly least: number;
  readonly leastVolts: number;
  readonly xTicks: readonly { readonly at: number; readonly label: string }[];
  readonly yTicks: readonly { readonly at: number; readonly label: string }[];
  readonly unit: 'days' | 'hours';
}

const LEFT = 34;
const BOTTOM = 18;
const TOP = 6;
const RIGHT = 10;

/** What of a runtime is drawn. */
export type Drawn = Pick<Runtime, 'usual' | 'worst' | 'packs' | 'least'> & {
  readonly cells: Pick<Runtime['cells'], 'curve'>;
};

export function runtimeCurve(runtime: Drawn, wanted: number | undefined, width: number, height: number): RuntimeCurve {
  const { usual, worst, cells } = runtime;
  const longest = Math.max(usual.seconds, worst.seconds, wanted ?? 0, 60) * 1.04;
  const unit = longest > 3 * DAY ? 'days' : 'hours';
  const size = unit === 'days' ? DAY : HOUR;
  const leastVolts = Math.max(runtime.packs.worst.cutOff, runtime.least?.volts ?? 0);
  const fresh = cells.curve[0]?.volts ?? 1;
  const low = Math.min(leastVolts, ...usual.points.map(({ sagged }) => sagged)) * 0.96;
  const x = scaleLinear([0, longest], [LEFT, Math.max(LEFT + 40, width - RIGHT)]);
  const y = scaleLinear([low, fresh * 1.01], [height - BOTTOM, TOP]);
  const path = line<(typeof usual.points)[number]>(
    ({ t }) => x(t),
    ({ volts }) => y(volts),
  );
  const [sooner, later] = worst.seconds <= usual.seconds ? [worst, usual] : [usual, worst];
  // The band lies between the two lines; after the sooner one has ended, down to the end.
  const band = area<(typeof usual.points)[number]>()
    .x(({ t }) => x(t))
    .y0(({ t }) => y(voltsAt(sooner.points, t) ?? leastVolts))
    .y1(({ volts }) => y(volts));
  const end = (points: typeof usual.points) => {
    const last = points.at(-1);
    return { x: x(last?.t ?? 0), y: y(last?.volts ?? fresh) };
  };
  return {
    usual: path(usual.points) ?? '',
    worst: path(worst.points) ?? '',
    band: band(later.points) ?? '',
    ends: { usual: end(usual.points), worst: end(worst.points) },
    wanted: wanted === undefined ? null : x(wanted),
    least: y(leastVolts),
    leastVolts,
    xTicks: scaleLinear([0, longest / size], [0, 1])
      .ticks(Math.max(2, Math.floor(width / 90)))
      .map((value) => ({ at: x(value * size), label: String(value) })),
    yTicks: y.ticks(4).map((value) => ({ at: y(value), label: String(value) })),
    unit,
  };
}

/** The voltage of a discharge at a time; null after its end. */
export function voltsAt(points: Runtime['usual']['points'], t: number): number | null {
  const k = points.findIndex((point) => point.t >= t);
  const [a, b] = [points[k - 1], points[k]];
  if (!b) return null;
  if (!a || b.t === a.t) return b.volts;
  return a.volts + ((b.volts - a.volts) * (t - a.t)) / (b.t - a.t);
}
