/** Who is joined with whom, before any figure: parts, who feeds whom, the lines between them, and when each part is at work. */
import { type Library, libraryOf } from '../card/library.ts';
import type { PlanDocument } from '../plan/document.ts';
import type { Plan } from '../plan/plan.ts';
import { RESISTOR_TOLERANCE } from '../standard/common-practice.ts';
import { cableRuns } from './cable.ts';
import { guardsOf } from './guards.ts';
import type { CableRun, Guard, PartNode, Rhythm } from './model.ts';
import { partNodes } from './parts.ts';
import { powerTree, type PowerTree } from './power-tree.ts';
import { busyShare, rhythms } from './rhythm.ts';
import { withTranslators } from './translator-node.ts';
import { deriveTrunks, type Trunk } from './trunks.ts';

export interface Topology {
  readonly plan: Plan;
  readonly cards: Library;
  readonly parts: ReadonlyMap<string, PartNode>;
  readonly controller: PartNode | null;
  /** Of the plan's resistors, as a share. */
  readonly tolerance: number;
  readonly tree: PowerTree;
  readonly rhythms: ReadonlyMap<string, Rhythm>;
  /** Share of the time in which the controller is awake: the lines of a bus move then, and are high while it sleeps. */
  readonly awake: { readonly usual: number; readonly most: number };
  readonly guards: readonly Guard[];
  readonly cables: ReadonlyMap<string, CableRun>;
  readonly trunks: readonly Trunk[];
}

export function topologyOf({ plan, cards: all }: PlanDocument): Topology {
  const cards = libraryOf(all);
  const bare = partNodes(plan, cards);
  const controller = (plan.controller !== null && bare.get(plan.controller)) || null;
  const parts = withTranslators(plan, cards, bare, controller);
  const tree = powerTree(parts, controller);
  const beats = rhythms(plan, parts, controller, tree.isSwitched);
  const own = controller && beats.get(controller.id);
  return {
    plan,
    cards,
    parts,
    controller,
    tolerance: cards.get(plan.resistors ?? '')?.assortment?.tolerance ?? RESISTOR_TOLERANCE,
    tree,
    rhythms: beats,
    awake: own?.rest === 'sleep' ? busyShare(own) : { usual: 1, most: 1 },
    guards: guardsOf(plan, cards),
    cables: cableRuns(plan, cards, parts),
    trunks: deriveTrunks(plan, parts),
  };
}
