/** What whole sets are searched over: a controller, and for every need the offers of every card that meets it. */
import type { Card } from '../../card/card.ts';
import type { Offer } from '../../card/card-shape.ts';
import { toInterval } from '../../card/to-interval.ts';
import { isBusLine, PORT_LINES, type Ask } from '../../card/protocol.ts';
import { drawOf } from '../../circuit/draw.ts';
import { mean } from '../../quantity/steps.ts';
import { errorOver, measureFor } from '../../check/sense-error.ts';
import { boardFront } from '../../physics/analog-front.ts';
import { qualify, settingOf, type Reason } from '../../compare/qualify.ts';
import type { Need, Plan } from '../../plan/plan.ts';
import { interval, type Interval } from '../../quantity/interval.ts';
import { linkTo, type Feedable, type Link } from './link.ts';

/** An offer of a card for a need, on one controller. */
export interface Option {
  readonly card: Card;
  readonly offer: Offer;
  /** Largest error as a share of the wanted accuracy; 0 for what does not measure. */
  readonly error: number;
  /** Typical current over its duty, A. */
  readonly current: number;
  /** Rows of the breadboard that it takes. */
  readonly rows: number;
  readonly link: Link;
  readonly demand: Demand;
}

/** What a part asks of the controller's pins and buses. */
export interface Demand {
  /** Lines of its own. */
  readonly asks: readonly { readonly ask: Ask; readonly group: string | null }[];
  /** For each I²C port the addresses that it can be set to. */
  readonly addresses: readonly (readonly number[])[];
  readonly oneWire: boolean;
  readonly spi: boolean;
  /** Loads that need a driver. */
  readonly coils: number;
}

export interface SetNeed {
  readonly need: Need;
  /** Needs of one place may share a part. */
  readonly place: string;
  readonly options: readonly Option[];
  readonly out: readonly { readonly reason: Reason; readonly cards: readonly Card[] }[];
  /** Cards that meet the need and that no rail of this build can feed. */
  readonly unfed: readonly Card[];
}

/** The search on one controller. */
export interface SetProblem {
  readonly controller: Card;
  readonly controllerOffer: Offer;
  readonly needs: readonly SetNeed[];
  readonly most: number | null;
  /** With what chance enough pieces of each part must work. */
  readonly sure: number;
  /** What a translator and a driver add, each at its cheapest in time; null where none can be had. */
  readonly translator: Accessory | null;
  readonly driver: Accessory | null;
}

interface Accessory {
  readonly card: Card;
  readonly offer: Offer;
  readonly rows: number;
  /** Lines that one of them passes. */
  readonly channels: number;
}

/** Rows of a breadboard between the first and the last pin of the longest header. */
const rowsOf = (card: Card): number =>
  card.mount !== 'breadboard'
    ? 0
    : Math.max(
        0,
        ...card.headers.map(({ id, rows }) =>
          Math.ceil(card.terminals.filter(({ header }) => header === id).length / rows),
        ),
      );

function demandOf(card: Card): Demand {
  const asks: { ask: Ask; group: string | null }[] = [];
  for (const port of card.ports) {
    if (port.protocol === 'coil') continue;
    for (const line of Object.keys(port.lines)) {
      if (isBusLine(port.protocol, line)) continue;
      const ask = PORT_LINES[port.protocol][line];
      if (ask) asks.push({ ask, group: port.protocol === 'uart' ? port.id : null });
    }
  }
  return {
    asks,
    addresses: card.ports
      .filter(({ protocol }) => protocol === 'i2c')
      .map(({ addresses }) => addresses?.map(({ value }) => value) ?? []),
    oneWire: card.ports.some(({ protocol }) => protocol === 'onewire'),
    spi: card.ports.some(({ protocol }) => protocol === 'spi'),
    coils: card.ports.filter(({ protocol }) => protocol === 'coil').length,
  };
}

