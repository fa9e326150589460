/** What the needs that are not decided yet will add at least, whatever is shared. */
import type { SetFigures } from './evaluate.ts';
import type { Partial } from './partial.ts';
import type { Option, SetNeed, SetProblem } from './problem.ts';

interface PlaceRest {
  readonly place: string;
  readonly needs: readonly SetNeed[];
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
    begun: at !== null && begun.length > 0 ? { place: at, needs: begun } : null,
  };
}

/** The figures that no completion of a state can be better than. */
export function atBest(state: Partial, rest: Rest): SetFigures {
  const now = state.figures();
  let [cost, current, rows] = [0, 0, 0];
  if (rest.begun) {
    const { place, needs } = rest.begun;
    const cards = new Set(state.is.parts.filter((part) => part.place === place).map(({ option }) => option.card));
    for (const { options } of needs) {
      if (options.some(({ card }) => cards.has(card))) continue;
      cost = Math.max(
        cost,
        least(options, (o) => piece(o, state.is.pieces.has(o.offer))),
      );
      current = Math.max(
        current,
        least(options, (o) => o.current),
      );
      rows = Math.max(
        rows,
        least(options, (o) => o.rows),
      );
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
