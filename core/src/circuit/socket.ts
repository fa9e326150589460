/**
 * A board with a cable in its programming socket. The socket becomes a supply of the board, and what lies behind it - a diode, a
 * fuse, a switch, or nothing - a rail that the board makes of it. Everything after this sees a card like any other.
 */
import type { Card } from '../card/card.ts';
import type { RailOffer } from '../card/power.ts';
import { SOCKET, SOCKET_RAIL } from '../card/kinds.ts';
import type { UsbSocket } from '../card/power.ts';
import type { PartChoice } from '../plan/plan.ts';
import { SOCKET_LIMIT } from '../standard/common-practice.ts';
import { keyOf } from '../plan/ref.ts';
import { perOwnerAndKey } from '../quantity/memo.ts';

/** The socket of a card, if it has one. */
export const socketOf = (card: Card): UsbSocket | null => card.controller?.usb ?? null;

/** Whether the plan has a cable in the socket. */
export const isPluggedIn = (choice: Pick<PartChoice, 'feeds'>): boolean => choice.feeds[SOCKET] !== undefined;

/** With another source on the supply that the socket meets, or with the socket alone. */
const fedCard = perOwnerAndKey((card: Card, beside: boolean, usb: UsbSocket): Card =>
  usb.makes === undefined ? joined(card, usb) : direct(card, usb, usb.makes, beside),
);

/** The card and the choices of a part as its feeds make them; the same where no cable is in its socket. */
export function asFed(card: Card, choice: PartChoice): { card: Card; choice: PartChoice } {
  const usb = socketOf(card);
  if (!usb || !isPluggedIn(choice)) return { card, choice };
  const beside = choice.feeds[usb.supply] !== undefined;
  const fed = fedCard(card, beside, usb);
  if (usb.makes !== undefined) return { card: fed, choice };
  const rail = keyOf(choice.id, SOCKET_RAIL);
  return {
    card: fed,
    choice: beside
      ? { ...choice, also: { ...choice.also, [usb.supply]: rail } }
      : { ...choice, feeds: { ...choice.feeds, [usb.supply]: rail } },
  };
}

const socketSupply = ({ voltage, source }: UsbSocket): Card['supplies'][number] => ({
  id: SOCKET,
  terminal: SOCKET,
  range: voltage,
  current: { active: { typ: 0, max: 0, unit: 'A', source } },
});

function withTerminal(card: Card): Pick<Card, 'headers' | 'terminals'> {
  return {
    headers: [...card.headers, { id: SOCKET, kind: 'socket', rows: 1, pitch: 0.00254 }],
    terminals: [
      ...card.terminals,
      { id: SOCKET, label: 'USB', names: ['socket'], role: 'supply', header: SOCKET, position: 1 },
    ],
  };
}

const limitOf = (usb: UsbSocket): RailOffer['limit'] =>
  usb.limit ?? { min: SOCKET_LIMIT, unit: 'A', source: usb.source };

const passed = (usb: UsbSocket): NonNullable<RailOffer['from']> => ({
  supply: SOCKET,
  by: 'pass',
  ...(usb.drop ? { drop: usb.drop } : {}),
});

/** Where the socket meets a supply, that supply is fed from it and its pin gives the same to others. */
function joined(card: Card, usb: UsbSocket): Card {
  const supply = card.supplies.find(({ id }) => id === usb.supply);
  const offer: RailOffer = {
    id: SOCKET_RAIL,
    // How it is called is said where rails are named.
    name: SOCKET_RAIL,
    terminal: supply?.terminal ?? SOCKET,
    limit: limitOf(usb),
    from: passed(usb),
  };
  return {
    ...card,
    ...withTerminal(card),
    supplies: [...card.supplies, socketSupply(usb)],
    rails: [...(card.rails ?? []), offer],
  };
}

/**
 * Where the socket makes a rail directly, that rail and those beside it hang on the socket while nothing else feeds the board;
 * with a source at the other supply as well, the board takes that one.
 */
function direct(card: Card, usb: UsbSocket, makes: string, beside: boolean): Card {
  if (beside) return { ...card, ...withTerminal(card), supplies: [...card.supplies, socketSupply(usb)] };
  const rails = (card.rails ?? []).map((rail): RailOffer => {
    if (rail.from?.supply !== usb.supply) return rail;
    if (rail.id !== makes) return { ...rail, from: { ...rail.from, supply: SOCKET } };
    const { voltage: _regulated, ...rest } = rail;
    return { ...rest, limit: limitOf(usb), from: passed(usb) };
  });
  return {
    ...card,
    ...withTerminal(card),
    supplies: [...card.supplies.filter(({ id }) => id !== usb.supply), socketSupply(usb)],
    rails,
  };
}