/** The rails of a controller card at their printed voltage, and those that stand in the plan already. */
function feedables(controller: Card, standing: readonly Interval[]): Feedable[] {
  const own = (controller.rails ?? []).flatMap((rail) => {
    if (rail.voltage)
      return [{ voltage: toInterval(rail.voltage), logic: rail.id === controller.controller?.io.reference }];
    const supply = controller.supplies.find(({ id }) => id === rail.from?.supply);
    // What is passed through is whatever feeds the board.
    const feed =
      supply && standing.find((v) => v.min >= toInterval(supply.range).min && v.max <= toInterval(supply.range).max);
    return feed ? [{ voltage: feed, logic: rail.id === controller.controller?.io.reference }] : [];
  });
  const direct = controller.supplies.find(({ id }) => id === controller.controller?.io.reference);
  const logicFeed =
    direct && standing.find((v) => v.min >= toInterval(direct.range).min && v.max <= toInterval(direct.range).max);
  return [
    ...own,
    ...(logicFeed && !own.some(({ logic }) => logic) ? [{ voltage: logicFeed, logic: true }] : []),
    ...standing.map((voltage) => ({ voltage, logic: false })),
  ];
}

const inTime = (card: Card, days: number | undefined): Offer[] =>
  card.offers.filter((o) => days === undefined || o.leadDays <= days);
const cheapest = (offers: readonly Offer[]): Offer | undefined =>
  [...offers].sort((a, b) => a.price / a.pack - b.price / b.pack)[0];

function accessory(cards: readonly Card[], is: (card: Card) => boolean, days: number | undefined): Accessory | null {
  const found = cards.filter(is).flatMap((card) => {
    const offer = cheapest(inTime(card, days));
    return offer ? [{ card, offer, rows: rowsOf(card), channels: card.translator?.channels.length ?? 1 }] : [];
  });
  return (
    found.sort(
      (a, b) => a.offer.price / a.offer.pack - b.offer.price / b.offer.pack || (a.card.id < b.card.id ? -1 : 1),
    )[0] ?? null
  );
}

/** Needs that a search can serve: what is measured, and what asks for a service. */
const searchable = (need: Need): boolean =>
  need.kind === 'sense' || (need.kind !== 'trigger' && need.service !== undefined);

/**
 * @param controller with the offer that it would be bought for
 * @param standing voltages of rails that the plan has besides the controller's
 */
export function setProblem(
  plan: Plan,
  cards: Iterable<Card>,
  controller: Card,
  controllerOffer: Offer,
  standing: readonly Interval[],
): SetProblem {
  const all = [...cards];
  const days = plan.readyInDays;
  // Helpers come no later than the controller does: a set that is quick is quick with everything it needs.
  const helperDays = Math.min(days ?? Infinity, controllerOffer.leadDays);
  const openDrain = (card: Card) => card.kind === 'translator' && card.translator?.style === 'open-drain';
  const translator = accessory(all, openDrain, helperDays) ?? accessory(all, openDrain, days);
  const isDriver = (card: Card) => card.kind === 'driver';
  const driver = accessory(all, isDriver, helperDays) ?? accessory(all, isDriver, days);
  const rails = feedables(controller, standing);
  const logic = rails.find((rail) => rail.logic)?.voltage ?? interval(0, 0, 0);
  const front = boardFront(controller, logic, plan.rules.series);
  const needs = plan.needs.filter(searchable).map((need): SetNeed => {
    const setting = settingOf(plan, need, front);
    const { able, out } = qualify(all, need, setting);
    const unfed: Card[] = [];
    const options = able.flatMap((card): Option[] => {
      const link = linkTo(card, controller, rails, plan.rules.feed);
      const measure = need.kind === 'sense' ? measureFor(card, need) : undefined;
      if (measure?.analog && !front.adc) return [];
      if (!link || (link.channels > 0 && !translator) || (demandOf(card).coils > 0 && !driver)) {
        unfed.push(card);
        return [];
      }
      const sum = measure && need.kind === 'sense' ? errorOver(card, measure, need, plan.lifeYears, front) : null;
      const base = {
        card,
        error: sum && need.kind === 'sense' ? sum.total / need.accuracy : 0,
        current: card.supplies.reduce((total, supply) => total + mean(drawOf(supply.current).usual), 0),
        rows: rowsOf(card),
        link,
        demand: demandOf(card),
      };
      return inTime(card, days).map((offer) => ({ ...base, offer }));
    });
    return { need, place: need.kind === 'trigger' ? '' : need.place, options, out, unfed };
  });
  // Needs of one place stand together, so that a part that several share is decided in one go.
  const order = [...new Set(needs.map(({ place }) => place))];
  return {
    controller,
    controllerOffer,
    needs: needs.sort((a, b) => order.indexOf(a.place) - order.indexOf(b.place)),
    most: plan.budget?.most ?? null,
    sure: plan.rules.sure,
    translator,
    driver,
  };
}
