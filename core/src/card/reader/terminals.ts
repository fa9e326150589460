/** Tables of pins -> terminals. */
import type { Draft } from './proposal.ts';
import type { Row } from './rows.ts';

export function terminalDrafts(rows: readonly Row[]): Draft[] {
  return rows.flatMap((row): Draft[] => {
    const label = (row.cells.label ?? '').trim();
    const numbers = (row.cells.number ?? '').match(/\d{1,3}/g)?.map(Number) ?? [];
    const description = (row.cells.name ?? row.cells.other ?? '').trim();
    if (label === '' || label.length > 24 || numbers.length === 0) return [];
    return numbers.map((number) => ({
      slot: 'terminal',
      typ: number,
      unit: 'position',
      label,
      conditions: description.slice(0, 160),
      name: `pin ${number}`,
      said: [row.cells.number, label, description].filter(Boolean).join(' | '),
      box: row.box,
      doubts: row.doubts,
    }));
  });
}
