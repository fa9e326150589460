/** Pull-ups that sit on what is there already. */
import type { Signal } from '../../card/card-shape.ts';
import type { Card } from '../../card/card.ts';
import { toInterval } from '../../card/to-interval.ts';
import type { Circuit } from '../../circuit/model.ts';
import type { PartOptions } from './ways.ts';

/** True for a translator that carries resistors on both sides of every channel. */
export const hasPullUps = (card: Card): boolean =>
  card.translator?.channels.every(({ low, high }) =>
    [low, high].every((id) => card.signals.find((signal) => signal.id === id)?.fittedPullUp),
  ) ?? false;

export const hasBoardPullUps = ({ parts }: Circuit): boolean =>
  [...parts.values()].some(
    ({ card }) =>
      card.controller?.pins.some(({ fittedPullUp }) => fittedPullUp) || (card.carrier?.pullUps?.length ?? 0) > 0,
  );

export const isSoldered = ({ fittedPullUp }: Signal): boolean =>
  fittedPullUp !== undefined && fittedPullUp.removable !== 'jumper';

/** Ω of the weakest of a part's own; null where it has none. */
export const ownOhms = ({ node }: PartOptions): number | null => {
  const all = node.card.signals.flatMap(({ fittedPullUp }) =>
    fittedPullUp ? [toInterval(fittedPullUp.value).max] : [],
  );
  return all.length > 0 ? Math.max(...all) : null;
};
