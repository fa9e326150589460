/** A build under power: the voltages of its nodes in a state, by the same sums as the checks. */
import { balanceAt, emptyBalance } from '../physics/currents.ts';
import type { Network } from '../physics/network.ts';
import { BUS_SWITCH_RESISTANCE } from '../standard/common-practice.ts';
import { settle, workspaceOf } from '../physics/operating-point.ts';
import { CLOSED } from './elements.ts';
import { type Elements, type LineEnd, type Regulator } from './elements-model.ts';
import { PairOhms } from './pair-ohms.ts';
import { driveOhms, sinkOhms } from './usual.ts';
import type { BenchState } from './state.ts';

/** How a regulator works at the moment. */
type Mode = 'gives' | 'limits' | 'off';

interface Running {
  mode: Mode;
  /** V at its output without load. */
  volts: number;
  /** A that it takes from what feeds it. */
  takes: number;
  /** How often its input fell too low: one that keeps falling over stays off. */
  trips: number;
}

export interface Powered {
  /** V against the minus of the first source, by node. */
  readonly volts: Float64Array;
  /** A that each source or regulator gives, by its key. */
  readonly amps: ReadonlyMap<string, number>;
  /** True where the sums did not settle: what is shown is the last guess. */
  readonly unsettled: boolean;
  /** The network that these are the voltages of, and the number in it of a node of the build: for a reference to check. */
  readonly network: Network;
  readonly numbered: (node: number) => number;
  /** Ω between two nodes as something that draws a little sees it. */
  readonly behind: (a: number, b: number) => number;
}

/** Most states leave the junctions shut: one long step then does. */
const BOLD = { longest: 1.5, most: 20 };
/** Rounds of regulators taking what they give. */
const MAX_ROUNDS = 40;
const SWINGS_FROM = 6;
const MAX_TRIPS = 3;
/** A and V: what still counts as no change. */
const SAME = 1e-4;
/** A linear regulator with less than this at its input gives nothing, V. */
const LEAST_INPUT = 1;

const outputs: ReadonlySet<LineEnd['kind']> = new Set(['push-pull', 'bidirectional']);

/** What the ends of lines do in a state: outputs stand at one of their rails, sinks pull to their ground. */
function driven(elements: Elements, state: BenchState, dead: ReadonlySet<string>): Network['resistors'] {
  const made: Network['resistors'][number][] = [];
  for (const end of elements.ends.values()) {
    if (dead.has(end.part)) continue;
    const own = state.listening.get(end.key);
    if (own !== undefined) {
      if (own !== 'none') made.push({ a: end.node, b: own === 'up' ? end.power : end.ground, ohms: elements.ownPull });
      if (state.pulling.has(end.key)) made.push({ a: end.node, b: end.ground, ohms: sinkOhms(end.electrical) });
    } else if (outputs.has(end.kind)) {
      const ohms = driveOhms(end.electrical);
      made.push({ a: end.node, b: state.high.has(end.key) ? end.power : end.ground, ohms });
    } else if (state.pulling.has(end.key)) made.push({ a: end.node, b: end.ground, ohms: sinkOhms(end.electrical) });
  }
  for (const [key, resistor] of elements.weak) if (!state.listening.has(key)) made.push(resistor);
  for (const key of state.closed) {
    const contact = elements.contacts.get(key);
    if (contact) made.push({ a: contact[0], b: contact[1], ohms: CLOSED });
  }
  const { channel } = state;
  for (const { part, channel: n, pairs } of elements.channels)
    if (channel?.part === part && channel.channel === n)
      for (const [a, b] of pairs) made.push({ a, b, ohms: BUS_SWITCH_RESISTANCE });
  return made.filter(({ a, b }) => a !== b);
}

/** Nodes in the order of the network: the zero of all voltages becomes node 0. */
function renumber(zero: number): (node: number) => number {
  return (node) => (node === zero ? 0 : node === 0 ? zero : node);
}

export class PowerUp {
  private readonly running = new Map<string, Running>();
  private readonly passing = new Map<string, boolean>();
  private readonly to: (node: number) => number;

  constructor(
    private readonly elements: Elements,
    private readonly nodes: number,
    private readonly dead: ReadonlySet<string>,
    /** Goes on from how this one runs. */
    from?: PowerUp,
  ) {
    const first = elements.regulators.find(({ from }) => !from);
    this.to = renumber(first?.minus ?? 0);
    for (const r of elements.regulators)
      this.running.set(r.key, {
        ...(from?.running.get(r.key) ?? { mode: 'gives', volts: r.volts, takes: 0, trips: 0 }),
      });
    for (const s of elements.switches) this.passing.set(s.key, from?.passing.get(s.key) ?? true);
  }

