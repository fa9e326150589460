/**
 * Every figure that a card can have: where it stands, how it is kept, what the reader of datasheets fills it from. In the order of a
 * datasheet. What it is called, and what cannot be proved without it, is said by `say/english/figure.ts`; which checks ask for it, by
 * the checks (`check/asks.ts`).
 */
import { BODY } from './figures/body.ts';
import { CONTROLLER } from './figures/controller.ts';
import type { FigureKind, FigureSlot } from './figures/kind.ts';
import { MEASURES } from './figures/measures.ts';
import { POWER } from './figures/power.ts';
import { SIGNALS } from './figures/signals.ts';

export const FIGURES = { ...MEASURES, ...POWER, ...SIGNALS, ...CONTROLLER, ...BODY } as const;
export type FigureId = keyof typeof FIGURES;

/** The figures that are missed where a card does not say them. */
export type MissedId = {
  [Id in FigureId]: (typeof FIGURES)[Id] extends { readonly missed: unknown } ? Id : never;
}[FigureId];

/** The slots of the reader that fill a figure. */
export type FigureSlotId = {
  [Id in FigureId]: (typeof FIGURES)[Id] extends { readonly slot: { readonly id: infer Slot } } ? Slot : never;
}[FigureId];

export const FIGURE_IDS = Object.keys(FIGURES) as readonly FigureId[];
export const figureKind = (id: FigureId): FigureKind => FIGURES[id];

/** The figure that a slot fills. */
export const FIGURE_OF_SLOT: ReadonlyMap<string, { readonly id: FigureId; readonly slot: FigureSlot }> = new Map(
  FIGURE_IDS.flatMap((id) => {
    const { slot } = figureKind(id);
    return slot ? [[slot.id, { id, slot }] as const] : [];
  }),
);
