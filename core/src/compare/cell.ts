/** One cell of a comparison, and the lines that make them. */
import type { Card } from '../card/card.ts';
import type { Figure, Source } from '../card/figure.ts';
import type { Step } from '../check/result.ts';
import type { Buying } from '../plan/money.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import type { Setting } from './qualify.ts';

export const ROW_GROUPS = ['measuring', 'time', 'supply', 'signals', 'body', 'buying'] as const;
export type RowGroup = (typeof ROW_GROUPS)[number];

export interface Cell {
  readonly text: string;
  /** By which columns are sorted and differences are drawn; null where it is no number. */
  readonly value: number | null;
  /** For a bar: what the part covers. */
  readonly range?: { readonly from: number; readonly to: number };
  readonly conditions?: string | undefined;
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

export const NOTHING: Cell = { text: 'not stated', value: null, missing: true };
export const said = (text: string, value: number | null = null, rest: Partial<Cell> = {}): Cell => ({
  text,
  value,
  missing: false,
  ...rest,
});

type Bound = 'min' | 'typ' | 'max';

/** A figure as it is printed: its bounds in one unit, sorted by the one that counts. */
export function figureCell(card: Card, f: Figure | undefined, by: Bound = 'max'): Cell {
  if (!f) return NOTHING;
  const show = (v: number) =>
    f.unit === 'share'
      ? `${v} × supply`
      : f.unit === 'offset'
        ? `supply ${v < 0 ? '−' : '+'} ${Math.abs(v)} V`
        : formatQuantity(v, f.unit);
  const { min, typ, max } = f;
  const text =
    min !== undefined && max !== undefined
      ? min === max
        ? show(max)
        : `${show(min)} to ${show(max)}`
      : [
          min === undefined ? '' : `≥ ${show(min)}`,
          typ === undefined ? '' : show(typ),
          max === undefined ? '' : `≤ ${show(max)}`,
        ]
          .filter(Boolean)
          .join(', ');
  return said(text, f[by] ?? typ ?? max ?? min ?? null, {
    conditions: f.conditions,
    source: card.sources[f.source],
    ...(min !== undefined && max !== undefined ? { range: { from: min, to: max } } : {}),
  });
}

export interface Line {
  readonly id: string;
  readonly title: string;
  readonly group: RowGroup;
  readonly unit?: string;
  readonly better?: 'less' | 'more';
  readonly cell: (card: Card) => Cell;
}