  /** @param guess voltages to begin from, by node; of a state like this one they save most of the work */
  solve(state: BenchState, guess?: Float64Array): Powered {
    const { to, nodes } = this;
    const volts = new Float64Array(nodes);
    if (guess) for (let n = 0; n < nodes; n++) volts[to(n)] = guess[n] ?? 0;
    else this.firstGuess(volts);
    const fixed = driven(this.elements, state, this.dead);
    let unsettled = false;
    let solved = this.network(fixed);
    for (let round = 0; round < MAX_ROUNDS; round++) {
      const network = this.network(fixed);
      const space = workspaceOf(network);
      const bold = Float64Array.from(volts);
      unsettled = false;
      if (settle(network, bold, space, BOLD)) volts.set(bold);
      else unsettled = !settle(network, volts, space);
      solved = network;
      if (!this.adjust(volts, round)) break;
    }
    const amps = new Map(this.elements.regulators.map((r) => [r.key, this.gives(r, volts)]));
    let ohms: PairOhms | null = null;
    const network = solved;
    const behind = (a: number, b: number): number => {
      if (!ohms) {
        const balance = emptyBalance(nodes);
        balanceAt(network, volts, balance);
        ohms = new PairOhms(balance.slope, nodes);
      }
      return ohms.between(to(a), to(b));
    };
    return { volts: volts.map((_, n) => volts[to(n)] ?? 0), amps, unsettled, network, numbered: to, behind };
  }

  private firstGuess(volts: Float64Array): void {
    for (const r of this.elements.regulators) volts[this.to(r.plus)] = r.volts;
    volts[0] = 0;
  }

  private network(fixed: Network['resistors']): Network {
    const { elements, to } = this;
    const resistors = [...elements.resistors, ...elements.loads, ...fixed].map(({ a, b, ohms }) => ({
      a: to(a),
      b: to(b),
      ohms,
    }));
    const currents: Network['currents'][number][] = [];
    for (const s of elements.switches)
      if (this.passing.get(s.key)) resistors.push({ a: to(s.from), b: to(s.to), ohms: CLOSED });
    for (const r of elements.regulators) {
      const run = this.running.get(r.key);
      if (!run || run.mode === 'off') continue;
      if (run.mode === 'limits') currents.push({ from: to(r.minus), to: to(r.plus), amps: r.limit });
      else {
        currents.push({ from: to(r.minus), to: to(r.plus), amps: run.volts / r.ohms });
        resistors.push({ a: to(r.plus), b: to(r.minus), ohms: r.ohms });
      }
      if (r.from && run.takes > 0) currents.push({ from: to(r.from.plus), to: to(r.from.minus), amps: run.takes });
    }
    return {
      nodes: this.nodes,
      held: [],
      resistors,
      currents,
      diodes: elements.diodes.map(({ anode, cathode, model }) => ({ anode: to(anode), cathode: to(cathode), model })),
      transistors: elements.transistors.map((t) => ({
        drain: to(t.drain),
        gate: to(t.gate),
        source: to(t.source),
        model: t.model,
      })),
      capacitance: [],
    };
  }

  private across(volts: Float64Array, plus: number, minus: number): number {
    return (volts[this.to(plus)] ?? 0) - (volts[this.to(minus)] ?? 0);
  }

  private gives(r: Regulator, volts: Float64Array): number {
    const run = this.running.get(r.key);
    if (!run || run.mode === 'off') return 0;
    return run.mode === 'limits' ? r.limit : (run.volts - this.across(volts, r.plus, r.minus)) / r.ohms;
  }

  /** Takes regulators to where they would be at these voltages. @returns whether anything changed */
  private adjust(volts: Float64Array, round: number): boolean {
    let changed = false;
    for (const r of this.elements.regulators) {
      const run = this.running.get(r.key);
      if (!run) continue;
      const out = this.across(volts, r.plus, r.minus);
      const amps = this.gives(r, volts);
      const input = r.from ? this.across(volts, r.from.plus, r.from.minus) : Infinity;
      const least = r.from?.by === 'switching' ? r.volts * 0.6 : LEAST_INPUT;
      const wanted = r.from ? Math.min(r.volts, input - r.from.dropout) : r.volts;
      let mode: Mode = run.mode;
      if (r.from && (input < least || wanted <= 0)) {
        if (run.mode !== 'off') run.trips += 1;
        mode = 'off';
      } else if (run.trips >= MAX_TRIPS) mode = 'off';
      else if (run.mode === 'gives' && amps > r.limit) mode = 'limits';
      // What is held up from elsewhere is given nothing.
      else if (run.mode === 'gives' && r.from && amps < -SAME) mode = 'off';
      else if (run.mode === 'limits' && out > wanted) mode = 'gives';
      else if (run.mode === 'off' && out < wanted - 0.01) mode = 'gives';
      const takes =
        mode === 'off' || !r.from ? 0 : this.input(r, mode === 'limits' ? r.limit : Math.max(0, amps), out, input);
      const next = mode === 'gives' ? Math.max(0, wanted) : run.volts;
      if (mode !== run.mode || Math.abs(next - run.volts) > SAME || Math.abs(takes - run.takes) > SAME) changed = true;
      // Halfway after some rounds, so that a source that gives way under the load does not swing.
      run.takes = round < SWINGS_FROM ? takes : (run.takes + takes) / 2;
      run.mode = mode;
      run.volts = next;
    }
    for (const s of this.elements.switches) {
      const supply = this.across(volts, s.from, s.ground);
      const gate = this.across(volts, s.gate, s.ground);
      const on = gate > Math.min(1.1, supply / 2) === s.onHigh;
      if (on !== this.passing.get(s.key)) changed = true;
      this.passing.set(s.key, on);
    }
    return changed;
  }

  private input(r: Regulator, amps: number, out: number, input: number): number {
    if (r.from?.by !== 'switching') return amps;
    return (Math.max(0, out) * amps) / (r.from.efficiency * Math.max(input, LEAST_INPUT));
  }
}
