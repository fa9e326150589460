/** Which card of the catalogue a part that was read is most like. */
import type { Card, Proposal } from '@idle-breadboard/core/card';
import { drawer } from './drawer.svelte';

/** The class whose cards have most words in common with what was said. */
export function nearestClass(words: string): string | null {
  const wanted = new Set(words.toLowerCase().match(/[a-z²]{3,}/g) ?? []);
  const score = (card: Card) =>
    (`${card.class} ${card.name}`.toLowerCase().match(/[a-z²]{3,}/g) ?? []).filter((w) => wanted.has(w)).length;
  const best = [...drawer.cards.values()]
    .filter(({ kind }) => kind === 'module')
    .sort((a, b) => score(b) - score(a))[0];
  return best && score(best) > 0 ? best.id : null;
}

/** The card of the catalogue that measures what was read, over the same kind of bus. */
export function likelyTemplate(proposals: readonly Proposal[]): string | null {
  const quantities = new Set(proposals.flatMap(({ quantity }) => quantity?.quantity ?? []));
  const bus = proposals.some(({ slot }) => slot === 'port.address' || slot === 'port.clock');
  const score = (card: Card) =>
    card.measures.filter(({ quantity }) => quantities.has(quantity)).length * 4 -
    card.measures.filter(({ quantity }) => !quantities.has(quantity)).length * 2 +
    (card.ports.some(({ protocol }) => protocol === 'i2c') === bus ? 1 : 0) -
    // A plain breakout is the better pattern than one that carries more.
    (card.rails ? 0.5 : 0);
  const best = [...drawer.cards.values()]
    .filter(({ kind }) => kind === 'module')
    .sort((a, b) => score(b) - score(a))[0];
  return best && score(best) > 1 ? best.id : null;
}
