/** Items of a page -> words. Small print raised behind a word is a footnote mark, small print lowered belongs to it. */
import { textOf, type PageText, type TextItem, type Word } from './page.ts';

/** Gaps narrower than this share of the type size stand inside a word. */
const INSIDE_WORD = 0.14;
/** Small print is set at most this share of the size of the word that it stands behind, not of that of the page. */
const SMALL = 0.93;
const LONGEST_INDEX = 8;
/** Units that are raised to a power, and the bus whose name holds a square. */
const POWERED = /(?:^|[^a-z])(?:mm|cm|m|I)$/i;
const MARK = /^[\d*†‡§a-e,()[\]]{1,4}$/;

interface Piece {
  text: string;
  x0: number;
  x1: number;
  y: number;
  height: number;
  font: string | undefined;
  marked: boolean;
}

/** Whether small print is an index or a mark of the word that ends where it begins. */
const isIndexOf = (piece: Piece, host: Piece): boolean =>
  piece.height <= host.height * SMALL + 0.01 &&
  piece.x0 - host.x1 > -0.25 * host.height &&
  piece.x0 - host.x1 < 0.2 * host.height &&
  Math.abs(piece.y - host.y) <= host.height * 0.7 &&
  // What stands on the same line in slightly smaller print is the next word, unless it touches.
  (Math.abs(piece.y - host.y) > 0.04 * host.height || piece.x0 - host.x1 < 0.08 * host.height);

/** Splits items at their spaces; the width of a letter is taken as even, which is enough to find a column. */
function pieces(items: readonly TextItem[]): Piece[] {
  return items.flatMap((item) => {
    const all = item.text.replace(/\u00a0/g, ' ');
    if (all.trim() === '') return [];
    const each = item.width / Math.max(all.length, 1);
    return [...all.matchAll(/\S+/g)].map((match) => ({
      text: match[0].normalize('NFC'),
      x0: item.x + match.index * each,
      x1: item.x + (match.index + match[0].length) * each,
      y: item.y,
      height: item.height,
      font: item.font,
      marked: false,
    }));
  });
}

/**
 * The words of a page, top to bottom and left to right.
 * @example an item "V" with a lowered small "DD" behind it is the word "VDD"; "0.6" with a raised "1" is "0.6", marked
 */
export function wordsOf(page: Pick<PageText, 'items'>): Word[] {
  const all = pieces(page.items).sort((a, b) => a.x0 - b.x0);
  const byRow = rowsOf(all);
  const taken = new Set<Piece>();
  // From left to right, so that the second of two small pieces finds the first already taken in.
  for (const piece of all) {
    if (piece.text.length > LONGEST_INDEX) continue;
    const host = byRow
      .near(piece.y, piece.height / SMALL)
      .find((h) => h !== piece && !taken.has(h) && isIndexOf(piece, h));
    if (!host) continue;
    taken.add(piece);
    const isRaised = piece.y < host.y - 0.15 * host.height;
    if (isRaised && MARK.test(piece.text) && !POWERED.test(host.text)) host.marked = true;
    else host.text += piece.text;
    host.x1 = Math.max(host.x1, piece.x1);
  }
  const hosts = all.filter((piece) => !taken.has(piece)).sort((a, b) => a.y - b.y || a.x0 - b.x0);
  return joined(hosts).map(({ text, x0, x1, y, height, font, marked }) => ({
    text,
    x0,
    x1,
    y,
    height,
    y0: y - height * 0.8,
    y1: y + height * 0.25,
    ...(font === undefined ? {} : { font }),
    ...(marked ? { marked } : {}),
  }));
}

function rowsOf(list: readonly Piece[]): { near(y: number, size: number): Piece[] } {
  const cell = 20;
  const rows = new Map<number, Piece[]>();
  for (const piece of list) {
    const key = Math.floor(piece.y / cell);
    rows.set(key, [...(rows.get(key) ?? []), piece]);
  }
  return {
    near(y, size) {
      const reach = Math.ceil(size / cell);
      const at = Math.floor(y / cell);
      return Array.from({ length: 2 * reach + 1 }, (_, i) => rows.get(at - reach + i) ?? []).flat();
    },
  };
}

/** Joins pieces that touch: some writers set every letter on its own. */
function joined(list: Piece[]): Piece[] {
  const lines = new Map<number, Piece[]>();
  for (const piece of list) {
    const key = Math.round(piece.y * 2);
    const line = lines.get(key) ?? lines.get(key - 1) ?? lines.get(key + 1);
    if (line) line.push(piece);
    else lines.set(key, [piece]);
  }
  return [...lines.values()]
    .sort((a, b) => (a[0]?.y ?? 0) - (b[0]?.y ?? 0))
    .flatMap((line) => {
      const out: Piece[] = [];
      for (const piece of line.sort((a, b) => a.x0 - b.x0)) {
        const last = out.at(-1);
        const gap = last ? piece.x0 - last.x1 : Infinity;
        if (last && !last.marked && gap < INSIDE_WORD * piece.height && gap > -0.5 * piece.height) {
          last.text += piece.text;
          last.x1 = Math.max(last.x1, piece.x1);
          last.marked = piece.marked;
        } else out.push({ ...piece });
      }
      return out;
    });
}

export interface Line {
  readonly y: number;
  readonly height: number;
  readonly words: readonly Word[];
  readonly text: string;
}

/** Words on one baseline, left to right. */
export function linesOf(words: readonly Word[]): Line[] {
  const out: { y: number; height: number; words: Word[] }[] = [];
  for (const word of [...words].sort((a, b) => a.y - b.y || a.x0 - b.x0)) {
    const last = out.at(-1);
    if (last && Math.abs(last.y - word.y) <= 0.3 * Math.max(last.height, word.height)) last.words.push(word);
    else out.push({ y: word.y, height: word.height, words: [word] });
  }
  return out.map(({ y, height, words: of }) => {
    const sorted = of.sort((a, b) => a.x0 - b.x0);
    return { y, height, words: sorted, text: textOf(sorted) };
  });
}
