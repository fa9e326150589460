/**
 * What the nets of one line follow from, as a flat list: where two lists are the same one by one, so are the nets. It holds parts, which stay the
 * same objects while nobody changes them, and of the power graph the very values that levels and pull-ups stand on.
 */
import { keyOf } from '../plan/ref.ts';
import type { LegsAt } from './helper-legs.ts';
import type { PartNode, PowerGraph, Rail } from './model.ts';
import type { Between } from './sides.ts';
import type { Topology } from './topology.ts';
import type { Trunk } from './trunks.ts';

export class NetGrounds {
  /** Of each part what its levels may stand on. */
  private readonly known = new Map<string, readonly unknown[]>();
  /** Parts that bring pull-ups to pins of the controller. */
  private readonly carriers: readonly PartNode[];

  constructor(
    private readonly topology: Topology,
    private readonly power: PowerGraph,
    private readonly legs: LegsAt,
  ) {
    this.carriers = [...topology.parts.values()].filter(({ card }) => card.carrier);
  }

  of(trunk: Trunk, between: Between): readonly unknown[] {
    const { parts, controller, tolerance } = this.topology;
    const found: unknown[] = [tolerance];
    const take = (part: PartNode | undefined) => {
      for (const one of part ? this.under(part) : [undefined]) found.push(one);
    };
    for (const { part } of trunk.stations) take(part);
    if (trunk.from) take(trunk.from.part);
    else if (controller && trunk.pin) {
      take(controller);
      found.push(...this.carriers);
    }
    if (trunk.tied !== null) {
      const rail = this.power.rails.get(trunk.tied);
      pushRail(found, rail);
      take(rail ? parts.get(rail.part) : (controller ?? undefined));
      // Without a controller it is some part's ground: then nothing is remembered.
      if (!rail && !controller) found.push({});
    }
    for (const [beyond, channel] of between) {
      found.push(channel, this.legs.divider(beyond));
      take(parts.get(beyond));
    }
    for (const leg of this.legs.onLine(trunk.id)) {
      found.push(leg);
      if ('rail' in leg) pushRail(found, this.power.rails.get(leg.rail));
    }
    return found;
  }

  private under(part: PartNode): readonly unknown[] {
    const before = this.known.get(part.id);
    if (before) return before;
    const { rails, feeds } = this.power;
    const found: unknown[] = [part];
    for (const { id } of part.card.rails ?? []) pushRail(found, rails.get(keyOf(part.id, id)));
    for (const { id } of part.card.supplies) {
      const feed = feeds.get(keyOf(part.id, id));
      found.push(feed?.rail, feed?.drop, feed?.lift);
      pushRail(found, feed?.rail ? rails.get(feed.rail) : undefined);
    }
    this.known.set(part.id, found);
    return found;
  }
}

function pushRail(found: unknown[], rail: Rail | undefined): void {
  const voltage = rail?.voltage;
  found.push(rail?.root, rail?.source, rail?.switches, voltage?.min, voltage?.typ, voltage?.max);
}
