/** The two sides of what stands in a line: a net on the controller's side, and one more beyond each translator or divider. */
import { betweenSides } from './between.ts';
import { endsOf, firstEnds } from './ends.ts';
import type { NetEnd, PowerGraph } from './model.ts';
import type { Topology } from './topology.ts';
import type { Station, Trunk } from './trunks.ts';
import { perOwner } from '../quantity/memo.ts';

/** One net of a line before it is known what pulls it. */
export interface Side {
  readonly trunk: Trunk;
  /** The translator or divider between it and the controller. */
  readonly beyond: string | null;
  readonly divided: boolean;
  readonly ends: readonly NetEnd[];
}

/** What stands in a line, each with the channel of it that the line takes; a divider has none. */
export type Between = readonly (readonly [beyond: string, channel: number])[];

/** Lines take the channels of a translator in turn. */
export function takeChannels(trunk: Trunk, taken: Map<string, number>): Between {
  const found: [string, number][] = [];
  for (const beyond of bySide(trunk).keys()) {
    if (beyond === null) continue;
    const channel = taken.get(beyond) ?? 0;
    taken.set(beyond, channel + 1);
    found.push([beyond, channel]);
  }
  return found;
}

/** All sides of a line; a side without ends is left out, but for the first. */
export function sidesOf(topology: Topology, trunk: Trunk, taken: Between, power: PowerGraph): Side[] {
  const near: NetEnd[] = [];
  const far: Side[] = [];
  const stations = bySide(trunk);
  for (const [beyond, channel] of taken) {
    const ends = endsOf(stations.get(beyond) ?? [], trunk, power);
    const between = betweenSides(topology, beyond, ends, channel, power);
    near.push(...between.near);
    far.push({ trunk, beyond, divided: between.divided, ends: [...between.far, ...ends] });
  }
  const ends = [...firstEnds(topology, trunk, power), ...near, ...endsOf(stations.get(null) ?? [], trunk, power)];
  return [{ trunk, beyond: null, divided: false, ends }, ...far.filter((side) => side.ends.length > 0)];
}

const bySide = perOwner(sorted);

function sorted({ stations }: Trunk): Map<string | null, Station[]> {
  const sides = new Map<string | null, Station[]>([[null, []]]);
  for (const station of stations) sides.set(station.beyond, [...(sides.get(station.beyond) ?? []), station]);
  return sides;
}
