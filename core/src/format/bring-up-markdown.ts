/** The bring-up sheet to take along: a table for each phase, with room for what is measured. */
import { SHEET_PHASES, type BringUpSheet } from '../deliver/sheet-row.ts';
import { wordOf } from '../quantity/message.ts';
import { say } from '../say/say.ts';
import { saysExpected } from '../say/value.ts';
import { tableCell } from './markdown.ts';
import { BENCH_RULE } from '../deliver/wiring.ts';

/** @param plan its name @param fingerprint of its hardware */
export function sheetMarkdown(plan: string, fingerprint: string, sheet: BringUpSheet): string {
  const lines = [`# Bring-up: ${plan}`, '', `Fingerprint ${fingerprint}.`, '', say(BENCH_RULE)];
  for (const { hazard, labels, says } of sheet.cautions) lines.push('', `**${hazard}** (${say(labels)}): ${says}`);
  for (const phase of SHEET_PHASES) {
    const rows = sheet.rows.filter((row) => row.phase === phase && row.standard);
    if (rows.length === 0) continue;
    lines.push(
      '',
      `## ${say(wordOf('sheet-phase', phase))}`,
      '',
      '| what | how | expected | measured |',
      '|---|---|---|---|',
    );
    for (const { title, how, expected } of rows)
      lines.push(`| ${tableCell(say(title))} | ${tableCell(say(how))} | ${tableCell(saysExpected(expected))} | |`);
  }
  return `${lines.join('\n')}\n`;
}
