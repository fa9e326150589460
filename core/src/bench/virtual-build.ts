/** A laid-out build as a thing on the table: it can be powered, touched with a meter, and asked what its lines do. */
import type { Circuit } from '../circuit/model.ts';
import { netlistOf } from '../circuit/netlist.ts';
import { type Netlist } from '../circuit/netlist-model.ts';
import type { Layout, LeadPoint } from '../circuit/laid.ts';
import { injectFault, type Faulty } from './inject-fault.ts';
import { Connectivity } from './connectivity.ts';
import { elementsOf } from './elements.ts';
import { type Elements, type LineEnd } from './elements-model.ts';
import type { Fault } from './fault.ts';
import { PowerUp, type Powered } from './power-up.ts';
import { METER_INPUT } from './usual.ts';
import type { PairOhms } from './pair-ohms.ts';
import { resistancesOf } from './resistances.ts';
import { restState } from './rest-state.ts';
import { type BenchState, stateKey } from './state.ts';
import { thresholdOf } from './usual.ts';

/** What stays the same however the build is faulty. */
export interface Planned {
  readonly circuit: Circuit;
  readonly layout: Layout;
  readonly netlist: Netlist;
  readonly ohms: ReadonlyMap<string, number>;
}

export function planned(circuit: Circuit, layout: Layout): Planned {
  const netlist = netlistOf(circuit);
  const ohms = new Map(netlist.twoTerminals.flatMap(({ id, ohms: r }) => (r === null ? [] : [[id, r] as const])));
  return { circuit, layout, netlist, ohms };
}

/** A part works from this share of its least supply on: cards leave some room. */
const SUPPLY_SHARE = 0.97;

export class VirtualBuild {
  readonly circuit: Circuit;
  readonly faulty: Faulty;
  readonly copper: Connectivity;
  readonly elements: Elements;
  private readonly states = new Map<string, Powered>();
  private first: PowerUp | undefined;
  private off: PairOhms | null = null;
  private readonly resting: BenchState;

  constructor(
    readonly plan: Planned,
    faults: readonly Fault[] = [],
    /** A build that differs little, to begin the sums from. */
    private readonly like?: VirtualBuild,
  ) {
    this.circuit = plan.circuit;
    this.faulty = injectFault(plan.layout, faults);
    this.copper = new Connectivity(plan.circuit, this.faulty.layout);
    this.elements = elementsOf(plan.circuit, this.copper, this.faulty, plan.ohms);
    this.resting = restState(plan.circuit);
  }

  get rest(): BenchState {
    return this.resting;
  }

  /** Voltages and currents in a state. */
  powered(state: BenchState = this.resting): Powered {
    const key = stateKey(state);
    let found = this.states.get(key);
    if (!found) {
      const { like, copper } = this;
      const resting = state === this.resting;
      const guess = !resting ? this.powered().volts : like && copper.guessFrom(like.copper, like.powered().volts);
      const power = new PowerUp(this.elements, copper.nodes, this.faulty.dead, resting ? undefined : this.first);
      found = power.solve(state, guess);
      if (resting) this.first = power;
      this.states.set(key, found);
    }
    return found;
  }

  /** V that a meter shows between two places: its own input draws a little. */
  voltage(from: LeadPoint, to: LeadPoint, state: BenchState = this.resting): number {
    const [a, b] = [this.copper.at(from), this.copper.at(to)];
    const { volts, behind } = this.powered(state);
    // A row that nothing is plugged into.
    if (Math.max(a, b) >= volts.length) return 0;
    const open = (volts[a] ?? 0) - (volts[b] ?? 0);
    if (Math.abs(open) < 1e-3) return open;
    const ohms = behind(a, b);
    return ohms === Infinity ? 0 : (open * METER_INPUT) / (METER_INPUT + ohms);
  }

  /** Ω between two places with the power off; Infinity where nothing joins them. */
  resistance(from: LeadPoint, to: LeadPoint): number {
    const [a, b] = [this.copper.at(from), this.copper.at(to)];
    if (!this.off || this.off.nodes < this.copper.nodes) this.off = resistancesOf(this.elements, this.copper.nodes);
    return this.off.between(a, b);
  }

  /** V that a part has between a supply and its ground. */
  supply(part: string, supply: string, state: BenchState = this.resting): number {
    const card = this.circuit.parts.get(part)?.card;
    const terminal = card?.supplies.find(({ id }) => id === supply)?.terminal;
    const ground = card?.terminals.find(({ role }) => role === 'ground')?.id;
    if (!terminal || !ground) return 0;
    const { volts } = this.powered(state);
    return (volts[this.copper.pin(part, terminal)] ?? 0) - (volts[this.copper.pin(part, ground)] ?? 0);
  }

  /** Whether a part has what it needs to work, and is no dud. */
  alive(part: string, state: BenchState = this.resting): boolean {
    const node = this.circuit.parts.get(part);
    if (!node || this.faulty.dead.has(part)) return false;
    const parasite = Object.values(node.choice?.ports ?? {}).some(({ parasite: p }) => p === true);
    return node.card.supplies.every((supply) => {
      if (parasite) return true;
      const volts = this.supply(part, supply.id, state);
      const most = supply.absoluteMax?.max ?? (supply.range.max ?? Infinity) * 1.2;
      return volts >= (supply.range.min ?? 0) * SUPPLY_SHARE && volts <= most;
    });
  }

  /** How far above its threshold an end of a line sees it, as a share of its supply; below 0 where it is low. */
  aboveThreshold(end: LineEnd, state: BenchState = this.resting): number {
    const { volts } = this.powered(state);
    const ground = volts[end.ground] ?? 0;
    const supply = Math.max((volts[end.power] ?? 0) - ground, 0.5);
    return ((volts[end.node] ?? 0) - ground - thresholdOf(end.electrical, supply)) / supply;
  }

  /** Whether an end of a line sees it high. */
  isHigh(end: LineEnd, state: BenchState = this.resting): boolean {
    return this.aboveThreshold(end, state) > 0;
  }
}
