/** Pull-ups on a part that a maker can take off. */
import type { Card } from './card.ts';

/** What a part of the plan may have opened: signals of a module, pins of a board, printed names of a carrier. */
export const openable = (card: Card): string[] => [
  ...card.signals.flatMap(({ id, fittedPullUp }) => (fittedPullUp ? [id] : [])),
  ...(card.controller?.pins ?? []).flatMap(({ terminal, fittedPullUp }) => (fittedPullUp ? [terminal] : [])),
  ...(card.carrier?.pullUps ?? []).map(({ name }) => name.toLowerCase()),
];
