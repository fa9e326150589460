/** Candidates side by side: a row for each line of their datasheets, over the range that is wanted. */
import { type Message } from '../quantity/message.ts';
import type { Card } from '../card/card.ts';
import { buyingLines } from './buying-lines.ts';
import type { Cell, Comparing, RowGroup } from './cell.ts';
import { GENERAL } from './general-lines.ts';
import { measuringLines } from './measuring-lines.ts';
import { disqualifies, type Reason } from './qualify.ts';

export interface ComparisonRow {
  readonly id: string;
  readonly title: Message;
  readonly group: RowGroup;
  readonly unit: string;
  /** Which way is better; null where neither is. */
  readonly better: 'less' | 'more' | null;
  readonly cells: readonly Cell[];
  /** True when the cells are not all the same. */
  readonly differs: boolean;
}

interface Compared {
  readonly card: Card;
  readonly ruledOut: Reason | null;
}

export interface Comparison {
  readonly candidates: readonly Compared[];
  readonly rows: readonly ComparisonRow[];
}

/** @param cards candidates, in the order of their columns */
export function compare(cards: readonly Card[], comparing: Comparing): Comparison {
  const { need, setting } = comparing;
  const lines = [...measuringLines(comparing), ...GENERAL, ...buyingLines(comparing)];
  return {
    candidates: cards.map((card) => ({ card, ruledOut: need ? disqualifies(card, need, setting) : null })),
    rows: lines.map(({ cell, unit = '', better = null, ...line }) => {
      const cells = cards.map(cell);
      return { ...line, unit, better, cells, differs: new Set(cells.map(({ text }) => JSON.stringify(text))).size > 1 };
    }),
  };
}
