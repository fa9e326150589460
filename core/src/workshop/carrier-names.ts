/** What is printed on a carrier and which pin of the board each name leads to, from a pasted list: "S1 = D12", "L1 -> D6". */
import type { Card } from '../card/card.ts';

export interface CarrierNames {
  /** Rows of the table: controller, printed name, pin. */
  readonly rows: readonly (readonly [controller: string, name: string, pin: string])[];
  /** What leads to no pin of that board, or is no pair. */
  readonly unread: readonly string[];
}

const PAIR = /^([^=:→\s-][^=:→]*?)\s*(?:=|:|→|->|\s)\s*([\w.+]+)$/;

/** @param controller the board that it fits; pins are found by what is printed on it, or by their ids */
export function readCarrierNames(text: string, controller: Card): CarrierNames {
  const pins = new Map<string, string>();
  for (const { id, label, names = [] } of controller.terminals)
    for (const name of [id, label, ...names]) if (!pins.has(name.toLowerCase())) pins.set(name.toLowerCase(), id);
  const rows: [string, string, string][] = [];
  const unread: string[] = [];
  for (const piece of text.split(/[,;\n]/).map((one) => one.trim().replace(/^[*•-]\s+/, ''))) {
    if (piece === '') continue;
    const [, name = '', on = ''] = PAIR.exec(piece) ?? [];
    const pin = pins.get(on.toLowerCase());
    if (pin === undefined || name === '') unread.push(piece);
    else rows.push([controller.id, name.trim(), pin]);
  }
  return { rows, unread };
}
