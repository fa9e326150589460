/** The controller's pins that a program may look at: lines of the plan, without those that only voltages are read on. */
import type { Circuit, Net, PartNode } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';
import { restState } from './rest-state.ts';
import { type BenchState, type OwnPull, withListening } from './state.ts';

export interface ProgramPin {
  /** Terminal of the controller. */
  readonly terminal: string;
  /** Key of its end of the line. */
  readonly key: string;
  readonly net: string;
  /** True where a level that is pulled up could move, heat or switch something: it is only ever pulled down. */
  readonly risky: boolean;
  /** True for an output that stays high while nothing happens: it is left alone. */
  readonly restsHigh: boolean;
  /** True for a line that every end only ever pulls low: it may be held low. */
  readonly openDrain: boolean;
}

/** Parts that do something that can hurt, or take the supply from others, as soon as their line is high or low. */
const moves = ({ card }: PartNode): boolean =>
  card.driver !== undefined ||
  card.contact !== undefined ||
  (card.rails ?? []).some((rail) => rail.switch !== undefined) ||
  card.ports.some(({ protocol }) => protocol === 'coil') ||
  (card.cautions ?? []).some(({ hazard }) => hazard === 'mains' || hazard === 'heat');

function isRisky(circuit: Circuit, net: Net): boolean {
  const others = net.ends.filter(({ controller, divider }) => !controller && !divider);
  return others.some(({ part }) => {
    const node = circuit.parts.get(part);
    return node !== undefined && moves(node) && net.bus === null;
  });
}

/** In the order of the plan's lines. */
export function programPins(circuit: Circuit): ProgramPin[] {
  const { controller } = circuit;
  if (!controller) return [];
  const reserved = new Set(
    controller.card.controller?.pins.flatMap(({ terminal, reserved: by }) => (by ? [terminal] : [])) ?? [],
  );
  const rest = restState(circuit);
  const seen = new Set<string>();
  return circuit.wishes.flatMap(({ pin, ask, net: id }): ProgramPin[] => {
    const net = circuit.nets.find((n) => n.id === id);
    if (pin === null || ask === 'adc' || !net || reserved.has(pin) || seen.has(pin)) return [];
    seen.add(pin);
    return [
      {
        terminal: pin,
        key: keyOf(controller.id, pin),
        net: id,
        risky: isRisky(circuit, net),
        // A part's own output that rests high is on the line as well, but it is not ours.
        restsHigh: rest.high.has(keyOf(controller.id, pin)) && ask !== 'in' && ask !== 'irq' && ask !== 'uart.rx',
        openDrain: net.openDrain,
      },
    ];
  });
}

/** All of them listening, with their own pulls on, but those that rest high. */
export const allListening = (rest: BenchState, pins: readonly ProgramPin[], pull: OwnPull): BenchState =>
  withListening(
    rest,
    pins
      .filter(({ restsHigh }) => !restsHigh)
      .map(({ key, risky }) => [key, risky && pull === 'up' ? 'none' : pull] as const),
  );
