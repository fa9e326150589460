/** One cell of a comparison, and the lines that make them. */
import type { Card } from '../card/card.ts';
import type { Figure, Source } from '../card/figure.ts';
import type { Step } from '../check/result.ts';
import type { Buying } from '../buy/currency.ts';
import type { SenseNeed } from '../plan/plan.ts';
import type { Setting } from './qualify.ts';
import {
  quantityOf,
  tells,
  type Text,
  type Quantity,
  type Message,
  type Price,
  type Duration,
} from '../quantity/message.ts';

/** A bound as it stands on a card. */
type Shown = Quantity | Message;

/** What is said here, by the data that it takes. */
export interface CompareCellSays {
  readonly notStated: null;
  readonly supply: { v: number };
  readonly offset: { volts: Quantity };
  readonly to: { min: Shown; max: Shown };
  readonly bounds: { min: Shown | null; typ: Shown | null; max: Shown | null };
}

const tell = tells<CompareCellSays>('compare/cell');

export const ROW_GROUPS = ['measuring', 'time', 'supply', 'signals', 'body', 'buying'] as const;
export type RowGroup = (typeof ROW_GROUPS)[number];

/** What stands in a cell: a figure, or words. */
export type CellText = Text | Quantity | Price | Duration;

export interface Cell {
  readonly text: CellText;
  /** By which columns are sorted and differences are drawn; null where it is no number. */
  readonly value: number | null;
  /** For a bar: what the part covers. */
  readonly range?: { readonly from: number; readonly to: number };
  readonly conditions?: Text | undefined;
  readonly source?: Source | undefined;
  readonly workings?: readonly Step[];
  /** True where the card says nothing. */
  readonly missing: boolean;
  /** True where the figure breaks the need. */
  readonly breaks?: boolean;
}

export interface Comparing {
  readonly need: SenseNeed | null;
  readonly setting: Setting;
  readonly buying: Buying;
  /** With what chance enough of the pieces must work. */
  readonly sure: number;
  /** Pieces that are needed. */
  readonly pieces: number;
}

export const NOTHING: Cell = { text: tell('notStated'), value: null, missing: true };
export const said = (text: CellText, value: number | null = null, rest: Partial<Cell> = {}): Cell => ({
  text,
  value,
  missing: false,
  ...rest,
});

type Bound = 'min' | 'typ' | 'max';

/** A figure as it is printed: its bounds in one unit, sorted by the one that counts. */
export function figureCell(card: Card, f: Figure | undefined, by: Bound = 'max'): Cell {
  if (!f) return NOTHING;
  const show = (v: number): Shown =>
    f.unit === 'share'
      ? tell('supply', { v })
      : f.unit === 'offset'
        ? tell('offset', { volts: quantityOf(v, 'V') })
        : quantityOf(v, f.unit);
  const { min, typ, max } = f;
  const text =
    min !== undefined && max !== undefined
      ? min === max
        ? show(max)
        : tell('to', { min: show(min), max: show(max) })
      : tell('bounds', {
          min: min === undefined ? null : show(min),
          typ: typ === undefined ? null : show(typ),
          max: max === undefined ? null : show(max),
        });
  return said(text, f[by] ?? typ ?? max ?? min ?? null, {
    conditions: f.conditions,
    source: card.sources[f.source],
    ...(min !== undefined && max !== undefined ? { range: { from: min, to: max } } : {}),
  });
}

export interface Line {
  readonly id: string;
  readonly title: Message;
  readonly group: RowGroup;
  readonly unit?: string;
  readonly better?: 'less' | 'more';
  readonly cell: (card: Card) => Cell;
}
