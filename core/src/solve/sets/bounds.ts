/** What the needs that are not decided yet will add at least, whatever is shared. */
import type { Card } from '../../card/card.ts';
import type { Offer } from '../../card/card-shape.ts';
import type { SetFigures } from './evaluate.ts';
import type { Partial } from './partial.ts';
import type { Option, SetNeed, SetProblem } from './problem.ts';

interface PlaceRest {
  readonly place: string;
  readonly needs: readonly NeedRest[];
}

/** What a need of the place that is begun adds at least where no part that stands there serves it, too. */
interface NeedRest {
  readonly cards: ReadonlySet<Card>;
  readonly cost: number;
  /** Offers of which a piece may be left over from an open pack. */
  readonly packs: ReadonlySet<Offer>;
  readonly current: number;
  readonly rows: number;
}

/** The undecided needs, place by place, with what holds for every state that has decided the others. */
export interface Rest {
  readonly error: number;
  readonly arrival: number;
  /** Summed over the places that no part stands at yet. */
  readonly current: number;
  readonly rows: number;
  readonly cost: number;
  /** The place that is decided in part; its parts may serve more needs. */
  readonly begun: PlaceRest | null;
}

const least = (options: readonly Option[], of: (o: Option) => number): number =>
  options.reduce((low, option) => Math.min(low, of(option)), Infinity);

/** No piece of an offer costs less than its share of a pack; a pack that is open may give it for nothing. */
const piece = ({ offer: { price, pack } }: Option, open: boolean): number =>
  pack === 1 ? price : open ? 0 : price / pack;

export function boundsBehind(problem: SetProblem, n: number): Rest {
  const needs = problem.needs.slice(n);
  const at = problem.needs[n - 1]?.place ?? null;
  // A pack opened by any earlier need may still hold a piece.
  const opened = new Set(problem.needs.slice(0, n).flatMap(({ options }) => options.map(({ offer }) => offer)));
  let [cost, current, rows] = [0, 0, 0];
  for (const place of new Set(needs.map((need) => need.place))) {
    if (place === at) continue;
    const here = needs.filter((need) => need.place === place);
    // One part may serve all needs of a place, so the dearest need alone counts.
    cost += Math.max(...here.map(({ options }) => least(options, (o) => piece(o, opened.has(o.offer)))));
    current += Math.max(...here.map(({ options }) => least(options, (o) => o.current)));
    rows += Math.max(...here.map(({ options }) => least(options, (o) => o.rows)));
  }
  const begun = needs.filter((need) => need.place === at);
  return {
    error: Math.max(0, ...needs.map(({ options }) => least(options, (o) => o.error))),
    arrival: Math.max(0, ...needs.map(({ options }) => least(options, (o) => o.offer.leadDays))),
    cost,
    current,
    rows,
    begun: at !== null && begun.length > 0 ? { place: at, needs: begun.map(restOf) } : null,
  };
}

const restOf = ({ options }: SetNeed): NeedRest => ({
  cards: new Set(options.map(({ card }) => card)),
  cost: least(options, (o) => piece(o, false)),
  packs: new Set(options.flatMap(({ offer }) => (offer.pack > 1 ? [offer] : []))),
  current: least(options, (o) => o.current),
  rows: least(options, (o) => o.rows),
});

/** The figures that no completion of a state can be better than. */
export function atBest(state: Partial, rest: Rest): SetFigures {
  const now = state.figures();
  let [cost, current, rows] = [0, 0, 0];
  if (rest.begun) {
    const { place, needs } = rest.begun;
    const standing = state.is.parts.flatMap((part) => (part.place === place ? [part.option.card] : []));
    for (const need of needs) {
      if (standing.some((card) => need.cards.has(card))) continue;
      if (need.cost > cost && ![...state.is.pieces.keys()].some((offer) => need.packs.has(offer))) cost = need.cost;
      if (need.current > current) current = need.current;
      if (need.rows > rows) rows = need.rows;
    }
  }
  return {
    cost: now.cost + rest.cost + cost,
    error: Math.max(now.error, rest.error),
    current: now.current + rest.current + current,
    rows: now.rows + rest.rows + rows,
    arrival: Math.max(now.arrival, rest.arrival),
  };
}
