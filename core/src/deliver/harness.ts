/** What colour becomes what colour where wires meet. */
import { conductorOf, parseHole } from '../board/grid.ts';
import type { Netlist } from '../circuit/netlist-model.ts';
import type { Layout, Lead, LeadPoint } from '../circuit/laid.ts';
import type { Places } from './places.ts';
import type { Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

export interface ColourChange {
  readonly where: Text;
  /** The line or rail. */
  readonly line: Text;
  readonly wires: readonly { readonly colour: string; readonly to: Text }[];
}

/** Joints, rows and terminals at which wires of different colours meet on one node. Where all are alike there is nothing to say. */
export function harnessOf(layout: Layout, netlist: Netlist, places: Places): ColourChange[] {
  const grids = layout.boards.map(({ grid }) => grid);
  const placeOf = (point: LeadPoint): string => {
    if (point.kind === 'joint') return `joint ${point.joint}`;
    if (point.kind === 'terminal') return keyOf(point.part, point.terminal);
    const hole = parseHole(point.hole);
    return hole ? conductorOf(grids, hole) : point.hole;
  };
  const met = new Map<string, { lead: Lead; here: LeadPoint; there: LeadPoint }[]>();
  for (const lead of layout.leads) {
    if (lead.kind !== 'lead' && lead.kind !== 'own') continue;
    for (const [here, there] of [
      [lead.from, lead.to],
      [lead.to, lead.from],
    ] as const) {
      const key = placeOf(here);
      met.set(key, [...(met.get(key) ?? []), { lead, here, there }]);
    }
  }
  return [...met.values()].flatMap((wires): ColourChange[] => {
    const [first] = wires;
    const mixed = new Set(wires.map(({ lead }) => lead.colour)).size > 1;
    const joint = first?.here.kind === 'joint';
    if (!first || wires.length < 2 || (!mixed && !joint) || places.isStrip(first.here)) return [];
    return [
      {
        where: places.say(first.here),
        line: netlist.nodes.find(({ id }) => id === first.lead.of)?.label ?? first.lead.of,
        wires: wires.map(({ lead, there }) => ({ colour: lead.colour, to: places.say(there) })),
      },
    ];
  });
}
