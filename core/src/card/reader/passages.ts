/** Lines that run on -> passages of text, as they were written before they were broken into lines. */
import { boxOf, type Box, type Word } from './page.ts';
import type { Line } from './words.ts';

export interface Passage {
  readonly words: readonly Word[];
  readonly text: string;
  readonly lines: readonly Line[];
  /** The line that it begins with. */
  readonly from: number;
}

/** Lines of one passage are so close, in type sizes. */
const LEADING = 1.85;
/** A gap of this many type sizes parts two cells, unless all gaps of the line are wide: then it was justified. */
const CELL_GAP = 0.85;
const LEADER = /\.{4,}|…{2,}|_{4,}|(?:\. ){4,}/;
const ITEM = /^(?:[•·▪■◦●*►➢▶✓‣]|[-–]\s|\(?\d{1,2}[.)]\s)/;
/** "Working voltage: 5 V" begins something of its own. */
const LABEL = /^[A-Z][\w/() .-]{1,40}:\s/;
/** Parts of a word that keep their hyphen at the end of a line. */
const KEEPS_HYPHEN =
  /(?:^|[\s(])(?:two|one|three|low|high|long|short|pull|warm|start|power|stand|non|on|off|self|open|real|pre|half|full|single|multi|ultra|built|plug|\d+)-$/i;

/** A text of several lines without the hyphens at their ends. @example unbroken('measurement inter- val') is 'measurement interval' */
export const unbroken = (text: string): string =>
  text.replace(/\S*[a-z]- (?=[a-z])/g, (all) => (KEEPS_HYPHEN.test(all.trimEnd()) ? all.trimEnd() : all.slice(0, -2)));

/** True for a line that is set in cells, and no running text. */
export function isInCells({ words, height, text }: Line): boolean {
  if (LEADER.test(text)) return true;
  const gaps = words.slice(1).map((word, i) => word.x0 - (words[i]?.x1 ?? 0));
  const widest = Math.max(0, ...gaps);
  const usual = [...gaps].sort((a, b) => a - b)[gaps.length >> 1] ?? 0;
  return widest > CELL_GAP * height && (words.length < 4 || widest > 2.2 * usual);
}

/** Whether a line goes on with what the line before it began: nothing but the margin made it break. */
function goesOn(before: Line, line: Line, margin: number): boolean {
  const first = line.words[0];
  const last = before.words.at(-1);
  if (!first || !last || line.y <= before.y || line.y - before.y > LEADING * line.height) return false;
  if (Math.abs(line.height - before.height) > 0.08 * line.height) return false;
  if (ITEM.test(line.text) || LABEL.test(line.text)) return false;
  if (/^[a-z]/.test(line.text) && !/[.:;]$/.test(before.text)) return true;
  // The first word would have stood on the line before if there had been room.
  return last.x1 + 0.25 * line.height + (first.x1 - first.x0) > margin - 0.5 * line.height;
}

/** @param skip lines that belong to something else */
export function passagesOf(lines: readonly Line[], skip: (line: number) => boolean): Passage[] {
  const margin = Math.max(0, ...lines.flatMap(({ words }) => words.at(-1)?.x1 ?? 0));
  const passages: { words: Word[]; text: string; lines: Line[]; from: number; last: number }[] = [];
  lines.forEach((line, i) => {
    if (skip(i)) return;
    const open = passages.at(-1);
    const before = lines[i - 1];
    const inCells = isInCells(line);
    if (open && before && open.last === i - 1 && !inCells && !isInCells(before) && goesOn(before, line, margin)) {
      const hyphen = /[a-z]-$/.test(open.text) && /^[a-z]/.test(line.text);
      open.text = hyphen
        ? `${KEEPS_HYPHEN.test(open.text) ? open.text : open.text.slice(0, -1)}${line.text}`
        : `${open.text} ${line.text}`;
      open.words.push(...line.words);
      open.lines.push(line);
      open.last = i;
    } else passages.push({ words: [...line.words], text: line.text, lines: [line], from: i, last: i });
  });
  return passages;
}

/** Where the numbers of a text stand on the page. @param taken how many words were passed already */
export function boxOfNumbers(passage: Passage, said: string, taken: number): { box: Box; next: number } {
  const numbers = said.match(/\d+(?:[.,]\d+)*/g) ?? [];
  let at = taken;
  const found: Word[] = [];
  for (const number of numbers) {
    const index = passage.words.findIndex(({ text }, i) => i >= at && text.includes(number));
    const word = passage.words[index];
    if (!word) continue;
    found.push(word);
    at = index;
  }
  return { box: boxOf(found.length > 0 ? found : passage.words), next: at };
}
