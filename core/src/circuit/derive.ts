/** From a plan and its cards to the circuit, phase by phase: each reads what is before it, and nothing else. */
import type { PlanDocument } from '../plan/document.ts';
import { deriveBuses } from './buses.ts';
import { currentsOf } from './currents.ts';
import type { Circuit } from './model.ts';
import { netsOf } from './nets.ts';
import { pinWishes } from './pin-wishes.ts';
import { voltagesUnderLoad } from './power.ts';
import { voltagesAtRest } from './rest.ts';
import { topologyOf } from './topology.ts';

/**
 * Derives the circuit of a plan. A document is checked before it comes here: `referenceProblems` names what leads nowhere.
 *
 * What pull-ups and lights draw follows from voltages, and voltages from what is drawn: so nets are made at rest first, for
 * their currents alone, and then with the voltages that those leave.
 */
export function deriveCircuit(document: PlanDocument): Circuit {
  const topology = topologyOf(document);
  const currents = currentsOf(topology, netsOf(topology, voltagesAtRest(topology)));
  const power = voltagesUnderLoad(topology, currents);
  const { plan, cards, parts, controller, tolerance, rhythms, guards, cables } = topology;
  return {
    plan,
    cards,
    parts,
    controller,
    tolerance,
    rails: power.rails,
    feeds: power.feeds,
    rhythms,
    guards,
    cables,
    nets: netsOf(topology, power),
    buses: deriveBuses(topology, power),
    wishes: pinWishes(topology, power),
  };
}
