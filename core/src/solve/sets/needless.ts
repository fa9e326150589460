/** Options of a need that another option of it makes needless in every set: they are left out before the search begins. */
import type { Offer } from '../../card/card-shape.ts';
import { subjectOf } from './evaluate.ts';
import type { Demand, Option, SetProblem } from './problem.ts';

/**
 * The problem without needless options. For every set of the problem there is one of what is left that is in nothing worse: in place
 * of an option that is left out stands the one that made it needless.
 */
export function withoutNeedless(problem: SetProblem): SetProblem {
  const needs = problem.needs.map((need, n) => {
    const kept = new Set<Option>();
    const bound = sharedAt(problem, n);
    // Of two that are alike the first stays.
    for (const option of [...need.options].sort((a, b) => a.offer.price - b.offer.price)) {
      const free = !bound.has(option.card.id) && isEven(option.offer);
      if (!free || ![...kept].some((other) => !bound.has(other.card.id) && standsFor(other, option))) kept.add(option);
    }
    return kept.size === need.options.length
      ? need
      : { ...need, options: need.options.filter((option) => kept.has(option)) };
  });
  return { ...problem, needs };
}

/** Cards that another need of the same place may be served by as well: what one part of them serves is decided together. */
function sharedAt(problem: SetProblem, n: number): ReadonlySet<string> {
  const place = problem.needs[n]?.place;
  return new Set(
    problem.needs.flatMap((need, m) =>
      m === n || need.place !== place || subjectOf(problem, m) === subjectOf(problem, n)
        ? []
        : need.options.map(({ card }) => card.id),
    ),
  );
}

/** Every piece costs the same, whatever else is bought. */
const isEven = ({ pack, duds }: Offer): boolean => pack === 1 && (duds ?? 0) === 0;

/** True when `a` in place of `b` makes no set worse and asks nothing that `b` does not. */
function standsFor(a: Option, b: Option): boolean {
  if (a.error > b.error || a.current > b.current || a.rows > b.rows || a.offer.leadDays > b.offer.leadDays)
    return false;
  return isEven(a.offer) && costsNoMore(a.offer, b.offer) && linksNoMore(a, b) && asksNoMore(a.demand, b.demand);
}

/** Shipping is paid once for each supplier, so one that comes from elsewhere may add all of its own. */
const costsNoMore = (a: Offer, b: Offer): boolean =>
  a.supplier === b.supplier ? a.price <= b.price && a.shipping <= b.shipping : a.price + a.shipping <= b.price;

function linksNoMore({ link: a }: Option, { link: b }: Option): boolean {
  if (a.bus && !b.bus) return false;
  return a.bus || a.channels <= (b.bus ? 0 : b.channels);
}

function asksNoMore(a: Demand, b: Demand): boolean {
  if ((a.oneWire && !b.oneWire) || (a.spi && !b.spi) || a.coils > b.coils) return false;
  const left = linesOf(b);
  for (const line of linesOf(a)) {
    const at = left.indexOf(line);
    if (at < 0) return false;
    left.splice(at, 1);
  }
  return (
    a.addresses.length <= b.addresses.length &&
    a.addresses.every((own, i) => b.addresses[i]?.every((address) => own.includes(address)))
  );
}

/** Lines by what they ask, those that stay together in one word. */
function linesOf({ asks }: Demand): string[] {
  const groups = new Map<string, string>();
  for (const { ask, group } of asks) if (group !== null) groups.set(group, `${groups.get(group) ?? ''} ${ask}`);
  return [...asks.flatMap(({ ask, group }) => (group === null ? [ask] : [])), ...groups.values()];
}
