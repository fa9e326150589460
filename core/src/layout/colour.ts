import type { Circuit } from '../circuit/model.ts';
import type { NetNode } from '../circuit/netlist-model.ts';
import { keyOf } from '../plan/ref.ts';

/** Rails this close to the logic supply, V, share its colour. */
const LIKE_LOGIC = 0.2;

/**
 * One colour for each node by the house rules: ground, logic supply, other supply, data, clock; the others in turn, so that
 * neighbours differ and a line keeps its colour through every lead.
 */
export function colours(circuit: Circuit, nodes: readonly NetNode[]): ReadonlyMap<string, string> {
  const { colours: rule } = circuit.plan.rules;
  const reference = circuit.controller?.card.controller?.io.reference;
  const logic = circuit.controller && circuit.rails.get(keyOf(circuit.controller.id, reference))?.voltage?.typ;
  let turn = 0;
  const colourOf = ({ role, line, voltage }: NetNode): string => {
    if (role === 'ground') return rule.ground;
    if (role === 'supply') return logic && voltage && Math.abs(voltage - logic) < LIKE_LOGIC ? rule.logic : rule.supply;
    if (line === 'sda' || line === 'data') return rule.data;
    if (line === 'scl' || line === 'clock') return rule.clock;
    const colour = rule.others[turn % rule.others.length] ?? rule.supply;
    turn += 1;
    return colour;
  };
  return new Map(nodes.map((node) => [node.id, colourOf(node)]));
}
