/** What needs that are not decided yet can still meet with: the rest of a partial set no longer matters to them. */
import type { Offer } from '../../card/card-shape.ts';
import { plenty } from './plenty.ts';
import type { SetProblem } from './problem.ts';

export interface Later {
  /** Place of the next need. */
  readonly place: string | null;
  /** Cards that later needs of that place may choose. */
  readonly cards: ReadonlySet<string>;
  /** Offers whose next piece does not cost as much as the first. */
  readonly uneven: ReadonlySet<Offer>;
  /** Needs left: no offer can be wanted more often. */
  readonly left: number;
  readonly addresses: ReadonlySet<number>;
  /** True when pins may become scarce. */
  readonly pins: boolean;
}

const uneven = ({ pack, duds }: Offer): boolean => pack > 1 || (duds ?? 0) > 0;

export function laterThan(problem: SetProblem, n: number): Later {
  const needs = problem.needs.slice(n);
  const options = needs.flatMap((need) => need.options);
  const place = needs[0]?.place ?? null;
  return {
    place,
    cards: new Set(
      needs.filter((need) => need.place === place).flatMap((need) => need.options.map(({ card }) => card.id)),
    ),
    uneven: new Set(options.map(({ offer }) => offer).filter(uneven)),
    left: needs.length,
    addresses: new Set(options.flatMap(({ demand }) => demand.addresses.flat())),
    pins: needs.length > 0 && !plenty(problem),
  };
}
