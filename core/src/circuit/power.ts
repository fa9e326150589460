/** Rails and feeds under load: voltages from the sources down, less what the currents lose on the way. */
import { interval } from '../quantity/interval.ts';
import { highest, mean } from '../quantity/steps.ts';
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../standard/common-practice.ts';
import type { Currents } from './currents.ts';
import type { Feed, PowerGraph, Rail } from './model.ts';
import { loadsOf } from './rail-loads.ts';
import { voltages } from './rail-voltage.ts';
import type { Topology } from './topology.ts';

export function voltagesUnderLoad(topology: Topology, currents: Currents): PowerGraph {
  const { tree } = topology;
  const { usual, most, surge, lasting, lost, still } = currents;
  const peakOf = (ref: string) => highest(surge.rail(ref));
  const volts = voltages(tree, (key) => lost.get(key)?.drop ?? 0, peakOf);
  const atRest = voltages(tree, () => 0);
  const rails = new Map<string, Rail>();
  for (const offered of tree.offers.values()) {
    const { up: _up, part, ...standing } = offered;
    rails.set(standing.ref, {
      ...standing,
      part: part.id,
      voltage: volts(standing.ref),
      loads: loadsOf(topology, currents, offered, atRest).toSorted((a, b) => b.peak - a.peak),
      typical: mean(usual.rail(standing.ref)),
      most: mean(most.rail(standing.ref)),
      lasting: mean(lasting.rail(standing.ref)),
      peak: peakOf(standing.ref),
      still: {
        typical: still('typical')(standing.ref),
        most: still('most')(standing.ref),
        peak: still('peak')(standing.ref),
      },
    });
  }
  const feeds = new Map<string, Feed>();
  for (const { key, part, supply, rail, by } of tree.feeds) {
    const at = rail === null ? null : volts(rail);
    const loss = lost.get(key);
    const drop = loss?.drop ?? 0;
    feeds.set(key, {
      part: part.id,
      supply,
      rail,
      drop,
      dropSum: loss?.sum ?? '',
      lift: loss?.lift ?? 0,
      peak: loss?.peak ?? 0,
      lead: { length: loss?.length ?? JUMPER_LENGTH, gauge: loss?.gauge ?? JUMPER_GAUGE },
      by,
      voltage: at && interval(Math.min(at.min - drop, at.max), at.typ, at.max),
    });
  }
  return { rails, feeds };
}
