import { buyingOf } from '../buy/currency.ts';
import type { Card } from '../card/card.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Library } from '../card/library.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { disqualifies, settingOf } from '../compare/qualify.ts';
import { piecePrice } from '../buy/cost.ts';
import type { SenseNeed } from '../plan/plan.ts';

/**
 * Cards that could stand in for a part: of its kind, with ports of the same protocols, and meeting every need that
 * the part serves. Cheapest first.
 */
export function rivals(circuit: Circuit, library: Library, part: PartNode): Card[] {
  const needs = circuit.plan.needs.filter(
    ({ id, kind }) => kind === 'sense' && part.choice?.needs.includes(id),
  ) as SenseNeed[];
  const buying = buyingOf(circuit.plan);
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
    needs.every((need) => disqualifies(card, need, settingOf(circuit.plan, need)) === null) &&
    (needs.length > 0 || (part.card.serves ?? []).every((what) => card.serves?.includes(what))) &&
    drivesAsMuch(part.card, card);
  const found = [...library.values()].filter(same);
  return (needs.length > 0 || part.card.serves || part.card.driver ? found : []).sort(
    (a, b) => piecePrice(a, buying) - piecePrice(b, buying),
  );
}

/** A driver stands in for another where it stands as much voltage and current. */
function drivesAsMuch({ driver }: Card, { driver: other }: Card): boolean {
  if (!driver) return true;
  return (
    other !== undefined &&
    toInterval(other.voltage).max >= toInterval(driver.voltage).max &&
    toInterval(other.current).min >= toInterval(driver.current).min
  );
}
