/** Currents from the parts up to the sources, over time. */
import type { States } from '../card/power.ts';
import { mapSteps, steady, sumSteps, type Steps } from '../quantity/steps.ts';
import { drawOf } from './draw.ts';
import type { PowerTree } from './power-tree.ts';
import { type Across, currentInto } from './regulator.ts';
import type { Rhythm } from './model.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** Which face of a draw is looked at. */
export type View = 'usual' | 'most' | 'surge' | 'together' | 'lasting';

function faceOf(view: View, states: States, rhythm: Rhythm | undefined, clock: number | undefined): Steps {
  const draw = drawOf(states, rhythm, clock);
  return view === 'lasting' ? steady(draw.lasting) : draw[view];
}

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
  supply(part: string, supply: string): Steps;
  /** What the part draws there itself. */
  own(part: string, supply: string): Steps;
  /** Into the regulator that makes a rail, A, apart from its own current. */
  into(ref: string): Steps;
  /** Periods that were too far apart to lay out. */
  folded(): readonly number[];
}

/** The same answer for the same name. */
function remembered(work: (key: string) => Steps): (key: string) => Steps {
  const known = new Map<string, Steps>();
  return (key) => {
    let made = known.get(key);
    if (!made) known.set(key, (made = work(key)));
    return made;
  };
}

export function flow({ tree, rhythms, view, still, across }: FlowInput): Flow {
  const fold = view === 'usual' || view === 'most' ? 'mean' : 'highest';
  const rails = new Map<string, Steps>();
  const folded = new Set<number>();
  const total = (list: readonly Steps[]): Steps => {
    const sum = sumSteps(list, fold);
    for (const period of sum.folded) folded.add(period);
    return sum.steps;
  };
  const clockOf = (part: string) => tree.parts.get(part)?.choice?.run?.clock;
  const own = remembered((key) => {
    const { part, own: id = '' } = parseRef(key);
    const states = tree.parts.get(part)?.card.supplies.find((supply) => supply.id === id)?.current;
    return states ? faceOf(view, states, rhythms.get(part), clockOf(part)) : steady(0);
  });
  const into = remembered((ref) => {
    const offered = tree.offers.get(ref);
    if (offered?.offer.from?.by !== 'switching') return rail(ref);
    const voltages = across(ref);
    return mapSteps(rail(ref), (amps) => currentInto(offered.offer, amps, voltages));
  });
  const supply = remembered((key) => {
    const { part, own: id = '' } = parseRef(key);
    const below = (tree.parts.get(part)?.card.rails ?? []).filter(
      // A rail that feeds itself has no source to draw from; its sum would depend on where one begins.
      (offer) => offer.from?.supply === id && tree.ways.get(keyOf(part, offer.id)),
    );
    return below.length === 0 ? own(key) : total([own(key), ...below.map((offer) => into(keyOf(part, offer.id)))]);
  });
  function rail(ref: string): Steps {
    const known = rails.get(ref);
    if (known) return known;
    rails.set(ref, steady(0));
    const offered = tree.offers.get(ref);
    const made = total([
      steady(still(ref)),
      ...(offered?.offer.ownLoad
        ? [faceOf(view, offered.offer.ownLoad, rhythms.get(offered.part.id), offered.part.choice?.run?.clock)]
        : []),
      ...(tree.fedBy.get(ref) ?? []).map((fed) => supply(keyOf(fed.part.id, fed.supply.id))),
      ...(tree.pinsOn.get(ref) ?? []).map((pin) => rail(pin.ref)),
    ]);
    rails.set(ref, made);
    return made;
  }
  return {
    rail,
    supply: (part, id) => supply(keyOf(part, id)),
    own: (part, id) => own(keyOf(part, id)),
    into,
    folded: () => [...folded],
  };
}
