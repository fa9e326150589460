/** Tables of pins -> terminals. */
import type { Draft } from './proposal.ts';
import type { Row } from './rows.ts';

export type TerminalRole = 'supply' | 'ground' | 'signal' | 'unused';

/** @example roleOf('VDD', 'supply') === 'supply' */
export function roleOf(label: string, description: string): TerminalRole {
  const plain = label.replace(/[\s_]/g, '').toUpperCase();
  if (/^(?:GND|VSS|AGND|DGND|PGND|G|GROUND|-|−|0V)\d?$/.test(plain)) return 'ground';
  if (/^(?:V(?:DD|CC|IN|BAT|S|SUP|\+)?|U[BS]|\+|3V3|5V|3\.3V|VDDIO|VDDA|VCCIO|PWR)\d?$/.test(plain)) return 'supply';
  if (/^(?:NC|N\/C|DNC|N\.C\.)$/.test(plain) || /not connected|no connect|leave open|do not connect/i.test(description))
    return 'unused';
  if (/^ground\b/i.test(description)) return 'ground';
  if (/^(?:power )?supply\b|^positive supply/i.test(description) && !/select|enable/i.test(description))
    return 'supply';
  return 'signal';
}

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
