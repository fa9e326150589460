/** Changing one figure of a card by its place. */
import type { Card } from './card.ts';
import type { Source } from './figure.ts';

type Bounds = {
  readonly min?: number | undefined;
  readonly typ?: number | undefined;
  readonly max?: number | undefined;
};

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
 * @param place as `figuresOf` names it, such as "supplies/vcc/range"
 * @returns null when the place holds no figure that can be changed alone
 */
export function withFigure(card: Card, place: string, bounds: Bounds, from: Source): Card | null {
  const { key, sources } = sourceKey(card, from);
  const given = stated(bounds);
  const value = bounds.max ?? bounds.typ ?? bounds.min;
  const [list, id, field, sub] = place.split('/');
  if (value === undefined) return null;
  if (list === 'measures') {
    const known = card.measures.find(({ quantity }) => quantity === id);
    if (!known) return null;
    const change = (): typeof known | null => {
      if (field === 'range')
        return {
          ...known,
          range: { from: bounds.min ?? known.range.from, to: bounds.max ?? known.range.to, source: key },
        };
      if (field === 'accuracy')
        return {
          ...known,
          accuracy: known.accuracy.map((a) => (`${a.from}–${a.to}` === sub ? { ...a, error: value, source: key } : a)),
        };
      if (field === 'resolution') return { ...known, resolution: { value, source: key } };
      if (field === 'drift') return { ...known, driftPerYear: { value, source: key } };
      if (field === 'interval' || field === 'conversion' || field === 'warmUp')
        return { ...known, [field]: { ...given, unit: 's' as const, source: key } };
      return null;
    };
    const changed = change();
    return changed && { ...card, sources, measures: card.measures.map((m) => (m === known ? changed : m)) };
  }
  // Everywhere else a place is the path of a figure, with the id standing for its entry of the list.
  const steps = place.split('/');
  const put = (node: unknown, depth: number): unknown => {
    const step = steps[depth];
    if (step === undefined) return isFigure(node) ? { ...withoutBounds(node), ...given, source: key } : undefined;
    if (Array.isArray(node)) {
      const at = node.findIndex(
        (item: unknown) => item !== null && typeof item === 'object' && Reflect.get(item, 'id') === step,
      );
      const changed = at < 0 ? undefined : put(node[at], depth + 1);
      return changed === undefined ? undefined : node.map((item: unknown, i) => (i === at ? changed : item));
    }
    if (node === null || typeof node !== 'object') return undefined;
    const name = step === 'pullUp' ? 'fittedPullUp' : step;
    const inner: unknown = Reflect.get(node, name);
    const changed =
      name === 'fittedPullUp' && inner !== null && typeof inner === 'object'
        ? { ...inner, value: put(Reflect.get(inner, 'value'), depth + 1) }
        : put(inner, depth + 1);
    return changed === undefined ? undefined : { ...node, [name]: changed };
  };
  const changed = put(card, 0) as Card | undefined;
  return changed ? { ...changed, sources } : null;
}

const isFigure = (node: unknown): node is object =>
  node !== null && typeof node === 'object' && 'unit' in node && 'source' in node;
const withoutBounds = (node: object): object =>
  Object.fromEntries(Object.entries(node).filter(([name]) => !['min', 'typ', 'max'].includes(name)));
