/** Currents from the parts up to the sources, and what they lose on the way down. */
import { highest } from '../quantity/steps.ts';
import { flow, type Flow, type View } from './flow.ts';
import { type LeadLoss, leadLosses } from './lead-loss.ts';
import { smallLoads } from './ledger.ts';
import type { ExtraLoad, Net } from './model.ts';
import { groundLifts } from './pin-ground.ts';
import { voltages } from './rail-voltage.ts';
import { acrossOf } from './regulator.ts';
import type { Topology } from './topology.ts';

type Face = 'typical' | 'most' | 'peak';

export interface Currents {
  readonly usual: Flow;
  readonly most: Flow;
  readonly surge: Flow;
  readonly lasting: Flow;
  /** What flows in small parts that no supply stands for, by rail. */
  readonly small: ReadonlyMap<string, readonly ExtraLoad[]>;
  /** The sum of it, A. */
  still(face: Face): (rail: string) => number;
  /** On the way to each supply, "part.supply". */
  readonly lost: ReadonlyMap<string, LeadLoss>;
}

/** @param nets with the voltages at rest: what pull-ups and lights on them draw */
export function currentsOf(topology: Topology, nets: readonly Net[]): Currents {
  const { plan, parts, controller, tolerance, tree, rhythms, awake } = topology;
  const small = new Map<string, ExtraLoad[]>();
  for (const load of smallLoads({ plan, parts, awake, tolerance }, nets, (ref) => tree.offers.has(ref)))
    small.set(load.rail, [...(small.get(load.rail) ?? []), load]);
  const still = (face: Face) => {
    const sums = new Map([...small].map(([ref, list]) => [ref, list.reduce((sum, load) => sum + load[face], 0)]));
    return (ref: string) => sums.get(ref) ?? 0;
  };
  const volts = voltages(tree, () => 0);
  const flowOf = (view: View, face: Face, above: 'typ' | 'min'): Flow =>
    flow({ tree, rhythms, view, still: still(face), across: acrossOf(tree, volts, above) });
  const surge = flowOf('surge', 'peak', 'min');
  const lifts = groundLifts(parts, controller, (part) =>
    tree.feeds.reduce((sum, fed) => (fed.part === part ? sum + highest(surge.supply(fed)) : sum), 0),
  );
  return {
    usual: flowOf('usual', 'typical', 'typ'),
    most: flowOf('most', 'most', 'min'),
    surge,
    lasting: flowOf('lasting', 'most', 'min'),
    small,
    still,
    lost: leadLosses(topology, surge, lifts),
  };
}
