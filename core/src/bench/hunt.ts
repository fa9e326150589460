/** Looking for a fault one measurement at a time. */
import type { Dictionary } from './dictionary.ts';
import { Finder, type Finding, type Observation } from './finder.ts';
import type { HiddenBuild } from './hidden.ts';
import type { Measurement } from './measurement.ts';

export interface Hunt {
  readonly taken: readonly Observation[];
  readonly finding: Finding;
}

/** So sure is sure enough. */
export const SURE = 0.98;

/** The measurement to take next; null where nothing tells more. */
export type Order = (finding: Finding, open: readonly Measurement[]) => Measurement | null;

export const bestFirst: Order = ({ next }) => next[0]?.measurement ?? null;

/** Measures until one group of causes stands alone, or nothing tells more. */
export function hunt(dictionary: Dictionary, hidden: HiddenBuild, order: Order = bestFirst): Hunt {
  const finder = new Finder(dictionary);
  const taken: Observation[] = [];
  const open = new Map(dictionary.measurements.map((m) => [m.key, m]));
  let finding = finder.find();
  while ((finding.suspects[0]?.chance ?? 0) < SURE && finding.next.length > 0) {
    const m = order(finding, [...open.values()]);
    if (!m) break;
    open.delete(m.key);
    const observation = { measurement: m.key, value: hidden.read(m) };
    taken.push(observation);
    finder.observe(observation);
    finding = finder.find();
  }
  return { taken, finding };
}
