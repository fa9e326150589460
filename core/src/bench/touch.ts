/** Two probes put anywhere on a build: also where the sheet asks for nothing. What could hurt stays untouched. */
import { hasHole, parseHole } from '../board/grid.ts';
import { onContact } from '../circuit/contact.ts';
import { inPlug } from '../circuit/mated.ts';
import { pointKey, pointOf } from '../layout/finish.ts';
import type { LeadPoint } from '../layout/layout.ts';
import { liveNodes, probeCost, untouchable, type Measurement } from './measurement.ts';
import type { VirtualBuild } from './virtual-build.ts';

export type Touch =
  { readonly ok: true; readonly measurement: Measurement } | { readonly ok: false; readonly says: string };

const KEY = /^(ohms|volts):(.+)~(.+)$/;

/** Why a place is not to be touched; null where it may be. */
function refusal({ circuit, plan }: VirtualBuild, point: LeadPoint): string | null {
  if (point.kind === 'joint')
    return plan.layout.joints.some(({ id }) => id === point.joint) ? null : `The build has no joint ${point.joint}.`;
  if (point.kind === 'hole') {
    const hole = parseHole(point.hole);
    const grids = plan.layout.boards.map(({ grid }) => grid);
    return hole && hasHole(grids, hole) ? null : `No board of the build has a hole ${point.hole}.`;
  }
  const node = circuit.parts.get(point.part);
  const terminal = node?.card.terminals.find(({ id }) => id === point.terminal);
  if (!node || !terminal) return `No part of the build has a terminal ${pointKey(point)}.`;
  if (untouchable(circuit, point.part))
    return `${node.label}: nothing is measured at the terminals of lithium cells, where a slipped probe is a short.`;
  if (inPlug(circuit, point))
    return `${node.label}, ${terminal.label}: a contact inside a plug, which no probe reaches.`;
  const mains = (node.card.cautions ?? []).some(({ hazard }) => hazard === 'mains');
  if (mains && terminal.role === 'contact' && onContact(circuit, point.part).length === 0)
    return `${node.label}, ${terminal.label}: what is on contacts that may carry mains is for a licensed electrician.`;
  return null;
}

/** Parts whose pins, and nodes whose copper, a place is. */
function subjectsAt({ copper, plan }: VirtualBuild, point: LeadPoint): string[] {
  const at = copper.at(point);
  const nodes = plan.netlist.nodes.filter(({ pins }) => pins.some((p) => copper.pin(p.part, p.terminal) === at));
  return [...nodes.map(({ id }) => id), ...(point.kind === 'terminal' ? [point.part] : [])];
}

/**
 * The measurement of a key, on a build in order.
 * @param key as `probeKey` writes it
 */
export function touchOf(sound: VirtualBuild, key: string): Touch {
  const no = (says: string): Touch => ({ ok: false, says });
  const [, kind, first = '', second = ''] = KEY.exec(key) ?? [];
  const [from, to] = [pointOf(first), pointOf(second)];
  if ((kind !== 'ohms' && kind !== 'volts') || !from || !to) return no(`"${key}" is no measurement with two probes.`);
  const refused = refusal(sound, from) ?? refusal(sound, to);
  if (refused) return no(refused);
  if (pointKey(from) === pointKey(to)) return no('Both probes are in one place.');
  const subjects = [...new Set([...subjectsAt(sound, from), ...subjectsAt(sound, to)])];
  const fed = liveNodes(sound.plan);
  const live = sound.plan.netlist.nodes.find(({ id }) => subjects.includes(id) && fed.has(id));
  if (kind === 'ohms' && live)
    return no(`${live.label} stays live while its cells are in: no resistance is measured there.`);
  return { ok: true, measurement: { kind, key, from, to, subjects, cost: probeCost(kind) } };
}
