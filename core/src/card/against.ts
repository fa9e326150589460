/** A card from elsewhere against the one of the same id that is there. */
import { canonical } from '../quantity/canonical.ts';
import type { Card } from './card.ts';

/** Newer and older by their revisions; two that differ under one revision were changed apart. */
export type Against = 'new' | 'same' | 'newer' | 'older' | 'apart';

const content = (card: Card): string => canonical({ ...card, revision: 0 });

export function against(mine: Card | undefined, theirs: Card): Against {
  if (!mine) return 'new';
  if (content(mine) === content(theirs)) return 'same';
  if (theirs.revision === mine.revision) return 'apart';
  return theirs.revision > mine.revision ? 'newer' : 'older';
}
