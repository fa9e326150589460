/** The two sides of what stands in a line: a net on the controller's side, and one more beyond each translator or divider. */
import { betweenSides } from './between.ts';
import { endsOf, firstEnds } from './ends.ts';
import type { NetEnd, PowerGraph } from './model.ts';
import type { Topology } from './topology.ts';
import type { Station, Trunk } from './trunks.ts';

/** One net of a line before it is known what pulls it. */
export interface Side {
  readonly trunk: Trunk;
  /** The translator or divider between it and the controller. */
  readonly beyond: string | null;
  readonly divided: boolean;
  readonly ends: readonly NetEnd[];
}

/** All sides of all lines; a side without ends is left out, but for the first of a line. */
export function sidesOf(topology: Topology, power: PowerGraph): Side[] {
  // Lines take the channels of a translator in turn.
  const channels = new Map<string, number>();
  return topology.trunks.flatMap((trunk) => {
    const near: NetEnd[] = [];
    const far: Side[] = [];
    const stations = bySide(trunk);
    for (const [beyond, its] of stations) {
      if (beyond === null) continue;
      const ends = endsOf(its, trunk, power);
      const between = betweenSides(topology, beyond, ends, channels, power);
      near.push(...between.near);
      far.push({ trunk, beyond, divided: between.divided, ends: [...between.far, ...ends] });
    }
    const ends = [...firstEnds(topology, trunk, power), ...near, ...endsOf(stations.get(null) ?? [], trunk, power)];
    return [{ trunk, beyond: null, divided: false, ends }, ...far.filter((side) => side.ends.length > 0)];
  });
}

function bySide({ stations }: Trunk): Map<string | null, Station[]> {
  const sides = new Map<string | null, Station[]>([[null, []]]);
  for (const station of stations) sides.set(station.beyond, [...(sides.get(station.beyond) ?? []), station]);
  return sides;
}
