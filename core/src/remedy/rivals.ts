import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { errorOver, measureFor, rangeMargin } from '../check/need.ts';
import { piecePrice } from '../plan/cost.ts';
import type { SenseNeed } from '../plan/plan.ts';

/** How a card stands to a need: null when it qualifies, else the reason that rules it out. */
export function disqualifies(
  card: Card,
  need: SenseNeed,
  years: number,
): 'quantity' | 'range' | 'accuracy' | 'interval' | null {
  const measure = measureFor(card, need);
  if (!measure) return 'quantity';
  if (rangeMargin(measure, need).margin < 0) return 'range';
  const sum = errorOver(measure, need, years);
  if (!sum || sum.total > need.accuracy + 1e-9) return 'accuracy';
  const shortest = measure.interval?.max ?? measure.interval?.typ ?? measure.interval?.min ?? 0;
  return shortest > need.interval ? 'interval' : null;
}

/**
 * Cards that could stand in for a part: of its kind, with ports of the same protocols, and meeting every need that
 * the part serves. Cheapest first.
 */
export function rivals(circuit: Circuit, library: Library, part: PartNode): Card[] {
  const needs = circuit.plan.needs.filter(
    ({ id, kind }) => kind === 'sense' && part.choice?.needs.includes(id),
  ) as SenseNeed[];
  const { buying } = circuit.plan.rules;
  const protocols = part.card.ports
    .map(({ protocol }) => protocol)
    .sort()
    .join();
  const same = (card: Card) =>
    card.id !== part.card.id &&
    card.kind === part.card.kind &&
    card.ports
      .map(({ protocol }) => protocol)
      .sort()
      .join() === protocols &&
    needs.every((need) => disqualifies(card, need, circuit.plan.lifeYears) === null) &&
    (needs.length > 0 || (part.card.shows ?? []).every((what) => card.shows?.includes(what)));
  const found = [...library.values()].filter(same);
  return (needs.length > 0 || part.card.shows ? found : []).sort(
    (a, b) => piecePrice(a, buying) - piecePrice(b, buying),
  );
}
