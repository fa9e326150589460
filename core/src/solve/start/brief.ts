/** A build as it is picked before there is a plan: what it is to do, where, from what it is fed, what lies in the drawer. */
import type { Service } from '../../card/kinds.ts';
import type { Library } from '../../card/library.ts';
import { toInterval } from '../../card/to-interval.ts';
import { usualNeed } from '../../compare/usual-need.ts';
import type { Front } from '../../physics/analog-chain.ts';
import { boardFront } from '../../physics/analog-front.ts';
import { addNeed, freeId } from '../../plan/edits.ts';
import { freshPlan } from '../../plan/fresh-plan.ts';
import type { Need, Place, Plan } from '../../plan/plan.ts';
import { perOwner, perOwnerAndKey } from '../../quantity/memo.ts';

/** How a service is asked for. */
export type ServeKind = 'show' | 'drive' | 'operate';

export type Pick =
  | { readonly kind: 'sense'; readonly quantity: string; readonly unit: string; readonly place: string }
  | { readonly kind: ServeKind; readonly service: Service; readonly place: string }
  /** A thing that is there already or wanted as it is: a fan, a magnet. */
  | { readonly kind: 'load'; readonly card: string; readonly place: string; readonly by: 'any' | 'contact' };

export type FeedKind = 'socket' | 'adapter' | 'cells';

export interface Brief {
  readonly name: string;
  readonly picks: readonly Pick[];
  readonly places: readonly Place[];
  readonly feed: {
    readonly kind: FeedKind;
    /** A source of the maker's choice; null for the one that fits best. */
    readonly card: string | null;
    /** How long it runs on one filling of its cells, s. */
    readonly runFor: number | null;
  };
  /** Card -> pieces. */
  readonly stock: Readonly<Record<string, number>>;
}

/** What reads an analog sensor on each controller on sale. */
const frontsOf = perOwner((library: Library, series: Plan['rules']['series']): Front[] =>
  [...library.values()].flatMap((card) => {
    const rail = (card.rails ?? []).find(({ id }) => id === card.controller?.io.reference);
    if (!card.controller?.adc || !rail?.voltage) return [];
    return [boardFront(card, toInterval(rail.voltage), series)];
  }),
);

/**
 * What is often asked of a quantity, so that it can be met on every controller that reads it: an analog sensor is no more exact than
 * the converter behind it.
 */
const usualOf = perOwnerAndKey(
  (library: Library, quantity: string, unit: string, { lifeYears, rules }: Plan): ReturnType<typeof usualNeed> => {
    const fronts: (Front | undefined)[] = frontsOf(library, rules.series);
    const all = (fronts.length > 0 ? fronts : [undefined]).flatMap(
      (front) => usualNeed(library.values(), { quantity, unit }, { years: lifeYears, place: undefined, front }) ?? [],
    );
    return all.toSorted((a, b) => b.accuracy - a.accuracy)[0] ?? null;
  },
);

function needOf(pick: Pick, plan: Plan, library: Library): Need | null {
  if (pick.kind === 'load') return null;
  if (pick.kind !== 'sense') {
    const { kind, service, place } = pick;
    return { id: freeId(plan, service), kind, what: service, place, service };
  }
  const { kind, quantity, unit, place } = pick;
  const usual = usualOf(library, quantity, unit, plan);
  return usual && { id: freeId(plan, quantity), kind, quantity, unit, ...usual, place };
}

/** The plan of a brief before any part is chosen, and for each pick its need: null for a load, and where no card measures it. */
export function planOf(id: string, brief: Brief, library: Library): { plan: Plan; needs: readonly (Need | null)[] } {
  let plan = freshPlan(id, brief.name, library, brief.stock);
  const needs: (Need | null)[] = [];
  for (const pick of brief.picks) {
    const need = needOf(pick, plan, library);
    if (need) plan = addNeed(plan, need);
    needs.push(need);
  }
  const used = new Set(brief.picks.map(({ place }) => place));
  const { kind, runFor } = brief.feed;
  return {
    plan: {
      ...plan,
      places: brief.places.filter(({ name }) => used.has(name)),
      ...(kind === 'cells' && runFor !== null ? { runFor } : {}),
    },
    needs,
  };
}
