/** Currents from the parts up to the sources, over time. */
import { mapSteps, steady, sumSteps, type Steps } from '../quantity/steps.ts';
import { drawOf, type Draw } from './draw.ts';
import type { Feeding, PowerTree } from './power-tree.ts';
import { type Across, currentInto } from './regulator.ts';
import type { NamedOffer, Rhythm } from './model.ts';
import { fewOfOwner, slots } from '../quantity/memo.ts';

/** Which face of a draw is looked at. */
export type View = 'usual' | 'most' | 'surge' | 'together' | 'lasting';

const faceOf = (view: View, draw: Draw): Steps => (view === 'lasting' ? steady(draw.lasting) : draw[view]);

export interface FlowInput {
  readonly tree: PowerTree;
  readonly rhythms: ReadonlyMap<string, Rhythm>;
  readonly view: View;
  /** Constant draws of a rail that no supply stands for, A. */
  readonly still: (ref: string) => number;
  /** Voltages across the regulator that makes a rail. */
  readonly across: (ref: string) => Across | null;
}

export interface Flow {
  /** Total of a rail. */
  rail(ref: string): Steps;
  /** Into one supply of a part: its own and that of the rails it makes of it. */
  supply(fed: Feeding): Steps;
  /** What the part draws there itself. */
  own(fed: Feeding): Steps;
  /** Into the regulator that makes a rail, A, apart from its own current. */
  into(ref: string): Steps;
  /** Periods that were too far apart to lay out. */
  folded(): readonly number[];
}

/** What every supply of a build draws, in all its faces. */
const drawsOf = fewOfOwner((_tree: PowerTree, [rhythms]: readonly [ReadonlyMap<string, Rhythm>]) => {
  const known = new Map<Feeding, Draw>();
  return (fed: Feeding): Draw => {
    let draw = known.get(fed);
    if (!draw)
      known.set(fed, (draw = drawOf(fed.supply.current, rhythms.get(fed.part.id), fed.part.choice?.run?.clock)));
    return draw;
  };
});

const slotOf = slots();
/** What flows on one rail or into one supply is added up once for as long as the same flows together. */
const summed = fewOfOwner((_slot: object, list: readonly Steps[], fold: 'mean' | 'highest') => sumSteps(list, fold));
/** What a switching regulator takes for what it gives. */
const made = fewOfOwner(
  (
    given: Steps,
    [offer]: readonly [NamedOffer, number | undefined, number | undefined],
    voltages: Across | null,
  ): Steps => mapSteps(given, (amps) => currentInto(offer, amps, voltages)),
);

export function flow({ tree, rhythms, view, still, across }: FlowInput): Flow {
  const fold = view === 'usual' || view === 'most' ? 'mean' : 'highest';
  const rails = new Map<string, Steps>();
  const folded = new Set<number>();
  const total = (name: string, list: readonly Steps[]): Steps => {
    const sum = summed(slotOf(`${view} ${name}`), list, fold);
    for (const period of sum.folded) folded.add(period);
    return sum.steps;
  };
  const draw = drawsOf(tree, [rhythms]);
  const own = (fed: Feeding): Steps => faceOf(view, draw(fed));
  const into = (ref: string): Steps => {
    const offered = tree.offers.get(ref);
    if (offered?.offer.from?.by !== 'switching') return rail(ref);
    const voltages = across(ref);
    return made(rail(ref), [offered.offer, voltages?.above, voltages?.own], voltages);
  };
  const supplies = new Map<string, Steps>();
  const supply = (fed: Feeding): Steps => {
    // A rail that feeds itself has no source to draw from; its sum would depend on where one begins.
    const below = fed.makes.filter((ref) => tree.ways.get(ref));
    if (below.length === 0) return own(fed);
    let sum = supplies.get(fed.key);
    if (!sum) supplies.set(fed.key, (sum = total(fed.key, [own(fed), ...below.map(into)])));
    return sum;
  };
  function rail(ref: string): Steps {
    const known = rails.get(ref);
    if (known) return known;
    rails.set(ref, steady(0));
    const offered = tree.offers.get(ref);
    const sum = total(ref, [
      steady(still(ref)),
      ...(offered?.offer.ownLoad
        ? [faceOf(view, drawOf(offered.offer.ownLoad, rhythms.get(offered.part.id), offered.part.choice?.run?.clock))]
        : []),
      ...(tree.fedBy.get(ref) ?? []).map(supply),
      ...(tree.pinsOn.get(ref) ?? []).map((pin) => rail(pin.ref)),
    ]);
    rails.set(ref, sum);
    return sum;
  }
  return {
    rail,
    supply,
    own,
    into,
    folded: () => [...folded],
  };
}
