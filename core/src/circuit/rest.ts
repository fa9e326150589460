/** Rails and feeds at rest: their voltages with nothing drawn, which is what the small currents on lines follow from. */
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../standard/common-practice.ts';
import type { Feed, PowerGraph, Rail } from './model.ts';
import { voltages } from './rail-voltage.ts';
import type { Topology } from './topology.ts';

const NONE = { typical: 0, most: 0, peak: 0 };
const LEAD = { length: JUMPER_LENGTH, gauge: JUMPER_GAUGE };

export function voltagesAtRest({ tree }: Topology): PowerGraph {
  const volts = voltages(tree, () => 0);
  const rails = new Map<string, Rail>();
  for (const { up: _up, part, ...standing } of tree.offers.values())
    rails.set(standing.ref, {
      ...standing,
      part: part.id,
      voltage: volts(standing.ref),
      loads: [],
      ...NONE,
      lasting: 0,
      still: NONE,
    });
  const feeds = new Map<string, Feed>();
  for (const { key, part, supply, rail, by } of tree.feeds) {
    const voltage = rail === null ? null : volts(rail);
    feeds.set(key, { part: part.id, supply, rail, drop: 0, dropSum: '', lift: 0, peak: 0, lead: LEAD, by, voltage });
  }
  return { rails, feeds };
}
