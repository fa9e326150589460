/** The bring-up sheet to take along: a table for each phase, with room for what is measured. */
import { SHEET_PHASES, type BringUpSheet, type SheetPhase } from './bring-up.ts';
import { saysExpected, tableCell } from './say-value.ts';
import { BENCH_RULE } from './wiring.ts';

export const PHASE_NAMES: Readonly<Record<SheetPhase, string>> = {
  off: 'Before power',
  power: 'First power',
  rest: 'Lines at rest',
  scan: 'Who answers',
  reading: 'First readings that cannot be wrong',
  edges: 'Edges, with an oscilloscope',
};

/** @param plan its name @param fingerprint of its hardware */
export function sheetMarkdown(plan: string, fingerprint: string, sheet: BringUpSheet): string {
  const lines = [`# Bring-up: ${plan}`, '', `Fingerprint ${fingerprint}.`, '', BENCH_RULE];
  for (const { hazard, part, says } of sheet.cautions) lines.push('', `**${hazard}** (${part}): ${says}`);
  for (const phase of SHEET_PHASES) {
    const rows = sheet.rows.filter((row) => row.phase === phase && row.standard);
    if (rows.length === 0) continue;
    lines.push('', `## ${PHASE_NAMES[phase]}`, '', '| what | how | expected | measured |', '|---|---|---|---|');
    for (const { title, how, expected } of rows)
      lines.push(`| ${tableCell(title)} | ${tableCell(how)} | ${tableCell(saysExpected(expected))} | |`);
  }
  return `${lines.join('\n')}\n`;
}
