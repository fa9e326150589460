/** Changing one figure of a card by its place. */
import type { Card } from './card.ts';
import { figureKind } from './figures.ts';
import { kindAt, rewrite } from './path.ts';
import type { Bounds } from './places.ts';

const stated = ({ min, typ, max }: Bounds) => ({
  ...(min === undefined ? {} : { min }),
  ...(typ === undefined ? {} : { typ }),
  ...(max === undefined ? {} : { max }),
});

/**
 * A card with a figure at a place, whatever stood there.
 * @param rest unit and conditions of a figure that carries them
 * @param source key of the card's sources
 * @returns null where the card has no such place
 */
export function placeFigure(card: Card, place: string, bounds: Bounds, rest: object, source: string): Card | null {
  const id = kindAt(place);
  const value = bounds.max ?? bounds.typ ?? bounds.min;
  if (!id || value === undefined) return null;
  const { keep = 'figure' } = figureKind(id);
  if (keep === 'figure') return rewrite(card, place, () => ({ ...stated(bounds), ...rest, source }));
  if (keep === 'range')
    return rewrite(card, place, (old) => ({
      ...(old as object),
      ...(bounds.min === undefined ? {} : { from: bounds.min }),
      ...(bounds.max === undefined ? {} : { to: bounds.max }),
      source,
    }));
  const steps = place.split('/');
  const name = steps.at(-1) ?? '';
  return rewrite(card, steps.slice(0, -1).join('/'), (holder) => ({ ...(holder as object), [name]: value, source }));
}
