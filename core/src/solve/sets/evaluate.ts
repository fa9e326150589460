/** What a whole set costs and gives, worked out from nothing but its choices: the measure that any search is held to. */
import type { Card } from '../../card/card.ts';
import type { Offer } from '../../card/card-shape.ts';
import { purchase } from '../../buy/purchase.ts';
import type { Option, SetProblem } from './problem.ts';
import { busesFor, pinJudge } from './resources.ts';
import { perOwner } from '../../quantity/memo.ts';

/** Each of them is better when it is less. */
export interface SetFigures {
  /** Packs, shipping, controller, translators and drivers. */
  readonly cost: number;
  /** The largest error of all needs, as a share of the accuracy wanted there. */
  readonly error: number;
  /** A, typical over the duty of the parts. */
  readonly current: number;
  /** Rows of the breadboard. */
  readonly rows: number;
  /** Days until the last parcel. */
  readonly arrival: number;
}
export const FIGURES = ['cost', 'error', 'current', 'rows', 'arrival'] as const satisfies readonly (keyof SetFigures)[];

/** A part of a set: an option at a place, and the needs that it serves. */
interface SetPart {
  readonly option: Option;
  readonly place: string;
  readonly needs: readonly number[];
}

type Obstacle = 'address' | 'pins' | 'budget' | 'translator';

export interface Evaluation {
  readonly figures: SetFigures;
  readonly parts: readonly SetPart[];
  readonly obstacles: readonly Obstacle[];
}

/** Needs of one place that chose one card share one part, unless they ask it the same thing. */
function partsOf(problem: SetProblem, choice: readonly number[]): SetPart[] | null {
  const parts: { option: Option; place: string; needs: number[] }[] = [];
  for (const [i, { place, options }] of problem.needs.entries()) {
    const option = options[choice[i] ?? -1];
    if (!option) return null;
    const host = parts.find(
      (p) => p.place === place && p.option.card === option.card && !asksTwice(problem, p.needs, i),
    );
    // One part is bought once: two offers for it are no set.
    if (host && host.option.offer !== option.offer) return null;
    if (host) host.needs.push(i);
    else parts.push({ option, place, needs: [i] });
  }
  return parts;
}

/** What a need asks a part for: two that ask the same are served by two parts. */
export const subjectOf = (problem: SetProblem, i: number): string => {
  const need = problem.needs[i]?.need;
  return need?.kind === 'sense' ? need.quantity : need && 'service' in need ? (need.service ?? '') : '';
};
export const asksTwice = (problem: SetProblem, needs: readonly number[], i: number): boolean =>
  needs.some((k) => subjectOf(problem, k) === subjectOf(problem, i));

/** Lines that need a translator: those of the bus once, the others each. */
function channelsOf(options: readonly Option[]): number {
  const bus = options.some(({ link }) => link.bus) ? 2 : 0;
  return bus + options.reduce((sum, { link }) => sum + (link.bus ? 0 : link.channels), 0);
}

/** Goods of so many pieces of each offer, and shipping once for each supplier. */
function priceOf(pieces: ReadonlyMap<Offer, number>, sure: number): number {
  const shipping = new Map<string, number>();
  let goods = 0;
  for (const [offer, count] of pieces) {
    goods += purchase(offer, count, sure).goods;
    shipping.set(offer.supplier, Math.max(shipping.get(offer.supplier) ?? 0, offer.shipping));
  }
  return goods + [...shipping.values()].reduce((sum, s) => sum + s, 0);
}

export const judgeFor = perOwner((controller: Card) => pinJudge(controller));

/** @returns null when the choice names no option of some need, or one part with two offers */
export function evaluateSet(problem: SetProblem, choice: readonly number[]): Evaluation | null {
  const parts = partsOf(problem, choice);
  if (!parts) return null;
  const options = parts.map(({ option }) => option);
  const pieces = new Map<Offer, number>([[problem.controllerOffer, 1]]);
  const want = (offer: Offer, count: number) => pieces.set(offer, (pieces.get(offer) ?? 0) + count);
  for (const { offer } of options) want(offer, 1);
  const channels = channelsOf(options);
  const translators = channels === 0 ? 0 : Math.ceil(channels / (problem.translator?.channels ?? 1));
  if (problem.translator && translators > 0) want(problem.translator.offer, translators);
  const coils = options.reduce((sum, { demand }) => sum + demand.coils, 0);
  if (problem.driver && coils > 0) want(problem.driver.offer, coils);
  const cost = priceOf(pieces, problem.sure);
  const buses = busesFor(options.flatMap(({ demand }) => demand.addresses));
  const fits = judgeFor(problem.controller)(
    options.map(({ demand }) => demand),
    buses,
  );
  const obstacles: Obstacle[] = [];
  if (!Number.isFinite(buses)) obstacles.push('address');
  else if (!fits) obstacles.push(buses > 1 ? 'address' : 'pins');
  if (problem.most !== null && cost > problem.most + 1e-9) obstacles.push('budget');
  if (translators > 0 && !problem.translator) obstacles.push('translator');
  return {
    parts,
    obstacles,
    figures: {
      cost: Number(cost.toFixed(4)),
      error: Math.max(
        0,
        ...options.map((_, i) =>
          Math.max(...(parts[i]?.needs ?? []).map((n) => problem.needs[n]?.options[choice[n] ?? -1]?.error ?? 0)),
        ),
      ),
      current: Number(options.reduce((sum, { current }) => sum + current, 0).toPrecision(12)),
      rows:
        options.reduce((sum, { rows }) => sum + rows, 0) +
        translators * (problem.translator?.rows ?? 0) +
        coils * (problem.driver?.rows ?? 0),
      arrival: Math.max(...[...pieces.keys()].map(({ leadDays }) => leadDays)),
    },
  };
}

/** True when `a` is in nothing worse than `b`. */
export const noWorse = (a: SetFigures, b: SetFigures): boolean => FIGURES.every((key) => a[key] <= b[key] + 1e-9);
