/** Geometry of what waiting buys: orders over the day on which they are complete, against budget and date. */
import type { Alternative } from '@idle-breadboard/core/deliver';
import { scaleLinear } from 'd3';

export interface CostArrival {
  readonly points: readonly (Alternative & { readonly x: number; readonly y: number })[];
  /** Steps from one order to the next cheaper one. */
  readonly line: string;
  readonly budget: number | null;
  readonly date: number | null;
  readonly xTicks: readonly { readonly at: number; readonly label: string }[];
  readonly yTicks: readonly { readonly at: number; readonly label: string }[];
}

const LEFT = 40;
const RIGHT = 16;
const TOP = 12;
const BOTTOM = 20;

/** @param budget and @param days null where the plan names none */
export function costArrival(
  front: readonly Alternative[],
  budget: number | null,
  days: number | null,
  width: number,
  height: number,
): CostArrival {
  const last = Math.max(1, days ?? 0, ...front.map(({ arrival }) => arrival)) * 1.08;
  const totals = [...front.map(({ total }) => total), ...(budget === null ? [] : [budget])];
  const x = scaleLinear([0, last], [LEFT, Math.max(LEFT + 40, width - RIGHT)]);
  const y = scaleLinear([0, Math.max(1, ...totals) * 1.08], [height - BOTTOM, TOP]);
  const points = front.map((order) => ({ ...order, x: x(order.arrival), y: y(order.total) }));
  return {
    points,
    line: points.map(({ x: px, y: py }, i) => (i === 0 ? `M${px} ${py}` : `H${px}V${py}`)).join(''),
    budget: budget === null ? null : y(budget),
    date: days === null ? null : x(days),
    xTicks: x.ticks(Math.max(2, Math.floor(width / 90))).map((day) => ({ at: x(day), label: String(day) })),
    yTicks: y.ticks(4).map((sum) => ({ at: y(sum), label: String(sum) })),
  };
}
