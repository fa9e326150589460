/** Whole sets for a brief, told apart by what each is best at, and the plan that one of them fills. */
import { cheapestFirst } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import type { Library } from '../../card/library.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Message } from '../../quantity/message.ts';
import { documentOf } from '../../plan/document.ts';
import { whatItIs } from '../../plan/what-it-is.ts';
import type { Plan } from '../../plan/plan.ts';
import { isBlocking } from '../../check/result.ts';
import { addPart } from '../add-part.ts';
import { complete } from '../complete/complete.ts';
import { FIGURES, type SetFigures } from '../sets/evaluate.ts';
import { explainSets } from '../sets/exclude.ts';
import { setProblem } from '../sets/problem.ts';
import { type FoundSet, searchSteps, type SetProgress } from '../sets/search.ts';
import { takeSet } from '../sets/take-set.ts';
import { planOf, type Brief } from './brief.ts';
import { sourceOf, standingVoltages } from './feeding.ts';

/** What a set can be best at. */
export const MERITS = ['cheapest', 'soonest', 'exact'] as const;
type Merit = (typeof MERITS)[number];
const FIGURE_OF: Readonly<Record<Merit, keyof SetFigures>> = {
  cheapest: 'cost',
  exact: 'error',
  soonest: 'arrival',
};

export interface SetOffer {
  /** What none of the sets that complete themselves is better at. */
  readonly merits: readonly Merit[];
  readonly set: FoundSet;
  /** Dangers and faults that are left when the plan that it fills is completed; none for one that was proved. */
  readonly open: number;
  /** Parts of the completed plan, by their cards. */
  readonly cards: readonly string[];
}

export interface Offers {
  readonly offers: readonly SetOffer[];
  /** How many sets there are that nothing beats. */
  readonly of: number;
  /** False where the search was given up for want of room, or a set with a better figure was not tried to its end. */
  readonly complete: boolean;
  /** Why there is none. */
  readonly none: Message | null;
}

/** How far it is: sets are searched, then completed one by one. */
export type OffersProgress = ({ readonly at: 'search' } & SetProgress) | { readonly at: 'try'; readonly tried: number };

/** Sets that are completed for one merit before the best of them is offered as it is. */
const MAX_TRIES = 4;

/** The best in one figure first; of those alike, the cheapest, then the next figures. */
export function inOrder(sets: readonly FoundSet[], figure: keyof SetFigures): FoundSet[] {
  const order = [figure, ...FIGURES.filter((other) => other !== figure)];
  return sets.toSorted((a, b) =>
    order.reduce((d, key) => d || a.evaluation.figures[key] - b.evaluation.figures[key], 0),
  );
}

const hasController = ({ kind }: Card): boolean => kind === 'controller';
/** The cheapest card of a kind that somebody sells. */
const cheapest = (plan: Plan, library: Library, is: (card: Card) => boolean): Card | undefined =>
  cheapestFirst(
    [...library.values()].filter((card) => is(card) && card.offers.length > 0),
    buyingOf(plan),
  )[0];

/**
 * Searches the sets for a brief, and of each merit the best whose plan completes itself; where none did, the one with least left, and how much that is.
 * @param id of the plan that is to be
 */
export function* offersFor(id: string, brief: Brief, library: Library): Generator<OffersProgress, Offers> {
  const { plan } = planOf(id, brief, library);
  const source = sourceOf(brief, library);
  const standing = source ? standingVoltages(source, library) : [];
  const cards = [...library.values()];
  const problems = cards
    .filter(hasController)
    .flatMap((card) => card.offers.map((offer) => setProblem(plan, cards, card, offer, standing)));
  const search = searchSteps(problems);
  let step = search.next();
  for (; !step.done; step = search.next()) yield { at: 'search', ...step.value };
  const { sets, complete: whole } = step.value;
  const tried = new Map<FoundSet, { open: number; cards: readonly string[] }>();
  const offers = new Map<FoundSet, Merit[]>();
  const proved = (set: FoundSet) => tried.get(set)?.open === 0;
  let untried = false;
  for (const merit of MERITS) {
    const order = inOrder(sets, FIGURE_OF[merit]);
    for (let tries = 0; tries < MAX_TRIES; tries++) {
      const next = likeliest(order, tried);
      if (!next || proved(next)) break;
      yield { at: 'try', tried: tried.size };
      tried.set(next, completed(filledPlan(id, brief, library, next), library));
    }
    const best =
      order.find(proved) ??
      order.filter((set) => tried.has(set)).sort((a, b) => openOf(tried, a) - openOf(tried, b))[0];
    if (!best) continue;
    const figureOf = ({ evaluation }: FoundSet) => evaluation.figures[FIGURE_OF[merit]];
    untried ||= order.some((set) => figureOf(set) < figureOf(best) && !tried.has(set));
    offers.set(best, [...(offers.get(best) ?? []), merit]);
  }
  return {
    offers: [...offers].map(([set, merits]) => ({ set, merits, open: 0, cards: [], ...tried.get(set) })),
    of: sets.length,
    complete: whole && !untried,
    none: sets.length === 0 && plan.needs.length > 0 ? (explainSets(plan, problems)?.sentence ?? null) : null,
  };
}

type Tried = ReadonlyMap<FoundSet, { readonly open: number }>;
const openOf = (tried: Tried, set: FoundSet): number => tried.get(set)?.open ?? Infinity;

/** The first that did not fail, and first of these one without a card that only stood in sets that did not complete. */
function likeliest(order: readonly FoundSet[], tried: Tried): FoundSet | undefined {
  const cardsOf = (set: FoundSet) => set.evaluation.parts.map(({ option }) => option.card.id);
  const good = new Set([...tried].filter(([, { open }]) => open === 0).flatMap(([set]) => cardsOf(set)));
  const doubtful = new Set(
    [...tried].filter(([, { open }]) => open > 0).flatMap(([set]) => cardsOf(set).filter((card) => !good.has(card))),
  );
  const left = order.filter((set) => !tried.has(set) || openOf(tried, set) === 0);
  return left.find((set) => !cardsOf(set).some((card) => doubtful.has(card))) ?? left[0];
}

/** What is left of a plan that completed itself. */
function completed(plan: Plan, library: Library): { open: number; cards: readonly string[] } {
  const done = complete(deriveCircuit(documentOf(plan, [], library)), library);
  return { open: done.verdict.findings.filter(isBlocking).length, cards: done.plan.parts.map(({ card }) => card) };
}

/**
 * The plan that a set fills: source first, then the set, then each load with what switches it. What it still lacks is left to be mended.
 * @param set null where nothing was picked that a set is searched for
 */
export function filledPlan(id: string, brief: Brief, library: Library, set: FoundSet | null): Plan {
  const put = (plan: Plan, card: Card | undefined | null): Plan =>
    card ? addPart(deriveCircuit(documentOf(plan, [], library)), library, card, whatItIs(card)).plan : plan;
  let plan = put(planOf(id, brief, library).plan, sourceOf(brief, library));
  plan = set ? takeSet(plan, library, set) : put(plan, cheapest(plan, library, hasController));
  const relay = cheapest(plan, library, ({ contact }) => contact !== undefined);
  for (const pick of brief.picks) {
    if (pick.kind !== 'load') continue;
    // A load takes the switch that is free: its own is put in just before it.
    if (pick.by === 'contact') plan = put(plan, relay);
    const before = new Set(plan.parts.map(({ id: part }) => part));
    plan = put(plan, library.get(pick.card));
    plan = {
      ...plan,
      parts: plan.parts.map((part) => (before.has(part.id) ? part : { ...part, place: pick.place })),
    };
  }
  return plan;
}
