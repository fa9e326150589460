/** Parts that the maker put down on the boards by hand, where they lie. */
import { placedBox, type Box } from '../board/footprint.ts';
import { parseHole } from '../board/grid.ts';
import type { Circuit, PartNode } from './model.ts';
import { footprintOf } from './footprint.ts';

export function putDown(circuit: Circuit): { readonly part: PartNode; readonly box: Box }[] {
  return Object.entries(circuit.plan.spots ?? {}).flatMap(([id, { hole: name, turned }]) => {
    const part = circuit.parts.get(id);
    const hole = parseHole(name);
    const footprint = part && hole && footprintOf(part.card);
    return part && hole && footprint
      ? [{ part, box: placedBox(footprint.body, { hole, turned: turned ?? false }) }]
      : [];
  });
}
