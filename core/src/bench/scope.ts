/** A line of a virtual build as an oscilloscope shows it: let go after it was pulled low. */
import type { Net } from '../circuit/model.ts';
import type { Network } from '../physics/network.ts';
import { crossing, transient } from '../physics/transient.ts';
import { withPull } from './state.ts';
import type { VirtualBuild } from './virtual-build.ts';
import { keyOf } from '../plan/ref.ts';

export interface ScopeEdge {
  /** From 30 to 70 % of where the line rests, s; null where it never gets there. */
  readonly seconds: number | null;
  /** Where it rests, V. */
  readonly rest: number;
  /** s after it was let go, V. */
  readonly points: readonly { readonly time: number; readonly volts: number }[];
}

/** Of the most that pins and leads may add, what they usually do. */
const USUAL_LOAD = 0.7;
/** Time constants until nothing moves any more. */
const LONG_ENOUGH = 12;
/** A line that rests lower than this shows no edge, V. */
const LEAST = 0.5;
/** What pulls lines that nothing pulls is no pull-up, Ω. */
const MAX_OHMS = 200e3;

/** The network of a build while a line rises, where it starts, and the node to watch. */
export function releasedLine(
  build: VirtualBuild,
  net: Net,
): { network: Network; start: Float64Array; node: number; rest: number; end: number } | null {
  const pin = net.ends.find((end) => end.controller) ?? net.ends.find((end) => end.terminal !== '');
  if (!pin) return null;
  const end = build.elements.ends.get(keyOf(pin.part, pin.controller ? pin.terminal : pin.signal));
  if (!end) return null;
  const released = build.powered();
  const pulled = build.powered(withPull(build.rest, end.key));
  const { numbered } = released;
  const capacitance = new Array<number>(released.network.nodes).fill(0);
  for (const other of build.circuit.nets) {
    const at = other.ends.find((e) => e.terminal !== '' && !e.divider);
    const place = at && build.copper.pin(at.part, at.terminal);
    if (place === undefined || place >= released.volts.length) continue;
    capacitance[numbered(place)] = (capacitance[numbered(place)] ?? 0) + other.capacitance * USUAL_LOAD;
  }
  const start = new Float64Array(released.network.nodes);
  pulled.volts.forEach((volts, n) => (start[numbered(n)] = volts));
  const rest = (released.volts[end.node] ?? 0) - (released.volts[end.ground] ?? 0);
  const ohms = Math.min(MAX_OHMS, released.behind(end.node, end.ground));
  const farads = capacitance.reduce((sum, c) => sum + c, 0);
  return {
    network: { ...released.network, capacitance },
    start,
    node: numbered(end.node),
    rest,
    end: Math.max(1e-9, LONG_ENOUGH * ohms * farads),
  };
}

/** How closely to look, V: for the picture to be smooth, and for a rise time that a scope reads within 3 % anyway. */
const CLOSELY = { picture: { tolerance: 1e-4, until: 0.98 }, time: { tolerance: 3e-3, until: 0.7 } } as const;

/**
 * The rise of a line after somebody lets it go; null where the build has no such line.
 * @param look for its time alone the sum ends when 70 % are passed, and takes a fifth of the work
 */
export function scopeEdge(
  build: VirtualBuild,
  netId: string,
  look: keyof typeof CLOSELY = 'picture',
): ScopeEdge | null {
  const net = build.circuit.nets.find(({ id }) => id === netId);
  const line = net && releasedLine(build, net);
  if (!line) return null;
  const { network, start, node, rest, end } = line;
  const { tolerance, until } = CLOSELY[look];
  if (rest < LEAST) return { seconds: null, rest, points: [] };
  const moments = transient(network, start, end, ({ volts }) => (volts[node] ?? 0) > until * rest, tolerance);
  const first = crossing(moments, node, 0.3 * rest, true);
  const last = crossing(moments, node, 0.7 * rest, true);
  return {
    seconds: first === null || last === null ? null : last - first,
    rest,
    points: moments.map(({ time, volts }) => ({ time, volts: volts[node] ?? 0 })),
  };
}
