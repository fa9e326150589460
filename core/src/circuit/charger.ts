/** Which rails the two sides of a charger may be on. */
import type { Card } from '../card/card.ts';
import type { Circuit, Rail } from './model.ts';

/** A charger charges into cells that may be charged, and from what is no cell; every other supply may be on any rail. */
export function maySupply(circuit: Pick<Circuit, 'rails'>, { charger }: Card, supply: string, rail: Rail): boolean {
  const cells = circuit.rails.get(rail.root)?.offer.cells;
  if (supply === charger?.into) return cells !== undefined && cells.chemistry !== 'primary';
  return supply !== charger?.from || cells === undefined;
}
