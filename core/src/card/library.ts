import type { Card } from './card.ts';

/** Cards by id. */
export type Library = ReadonlyMap<string, Card>;
export const libraryOf = (cards: Iterable<Card>): Library => new Map([...cards].map((card) => [card.id, card]));
