/** Every figure of a card, with its place and what it is called: for the card's page, and to compare two versions. */
import type { Message } from '../quantity/message.ts';
import type { Card } from './card.ts';
import { type FigureId, figureKind } from './figures.ts';
import type { Figure, Source } from './figure.ts';
import { type Found, type Names, standing } from './path.ts';

/** What figures are called: by the supply, signal, port … that they are of, or by themselves where a card has but one. */
export type FigureSays = { readonly [Id in FigureId]: Id extends `${string}*${string}` ? Names : null };
export const figureTitle = (id: FigureId, { of, sub, from, to }: Names): Message => ({
  topic: 'card/figure',
  id,
  data: { of, sub, from, to },
});

export interface Bounds {
  readonly min?: number | undefined;
  readonly typ?: number | undefined;
  readonly max?: number | undefined;
}

export interface PlacedFigure extends Bounds {
  readonly id: FigureId;
  /** "supplies/vcc/range" */
  readonly place: string;
  readonly title: Message;
  readonly unit: string;
  readonly conditions?: string | undefined;
  readonly source: Source | undefined;
}

/** What a number or a range stands in, as far as it speaks of that. */
interface Holder {
  readonly source?: string;
  readonly conditions?: string;
}

function read(card: Card, found: Found): PlacedFigure {
  const { id, place, value, holder, unit: measured } = found;
  const { keep = 'figure', units } = figureKind(id);
  const title = figureTitle(id, found);
  if (keep === 'figure') {
    const figure = value as Figure;
    return { id, place, title, ...figure, source: card.sources[figure.source] };
  }
  const { source, conditions } = (keep === 'range' ? value : holder) as Holder;
  const { from, to } = (keep === 'range' ? value : {}) as { from?: number; to?: number };
  const bounds = keep === 'range' ? { min: from, max: to } : { [keep]: value as number };
  const known = source === undefined ? Object.values(card.sources)[0] : card.sources[source];
  return { id, place, title, ...bounds, unit: units[0] ?? measured, conditions, source: known };
}

/** In the order of a datasheet: measuring, supply, signals, ports, controller, body. */
export const figuresOf = (card: Card): PlacedFigure[] => standing(card).map((found) => read(card, found));

export interface Difference {
  readonly place: string;
  readonly title: Message;
  readonly before: PlacedFigure | null;
  readonly after: PlacedFigure | null;
}

const isSame = (a: PlacedFigure | undefined, b: PlacedFigure | undefined): boolean =>
  a !== undefined &&
  b !== undefined &&
  a.min === b.min &&
  a.typ === b.typ &&
  a.max === b.max &&
  a.unit === b.unit &&
  a.source?.kind === b.source?.kind;

/** In which figures two versions of a card differ; a figure that one lacks differs, too. */
export function differences(before: Card, after: Card): Difference[] {
  const old = new Map(figuresOf(before).map((f) => [f.place, f]));
  const now = new Map(figuresOf(after).map((f) => [f.place, f]));
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((place) => {
    const [a, b] = [old.get(place), now.get(place)];
    const title = (b ?? a)?.title;
    return isSame(a, b) || !title ? [] : [{ place, title, before: a ?? null, after: b ?? null }];
  });
}
