/** Where a line rests from power-on until the program sets its pin. */
import type { Circuit, Net } from '../circuit/model.ts';
import { pinByTerminal } from '../circuit/pin-function.ts';
import { toInterval } from '../card/to-interval.ts';
import { exact, type Interval } from '../quantity/interval.ts';
import type { RailAt } from './node.ts';
import { add, divide, per, subtract } from '../quantity/sum.ts';
import { quantityOf, tells, type Text, type Sum } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsAtBootSays {
  readonly pinsOwnPull: { up: boolean };
  readonly nothingPulls: null;
  readonly pulled: { pulls: readonly Text[]; sum: Sum };
}

const tell = tells<PhysicsAtBootSays>('physics/at-boot');

export interface BootRest {
  /** V; both null while nothing decides: the line floats. */
  readonly low: number | null;
  readonly high: number | null;
  readonly sum: Sum;
  /** What the pin drives by itself meanwhile. */
  readonly drives: 'nothing' | 'low' | 'high' | 'pulses';
}

/** A resistor to a voltage; 0 V for ground. */
interface Pull {
  readonly volts: Interval;
  readonly ohms: Interval;
  readonly label: Text;
  /** Its rail; null for ground. */
  readonly root: string | null;
}

const GROUND: Interval = { min: 0, typ: 0, max: 0 };
const V = (x: number) => quantityOf(x, 'V', 4);
const R = (x: number) => quantityOf(x, 'Ω', 4);

/** Σ(V/R) ÷ Σ(1/R), what leaks in or out on top. */
function node(pulls: readonly Pull[], want: 'low' | 'high', leakage: number): { volts: number; sum: Sum } {
  const lifted = want === 'high';
  const terms = pulls.map(({ volts, ohms }) => {
    const v = lifted ? volts.max : volts.min;
    // Towards the wanted end the strongest, against it the weakest.
    const helps = lifted ? v > 0 : v === 0;
    return { v, r: helps ? ohms.min : ohms.max };
  });
  const siemens = terms.reduce((g, { r }) => g + 1 / r, 0);
  const amps = terms.reduce((i, { v, r }) => i + v / r, 0) + (lifted ? leakage : -leakage);
  const flows = add(...terms.map(({ v, r }) => per(V(v), R(r))));
  const leaks = leakage > 0 ? (lifted ? add : subtract)(flows, quantityOf(leakage, 'A')) : flows;
  const sum = divide(leaks, add(...terms.map(({ r }) => per(1, R(r)))));
  return { volts: Math.max(0, amps / siemens), sum };
}

/** The controller's own pull at the start. */
function pinPull(circuit: Circuit, net: Net): Pull[] {
  const controller = circuit.controller;
  const end = net.ends.find((e) => e.controller);
  const pin = end && controller && pinByTerminal(controller.card, end.terminal);
  const ohms = controller?.card.controller?.io.weakPull;
  const supply = end?.power.voltage;
  if (!pin?.boot?.pull || !ohms || !supply) return [];
  const volts = pin.boot.pull === 'up' ? supply : GROUND;
  const root = pin.boot.pull === 'up' ? (end?.power.rail ?? null) : null;
  return [{ volts, ohms: toInterval(ohms), label: tell('pinsOwnPull', { up: pin.boot.pull === 'up' }), root }];
}

/**
 * The voltages between which a line may rest while the pin is not yet set: every resistor on it, the pin's own pull at
 * the start, and all leakage. The pull that the program switches on later does not count.
 * @param net the net on the controller's side
 * @param at a rail that is taken to be at a voltage, for what is held against that rail's own share
 */
export function bootRest(circuit: Circuit, net: Net, at: RailAt | null = null): BootRest {
  const end = net.ends.find((e) => e.controller);
  const pin = end && circuit.controller && pinByTerminal(circuit.controller.card, end.terminal);
  const drives = pin?.boot?.drives ?? 'nothing';
  const all: Pull[] = [
    ...net.pullUps.flatMap(({ voltage, ohms, label, root }) =>
      voltage ? [{ volts: voltage, ohms, label, root }] : [],
    ),
    ...net.pullDowns.map(({ ohms, label }) => ({ volts: GROUND, ohms, label, root: null })),
    ...pinPull(circuit, net),
  ];
  const pulls = all.map((pull) => (at && pull.root === at.rail ? { ...pull, volts: exact(at.volts) } : pull));
  if (pulls.length === 0) return { low: null, high: null, sum: tell('nothingPulls'), drives };
  const leakage = net.ends.reduce((total, e) => total + e.leakage, 0);
  const high = node(pulls, 'high', leakage);
  return {
    low: node(pulls, 'low', leakage).volts,
    high: high.volts,
    sum: tell('pulled', { pulls: pulls.map(({ label }) => label), sum: high.sum }),
    drives,
  };
}
