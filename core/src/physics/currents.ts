/** What flows through each element at given voltages, and how it changes with them: the stuff of Newton's method. */
import { JUNCTION_LEAK, THERMAL_VOLTAGE, type DiodeModel, type Network, type TransistorModel } from './network.ts';

/** Above this exponent the curve goes on as a straight line, so that a wild guess stays finite. */
const STEEPEST = 80;

/** @returns the current through a junction in A, at `volts` across it */
export function diodeCurrent({ saturation, emission, straightFrom = STEEPEST }: DiodeModel, volts: number): number {
  const exponent = volts / (emission * THERMAL_VOLTAGE);
  const e = Math.exp(Math.min(exponent, straightFrom));
  return saturation * (e * (1 + Math.max(0, exponent - straightFrom)) - 1) + JUNCTION_LEAK * volts;
}

/** @returns how that current changes with the voltage, S */
function diodeSlope({ saturation, emission, straightFrom = STEEPEST }: DiodeModel, volts: number): number {
  const scale = emission * THERMAL_VOLTAGE;
  return (saturation * Math.exp(Math.min(volts / scale, straightFrom))) / scale + JUNCTION_LEAK;
}

/** @returns the current into the drain, A; voltages from gate to source and from drain to source */
function transistorCurrent({ threshold, gain }: TransistorModel, gateSource: number, drainSource: number): number {
  const over = gateSource - threshold;
  if (over <= 0) return 0;
  return drainSource < over ? gain * (over * drainSource - (drainSource * drainSource) / 2) : (gain * over * over) / 2;
}

/** Where the sums over all elements are gathered. */
export interface Balance {
  readonly nodes: number;
  /** Current out of each node, A. */
  readonly out: Float64Array;
  /** Its change with each node's voltage, S: row by row. */
  readonly slope: Float64Array;
}

export const emptyBalance = (nodes: number): Balance => ({
  nodes,
  out: new Float64Array(nodes),
  slope: new Float64Array(nodes * nodes),
});

/** Sums the current out of every node at the given voltages, and its slopes. This is the inner loop of everything here. */
export function balanceAt(network: Network, volts: Float64Array, { nodes, out, slope }: Balance): void {
  out.fill(0);
  slope.fill(0);
  for (const { a, b, ohms } of network.resistors) {
    const siemens = 1 / ohms;
    flow(out, a, b, ((volts[a] ?? 0) - (volts[b] ?? 0)) * siemens);
    join(slope, nodes, a, b, siemens);
  }
  for (const { from, to, amps } of network.currents) flow(out, from, to, amps);
  for (const { anode, cathode, model } of network.diodes) {
    const across = (volts[anode] ?? 0) - (volts[cathode] ?? 0);
    flow(out, anode, cathode, diodeCurrent(model, across));
    join(slope, nodes, anode, cathode, diodeSlope(model, across));
  }
  for (const { drain, gate, source, model } of network.transistors) {
    // The lower of the two is the source, whichever way it is drawn.
    const swapped = (volts[drain] ?? 0) < (volts[source] ?? 0);
    const high = swapped ? source : drain;
    const low = swapped ? drain : source;
    const over = (volts[gate] ?? 0) - (volts[low] ?? 0) - model.threshold;
    if (over <= 0) continue;
    const across = (volts[high] ?? 0) - (volts[low] ?? 0);
    flow(out, high, low, transistorCurrent(model, over + model.threshold, across));
    const byGate = model.gain * Math.min(over, across);
    const byDrain = model.gain * Math.max(0, over - across);
    bump(slope, high * nodes + gate, byGate);
    bump(slope, low * nodes + gate, -byGate);
    bump(slope, high * nodes + high, byDrain);
    bump(slope, low * nodes + high, -byDrain);
    bump(slope, high * nodes + low, -byGate - byDrain);
    bump(slope, low * nodes + low, byGate + byDrain);
  }
}

function bump(slope: Float64Array, at: number, by: number): void {
  slope[at] = (slope[at] ?? 0) + by;
}

function flow(out: Float64Array, from: number, to: number, amps: number): void {
  out[from] = (out[from] ?? 0) + amps;
  out[to] = (out[to] ?? 0) - amps;
}

/** A conductance between two nodes. */
function join(slope: Float64Array, nodes: number, a: number, b: number, siemens: number): void {
  bump(slope, a * nodes + a, siemens);
  bump(slope, b * nodes + b, siemens);
  bump(slope, a * nodes + b, -siemens);
  bump(slope, b * nodes + a, -siemens);
}
