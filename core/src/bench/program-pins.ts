/** The controller's pins that a program may look at: lines of the plan, without those that only voltages are read on. */
import type { Ask, Protocol } from '../card/protocol.ts';
import type { Circuit, Net } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';
import { restState } from './rest-state.ts';
import { type BenchState, withListening } from './state.ts';

export interface ProgramPin {
  /** Terminal of the controller. */
  readonly terminal: string;
  /** Key of its end of the line. */
  readonly key: string;
  readonly net: string;
  /** The level of an output that may move, heat, light or sound something: a program that only looks never leaves it. Null for all others. */
  readonly rests: 'low' | 'high' | null;
  /** True where it is looked at against the pulls that it has inside. */
  readonly pulled: boolean;
  /** True for a line that every end only ever pulls low: it may be held low. */
  readonly openDrain: boolean;
}

/** Outputs that only talk: a clock, a selection, data. */
const TALKS: readonly Protocol[] = ['clocked', 'spi', 'uart'];

const acts = (net: Net, ask: Ask): boolean =>
  net.bus === null && (ask === 'out' || ask === 'pwm') && !TALKS.includes(net.protocol);

/** In the order of the plan's lines. */
export function programPins(circuit: Circuit): ProgramPin[] {
  const { controller } = circuit;
  if (!controller) return [];
  const cards = new Map(controller.card.controller?.pins.map((own) => [own.terminal, own]));
  const rest = restState(circuit);
  const seen = new Set<string>();
  return circuit.wishes.flatMap(({ pin, ask, net: id }): ProgramPin[] => {
    const net = circuit.nets.find((n) => n.id === id);
    if (pin === null || ask === 'adc' || !net || cards.get(pin)?.reserved || seen.has(pin)) return [];
    seen.add(pin);
    // A part's own output that rests high is on the line as well, but it is not ours.
    const isHigh = rest.high.has(keyOf(controller.id, pin)) && ask !== 'in' && ask !== 'irq' && ask !== 'uart.rx';
    const rests = isHigh ? 'high' : acts(net, ask) ? 'low' : null;
    return [
      {
        terminal: pin,
        key: keyOf(controller.id, pin),
        net: id,
        rests,
        pulled: rests === null && cards.get(pin)?.noPull === undefined,
        openDrain: net.openDrain,
      },
    ];
  });
}

/** Those that may be, listening against their own pulls. */
export const allListening = (rest: BenchState, pins: readonly ProgramPin[], pull: 'up' | 'down'): BenchState =>
  withListening(
    rest,
    pins.flatMap(({ key, pulled }) => (pulled ? [[key, pull] as const] : [])),
  );
