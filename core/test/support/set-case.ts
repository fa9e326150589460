/** Random set problems, small enough to try every set. */
import type { Card } from '../../src/card/card.ts';
import type { Offer } from '../../src/card/card-shape.ts';
import type { Need } from '../../src/plan/plan.ts';
import type { Demand, Option, SetNeed, SetProblem } from '../../src/solve/sets/problem.ts';
import { card, controller, figure } from './build.ts';

/** A small generator of numbers that gives the same for the same seed. */
export function dice(seed: number): (below: number) => number {
  let state = seed >>> 0 || 1;
  return (below) => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) % below;
  };
}

const SUPPLIERS = [
  { supplier: 'near', shipping: 3.9, leadDays: 3, duds: 0 },
  { supplier: 'far', shipping: 0, leadDays: 18, duds: 0.04 },
  { supplier: 'middle', shipping: 1.5, leadDays: 7, duds: 0 },
];

const DEMANDS: readonly (Partial<Demand> & { i2c?: boolean })[] = [
  { i2c: true },
  { i2c: true },
  { asks: [{ ask: 'in', group: null }] },
  { asks: [{ ask: 'adc', group: null }] },
  {
    asks: [
      { ask: 'uart.rx', group: 'u' },
      { ask: 'uart.tx', group: 'u' },
    ],
  },
  { oneWire: true },
  { asks: [{ ask: 'out', group: null }], spi: true },
  { coils: 1 },
];

export interface CaseShape {
  readonly needs: number;
  readonly options: number;
  readonly pins: number;
  readonly places: number;
  /** How many cards two needs may share. */
  readonly cards: number;
}

const tiny: Card = controller(undefined, 6, (n) => ({ functions: n < 2 ? ['in', 'adc0.0'] : ['in', 'out'] }));

export function setCase(seed: number, shape: CaseShape): SetProblem {
  const roll = dice(seed);
  const board: Card =
    shape.pins === 6
      ? tiny
      : controller(undefined, shape.pins, (n) => ({
          functions: n % 4 === 0 ? ['in', `adc0.${n % 8}`] : ['in', 'out'],
        }));
  const offers = (base: number): Offer[] =>
    SUPPLIERS.filter((_, i) => i === 0 || roll(2) === 0).map((s) => ({
      ...s,
      price: Math.round(base * (s.supplier === 'far' ? 60 : 100) + roll(40)) / 100,
      currency: 'EUR',
      pack: roll(4) === 0 ? 5 : 1,
      soldering: false,
    }));
  const pool = Array.from({ length: shape.cards }, (_, k) => {
    const kind = DEMANDS[roll(DEMANDS.length)] ?? {};
    const addresses = kind.i2c ? [[0x40 + roll(3), 0x40 + roll(3)].slice(0, 1 + roll(2))] : [];
    const made = { ...card(`c${k}`, {}), offers: offers(1 + roll(9)) };
    return {
      made,
      current: (1 + roll(50)) * 1e-4,
      rows: roll(4) * 3,
      demand: {
        asks: kind.asks ?? [],
        addresses,
        oneWire: kind.oneWire ?? false,
        spi: kind.spi ?? false,
        coils: kind.coils ?? 0,
      } satisfies Demand,
      channels: roll(6) === 0 ? 1 + roll(3) : 0,
    };
  });
  const needs = Array.from({ length: shape.needs }, (_, i): SetNeed => {
    const place = `place ${roll(shape.places)}`;
    const need: Need = {
      id: `n${i}`,
      kind: 'sense',
      quantity: `q${roll(4)}`,
      unit: 'x',
      from: 0,
      to: 1,
      accuracy: 1,
      interval: 60,
      place,
    };
    const options: Option[] = [];
    while (options.length < shape.options) {
      const entry = pool[roll(pool.length)];
      const offer = entry?.made.offers[roll(entry.made.offers.length)];
      if (!entry || !offer) continue;
      const { made, current, rows, demand, channels } = entry;
      options.push({
        card: made,
        offer,
        error: roll(10) / 10,
        current,
        rows,
        demand,
        link: { feed: null, channels, bus: channels > 0 && demand.addresses.length > 0 },
      });
    }
    return { need, place, options, out: [], unfed: [] };
  });
  const first = needs.map(({ place }) => place);
  const [boardOffer] = offers(5);
  const helper = (id: string, channels: number) => {
    const made = { ...card(id, {}), offers: offers(1) };
    return { card: made, offer: made.offers[0] as Offer, rows: 4, channels };
  };
  return {
    controller: board,
    controllerOffer: boardOffer as Offer,
    needs: needs.sort((a, b) => first.indexOf(a.place) - first.indexOf(b.place)),
    most: roll(3) === 0 ? 8 + roll(20) : null,
    sure: 0.9,
    translator: helper('translator', 4),
    driver: helper('driver', 1),
  };
}

{
  figure;
}
