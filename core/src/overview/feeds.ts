/** Who feeds whom, as a tree from each source. */
import type { Circuit, Rail } from '../circuit/model.ts';
import { railWarmth } from '../physics/heat.ts';
import { keyOf } from '../plan/ref.ts';
import type { Interval } from '../quantity/interval.ts';
import type { Findings } from './marks.ts';
import type { FeedNode, Strokes } from './model.ts';

/** V up to which a rail has one stroke, and two. */
const ONE_STROKE = 3.6;
const TWO_STROKES = 5.5;

export function strokesOf(voltage: Interval | null): Strokes {
  if (!voltage) return 0;
  return voltage.typ <= ONE_STROKE ? 1 : voltage.typ <= TWO_STROKES ? 2 : 3;
}

/** The rail that a rail is made from; null of a source. */
function above(circuit: Circuit, { part, offer }: Rail): string | null {
  const supply = offer.from?.supply;
  return supply === undefined ? null : (circuit.feeds.get(keyOf(part, supply))?.rail ?? null);
}

/** Rails that something hangs on, below what they are made from. A pin that feeds a part is no rail of the picture: it is a line. */
export function feedTree(circuit: Circuit, findings: Findings): FeedNode[] {
  const rails = [...circuit.rails.values()].filter(({ pin }) => !pin);
  const parent = new Map(rails.map((rail) => [rail.ref, above(circuit, rail)]));
  const seen = new Set<string>();
  const nodeOf = (rail: Rail): FeedNode => {
    seen.add(rail.ref);
    const inside = railWarmth(circuit, rail);
    const limit = rail.offer.limit;
    return {
      rail: rail.ref,
      part: rail.part,
      label: rail.label,
      strokes: strokesOf(rail.voltage),
      volts: rail.voltage ? rail.voltage.typ : null,
      peak: rail.peak,
      limit: limit?.min ?? limit?.typ ?? limit?.max ?? null,
      inside: inside ? inside.junction : null,
      onHub: rail.part === circuit.controller?.id,
      mark: findings.take([rail.ref]),
      // What feeds itself in a circle is cut where it closes.
      into: rails.filter(({ ref }) => parent.get(ref) === rail.ref && !seen.has(ref)).map(nodeOf),
    };
  };
  const roots = rails.filter(({ ref }) => parent.get(ref) === null);
  const trees = roots.map(nodeOf);
  return [
    ...trees,
    ...rails.filter(({ ref }) => !seen.has(ref)).flatMap((rail) => (seen.has(rail.ref) ? [] : [nodeOf(rail)])),
  ];
}
