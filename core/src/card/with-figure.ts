/** Changing one figure of a card by its place. */
import type { Card } from './card.ts';
import type { Source } from './figure.ts';
import { figureKind } from './figures.ts';
import { kindAt, rewrite } from './path.ts';
import type { Bounds } from './places.ts';

const stated = ({ min, typ, max }: Bounds) => ({
  ...(min === undefined ? {} : { min }),
  ...(typ === undefined ? {} : { typ }),
  ...(max === undefined ? {} : { max }),
});

/** A key of `sources` for a source, known or new. */
function sourceKey(card: Card, source: Source): { key: string; sources: Card['sources'] } {
  const same = Object.entries(card.sources).find(
    ([, s]) => s.kind === source.kind && s.title === source.title && s.page === source.page,
  );
  if (same) return { key: same[0], sources: card.sources };
  let key: string = source.kind;
  for (let n = 2; Object.hasOwn(card.sources, key); n++) key = `${source.kind}-${n}`;
  return { key, sources: { ...card.sources, [key]: source } };
}

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

/**
 * @param place as `figuresOf` names it, such as "supplies/vcc/range"
 * @returns null when no figure stands at that place
 */
export function withFigure(card: Card, place: string, bounds: Bounds, from: Source): Card | null {
  const { key, sources } = sourceKey(card, from);
  let rest: object | undefined;
  rewrite(card, place, (old) => {
    if (typeof old === 'object' && old !== null) rest = withoutBounds(old);
    else if (old !== undefined) rest = {};
    return old;
  });
  const changed = rest && placeFigure(card, place, bounds, rest, key);
  return changed ? { ...changed, sources } : null;
}

const withoutBounds = (node: object): object =>
  Object.fromEntries(Object.entries(node).filter(([name]) => !['min', 'typ', 'max'].includes(name)));
