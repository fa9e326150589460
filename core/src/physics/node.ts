/** The voltage that resistors to several rails give a net that nobody drives. */
import type { Net, NetEnd, PullUp } from '../circuit/model.ts';
import { levelAt, levelVolts } from '../circuit/level.ts';
import { parallel, type Interval } from '../quantity/interval.ts';
import { add, divide, inParallel, multiply, per, subtract } from '../quantity/sum.ts';
import { quantityOf, tells, type Text, type Sum } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsNodeSays {
  readonly supplyHighest: { end: Text };
}

const tell = tells<PhysicsNodeSays>('physics/node');

export interface NodeVoltage {
  readonly volts: number;
  readonly sum: Sum;
}

export type Fed = PullUp & { voltage: Interval };
/** Every resistor that pulls the net up, the controller's own included, from fed rails. */
export const allPullUps = (net: Net): Fed[] =>
  (net.weak ? [...net.pullUps, net.weak] : net.pullUps).filter((p): p is Fed => p.voltage !== null);
const fed = allPullUps;

/** What can lift a net: its pull-ups, or the fixed resistor of a bare part, which lifts all the way while the part is unplugged. */
export const lifting = (net: Net): Fed[] =>
  net.fixed?.voltage ? [...allPullUps(net), { ...net.fixed, voltage: net.fixed.voltage }] : allPullUps(net);

/** True where pull-ups go to rails that are not one and the same. */
export function pullsToSeveralRails(net: Net): boolean {
  const [first, ...others] = fed(net);
  return others.some(({ root }) => root !== first?.root);
}

const DRIVES_HIGH: ReadonlySet<string> = new Set(['push-pull', 'bidirectional', 'analog-out']);

/**
 * The highest voltage that an end drives, V; null when it drives none.
 * The rail is the one that the voltage follows, null for a part that states volts.
 * @param supply at which it is driven, V; its highest where nothing is said
 */
export function driverPeak(
  end: NetEnd,
  supply: number = end.power.voltage?.max ?? 0,
): { volts: number; sum: Sum; rail: string | null } | null {
  if (!DRIVES_HIGH.has(end.kind) || !end.power.voltage) return null;
  const stated = end.levels.outputHigh;
  // A part that drives from a regulator of its own states how high it goes.
  if (stated?.max !== undefined && levelVolts(stated, 'max', supply) < supply) {
    const { volts, sum } = levelAt(stated, 'max', supply);
    return { volts, sum, rail: stated.unit === 'V' ? null : end.power.rail };
  }
  // Any other output reaches its supply rail when hardly loaded.
  return { volts: supply, sum: tell('supplyHighest', { end: end.label }), rail: end.power.rail };
}

const V = (x: number) => quantityOf(x, 'V', 4);
const R = (x: number) => quantityOf(x, 'Ω', 4);

/** Σ(Vi/Ri) ÷ Σ(1/Ri), less what leaks away. */
function node(sources: readonly { volts: number; ohms: number }[], leakage: number): number {
  const conductance = sources.reduce((g, { ohms }) => g + 1 / ohms, 0);
  return (sources.reduce((current, { volts, ohms }) => current + volts / ohms, 0) - leakage) / conductance;
}

/** Terms of a sum, like ones together: "5 V/4.7 kΩ + 3 × 3.3 V/10 kΩ". */
function counted<T>(terms: readonly T[], keyOf: (term: T) => string | number, say: (term: T) => Sum): Sum {
  const count = new Map<string | number, { term: T; n: number }>();
  for (const term of terms) {
    const key = keyOf(term);
    const there = count.get(key);
    if (there) there.n += 1;
    else count.set(key, { term, n: 1 });
  }
  return add(...[...count.values()].map(({ term, n }) => (n === 1 ? say(term) : multiply(n, say(term)))));
}

function describe(sources: readonly { volts: number; ohms: number }[], leakage: number): Sum {
  const leak = quantityOf(leakage, 'A');
  if (sources.length === 1 && sources[0]) {
    const { volts, ohms } = sources[0];
    return leakage > 0 ? subtract(V(volts), multiply(leak, R(ohms))) : V(volts);
  }
  const flows = counted(
    sources,
    ({ volts, ohms }) => `${volts} ${ohms}`,
    ({ volts, ohms }) => per(V(volts), R(ohms)),
  );
  const under = counted(
    sources,
    ({ ohms }) => ohms,
    ({ ohms }) => per(1, R(ohms)),
  );
  return divide(leakage > 0 ? subtract(flows, leak) : flows, under);
}

/**
 * The highest voltage that the pull-ups can lift a net to: every rail at its top, and of each resistor the end of
 * its tolerance that lifts more (small towards the higher rails, large towards the lower ones). The node rises with
 * the conductance to any rail above it and falls with that to any below, so trying each cut between the sorted
 * rails finds the maximum exactly.
 * @returns null when no fed pull-up is there
 */
export function highestRest(net: Net): NodeVoltage | null {
  return extreme(net, (p) => p.voltage.max, 0, 'high');
}

/** One rail taken to be at a voltage, V, while the others are at their worst. */
export interface RailAt {
  readonly rail: string;
  readonly volts: number;
}

/** The lowest voltage at which a released net can rest: rails at their lowest, and every pin leaking its most. */
export function lowestRest(net: Net, at: RailAt | null = null): NodeVoltage | null {
  const leakage = net.ends.reduce((total, end) => total + end.leakage, 0);
  return extreme(net, (p) => (at && p.root === at.rail ? at.volts : p.voltage.min), leakage, 'low');
}

/** Where a released net usually rests, V: rails and resistors as they usually are, and next to nothing leaking. */
export function usualRest(net: Net): number | null {
  const pulls = fed(net);
  return pulls.length === 0
    ? null
    : node(
        pulls.map(({ voltage, ohms }) => ({ volts: voltage.typ, ohms: ohms.typ })),
        0,
      );
}

function extreme(net: Net, volts: (p: Fed) => number, leakage: number, want: 'high' | 'low'): NodeVoltage | null {
  const pulls = fed(net)
    .map((p) => ({ volts: volts(p), strong: p.ohms.min, weak: p.ohms.max }))
    .sort((a, b) => (want === 'high' ? b.volts - a.volts : a.volts - b.volts));
  if (pulls.length === 0) return null;
  const cutAt = (cut: number) => pulls.map((p, i) => ({ volts: p.volts, ohms: i < cut ? p.strong : p.weak }));
  let best = { volts: NaN, cut: 0 };
  for (let cut = want === 'high' ? 1 : 0; cut <= pulls.length; cut++) {
    const value = node(cutAt(cut), leakage);
    if (Number.isNaN(best.volts) || (want === 'high' ? value > best.volts : value < best.volts))
      best = { volts: value, cut };
  }
  return { volts: best.volts, sum: describe(cutAt(best.cut), leakage) };
}

/** The parallel value of every fed pull-up, Ω; null when there is none. */
export function effectivePullUp(net: Net): Interval | null {
  const pulls = fed(net);
  return pulls.length === 0 ? null : parallel(pulls.map(({ ohms }) => ohms));
}

/** 10 kΩ || 4.7 kΩ, at the bound that counts. */
export const pullUpSum = (net: Net, bound: keyof Interval): Sum =>
  inParallel(...fed(net).map(({ ohms }) => R(ohms[bound])));
