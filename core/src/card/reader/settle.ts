/** Figures that are said twice are taken once; figures that contradict each other are no longer sure. */
import { doubtThat } from './doubt.ts';
import type { Draft } from './proposal.ts';

type Placed = Draft & { readonly page: number };

/** Places of a card that hold one figure, whatever the conditions. */
const SINGLE =
  /^(?:supply\.(?:range|absoluteMax)|port\.clock|body\.|logic\.(?:capacitance|pullUp|absoluteMax)|measure\.(?:range|resolution|interval|warmUp))/;

const placeOf = (d: Placed): string =>
  [
    d.slot,
    d.quantity?.quantity ?? '',
    d.slot === 'port.address' ? d.typ : '',
    d.slot === 'terminal' ? d.typ : '',
    d.register ?? '',
  ].join('|');
const figuresOf = (d: Placed): string =>
  [
    d.min,
    d.typ,
    d.max,
    d.unit,
    d.over?.from,
    d.over?.to,
    d.register,
    d.size?.join('×'),
    d.slot === 'terminal' ? d.label : '',
  ].join('|');
const weight = (d: Placed): number => d.doubts.length + (d.weak ? 1 : 0);

export function settle(drafts: readonly Placed[]): Placed[] {
  const best = new Map<string, Placed>();
  for (const draft of drafts) {
    const key = `${placeOf(draft)}#${figuresOf(draft)}#${SINGLE.test(draft.slot) ? '' : draft.slot === 'port.address' ? '' : draft.conditions}`;
    const known = best.get(key);
    if (!known || weight(draft) < weight(known)) best.set(key, draft);
  }
  const kept = [...best.values()];
  return kept
    .filter(
      (draft) =>
        !(
          draft.weak &&
          kept.some(
            (other) => other !== draft && !other.weak && placeOf(other) === placeOf(draft) && sameValues(draft, other),
          )
        ),
    )
    .map((draft) => {
      const rivals = kept.filter(
        (other) => other !== draft && placeOf(other) === placeOf(draft) && contradicts(draft, other),
      );
      const [rival] = rivals;
      return rival ? { ...draft, doubts: [...draft.doubts, doubtThat('elsewhere', { page: rival.page })] } : draft;
    });
}

const sameValues = (a: Placed, b: Placed): boolean => {
  const of = (d: Placed) => [d.min, d.typ, d.max].filter((v) => v !== undefined);
  return of(a).every((v) => of(b).includes(v));
};

function contradicts(a: Placed, b: Placed): boolean {
  if (a.slot === 'port.address') return false;
  if (a.slot === 'terminal') return a.label !== b.label;
  if (b.weak && !a.weak) return false;
  if (SINGLE.test(a.slot)) return a.unit === b.unit && a.slot !== 'logic.absoluteMax' && figuresOf(a) !== figuresOf(b);
  // The same conditions cannot give two figures.
  return a.conditions === b.conditions && a.over?.from === b.over?.from && figuresOf(a) !== figuresOf(b);
}
