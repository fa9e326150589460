/** What the table of figures says of each figure that a card can have. */
import type { Card } from '../card.ts';

/** The things that figures go to: of a card, or of what is known of one while it is entered. */
export interface Things {
  readonly supplies: readonly { readonly id: string }[];
  readonly rails?: readonly { readonly id: string }[] | undefined;
  readonly signals: readonly { readonly id: string; readonly kind: string }[];
  readonly ports: readonly {
    readonly id: string;
    readonly protocol: string;
    readonly lines: Readonly<Record<string, string>>;
  }[];
  readonly measures: readonly { readonly quantity: string }[];
}

/**
 * How a card keeps it. A figure has its bounds, its unit and its source with it. A number ("typ" or "max": which bound it is) and a
 * range stand in a thing that has the source; their unit is that of the row, or of the measure.
 */
type Keeping = 'figure' | 'range' | 'typ' | 'max';

/** What the reader of datasheets fills this figure from. */
export interface FigureSlot {
  readonly id: string;
  /** What makes sense there, SI base units. */
  readonly from: number;
  readonly to: number;
  /** Which of the card's supplies, signals, ports … it goes to, by the first entry of the place; [''] where there is but one card. */
  readonly into: (things: Things, quantity: string | undefined) => readonly string[];
}

export interface FigureKind {
  /** The units that it may be given in; none where it has the unit of its measure. */
  readonly units: readonly string[];
  /** 'figure' where nothing is said. */
  readonly keep?: Keeping;
  readonly slot?: FigureSlot;
  /** Of which supplies, signals, ports … it is missed while the card does not say it. */
  readonly missed?: (card: Card) => readonly string[];
}

/** Figures by their place in a card, "*" for each entry of a list: "supplies/*\/range". */
export type FigureTable = Readonly<Record<string, FigureKind>>;

export const V = ['V'];
export const A = ['A'];
export const OHM = ['Ω'];
export const SECOND = ['s'];
export const HERTZ = ['Hz'];
export const FARAD = ['F'];
export const SHARE = ['share'];
export const CELSIUS = ['°C'];
export const LEVEL = ['V', 'share', 'offset'];
export const OF_MEASURE: readonly string[] = [];

/** The whole card: for a figure that is there once. */
export const once = (): readonly string[] => [''];
export const idsOf = <Thing extends { readonly id: string }>(
  things: readonly Thing[] | undefined,
  which: (thing: Thing) => boolean = () => true,
): readonly string[] => (things ?? []).filter(which).map(({ id }) => id);
