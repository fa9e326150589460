/** Rails and feeds under load: voltages from the sources down, less what the currents lose on the way. */
import { interval } from '../quantity/interval.ts';
import { highest, mean } from '../quantity/steps.ts';
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../standard/common-practice.ts';
import type { Currents } from './currents.ts';
import type { Feed, PowerGraph, Rail } from './model.ts';
import { loadsOf } from './rail-loads.ts';
import { voltages } from './rail-voltage.ts';
import type { Topology } from './topology.ts';
import type { Supply } from '../card/card-shape.ts';
import { fewOfOwner, slots } from '../quantity/memo.ts';
import type { LeadLoss } from './lead-loss.ts';

export function voltagesUnderLoad(topology: Topology, currents: Currents): PowerGraph {
  const { tree } = topology;
  const { usual, most, surge, lasting, lost, still } = currents;
  const peakOf = (ref: string) => highest(surge.rail(ref));
  const volts = voltages(tree, (key) => lost.get(key)?.drop ?? 0, peakOf);
  const stillOf = { typical: still('typical'), most: still('most'), peak: still('peak') };
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
        typical: stillOf.typical(standing.ref),
        most: stillOf.most(standing.ref),
        peak: stillOf.peak(standing.ref),
      },
    });
  }
  const feeds = new Map<string, Feed>();
  for (const { key, part, supply, rail, by } of tree.feeds) {
    const at = rail === null ? null : volts(rail);
    feeds.set(key, feedOf(slotOf(key), [part.id, supply, rail, by, lost.get(key), at?.min, at?.typ, at?.max]));
  }
  return { rails, feeds };
}

const slotOf = slots();

/** A feed is the same object while the same flows and is lost; last the voltage of its rail. */
type Fed = readonly [
  part: string,
  supply: Supply,
  rail: string | null,
  by: Feed['by'],
  loss: LeadLoss | undefined,
  min: number | undefined,
  typ: number | undefined,
  max: number | undefined,
];

const feedOf = fewOfOwner((_slot: object, [part, supply, rail, by, loss, min, typ, max]: Fed): Feed => {
  const drop = loss?.drop ?? 0;
  return {
    part,
    supply,
    rail,
    drop,
    dropSum: loss?.sum ?? '',
    lift: loss?.lift ?? 0,
    peak: loss?.peak ?? 0,
    lead: { length: loss?.length ?? JUMPER_LENGTH, gauge: loss?.gauge ?? JUMPER_GAUGE },
    by,
    voltage:
      min === undefined || typ === undefined || max === undefined
        ? null
        : interval(Math.min(min - drop, max), typ, max),
  };
});
