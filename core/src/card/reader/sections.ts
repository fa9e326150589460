/** Headings: what the tables and lines below them are about. */
import { headAt } from './header.ts';
import type { Line } from './words.ts';

const KNOWN =
  /absolute|maximum ratings|recommended|operating conditions|characteristics|specification|electrical|parameters|humidity|temperature|sensor|pin|terminal|connector|interface|timing|communication|registers?|package|ordering|soldering|handling|storage|dimensions|mechanical|features|description|overview|application|supply|logic|output|converter|features/i;

/** A heading is so much larger than what is read below it. */
const LARGER = 1.12;

export interface Sections {
  readonly at: (line: number) => string;
  readonly last: string;
}

/**
 * The heading over each line. A caption ("Table 3: …") adds to the heading that it stands under.
 * @param start the heading that the text before ended under
 */
export function sectionsOf(lines: readonly Line[], start: string): Sections {
  const heights = lines.map(({ height }) => height).sort((a, b) => a - b);
  const usual = heights[Math.floor(heights.length / 2)] ?? 10;
  const font = usualFont(lines);
  let heading = start;
  let caption = '';
  const over = lines.map((line, i) => {
    const before = lines[i - 1];
    const gap = before ? line.y - before.y : Infinity;
    if (/^table\s*\d*[.:\-–\s]/i.test(line.text) && line.words.length < 16) caption = line.text;
    // "Operating conditions" and "Maximum ratings" read like heads of columns; larger print tells.
    else if (
      (line.height > usual * LARGER || !headAt(lines, i)) &&
      isHeading(line, { usual, gap, isOdd: isOddIn(line, font) || standsOut(line, lines[i + 1]) })
    ) {
      heading = line.text;
      caption = '';
    }
    return `${heading} ${caption}`.trim();
  });
  return { at: (i) => over[i] ?? start, last: over.at(-1) ?? start };
}

/** The font that most of the text is set in; none where fonts are not known. */
function usualFont(lines: readonly Line[]): string | undefined {
  const letters = new Map<string, number>();
  for (const { font, text } of lines.flatMap(({ words }) => words))
    if (font !== undefined) letters.set(font, (letters.get(font) ?? 0) + text.length);
  return [...letters].sort(([, a], [, b]) => b - a)[0]?.[0];
}

/** Set in one font, and what follows in others. */
function standsOut({ words }: Line, next: Line | undefined): boolean {
  const font = words[0]?.font;
  return (
    font !== undefined &&
    next !== undefined &&
    words.every((word) => word.font === font) &&
    next.words.every((word) => word.font !== font)
  );
}

const isOddIn = ({ words }: Line, font: string | undefined): boolean =>
  font !== undefined && words.every((word) => word.font !== undefined && word.font !== font);

function isHeading(
  { text, words, height }: Line,
  { usual, gap, isOdd }: { usual: number; gap: number; isOdd: boolean },
): boolean {
  if (words.length > 9 || !/[A-Za-z]{3}/.test(text) || /[.;,]$/.test(text)) return false;
  // A number before capitals is a chapter, unless figures follow: then it counts the rows of a table.
  const chapter = /^\d+(?:\.\d+)*\.?\s+([A-Z].*)$/.exec(text);
  if (chapter) return !/(?:^|\s)[±<>+–-]?\d+(?:[.,]\d+)?(?:\s|$)/.test(chapter[1] ?? '');
  if (height > usual * LARGER) return true;
  // Print of another kind, with room above it, heads what follows.
  if (isOdd && gap > height * 1.4 && !/\d/.test(text)) return true;
  const capitals = text === text.toUpperCase() && words.length > 1 && !/\d/.test(text);
  return (capitals || (gap > height * 1.5 && !/\d/.test(text))) && KNOWN.test(text);
}
