/** Who feeds whom: the rails of a build and the supplies that hang on them, before any figure. */
import { SOCKET, SOCKET_RAIL } from '../card/kinds.ts';
import type { Supply } from '../card/card-shape.ts';
import type { Feed, NamedOffer, PartNode } from './model.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf, ownerOf, parseRef } from '../plan/ref.ts';
import { fewOfOwner, perOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface CircuitPowerTreeSays {
  readonly pin: { pin: Text };
  readonly fromSocket: null;
  readonly rail: { offer: Text; part: Text };
}

const tell = tells<CircuitPowerTreeSays>('circuit/power-tree');

export interface Offered {
  readonly ref: string;
  readonly label: Text;
  /** The source or regulator whose voltage it has. */
  readonly root: string;
  /** The part that it comes from in the end. */
  readonly source: string;
  /** Parts that switch it on and off, on the way from its source. */
  readonly switches: readonly string[];
  readonly part: PartNode;
  readonly offer: NamedOffer;
  /** The rail that it is made from; null for a source, and for one that hangs loose. */
  readonly up: string | null;
  /** True for a pin of the controller that feeds a part. */
  readonly pin: boolean;
}

/** A supply, the rail that feeds it, and how the two are joined. */
export interface Feeding {
  readonly key: string;
  readonly part: PartNode;
  readonly supply: Supply;
  readonly rail: string | null;
  readonly by: Feed['by'];
  /** Rails that the part makes of it. */
  readonly makes: readonly string[];
}

export interface PowerTree {
  readonly parts: ReadonlyMap<string, PartNode>;
  readonly offers: ReadonlyMap<string, Offered>;
  readonly fedBy: ReadonlyMap<string, readonly Feeding[]>;
  /** Rails that pins make of another, by that one. */
  readonly pinsOn: ReadonlyMap<string, readonly Offered[]>;
  /** Every supply of every part, fed or not. */
  readonly feeds: readonly Feeding[];
  /** Whether every supply of a part is switched. */
  isSwitched(part: PartNode): boolean;
  /** The way from each rail up to its source; null when it runs in a circle or hangs loose. */
  readonly ways: ReadonlyMap<string, readonly string[] | null>;
}

/** A rail before it is known where it comes from. */
type Bare = Omit<Offered, 'label' | 'root' | 'source' | 'switches'>;

/** The rail that feeds a supply; for a translator helper its near and far rails, the lower one on the low side. */
const feedRail = (part: PartNode, supply: string): string | null => part.choice?.feeds[supply] ?? null;

const pinName = (part: PartNode, terminal: string): Text =>
  tell('pin', { pin: part.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal });

/** The pin behind a feed that names one, as a rail of the controller's logic supply. */
function pinOffer(ref: string, controller: PartNode | null): Bare | null {
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

/** The rails of a part, which the part alone says. */
const bareOf = perOwner((part: PartNode): readonly Bare[] =>
  (part.card.rails ?? []).map((offer) => {
    const up = offer.from ? feedRail(part, offer.from.supply) : null;
    const named = offer.id === SOCKET_RAIL ? { ...offer, name: tell('fromSocket') } : offer;
    return { ref: keyOf(part.id, offer.id), part, offer: named, up, pin: false };
  }),
);

export function powerTree(parts: ReadonlyMap<string, PartNode>, controller: PartNode | null): PowerTree {
  const bare = new Map<string, Bare>();
  const fedBy = new Map<string, Feeding[]>();
  const pinNames = new Map<string, string[]>();
  for (const part of parts.values()) for (const offered of bareOf(part)) bare.set(offered.ref, offered);
  for (const part of parts.values())
    for (const feeding of feedingsOf(part)) {
      const { rail } = feeding;
      if (!rail) continue;
      const fed = fedBy.get(rail);
      if (fed) fed.push(feeding);
      else fedBy.set(rail, [feeding]);
      const pin = bare.has(rail) ? null : pinOffer(rail, controller);
      if (!pin) continue;
      bare.set(rail, pin);
      if (pin.up) pinNames.set(pin.up, [...(pinNames.get(pin.up) ?? []), rail]);
    }
  const ways = new Map([...bare.keys()].map((ref) => [ref, wayOf(bare, ref)]));
  const offers = new Map([...bare].map(([ref, offered]) => [ref, standing(bare, offered, ways.get(ref) ?? null)]));
  const pinsOn = new Map([...pinNames].map(([up, names]) => [up, names.flatMap((ref) => offers.get(ref) ?? [])]));
  const isSwitched = (part: PartNode) =>
    part.card.supplies.every(({ id }) => (offers.get(feedRail(part, id) ?? '')?.switches.length ?? 0) > 0);
  const feeds = [...parts.values()].flatMap((part) => feedingsOf(part));
  return { parts, offers, fedBy, pinsOn, ways, feeds, isSwitched };
}

/** Up to the source; null for one that runs in a circle or hangs loose. */
function wayOf(offers: ReadonlyMap<string, Bare>, ref: string): string[] | null {
  const seen: string[] = [];
  for (let at: string | null = ref; at !== null;) {
    const offered = offers.get(at);
    if (!offered || seen.includes(at)) return null;
    seen.push(at);
    if (!offered.offer.from && !offered.pin) return seen;
    at = offered.up;
  }
  return null;
}

/** What a rail is, apart from its figures. */
function standing(offers: ReadonlyMap<string, Bare>, offered: Bare, way: readonly string[] | null): Offered {
  const { ref, part } = offered;
  const root = way?.find((at) => offers.get(at)?.offer.voltage) ?? ref;
  const source = offers.get(way?.at(-1) ?? '')?.part.id ?? part.id;
  const switches = (way ?? []).flatMap((at) => {
    const above = offers.get(at);
    return above && (takesTurns(above) || above.pin) ? [above.part.id] : [];
  });
  return offeredOf(offered, [root, source, ...switches]);
}

const offeredOf = fewOfOwner(
  (bare: Bare, [root, source, ...switches]: readonly [string, string, ...string[]]): Offered => ({
    ...bare,
    label: tell('rail', { offer: bare.offer.name, part: bare.part.label }),
    root,
    source,
    switches,
  }),
);

/** False where the enable is tied: then it is always on, or never. */
const takesTurns = ({ offer, part }: Bare): boolean =>
  offer.switch !== undefined &&
  !Object.values(part.choice?.ports[offer.switch.port]?.lines ?? {}).some(({ tied }) => tied !== undefined);

const feedingsOf = perOwner((part: PartNode): readonly Feeding[] =>
  part.card.supplies.map((supply) => feedingOf(part, supply)),
);

function feedingOf(part: PartNode, supply: Supply): Feeding {
  const rail = feedRail(part, supply.id);
  const by = supply.id === SOCKET ? 'cable' : ownerOf(rail) === part.id ? 'inside' : 'leads';
  const made = (part.card.rails ?? []).filter(({ from }) => from?.supply === supply.id);
  return { key: keyOf(part.id, supply.id), part, supply, rail, by, makes: made.map(({ id }) => keyOf(part.id, id)) };
}
