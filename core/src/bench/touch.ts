/** Two probes put anywhere on a build: also where the sheet asks for nothing. What could hurt stays untouched. */
import { hasHole, parseHole } from '../board/grid.ts';
import { onContact } from '../circuit/contact.ts';
import { inPlug } from '../circuit/mated.ts';
import { pointKey, pointOf } from '../layout/finish.ts';
import type { LeadPoint } from '../circuit/laid.ts';
import { liveNodes, probeCost, untouchable, type Measurement } from './measurement.ts';
import type { VirtualBuild } from './virtual-build.ts';
import { tells, type Text, type Message } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface BenchTouchSays {
  readonly buildHasNoJoint: { joint: Text };
  readonly noBoardBuildHas: { hole: Text };
  readonly noPartBuildHas: { pointKey: Text };
  readonly nothingMeasuredTerminalsLithium: { node: Text };
  readonly contactInsidePlugWhich: { node: Text; terminal: Text };
  readonly whatContactsMayCarry: { node: Text; terminal: Text };
  readonly noMeasurementTwoProbes: { key: Text };
  readonly bothProbesOnePlace: null;
  readonly staysLiveWhileCells: { live: Text };
}

const tell = tells<BenchTouchSays>('bench/touch');

export type Touch =
  { readonly ok: true; readonly measurement: Measurement } | { readonly ok: false; readonly says: Message };

const KEY = /^(ohms|volts):(.+)~(.+)$/;

/** Why a place is not to be touched; null where it may be. */
function refusal({ circuit, plan }: VirtualBuild, point: LeadPoint): Message | null {
  if (point.kind === 'joint')
    return plan.layout.joints.some(({ id }) => id === point.joint)
      ? null
      : tell('buildHasNoJoint', { joint: point.joint });
  if (point.kind === 'hole') {
    const hole = parseHole(point.hole);
    const grids = plan.layout.boards.map(({ grid }) => grid);
    return hole && hasHole(grids, hole) ? null : tell('noBoardBuildHas', { hole: point.hole });
  }
  const node = circuit.parts.get(point.part);
  const terminal = node?.card.terminals.find(({ id }) => id === point.terminal);
  if (!node || !terminal) return tell('noPartBuildHas', { pointKey: pointKey(point) });
  if (untouchable(circuit, point.part)) return tell('nothingMeasuredTerminalsLithium', { node: node.label });
  if (inPlug(circuit, point)) return tell('contactInsidePlugWhich', { node: node.label, terminal: terminal.label });
  const mains = (node.card.cautions ?? []).some(({ hazard }) => hazard === 'mains');
  if (mains && terminal.role === 'contact' && onContact(circuit, point.part).length === 0)
    return tell('whatContactsMayCarry', { node: node.label, terminal: terminal.label });
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
  const no = (says: Message): Touch => ({ ok: false, says });
  const [, kind, first = '', second = ''] = KEY.exec(key) ?? [];
  const [from, to] = [pointOf(first), pointOf(second)];
  if ((kind !== 'ohms' && kind !== 'volts') || !from || !to) return no(tell('noMeasurementTwoProbes', { key }));
  const refused = refusal(sound, from) ?? refusal(sound, to);
  if (refused) return no(refused);
  if (pointKey(from) === pointKey(to)) return no(tell('bothProbesOnePlace'));
  const subjects = [...new Set([...subjectsAt(sound, from), ...subjectsAt(sound, to)])];
  const fed = liveNodes(sound.plan);
  const live = sound.plan.netlist.nodes.find(({ id }) => subjects.includes(id) && fed.has(id));
  if (kind === 'ohms' && live) return no(tell('staysLiveWhileCells', { live: live.label }));
  return { ok: true, measurement: { kind, key, from, to, subjects, cost: probeCost(kind) } };
}
