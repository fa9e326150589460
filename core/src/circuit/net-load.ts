/** What a net weighs: pins, leads, rows of the board, capacitors. */
import { CABLE_CAPACITANCE, JUMPER_LENGTH, ROW_CAPACITANCE } from '../standard/common-practice.ts';
import { quantityOf, tells, type Quantity, type Text, wordOf } from '../quantity/message.ts';
import type { Net, NetEnd, PartNode } from './model.ts';

/** What is said here, by the data that it takes. */
export interface NetLoadSays {
  readonly pin: { end: Text };
  readonly lead: { end: Text; length: Quantity; cable: Text | null };
  readonly boardRows: { count: number };
  readonly capacitor: { helper: Text };
}
const tell = tells<NetLoadSays>('circuit/net-load');

export function capacitanceTerms(
  ends: readonly NetEnd[],
  filters: Net['filters'],
  parts: ReadonlyMap<string, PartNode>,
): Net['capacitanceTerms'] {
  const terms: { part: string | null; label: Text; farads: number }[] = ends.map((end) => ({
    part: end.part,
    label: tell('pin', { end: end.label }),
    farads: end.capacitance,
  }));
  for (const end of ends) {
    if (end.controller || end.divider) continue;
    const part = parts.get(end.part);
    const own = part?.card.terminals.find(({ id }) => id === end.terminal)?.lead?.length ?? 0;
    const length = (part?.choice?.lead ?? JUMPER_LENGTH) + own;
    const cable = part?.choice?.cable ?? 'loose';
    terms.push({
      part: end.part,
      label: tell('lead', {
        end: end.label,
        length: quantityOf(length, 'm'),
        cable: cable === 'loose' ? null : wordOf('cable', cable),
      }),
      farads: length * CABLE_CAPACITANCE[cable],
    });
  }
  terms.push({ part: null, label: tell('boardRows', { count: ends.length }), farads: ends.length * ROW_CAPACITANCE });
  for (const { helper, farads } of filters) terms.push({ part: null, label: tell('capacitor', { helper }), farads });
  return terms;
}
