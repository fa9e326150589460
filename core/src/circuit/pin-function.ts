/** What a pin of a controller can do, and what a line asks of it. */
import type { Card } from '../card/card.ts';
import type { Pin } from '../card/controller.ts';
import type { Feature } from '../card/controller.ts';
import { peripheralOf, roleOf, type Ask } from '../card/protocol.ts';
import { printedNames } from './carrier.ts';
import type { Circuit, PinWish } from './model.ts';
import { perOwner, perOwnerAndKey } from '../quantity/memo.ts';
import { fact } from './watched.ts';

/** Every function of a pin: its own, and those the chip's matrix routes to any pin that is both in and out. */
export const functionsOf = (card: Card, pin: Pin): readonly string[] => functionsOfPin(pin, card);

/** A pin belongs to one card. */
const functionsOfPin = perOwner((pin: Pin, card: Card): readonly string[] => {
  const free = pin.functions.includes('in') && pin.functions.includes('out');
  return free ? [...pin.functions, ...(card.controller?.matrix ?? [])] : pin.functions;
});

/**
 * The instances of a peripheral on which a pin can serve the line; [''] where instances do not matter, empty when
 * it cannot.
 * @example a pin with i2c0.sda and i2c1.sda serves the ask "i2c.sda" on ['0', '1']
 */
export const instancesFor: (functions: readonly string[], ask: Ask) => readonly string[] = perOwnerAndKey(instancesOf);

function instancesOf(functions: readonly string[], ask: Ask): readonly string[] {
  const role = roleOf(ask);
  if (role) {
    const pattern = new RegExp(`^${peripheralOf(ask)}(\\d)\\.${role}$`);
    return functions.flatMap((f) => f.match(pattern)?.[1] ?? []);
  }
  const able =
    ask === 'inout'
      ? functions.includes('in') && functions.includes('out')
      : ask === 'in'
        ? functions.includes('in')
        : functions.some((f) => f === ask || f.startsWith(ask));
  return able ? [''] : [];
}

export interface PinUse {
  readonly pin: Pin;
  readonly label: string;
  /** Without converters that a feature in use takes. */
  readonly functions: readonly string[];
  readonly wishes: readonly PinWish[];
  /** False for a pin that a carrier covers without leading it out. */
  readonly led: boolean;
}

/** What the chip does besides its pins. */
export const featuresOf = (circuit: Circuit): readonly Feature[] => circuit.controller?.card.controller?.features ?? [];

/** What the chip does besides that the build uses. */
export const featuresInUse = (circuit: Circuit): Feature[] =>
  featuresOf(circuit).filter(({ id }) => !circuit.plan.unused?.includes(id));

/** The numbered unit of a function, "adc1" of "adc1.6"; null where it has none. */
export const unitOf = (name: string): string | null => /^((?:adc|i2c|uart|spi)\d)\./.exec(name)?.[1] ?? null;

const leftBy = (taken: ReadonlySet<string>, functions: readonly string[]): readonly string[] =>
  taken.size === 0 ? functions : without(functions, [...taken].join(' '), taken);
const without = perOwnerAndKey((functions: readonly string[], _units: string, taken: ReadonlySet<string>) =>
  functions.filter((f) => !taken.has(unitOf(f) ?? '')),
);

const labelOf = (label: string, printed: string | undefined): string => (printed ? `${printed} (${label})` : label);

/** Every pin of the controller with the lines on it, in the card's order. */
export function pinUses(circuit: Circuit): PinUse[] {
  const card = circuit.controller?.card;
  if (!card?.controller) return [];
  const byPin = new Map<string, PinWish[]>();
  for (const wish of circuit.wishes) if (wish.pin) byPin.set(wish.pin, [...(byPin.get(wish.pin) ?? []), wish]);
  const labels = new Map(card.terminals.map(({ id, label }) => [id, label]));
  const printed = printedNames(circuit);
  const taken = new Set(featuresInUse(circuit).flatMap(({ takes }) => takes));
  return card.controller.pins.map((pin) => ({
    pin,
    label: labelOf(labels.get(pin.terminal) ?? pin.terminal, printed?.get(pin.terminal)?.name),
    led: printed === null || printed.get(pin.terminal)?.free === true,
    functions: leftBy(taken, functionsOf(card, pin)),
    wishes: byPin.get(pin.terminal) ?? [],
  }));
}

export const pinByTerminal = (card: Card, terminal: string): Pin | undefined =>
  card.controller?.pins.find((pin) => pin.terminal === terminal);

/** The line of the same port that a line can be taken for. */
const COUNTERPART: Readonly<Partial<Record<Ask, Ask>>> = {
  'i2c.sda': 'i2c.scl',
  'i2c.scl': 'i2c.sda',
  'uart.tx': 'uart.rx',
  'uart.rx': 'uart.tx',
  'spi.in': 'spi.out',
  'spi.out': 'spi.in',
};

/** True for a line that sits on a pin which can only be its partner: data on the clock pin, transmitter on transmitter. */
export function isCrossed(circuit: Circuit, wish: PinWish): boolean {
  const card = circuit.controller?.card;
  const pin = card && wish.pin ? pinByTerminal(card, wish.pin) : undefined;
  const partner = COUNTERPART[wish.ask];
  if (!card || !pin || !partner) return false;
  const functions = functionsOf(card, pin);
  return instancesFor(functions, wish.ask).length === 0 && instancesFor(functions, partner).length > 0;
}

/**
 * The instance a group of lines is on, decided by those that have a pin: the instances that serve all of them.
 * @returns instances left; empty when the pins exclude each other
 */
export const groupInstances = (circuit: Circuit, group: string): readonly string[] => ofGroups(circuit, group) ?? [];

const ofGroups = fact('group', ({ controller, wishes }) => {
  const left = new Map<string, readonly string[]>();
  for (const { group, pin: terminal, ask } of controller ? wishes : []) {
    if (group === null || !terminal || !controller) continue;
    const pin = pinByTerminal(controller.card, terminal);
    const can = pin ? instancesFor(functionsOf(controller.card, pin), ask) : [];
    left.set(group, left.get(group)?.filter((instance) => can.includes(instance)) ?? can);
  }
  return left;
});
