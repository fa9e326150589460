/** A table of pins as it stands on the pages of a sheet -> its text, cells parted by tabs, as it would have been pasted. */
import type { Ruling, Word } from '../../card/reader/page.ts';
import { type Line, linesOf } from '../../card/reader/words.ts';
import { isHead, isNameHead } from './lines.ts';
import { isPinName, namesAhead } from './names.ts';
import { isAboutMany } from './read.ts';

/** What of a page is used. */
export interface LaidPage {
  readonly regions: readonly (readonly Line[])[];
  readonly rulings: readonly Ruling[];
}

/** A gap wider than this share of the type size parts two cells where nothing else tells. */
const GAP = 1.1;
/** Lines farther apart than this many usual distances belong to different things. */
const FAR = 2.4;

interface Piece {
  readonly text: string;
  readonly x0: number;
  readonly x1: number;
}

const upright = ({ x0, x1 }: Ruling): boolean => x0 === x1;
const level = ({ y0, y1 }: Ruling): boolean => y0 === y1;

/** Words that stand close to each other, with no upright ruling between them. */
function piecesOf({ words, y, height }: Line, rulings: readonly Ruling[]): Piece[] {
  const out: { text: string; x0: number; x1: number }[] = [];
  const isRuled = (from: number, to: number) =>
    rulings.some((r) => upright(r) && r.x0 >= from - 0.5 && r.x0 <= to + 0.5 && r.y0 <= y && r.y1 >= y - height);
  for (const { text, x0, x1 } of words) {
    const last = out.at(-1);
    if (last && x0 - last.x1 < GAP * height && !isRuled(last.x1, x0)) {
      last.text += ` ${text}`;
      last.x1 = x1;
    } else out.push({ text, x0, x1 });
  }
  return out;
}

/** Where each column begins, found between the heads in what is clear of words. */
function edgesOf(heads: readonly Piece[], words: readonly Word[], rulings: readonly Ruling[]): number[] {
  return heads.slice(1).map((head, i) => {
    const before = heads[i];
    if (!before) return head.x0;
    const ruled = rulings.find((r) => upright(r) && r.x0 > before.x1 - 1 && r.x0 < head.x0 + 1);
    if (ruled) return ruled.x0;
    // The widest stretch, from the middle of the one head to the middle of the other, that no word comes into.
    const [from, to] = [(before.x0 + before.x1) / 2, (head.x0 + head.x1) / 2];
    const inside = words
      .filter(({ x0, x1 }) => x1 > from && x0 < to)
      .map(({ x0, x1 }) => [Math.max(x0, from), Math.min(x1, to)] as const)
      .sort(([a], [b]) => a - b);
    let [reach, best, wide] = [from, (before.x1 + head.x0) / 2, 0];
    for (const [x0, x1] of [...inside, [to, to] as const]) {
      if (x0 - reach > wide) [best, wide] = [(reach + x0) / 2, x0 - reach];
      reach = Math.max(reach, x1);
    }
    return best;
  });
}

const columnAt = (edges: readonly number[], { x0, x1 }: Word): number =>
  edges.filter((edge) => (x0 + x1) / 2 > edge).length;

/** The lines that stand between two level rulings, or each by itself where no rulings part them. */
function bandsOf(lines: readonly Line[], rulings: readonly Ruling[], width: readonly [number, number]): number[] {
  const across = rulings.filter((r) => level(r) && r.x0 < width[0] + 20 && r.x1 > (width[0] + width[1]) / 2);
  const ys = [...new Set(across.map(({ y0 }) => Math.round(y0)))];
  const inside = ys.filter((y) => y > (lines[0]?.y ?? 0) && y < (lines.at(-1)?.y ?? 0));
  // A line under the head, and one at the end, part no rows.
  if (inside.length < lines.length / 4) return lines.map((_, i) => i);
  return lines.map(({ y, height }) => ys.filter((at) => at < y - height * 0.3).length);
}

interface Open {
  readonly heads: readonly string[];
  readonly edges: readonly number[];
  readonly x: readonly [number, number];
}

/** The rows of a table below its head; a line without a name goes on with the row above it. */
function rowsOf(lines: readonly Line[], { edges, x }: Open, rulings: readonly Ruling[], nameAt: number): string[][] {
  const bands = bandsOf(lines, rulings, x);
  const isBanded = new Set(bands).size < lines.length;
  const rows: { band: number; cells: string[] }[] = [];
  lines.forEach((line, i) => {
    const cells = Array.from({ length: edges.length + 1 }, (_, column) =>
      line.words
        .filter((word) => columnAt(edges, word) === column)
        .map(({ text }) => text)
        .join(' '),
    );
    const last = rows.at(-1);
    const goesOn = isBanded ? last?.band === bands[i] : cells[nameAt] === '' && last !== undefined;
    if (last && goesOn) last.cells = last.cells.map((cell, c) => [cell, cells[c]].filter(Boolean).join(' '));
    else rows.push({ band: bands[i] ?? i, cells });
  });
  return rows.map(({ cells }) => cells);
}

/** Heads that stand there more than once are those of tables beside each other. */
function timesBeside(heads: readonly string[]): number {
  const times = [4, 3, 2].find(
    (n) => heads.length % n === 0 && heads.every((head, i) => head === heads[i % (heads.length / n)]),
  );
  return times ?? 1;
}

