/** One round of a build: who is at work when, and what a rail carries meanwhile. */
import { type Text } from '../quantity/message.ts';
import type { Circuit } from '../circuit/model.ts';
import { drawOf } from '../circuit/draw.ts';
import { flow, type Flow, type View } from '../circuit/flow.ts';
import { acrossOf } from '../circuit/regulator.ts';
import { statesOf } from '../circuit/rhythm.ts';
import type { Phase, Rhythm } from '../circuit/model.ts';
import { voltages } from '../circuit/rail-voltage.ts';
import { highest, mean, type Steps } from '../quantity/steps.ts';
import { treeOf } from './source-load.ts';
import { keyOf } from '../plan/ref.ts';

export interface Lane {
  readonly part: string;
  readonly label: Text;
  readonly rhythm: Rhythm;
  readonly phases: readonly Phase[];
  /** A at the part, usual currents. */
  readonly current: Steps;
}

export interface Timeline {
  /** s until all begins again. */
  readonly period: number;
  /** A on the rail: usual currents, and the most with everything beginning together. */
  readonly usual: Steps;
  readonly together: Steps;
  readonly average: number;
  /** The most that comes together as planned, A. */
  readonly coincidence: number;
  /** The most that the schedule can produce: what keeps to no order falls where it hurts most, A. */
  readonly worst: number;
  readonly lanes: readonly Lane[];
  /** Periods that were too far apart to lay out, s. */
  readonly folded: readonly number[];
}

/** Parts that draw from a rail, through regulators and switches too. */
export function partsBelow(circuit: Circuit, ref: string): string[] {
  const tree = treeOf(circuit);
  const found = new Set<string>();
  const walk = (at: string, guard: number): void => {
    if (guard > 16) return;
    const maker = tree.offers.get(at);
    if (maker?.offer.ownLoad) found.add(maker.part.id);
    for (const { part, supply } of tree.fedBy.get(at) ?? []) {
      found.add(part.id);
      for (const offer of part.card.rails ?? [])
        if (offer.from?.supply === supply.id) walk(keyOf(part.id, offer.id), guard + 1);
    }
    for (const pin of tree.pinsOn.get(at) ?? []) walk(pin.ref, guard + 1);
  };
  walk(ref, 0);
  return [...found];
}

type Tree = ReturnType<typeof treeOf>;

/** What flows on every rail in one view. @param tree who is fed, where that is not all of the plan */
function flowOf(circuit: Circuit, view: View, rhythms = circuit.rhythms, tree: Tree = treeOf(circuit)): Flow {
  const [pick, end] = view === 'usual' ? (['typical', 'typ'] as const) : (['peak', 'min'] as const);
  const whole = treeOf(circuit);
  return flow({
    tree,
    rhythms,
    view,
    still: (at) => circuit.rails.get(at)?.still[pick] ?? 0,
    across: acrossOf(
      whole,
      voltages(whole, () => 0),
      end,
    ),
  });
}

/** What usually flows on a rail while a part keeps another rhythm, or (null) takes nothing; as planned where no part is named, A. */
export function roundOn(circuit: Circuit, ref: string, part?: string, rhythm?: Rhythm | null): Steps {
  if (part === undefined || rhythm === undefined) return flowOf(circuit, 'usual').rail(ref);
  if (rhythm) return flowOf(circuit, 'usual', new Map(circuit.rhythms).set(part, rhythm)).rail(ref);
  const whole = treeOf(circuit);
  // What hangs on the part goes with it.
  const fedBy = new Map([...whole.fedBy].map(([at, fed]) => [at, fed.filter((one) => one.part.id !== part)]));
  return flowOf(circuit, 'usual', circuit.rhythms, { ...whole, fedBy }).rail(ref);
}

/** @param ref a rail of the circuit */
export function timeline(circuit: Circuit, ref: string): Timeline {
  const usualFlow = flowOf(circuit, 'usual');
  const usual = usualFlow.rail(ref);
  const together = flowOf(circuit, 'together').rail(ref);
  return {
    period: Math.max(usual.period, together.period),
    usual,
    together,
    average: mean(usual),
    coincidence: highest(together),
    worst: highest(flowOf(circuit, 'surge').rail(ref)),
    lanes: partsBelow(circuit, ref).flatMap((part) => laneOf(circuit, part)),
    folded: usualFlow.folded(),
  };
}

function laneOf(circuit: Circuit, part: string): Lane[] {
  const node = circuit.parts.get(part);
  const rhythm = circuit.rhythms.get(part);
  if (!node || !rhythm) return [];
  // Of the draws of a part the strongest tells what it is doing.
  const draws = statesOf(node).map((s) => drawOf(s, rhythm, node.choice?.run?.clock).usual);
  const strongest = draws.reduce<Steps | null>((a, b) => (a && highest(a) >= highest(b) ? a : b), null);
  return strongest ? [{ part, label: node.label, rhythm, phases: rhythm.phases, current: strongest }] : [];
}
