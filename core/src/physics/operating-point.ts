/** The voltages at which a network rests. */
import { balanceAt, emptyBalance, type Balance } from './currents.ts';
import type { Network } from './network.ts';
import { solveLinear } from './solve-linear.ts';

/** Keeps a node that nothing is joined to from making the sums insoluble, S. */
const FLOATING = 1e-12;
/** Newton's method moves no node further than this in one step, V: a junction's curve is too steep for more. */
const LONGEST_STEP = 0.3;
const MAX_STEPS = 400;

/** How boldly to step: the longest step, V, and how many at most. */
export interface Stride {
  readonly longest: number;
  readonly most: number;
}
const CAREFUL: Stride = { longest: LONGEST_STEP, most: MAX_STEPS };
/** Where nothing settles step by step, as with a node that is drawn hundreds of volts away, the whole step is tried. */
const BOLD: Stride = { longest: Infinity, most: MAX_STEPS };
/** V: the next step would be smaller by its square. */
const CLOSE_ENOUGH = 1e-7;

/** No voltages were found at which the currents of a network balance. */
export class NoOperatingPoint extends Error {
  override readonly name = 'NoOperatingPoint';

  constructor(readonly nodes: number) {
    super(`${nodes} nodes`);
  }
}

/** Room for the sums; one for every solution of a network. */
export interface Workspace {
  /** Nodes whose voltage is asked for. */
  readonly free: readonly number[];
  readonly balance: Balance;
  readonly matrix: Float64Array;
  readonly right: Float64Array;
  /** What a capacitor adds within a time step, by node: current out = siemens × V + amps. */
  readonly siemens: Float64Array;
  readonly amps: Float64Array;
}

export function workspaceOf(network: Network): Workspace {
  const held = new Set([0, ...network.held.map(({ node }) => node)]);
  const free = Array.from({ length: network.nodes }, (_, node) => node).filter((node) => !held.has(node));
  return {
    free,
    balance: emptyBalance(network.nodes),
    matrix: new Float64Array(free.length ** 2),
    right: new Float64Array(free.length),
    siemens: new Float64Array(network.nodes),
    amps: new Float64Array(network.nodes),
  };
}

/**
 * Newton's method on the free nodes until the currents balance.
 * @param volts the first guess, overwritten by the answer
 * @param stride careful where nothing is said; bold steps are quick where hardly a junction conducts
 * @returns false when it does not settle
 */
export function settle(network: Network, volts: Float64Array, space: Workspace, stride: Stride = CAREFUL): boolean {
  const { free, balance, matrix, right, siemens, amps } = space;
  const n = free.length;
  for (let step = 0; step < stride.most; step++) {
    balanceAt(network, volts, balance);
    for (let i = 0; i < n; i++) {
      const node = free[i] ?? 0;
      const own = (siemens[node] ?? 0) + FLOATING;
      right[i] = -((balance.out[node] ?? 0) + own * (volts[node] ?? 0) + (amps[node] ?? 0));
      for (let j = 0; j < n; j++) matrix[i * n + j] = balance.slope[node * network.nodes + (free[j] ?? 0)] ?? 0;
      matrix[i * n + i] = (matrix[i * n + i] ?? 0) + own;
    }
    if (!solveLinear(matrix, right)) return false;
    let largest = 0;
    for (let i = 0; i < n; i++) largest = Math.max(largest, Math.abs(right[i] ?? 0));
    const share = largest > stride.longest ? stride.longest / largest : 1;
    for (let i = 0; i < n; i++) {
      const node = free[i] ?? 0;
      volts[node] = (volts[node] ?? 0) + share * (right[i] ?? 0);
    }
    if (largest < CLOSE_ENOUGH) return true;
  }
  return false;
}

/**
 * Voltages of all nodes at rest, in V, by Kirchhoff's current law and Newton's method.
 * @throws NoOperatingPoint when the sums do not settle
 * @example two resistors of 1 kΩ between 3.3 V and ground meet at 1.65 V
 */
export function operatingPoint(network: Network): Float64Array {
  for (const stride of [CAREFUL, BOLD]) {
    const volts = firstGuess(network);
    if (settle(network, volts, workspaceOf(network), stride)) return volts;
  }
  throw new NoOperatingPoint(network.nodes - 1);
}

function firstGuess(network: Network): Float64Array {
  const volts = new Float64Array(network.nodes);
  const top = network.held.reduce((most, { volts: v }) => Math.max(most, v), 0);
  for (let node = 1; node < network.nodes; node++) volts[node] = top / 2;
  for (const { node, volts: v } of network.held) volts[node] = v;
  return volts;
}
