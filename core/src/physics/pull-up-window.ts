/** Which pull-ups a line allows, and which one the house rules take. */
import type { Net } from '../circuit/model.ts';
import type { HouseRules } from '../plan/house-rules.ts';
import { modeFor, pullUpMax, pullUpMin } from '../standard/bus-timing.ts';
import { seriesBetween } from '../standard/e-series.ts';
import { weakestSink } from './sink.ts';
import { ONE_WIRE_PULL_UP, RESISTOR_TOLERANCE, SWITCH_PULL_UP } from '../standard/common-practice.ts';

export interface PullUpWindow {
  /** Ω, nominal values that stay inside with their tolerance. */
  readonly min: number;
  readonly max: number;
  readonly values: readonly number[];
  /** What the house rules take; null when the window is shut. */
  readonly choice: number | null;
}

function pick(values: readonly number[], rules: HouseRules): number | null {
  if (rules.pullUpValue === 'strongest') return values[0] ?? null;
  if (rules.pullUpValue === 'weakest') return values.at(-1) ?? null;
  const [first, last] = [values[0], values.at(-1)];
  if (first === undefined || last === undefined) return null;
  const middle = Math.sqrt(first * last);
  return values.reduce((a, b) => (Math.abs(Math.log(b / middle)) < Math.abs(Math.log(a / middle)) ? b : a));
}

const windowOf = (min: number, max: number, rules: HouseRules, tolerance: number): PullUpWindow => {
  const [low, high] = [min / (1 - tolerance), max / (1 + tolerance)];
  const values = seriesBetween(rules.series, low, high);
  return { min: low, max: high, values, choice: pick(values, rules) };
};

/**
 * The window of a net that is pulled to `volts` at most by one resistor alone.
 * @param volts V, the rail at its highest
 * @param tolerance of the resistor, a share
 */
export function pullUpWindow(net: Net, volts: number, rules: HouseRules, tolerance = RESISTOR_TOLERANCE): PullUpWindow {
  const sink = weakestSink(net, volts);
  const least = pullUpMin(volts, sink.volts, sink.amps);
  if (net.protocol === 'i2c') {
    const mode = modeFor(net.clock ?? 100e3);
    if (!mode) return { min: 0, max: 0, values: [], choice: null };
    return windowOf(least, pullUpMax(mode.riseTime, net.capacitance), rules, tolerance);
  }
  if (net.protocol === 'onewire') {
    const window = windowOf(least, 10e3 * (1 + tolerance), rules, tolerance);
    return { ...window, choice: window.values.includes(ONE_WIRE_PULL_UP) ? ONE_WIRE_PULL_UP : window.choice };
  }
  return { min: 1e3, max: 100e3, values: seriesBetween(rules.series, 1e3, 100e3), choice: SWITCH_PULL_UP };
}
