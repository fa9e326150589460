/** The controller as it lies on the table: its pins in the order in which they stand on the board. */
import type { Terminal } from '../card/card-shape.ts';
import { printedNames } from './carrier.ts';
import type { Circuit } from './model.ts';
import { pinUses, type PinUse } from './pin-function.ts';

export interface FacePin {
  readonly terminal: Terminal;
  /** Counted as the board counts: along a header, and in a header of two rows from side to side. */
  readonly number: number;
  /** Null for supplies, ground and what cannot be used. */
  readonly use: PinUse | null;
  /** What a carrier prints beside it. */
  readonly printed: string | null;
}

/** One line across the board: what stands at its left edge, and at its right. */
export interface FaceRow {
  readonly left: FacePin | null;
  readonly right: FacePin | null;
}

/**
 * Rows from top to bottom. A board with two headers has one at each edge; the one at the right is counted from the top as well.
 * A header of two rows has the odd numbers at the left; a single header stands at the left alone.
 */
export function boardFace(circuit: Circuit): FaceRow[] {
  const card = circuit.controller?.card;
  if (!card) return [];
  const uses = new Map(pinUses(circuit).map((use) => [use.pin.terminal, use]));
  const printed = printedNames(circuit);
  const pinOf = (terminal: Terminal | undefined): FacePin | null =>
    terminal
      ? {
          terminal,
          number: terminal.position,
          use: uses.get(terminal.id) ?? null,
          printed: printed?.get(terminal.id)?.name ?? null,
        }
      : null;
  const along = (header: string) =>
    card.terminals.filter((t) => t.header === header).toSorted((a, b) => a.position - b.position);
  const columns = card.headers.flatMap(({ id, rows }) => {
    const all = along(id);
    if (rows < 2) return [all];
    const most = Math.max(0, ...all.map(({ position }) => position));
    const side = (first: number) =>
      Array.from({ length: Math.ceil(most / 2) }, (_, i) => all.find(({ position }) => position === first + 2 * i));
    return [side(1), side(2)];
  });
  const [left = [], right = []] = columns;
  const more = columns.slice(2).flat();
  const rows = Array.from({ length: Math.max(left.length, right.length) }, (_, i) => ({
    left: pinOf(left[i]),
    right: pinOf(right[i]),
  }));
  return [...rows, ...more.map((terminal) => ({ left: pinOf(terminal), right: null }))];
}
