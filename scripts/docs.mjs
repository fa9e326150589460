/** Writes docs/checks.md from the checks themselves; with --check only says whether it is current. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CHECKS } from '../core/src/faces/verify.ts';
import { ruleOf } from '../core/src/faces/words.ts';
import { ROOT } from './lib/ensure.mjs';

const file = join(ROOT, 'docs', 'checks.md');
const sections = CHECKS.map(({ meta }) => {
  const { title, rule, source } = ruleOf(meta.id);
  return `## ${meta.id}\n\n**${title}.** ${rule}\n\nStation: ${meta.station}. Broken: ${meta.breaks}. Source: ${source}.\n`;
});
const text = `# Checks\n\nWritten by \`npm run docs\` from the words of each check; do not edit.\n\n${sections.join('\n')}`;

if (process.argv.includes('--check')) {
  const current = readFileSync(file, 'utf8');
  if (current !== text) {
    console.error('docs/checks.md is behind the checks: run npm run docs');
    process.exit(1);
  }
} else writeFileSync(file, text);
