/** What a source can be counted on for. */
import type { Card } from './card.ts';

/** A source that gives its voltage at any hour, to be proposed wherever one is missing: no panel, no pack that switches itself off. */
export const isSteady = ({ kind, rails }: Pick<Card, 'kind' | 'rails'>): boolean =>
  kind === 'source' && !rails?.some(({ panel, staysOn }) => panel ?? staysOn);

/** A part that makes rails for others. A load switch passes one on, but only while a pin says so. */
export const isStanding = (card: Card): boolean => (card.rails ?? []).some((rail) => !rail.switch);
