/** Pasted text and tables, laid out like a page so that one reader reads them all. */
import { tells } from '../../quantity/message.ts';
import { ReadError } from '../../quantity/read-error.ts';
import type { PageText, TextItem } from './page.ts';

const HEIGHT = 10;
const LEADING = 14;
const LETTER = 5.6;
/** A paste longer than this is no table of a part, in characters. */
export const LONGEST_PASTE = 400_000;

/** The cell separator of a pasted table; null where the text is set with spaces. */
function separator(lines: readonly string[]): string | null {
  const full = lines.filter((line) => line.trim() !== '');
  for (const mark of ['\t', '|', ';']) {
    const rows = full.filter((line) => line.includes(mark)).length;
    if (rows >= 2 && rows >= full.length * 0.5) return mark;
  }
  return null;
}

/** What is said of a text that is too long. */
export interface PasteSays {
  readonly characters: { most: number; found: number };
}

/**
 * @returns one page; each line of the text is a line of the page, in order
 * @throws ReadError when the text is longer than `LONGEST_PASTE`
 */
export function pastedPage(text: string): PageText {
  if (text.length > LONGEST_PASTE) {
    throw new ReadError(tells<PasteSays>('card/paste')('characters', { most: LONGEST_PASTE, found: text.length }));
  }
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const mark = separator(lines);
  const cells = lines.map((line) => (mark ? splitCells(line, mark) : bySpaces(line)));
  const widths: number[] = [];
  if (mark) {
    for (const row of cells)
      row.forEach(({ text: t }, i) => (widths[i] = Math.max(widths[i] ?? 0, t.length * LETTER + 24)));
  }
  const left = (row: readonly { at: number }[], i: number) =>
    mark ? widths.slice(0, i).reduce((sum, w) => sum + w, 0) : (row[i]?.at ?? 0) * LETTER;
  const items = cells.flatMap((row, n) =>
    row.flatMap((cell, i): TextItem[] =>
      cell.text === ''
        ? []
        : [
            {
              text: cell.text,
              x: 20 + left(row, i),
              y: (n + 1) * LEADING,
              width: cell.text.length * LETTER,
              height: HEIGHT,
            },
          ],
    ),
  );
  const width = 40 + Math.max(400, ...items.map((item) => item.x + item.width));
  return { page: 1, width, height: (lines.length + 2) * LEADING, items, rulings: [] };
}

const splitCells = (line: string, mark: string) =>
  line
    .replace(mark === '|' ? /^\s*\||\|\s*$/g : /$^/, '')
    .split(mark)
    .map((cell) => ({ text: /^[\s:-]*$/.test(cell) && mark === '|' && cell.includes('--') ? '' : cell.trim(), at: 0 }));

/** Two spaces or more part cells, as in a table typed by hand. */
const bySpaces = (line: string) =>
  [...line.replaceAll('\t', '    ').matchAll(/\S+(?: \S+)*/g)].map((match) => ({ text: match[0], at: match.index }));
