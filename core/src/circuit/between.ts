/** What a translator or divider puts on its two sides. */
import { legsIn } from '../plan/helpers.ts';
import { dividerEnd } from './divider.ts';
import { signalEnd } from './ends.ts';
import type { NetEnd, PowerGraph } from './model.ts';
import type { Topology } from './topology.ts';

/**
 * @param ends of the far side
 * @param taken which channel of a translator the line takes
 */
export function betweenSides(
  { plan, parts, tolerance }: Topology,
  beyond: string,
  ends: readonly NetEnd[],
  taken: number,
  power: PowerGraph,
): { near: NetEnd[]; far: NetEnd[]; divided: boolean } {
  const divider = legsIn(plan, 'divider').find(({ helper }) => helper === beyond);
  const [above] = ends;
  if (divider) return { near: above ? [dividerEnd(divider, above, tolerance)] : [], far: [], divided: true };
  const node = parts.get(beyond);
  const translator = node?.card.translator;
  const channel = translator?.channels[taken];
  if (!node?.helper || !translator || !channel) return { near: [], far: [], divided: false };
  const nearIsLow = node.choice?.feeds[translator.lowSupply] === node.helper.near;
  const [near, far] = nearIsLow ? [channel.low, channel.high] : [channel.high, channel.low];
  return { near: signalEnd(node, near, power), far: signalEnd(node, far, power), divided: false };
}
