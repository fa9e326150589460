/** What the checks will ask of a card and it does not say. */
import { type Message, tells } from '../quantity/message.ts';
import type { Card } from './card.ts';
import { ASSUMED } from './evidence.ts';
import { FIGURE_IDS, type FigureId, figureKind, type MissedId } from './figures.ts';
import { namesAt, ownerOfPlace, standing } from './path.ts';
import { figuresOf, figureTitle } from './places.ts';

export interface Missing {
  readonly title: Message;
  /** What cannot be proved without it. */
  readonly without: Message;
  /** The figure that is missed; null for an offer. */
  readonly figure: FigureId | null;
}

/** What is not known without a figure; an offer is no figure and is missed all the same. */
export type MissingSays = { readonly [Id in MissedId]: null } & { offer: null; withoutOffer: null };
const tell = tells<MissingSays>('card/missing');

const isMissed = (id: FigureId): id is MissedId => figureKind(id).missed !== undefined;

export function missingOf(card: Card): Missing[] {
  const there = new Set(standing(card).map(({ id, place }) => `${id} ${ownerOfPlace(id, place)}`));
  const figures = FIGURE_IDS.filter(isMissed).flatMap((id) =>
    (figureKind(id).missed?.(card) ?? [])
      .filter((of) => !there.has(`${id} ${of}`))
      .map((of) => ({ title: figureTitle(id, namesAt(card, id, of)), without: tell(id), figure: id })),
  );
  return card.offers.length > 0
    ? figures
    : [...figures, { title: tell('offer'), without: tell('withoutOffer'), figure: null }];
}

/** How many figures rest on what. */
export function trustOf(card: Card): { figures: number; assumed: number } {
  const all = figuresOf(card);
  return { figures: all.length, assumed: all.filter(({ source }) => source && ASSUMED.has(source.kind)).length };
}
