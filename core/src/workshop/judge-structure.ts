/** Names in a card that lead to the same thing, or to nothing that can work. */
import type { Card } from '../card/card.ts';
import { PORT_LINES, type Protocol } from '../card/protocol.ts';
import { addressOf } from '../quantity/message.ts';
import { type Doubt, doubt } from './doubt.ts';

/** Each pair of things that have the same key. */
function twice<T>(list: readonly T[], key: (item: T) => string): [T, T][] {
  const first = new Map<string, T>();
  return list.flatMap((item): [T, T][] => {
    const known = first.get(key(item));
    if (known !== undefined) return [[known, item]];
    first.set(key(item), item);
    return [];
  });
}

function pinDoubts({ terminals, signals, supplies }: Card): Doubt[] {
  const used = [
    ...supplies.map(({ id, terminal }) => ({ id, terminal, place: 'supplies' })),
    ...signals.map(({ id, terminal }) => ({ id, terminal, place: 'signals' })),
  ];
  return [
    ...twice(used, ({ terminal }) => terminal).map(([one, other]) => ({
      place: other.place,
      says: doubt('sharedPin', { pin: other.terminal, one: one.id, other: other.id }),
    })),
    ...twice(terminals, ({ header, position }) => `${header} ${position}`).map(([one, other]) => ({
      place: 'terminals',
      says: doubt('sharedPlace', { one: one.label, other: other.label }),
    })),
  ];
}

/** Lines without which nothing can be spoken. */
const NEEDED: Partial<Record<Protocol, readonly string[]>> = {
  i2c: ['sda', 'scl'],
  onewire: ['data'],
  spi: ['clk'],
  pulse: ['data'],
  clocked: ['data', 'clock'],
  led: ['anode'],
  pwm: ['in'],
  analog: ['out'],
  'digital-in': ['in'],
};

/** Addresses that the bus keeps for itself: NXP UM10204, section 3.1.12, table 3. */
const isReserved = (address: number): boolean => address < 0x08 || address > 0x77;

function portDoubts({ ports }: Card): Doubt[] {
  return ports.flatMap(({ id, protocol, lines, addresses = [] }) => [
    ...(NEEDED[protocol] ?? [])
      .filter((line) => Object.hasOwn(PORT_LINES[protocol], line) && !Object.hasOwn(lines, line))
      .map((line) => ({ place: 'ports', says: doubt('lineMissing', { port: id, line }) })),
    ...addresses
      .filter(({ value }) => protocol === 'i2c' && isReserved(value))
      .map(({ value }) => ({
        place: `ports/${id}/addresses`,
        says: doubt('reservedAddress', { address: addressOf(value) }),
      })),
    ...twice(addresses, ({ value }) => String(value)).map(([, { value }]) => ({
      place: `ports/${id}/addresses`,
      says: doubt('addressTwice', { address: addressOf(value) }),
    })),
  ]);
}

function feedDoubts({ kind, terminals, supplies, rails = [], controller }: Card): Doubt[] {
  const isFed = supplies.length > 0 || controller?.usb !== undefined;
  const isWired = supplies.length > 0 || rails.some(({ from }) => !from);
  const isElectric = kind === 'module' || kind === 'controller' || kind === 'regulator';
  return [
    ...(controller && !isFed ? [{ place: 'supplies', says: doubt('noFeed') }] : []),
    ...(isElectric && isWired && !terminals.some(({ role }) => role === 'ground')
      ? [{ place: 'terminals', says: doubt('noGround') }]
      : []),
  ];
}

function controllerDoubts({ controller, terminals }: Card): Doubt[] {
  const pins = controller?.pins ?? [];
  const channels = pins.flatMap(({ terminal, functions }) =>
    functions.filter((name) => /^(?:adc|dac)/.test(name)).map((channel) => ({ channel, terminal })),
  );
  const power = new Set(terminals.filter(({ role }) => role === 'ground' || role === 'supply').map(({ id }) => id));
  return [
    ...twice(channels, ({ channel }) => channel).map(([one, other]) => ({
      place: 'controller/pins',
      says: doubt('channelTwice', { channel: one.channel, one: one.terminal, other: other.terminal }),
    })),
    ...pins
      .filter(({ terminal }) => power.has(terminal))
      .map(({ terminal }) => ({ place: 'controller/pins', says: doubt('pinIsPower', { pin: terminal }) })),
  ];
}

const translatorDoubts = ({ translator }: Card): Doubt[] =>
  (translator?.channels ?? []).flatMap(({ low, high }, i) =>
    low === high ? [{ place: 'translator/channels', says: doubt('joinsItself', { channel: i + 1 }) }] : [],
  );

export const structureOf = (card: Card): Doubt[] => [
  ...pinDoubts(card),
  ...feedDoubts(card),
  ...portDoubts(card),
  ...controllerDoubts(card),
  ...translatorDoubts(card),
];
