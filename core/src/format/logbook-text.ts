/** The logbook as files to read: CSV and Markdown. */
import Papa from 'papaparse';
import type { LogEntry } from '../deliver/logbook.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { say } from '../say/say.ts';
import { sheet } from '../say/sheet.ts';
import { saysEntry, saysExpected, saysReading } from '../say/value.ts';
import { FORMULA_START } from './spreadsheet.ts';
import { tableCell } from './markdown.ts';

const limits = ({ expected }: LogEntry): string => (expected === undefined ? '' : saysExpected(expected));

/** One line for each entry. A text that a spreadsheet would take for a formula is kept a text. */
export function logCsv(entries: readonly LogEntry[]): string {
  return Papa.unparse(
    entries.map((e) => ({
      at: e.at,
      build: e.build,
      kind: e.kind,
      title: e.title,
      value: e.value ?? '',
      unit: e.unit ?? '',
      reference: e.reference ?? '',
      expected: limits(e),
      inside: e.inside === undefined ? '' : e.inside ? 'yes' : 'no',
      by: e.by ?? '',
      text: e.text ?? '',
      fingerprint: e.fingerprint,
    })),
    { newline: '\n', escapeFormulae: FORMULA_START },
  );
}

export function logMarkdown(plan: string, entries: readonly LogEntry[]): string {
  const builds = [...new Set(entries.map(({ build }) => build))].sort((a, b) => a - b);
  const lines = [`# ${say(sheet('logbook', { plan }))}`];
  for (const build of builds) {
    lines.push(
      '',
      `## ${say(sheet('build', { build }))}`,
      '',
      '| when | what | value | expected | | note |',
      '|---|---|---|---|---|---|',
    );
    for (const e of entries.filter((x) => x.build === build).toSorted((a, b) => (a.at < b.at ? -1 : 1))) {
      const mark = e.inside === undefined ? '' : e.inside ? 'inside' : '**outside**';
      const against =
        e.reference === undefined
          ? limits(e)
          : say(sheet('trueValue', { value: formatQuantity(e.reference, e.unit ?? '', 4) }));
      lines.push(
        `| ${e.at.slice(0, 16).replace('T', ' ')} | ${tableCell(saysEntry(e))} | ${tableCell(saysReading(e.value, e.unit))} | ${tableCell(against)} | ${mark} | ${tableCell(e.text ?? '')} |`,
      );
    }
  }
  return `${lines.join('\n')}\n`;
}
