/** A part alone on the bench: the smallest plan that it can be proved in. */
import type { Card } from '../card/card.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import type { Library } from '../card/library.ts';
import { documentOf } from '../plan/document.ts';
import { newPart } from '../plan/edits.ts';
import { freshPlan } from '../plan/fresh-plan.ts';
import type { Plan } from '../plan/plan.ts';
import { addCarrier } from './carrier.ts';

/** What the part is called in that plan. */
export const ALONE = 'part';

/** Nothing is proved of what is only used up. */
const KIT: ReadonlySet<Card['kind']> = new Set(['board', 'leads', 'resistor', 'joint', 'capacitor', 'diode', 'cable']);

/**
 * The part with a controller, and nothing else; it is left to complete itself. A controller stands for itself, a carrier on a board that it fits.
 * @param partner the controller of choice
 * @returns null of what is no part of its own in a plan
 */
export function smallestBuild(card: Card, partner: Card, library: Library): Plan | null {
  if (KIT.has(card.kind)) return null;
  const of: Library = new Map([...library, [card.id, card]]);
  const [fitting] = Object.keys(card.carrier?.fits ?? {});
  const board = card.kind === 'controller' ? card : card.kind === 'carrier' ? of.get(fitting ?? '') : partner;
  if (!board) return null;
  const begun = freshPlan('alone', card.name, of, {});
  const name = card.kind === 'controller' ? ALONE : 'board';
  const withBoard: Plan = { ...begun, parts: [newPart(begun, board, name, board.name)], controller: name };
  if (card.kind === 'controller') return withBoard;
  if (card.kind === 'carrier') return addCarrier(deriveCircuit(documentOf(withBoard, [], of)), of, card);
  return { ...withBoard, parts: [...withBoard.parts, newPart(withBoard, card, ALONE, card.name)] };
}
