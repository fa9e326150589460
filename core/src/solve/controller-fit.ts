/** What the chosen parts ask of a controller, what a board offers, and what is left. */
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { functionsOf, instancesFor } from '../circuit/pin-function.ts';
import type { Interval } from '../quantity/interval.ts';
import { moveController, type Moved } from './move-controller.ts';
import { peripheralOf } from '../card/protocol.ts';

const ASK_KINDS = ['pins', 'analog', 'PWM', 'I²C', 'UART'] as const;
type AskKind = (typeof ASK_KINDS)[number];

interface AskCount {
  readonly kind: AskKind;
  readonly asked: number;
  /** What the board can give without touching pins that boot, flash, console or USB need. */
  readonly offered: number;
}

export interface ControllerFit {
  readonly card: Card;
  readonly asks: readonly AskCount[];
  /** Pins that no line of the plan needs. */
  readonly left: number;
  /** Of the rail whose levels it speaks; null when it is whatever feeds the board. */
  readonly logic: Interval | null;
  readonly rails: readonly { readonly name: string; readonly voltage: Interval | null; readonly limit: number }[];
  /** The plan moved to it; null for the controller that is there, and where there is none yet. */
  readonly moved: Moved | null;
}

function asked(circuit: Circuit): Record<AskKind, number> {
  const groups = (peripheral: string) =>
    new Set(
      circuit.wishes.flatMap(({ ask, group }) =>
        ask !== peripheral && peripheralOf(ask) === peripheral ? [group ?? ''] : [],
      ),
    ).size;
  return {
    pins: circuit.wishes.length,
    analog: circuit.wishes.filter(({ ask }) => ask === 'adc').length,
    PWM: circuit.wishes.filter(({ ask }) => ask === 'pwm').length,
    'I²C': groups('i2c'),
    UART: groups('uart'),
  };
}

function offered(card: Card): Record<AskKind, number> {
  const pins = (card.controller?.pins ?? []).filter(({ strap, reserved }) => !strap && !reserved);
  const all = pins.map((pin) => functionsOf(card, pin));
  const able = (ask: 'adc' | 'pwm') => all.filter((functions) => instancesFor(functions, ask).length > 0).length;
  const whole = (first: 'i2c.sda' | 'uart.tx', second: 'i2c.scl' | 'uart.rx') => {
    const [a, b] = [first, second].map((ask) => new Set(all.flatMap((functions) => instancesFor(functions, ask))));
    return [...(a ?? [])].filter((instance) => b?.has(instance)).length;
  };
  return {
    pins: pins.length,
    analog: able('adc'),
    PWM: able('pwm'),
    'I²C': whole('i2c.sda', 'i2c.scl'),
    UART: whole('uart.tx', 'uart.rx'),
  };
}

/** Every controller of the library against the plan, the one that is there first, then by what it lacks and what it costs. */
export function controllerFits(circuit: Circuit, library: Library): ControllerFit[] {
  const wants = asked(circuit);
  const here = circuit.controller?.card;
  const cards = [...library.values()].filter(({ kind, id }) => kind === 'controller' && id !== here?.id);
  const fits = [...(here ? [here] : []), ...cards].map((card): ControllerFit => {
    const gives = offered(card);
    const logicRail = card.rails?.find(({ id }) => id === card.controller?.io.reference);
    return {
      card,
      asks: ASK_KINDS.map((kind) => ({ kind, asked: wants[kind], offered: gives[kind] })),
      left: gives.pins - wants.pins,
      logic: logicRail?.voltage ? toInterval(logicRail.voltage) : null,
      rails: (card.rails ?? []).map(({ name, voltage, limit }) => ({
        name,
        voltage: voltage ? toInterval(voltage) : null,
        limit: toInterval(limit).min,
      })),
      moved: card === here ? null : moveController(circuit, library, card),
    };
  });
  const lacks = (fit: ControllerFit) =>
    fit.asks.filter(({ asked: a, offered: o }) => a > o).length + (fit.moved?.trouble ? 1 : 0);
  return fits.sort((a, b) => Number(b.card === here) - Number(a.card === here) || lacks(a) - lacks(b));
}
