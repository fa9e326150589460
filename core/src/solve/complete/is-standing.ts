import type { Card } from '../../card/card.ts';

/** A part that makes rails for others. A load switch passes one on, but only while a pin says so. */
export const isStanding = (card: Card): boolean => (card.rails ?? []).some((rail) => !rail.switch);