/** The lines of a table: as far as none of them runs over the edges of its columns, as a sentence does. */
function within(lines: readonly Line[], edges: readonly number[], rulings: readonly Ruling[], nameAt: number): Line[] {
  const end = lines.findIndex((line) => {
    const runsOver = piecesOf(line, rulings).some(({ x0, x1 }) => edges.some((edge) => x0 < edge - 1 && x1 > edge + 1));
    const name = line.words.filter((word) => columnAt(edges, word) === nameAt).map(({ text }) => text);
    // Cells that nearly touch look like one, too; a row has the name of a pin, or none.
    return runsOver && name.length > 0 && !namesAhead(name.join(' '));
  });
  return lines.slice(0, end < 0 ? undefined : end);
}

/** Lines from one on, as far as they stand close together. */
function together(lines: readonly Line[], from: number): Line[] {
  const gaps = lines.slice(from + 1).map(({ y }, i) => y - (lines[from + i]?.y ?? y));
  const usual = [...gaps].sort((a, b) => a - b)[gaps.length >> 1] ?? 0;
  const end = gaps.findIndex((gap) => gap > FAR * Math.max(usual, 8) || gap < 0);
  return lines.slice(from, end < 0 ? undefined : from + 1 + end);
}

/** What was found of a table, and how much of it. */
interface FoundTable {
  readonly text: string;
  /** Of all tables beside each other. */
  readonly columns: number;
  readonly rows: number;
}

/** @returns '' where no table of pins was found */
export function pinTableText(pages: readonly LaidPage[]): string {
  // A wide gap in a table looks like that between two columns of text: both readings are tried, and the fuller table is taken.
  const across = pages.map(({ regions, rulings }) => ({
    regions: [linesOf(regions.flatMap((lines) => lines.flatMap(({ words }) => words)))],
    rulings,
  }));
  const [one, other] = [tableIn(pages), tableIn(across)];
  return other.columns > one.columns || (other.columns === one.columns && other.rows > one.rows)
    ? other.text
    : one.text;
}

function tableIn(pages: readonly LaidPage[]): FoundTable {
  let open: Open | null = null;
  let widest = 0;
  const rows: string[][] = [];
  const notes: string[] = [];
  const free: string[] = [];
  for (const { regions, rulings } of pages)
    for (const lines of regions) {
      const at = lines.findIndex((line) => isHead(piecesOf(line, rulings).map(({ text }) => text)));
      const first = at < 0 ? -1 : at + 1;
      if (at >= 0) {
        const head = piecesOf(lines[at] as Line, rulings);
        const near = together(lines, first);
        const nameAt = nameColumn(head.map(({ text }) => text));
        // What runs on below a table is no part of it, nor tells where its columns are.
        const rough = head.slice(1).map(({ x0 }) => x0 - 2);
        const edges = edgesOf(
          head,
          within(near, rough, rulings, nameAt).flatMap(({ words }) => words),
          rulings,
        );
        const body = within(near, edges, rulings, nameAt);
        const all = head.map(({ text }) => text);
        widest = Math.max(widest, all.length);
        const columns = all.length / timesBeside(all);
        const names = all.slice(0, columns);
        // A second table with other heads is not put below the first.
        if (open && names.join() !== open.heads.join()) continue;
        open = { heads: names, edges, x: [head[0]?.x0 ?? 0, head.at(-1)?.x1 ?? 0] };
        for (let from = 0; from < all.length; from += columns) {
          const beside = body.map((line) => ({
            ...line,
            words: line.words.filter((word) => Math.floor(columnAt(edges, word) / columns) === from / columns),
          }));
          const x = [head[from]?.x0 ?? 0, head[from + columns - 1]?.x1 ?? 0] as const;
          const own = { ...open, x, edges: edges.slice(from, from + columns - 1) };
          rows.push(
            ...rowsOf(
              beside.filter(({ words }) => words.length > 0),
              own,
              rulings,
              nameColumn(names),
            ),
          );
        }
      } else if (open) {
        const { edges } = open;
        const nameAt = nameColumn(open.heads);
        const goesOn = lines.findIndex(({ words }) =>
          isPinName(
            words
              .filter((word) => columnAt(edges, word) === nameAt)
              .map(({ text }) => text)
              .join(' '),
          ),
        );
        if (goesOn >= 0) rows.push(...rowsOf(together(lines, goesOn), open, rulings, nameAt));
      } else
        free.push(
          ...lines.flatMap((line) => {
            const [name = '', ...rest] = piecesOf(line, rulings).map(({ text }) => text);
            return namesAhead(name) ? [[name, rest.join(', ')].filter(Boolean).join(' ')] : [];
          }),
        );
      notes.push(...lines.filter(({ text }) => isAboutMany(text)).map(({ text }) => text));
    }
  const named = open ? rows.filter((cells) => cells.some((cell) => cell !== '')) : [];
  if (open && named.length > 0) {
    const lines = [[...open.heads], ...named].map((cells) => cells.join('\t'));
    return { text: [...lines, ...notes].join('\n'), columns: widest, rows: named.length };
  }
  return { text: free.length > 1 ? [...free, ...notes].join('\n') : '', columns: 0, rows: free.length };
}

const nameColumn = (heads: readonly string[]): number => Math.max(0, heads.findIndex(isNameHead));
