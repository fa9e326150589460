/** The Compare station: which candidates, in which order, against which, and which lines. */
import type { Card } from '@idle-breadboard/core/card';
import type { Circuit } from '@idle-breadboard/core/circuit';
import { buyingOf, type Need, type SenseNeed } from '@idle-breadboard/core/plan';
import { compare, qualify, settingOf, type ComparisonRow } from '@idle-breadboard/core/verify';
import { say } from '@idle-breadboard/core/words';
import { frontOf } from './needs';
import { view } from './view.svelte';
import { workbench } from './workbench.svelte';

class Comparing {
  /** Cards for one need, or one part for each need at once. */
  of = $state<'cards' | 'sets'>('cards');
  /** Candidates that were put aside. */
  hidden = $state.raw<ReadonlySet<string>>(new Set());
  /** Candidates that were added although something rules them out. */
  added = $state.raw<ReadonlySet<string>>(new Set());
  pinned = $state<string | null>(null);
  onlyDifferences = $state(false);
  /** Line by which the columns are sorted. */
  sortedBy = $state<string | null>(null);
  descending = $state(false);
  word = $state('');

  reset(): void {
    this.hidden = new Set();
    this.added = new Set();
    this.pinned = null;
    this.sortedBy = null;
  }

  hide(id: string): void {
    this.hidden = new Set([...this.hidden, id]);
    if (this.pinned === id) this.pinned = null;
  }

  show(id: string): void {
    this.hidden = new Set([...this.hidden].filter((other) => other !== id));
    this.added = new Set([...this.added, id]);
  }

  sort(line: string): void {
    this.descending = this.sortedBy === line && !this.descending;
    this.sortedBy = line;
  }
}

export const comparing = new Comparing();

export interface Table {
  readonly cards: readonly Card[];
  readonly rows: readonly ComparisonRow[];
  /** Cards that could be added as columns. */
  readonly others: readonly Card[];
  readonly pieces: number;
}

/** Pieces of one card that the needs like this one ask for. */
const piecesFor = (circuit: Circuit, need: Need): number =>
  Math.max(
    1,
    circuit.plan.needs.filter((n) =>
      need.kind === 'sense'
        ? n.kind === 'sense' && n.quantity === need.quantity
        : need.kind !== 'trigger' && n.kind !== 'sense' && n.kind !== 'trigger' && n.service === need.service,
    ).length,
  );

/** Needs that cards can be compared for. */
export const comparable = (circuit: Circuit): readonly Need[] =>
  circuit.plan.needs.filter((n) => n.kind === 'sense' || (n.kind !== 'trigger' && n.service !== undefined));

/** The need whose candidates are on screen. */
export function comparedNeed(circuit: Circuit): Need | null {
  const needs = comparable(circuit);
  return needs.find(({ id }) => id === view.compared) ?? needs[0] ?? null;
}

/** The comparison that is on screen. */
export function tableOf(circuit: Circuit, need: Need): Table {
  const setting = settingOf(circuit.plan, need, frontOf(circuit));
  const { able, out } = qualify(workbench.library.values(), need, setting);
  const serving = circuit.plan.parts.flatMap(({ needs, card }) =>
    needs.includes(need.id) ? (circuit.cards.get(card) ?? []) : [],
  );
  const near = [...able, ...out.flatMap(({ cards }) => cards)];
  const all = new Map([...serving, ...near].map((card) => [card.id, card]));
  const wanted = [...all.values()].filter(
    ({ id }) =>
      !comparing.hidden.has(id) &&
      (able.some((card) => card.id === id) || comparing.added.has(id) || serving.some((card) => card.id === id)),
  );
  const sense: SenseNeed | null = need.kind === 'sense' ? need : null;
  const pieces = piecesFor(circuit, need);
  const { rows } = compare(wanted, {
    need: sense,
    setting,
    buying: buyingOf(circuit.plan),
    sure: circuit.plan.rules.sure,
    pieces,
  });
  const order = columnOrder(wanted, rows);
  const word = comparing.word.trim().toLowerCase();
  return {
    cards: order.flatMap((i) => wanted[i] ?? []),
    rows: rows
      .filter(
        ({ differs, title, group }) =>
          (!comparing.onlyDifferences || differs) && `${say(title)} ${group}`.toLowerCase().includes(word),
      )
      .map((row) => ({ ...row, cells: order.flatMap((i) => row.cells[i] ?? []) })),
    others: [...all.values()].filter(({ id }) => !wanted.some((card) => card.id === id)),
    pieces,
  };
}

function columnOrder(cards: readonly Card[], rows: readonly ComparisonRow[]): number[] {
  const order = cards.map((_, i) => i);
  const line = rows.find(({ id }) => id === comparing.sortedBy);
  if (line) {
    const sign = (line.better === 'more' ? -1 : 1) * (comparing.descending ? -1 : 1);
    const key = (i: number) => line.cells[i]?.value ?? null;
    order.sort((a, b) => {
      const [x, y] = [key(a), key(b)];
      if (x === null || y === null) return x === y ? 0 : x === null ? 1 : -1;
      return sign * (x - y);
    });
  }
  const pin = cards.findIndex(({ id }) => id === comparing.pinned);
  return pin < 0 ? order : [pin, ...order.filter((i) => i !== pin)];
}

/** The table as text with tabs, for a spreadsheet. */
export function tableText({ cards, rows }: Table): string {
  const lines = rows.map((row) => [row.title, ...row.cells.map(({ text }) => text)]);
  return [['', ...cards.map(({ name }) => name)], ...lines].map((cells) => cells.map(say).join('\t')).join('\n');
}
