/** How the voltages of a network move after a change. */
import { balanceAt } from './currents.ts';
import type { Network } from './network.ts';
import { settle, workspaceOf } from './operating-point.ts';

/** One moment of the movement. */
export interface Moment {
  /** s */
  readonly time: number;
  /** V, by node. */
  readonly volts: Float64Array;
  /** V/s, by node; 0 where a node has no capacitance. */
  readonly rate: Float64Array;
}

/**
 * Shares of the method: trapezoidal over the first part of a step, second-order backward over the whole (R. E. Bank and
 * others, "Transient simulation of silicon devices and circuits", 1985; from memory). It is of second order and damps
 * what is stiff.
 */
const GAMMA = 2 - Math.SQRT2;
const MIDDLE = 1 / (GAMMA * (2 - GAMMA));
const START = (1 - GAMMA) ** 2 / (GAMMA * (2 - GAMMA));
const LAST = (2 - GAMMA) / (1 - GAMMA);
const ERROR = Math.abs((-3 * GAMMA ** 2 + 4 * GAMMA - 2) / (12 * (2 - GAMMA)));
/** Error allowed in one step where nothing is said, V: a share of a logic level that nobody can see. */
const TOLERANCE = 1e-4;
const MAX_STEPS = 4000;
/** S */
const HOLD = 1e6;

/** By how much a step may be off, V: from how the slope bends over it. */
function errorOf(
  nodes: Iterable<number>,
  step: number,
  start: Float64Array,
  middle: Float64Array,
  next: Float64Array,
): number {
  let error = 0;
  for (const node of nodes) {
    const curve =
      (start[node] ?? 0) / GAMMA - (middle[node] ?? 0) / (GAMMA * (1 - GAMMA)) + (next[node] ?? 0) / (1 - GAMMA);
    error = Math.max(error, Math.abs(2 * ERROR * step * curve));
  }
  return error;
}

/**
 * Follows a network from `start` (V by node) until `until` says so or the time is up.
 * @param end s
 * @param tolerance V that one step may be off; steps grow and shrink to keep it
 * @returns the moments, the start included
 */
export function transient(
  network: Network,
  start: Float64Array,
  end: number,
  until: (moment: Moment) => boolean = () => false,
  tolerance = TOLERANCE,
): Moment[] {
  const space = workspaceOf(network);
  const farads = (node: number) => network.capacitance[node] ?? 0;
  const isHeld = new Map(network.held.map(({ node, volts }) => [node, volts]));

  /** Out of each node through all but its capacitor. */
  const outAt = (volts: Float64Array): Float64Array => {
    balanceAt(network, volts, space.balance);
    return Float64Array.from(space.balance.out);
  };
  const rateOf = (out: Float64Array): Float64Array =>
    out.map((amps, node) => (farads(node) > 0 && !isHeld.has(node) && node !== 0 ? -amps / farads(node) : 0));

  const volts = Float64Array.from(start);
  for (const [node, v] of isHeld) volts[node] = v;
  // Nodes without capacitance follow at once; the others are held where they are, by a conductance that nothing moves.
  for (const node of space.free) {
    space.siemens[node] = farads(node) > 0 ? HOLD : 0;
    space.amps[node] = farads(node) > 0 ? -HOLD * (start[node] ?? 0) : 0;
  }
  settle(network, volts, space);
  let out = outAt(volts);
  const moments: Moment[] = [{ time: 0, volts: Float64Array.from(volts), rate: rateOf(out) }];
  let time = 0;
  let step = end / 1000;

  for (let count = 0; count < MAX_STEPS && time < end; count++) {
    step = Math.min(step, end - time);
    const first = Float64Array.from(volts);
    const middle = Float64Array.from(volts);
    const before = out;
    for (const node of space.free) {
      const g = (2 * farads(node)) / (GAMMA * step);
      space.siemens[node] = g;
      space.amps[node] = g === 0 ? 0 : (before[node] ?? 0) - g * (first[node] ?? 0);
    }
    const reached = settle(network, middle, space);
    const next = Float64Array.from(middle);
    for (const node of space.free) {
      const g = (LAST * farads(node)) / step;
      space.siemens[node] = g;
      space.amps[node] = -g * (MIDDLE * (middle[node] ?? 0) - START * (first[node] ?? 0));
    }
    const arrived = reached && settle(network, next, space);
    if (!arrived) {
      step /= 4;
      continue;
    }
    const middleRate = rateOf(outAt(middle));
    const after = outAt(next);
    const nextRate = rateOf(after);
    const startRate = moments.at(-1)?.rate ?? nextRate;
    const error = errorOf(space.free, step, startRate, middleRate, nextRate);
    const scale = error === 0 ? 4 : Math.min(4, Math.max(0.2, 0.9 * Math.cbrt(tolerance / error)));
    if (error > tolerance * 2) {
      step *= scale;
      continue;
    }
    time += step;
    step *= scale;
    volts.set(next);
    out = after;
    const moment = { time, volts: next, rate: nextRate };
    moments.push(moment);
    if (until(moment)) break;
  }
  return moments;
}

/**
 * When a node passes a level for the first time, s; a smooth curve is laid through the moments.
 * @param rising true: from below; false: from above
 * @returns null when it never does
 */
export function crossing(moments: readonly Moment[], node: number, level: number, rising: boolean): number | null {
  for (let i = 1; i < moments.length; i++) {
    const [a, b] = [moments[i - 1], moments[i]];
    const [from, to] = [a?.volts[node] ?? 0, b?.volts[node] ?? 0];
    if (!a || !b || !(rising ? from < level && to >= level : from > level && to <= level)) continue;
    const span = b.time - a.time;
    let [low, high] = [0, 1];
    for (let n = 0; n < 50; n++) {
      const x = (low + high) / 2;
      const v = hermite(x, from, to, (a.rate[node] ?? 0) * span, (b.rate[node] ?? 0) * span);
      if (rising ? v < level : v > level) low = x;
      else high = x;
    }
    return a.time + ((low + high) / 2) * span;
  }
  return null;
}

/** The cubic with the given ends and slopes, at x from 0 to 1. */
function hermite(x: number, a: number, b: number, slopeA: number, slopeB: number): number {
  const [x2, x3] = [x * x, x * x * x];
  return (2 * x3 - 3 * x2 + 1) * a + (x3 - 2 * x2 + x) * slopeA + (-2 * x3 + 3 * x2) * b + (x3 - x2) * slopeB;
}
