/** Who feeds whom: the rails of a build and the supplies that hang on them, before any figure. */
import { SOCKET_RAIL } from '../card/kinds.ts';
import type { Supply } from '../card/card-shape.ts';
import type { NamedOffer, PartNode } from './model.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface CircuitPowerTreeSays {
  readonly pin: { pin: Text };
  readonly fromSocket: null;
}

const tell = tells<CircuitPowerTreeSays>('circuit/power-tree');

export interface Offered {
  readonly ref: string;
  readonly part: PartNode;
  readonly offer: NamedOffer;
  /** The rail that it is made from; null for a source, and for one that hangs loose. */
  readonly up: string | null;
  /** True for a pin of the controller that feeds a part. */
  readonly pin: boolean;
}

interface Fed {
  readonly part: PartNode;
  readonly supply: Supply;
}

export interface PowerTree {
  readonly parts: ReadonlyMap<string, PartNode>;
  readonly offers: ReadonlyMap<string, Offered>;
  readonly fedBy: ReadonlyMap<string, readonly Fed[]>;
  /** Rails that pins make of another, by that one. */
  readonly pinsOn: ReadonlyMap<string, readonly Offered[]>;
  /** The way from each rail up to its source; null when it runs in a circle or hangs loose. */
  readonly ways: ReadonlyMap<string, readonly string[] | null>;
}

/** The rail that feeds a supply; for a translator helper its near and far rails, the lower one on the low side. */
export const feedRail = (part: PartNode, supply: string): string | null => part.choice?.feeds[supply] ?? null;

const pinName = (part: PartNode, terminal: string): Text =>
  tell('pin', { pin: part.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal });

/** The pin behind a feed that names one, as a rail of the controller's logic supply. */
function pinOffer(ref: string, controller: PartNode | null): Offered | null {
  const { part: owner, own: terminal = '' } = parseRef(ref);
  const chip = controller?.card.controller;
  if (!controller || !chip || owner !== controller.id || !chip.pins.some((pin) => pin.terminal === terminal))
    return null;
  const { reference, outputHigh } = chip.io;
  const isRail = controller.card.rails?.some(({ id }) => id === reference);
  return {
    ref,
    part: controller,
    offer: {
      id: terminal,
      name: pinName(controller, terminal),
      terminal,
      limit: chip.pinCurrent.recommended,
      ...(outputHigh ? { voltage: { ...outputHigh, unit: 'V' } } : {}),
    },
    up: isRail ? keyOf(controller.id, reference) : feedRail(controller, reference),
    pin: true,
  };
}

export function powerTree(parts: ReadonlyMap<string, PartNode>, controller: PartNode | null): PowerTree {
  const offers = new Map<string, Offered>();
  const fedBy = new Map<string, Fed[]>();
  const pinsOn = new Map<string, Offered[]>();
  for (const part of parts.values())
    for (const offer of part.card.rails ?? []) {
      const up = offer.from ? feedRail(part, offer.from.supply) : null;
      const named = offer.id === SOCKET_RAIL ? { ...offer, name: tell('fromSocket') } : offer;
      offers.set(keyOf(part.id, offer.id), { ref: keyOf(part.id, offer.id), part, offer: named, up, pin: false });
    }
  for (const part of parts.values())
    for (const supply of part.card.supplies) {
      const rail = feedRail(part, supply.id);
      if (!rail) continue;
      const fed = fedBy.get(rail);
      if (fed) fed.push({ part, supply });
      else fedBy.set(rail, [{ part, supply }]);
      const pin = offers.has(rail) ? null : pinOffer(rail, controller);
      if (!pin) continue;
      offers.set(rail, pin);
      if (pin.up) pinsOn.set(pin.up, [...(pinsOn.get(pin.up) ?? []), pin]);
    }
  const isSource = ({ offer, pin }: Offered) => !offer.from && !pin;
  const wayOf = (ref: string): string[] | null => {
    const seen: string[] = [];
    for (let at: string | null = ref; at !== null;) {
      const offered = offers.get(at);
      if (!offered || seen.includes(at)) return null;
      seen.push(at);
      if (isSource(offered)) return seen;
      at = offered.up;
    }
    return null;
  };
  const ways = new Map([...offers.keys()].map((ref) => [ref, wayOf(ref)]));
  return { parts, offers, fedBy, pinsOn, ways };
}

/** False where the enable is tied: then it is always on, or never. */
const isSwitched = ({ offer, part }: Offered): boolean =>
  offer.switch !== undefined &&
  !Object.values(part.choice?.ports[offer.switch.port]?.lines ?? {}).some(({ tied }) => tied !== undefined);

/** Parts that switch a rail on and off, on the way from its source. */
export const switchesOf = (tree: PowerTree, ref: string): string[] =>
  (tree.ways.get(ref) ?? []).flatMap((at) => {
    const offered = tree.offers.get(at);
    return offered && (isSwitched(offered) || offered.pin) ? [offered.part.id] : [];
  });
