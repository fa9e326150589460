/** The reader: pages of words in, proposals out. It never writes into a card; a person does, figure by figure. */
import type { ClassId } from '../part-class.ts';
import { QUANTITIES } from '../quantities.ts';
import { classToldBy, titledClass } from './class-told.ts';
import { addressDrafts, identityDrafts } from './codes.ts';
import { contactRatings } from './contact-ratings.ts';
import { decimalMark } from './numbers.ts';
import { foreignLines } from './foreign.ts';
import type { PageText } from './page.ts';
import { surenessOf, type Draft, type Proposal } from './proposal.ts';
import { regionsOf } from './regions.ts';
import type { Reading } from './draft-of.ts';
import { passagesOf, type Passage } from './passages.ts';
import { pinLists, toldPins } from './pins-told.ts';
import { rowDrafts } from './row-proposals.ts';
import { sectionsOf } from './sections.ts';
import { settle } from './settle.ts';
import { statementsOf } from './statements.ts';
import { tablesOf, type OpenTable, type Table } from './tables.ts';
import { terminalDrafts } from './terminals.ts';
import { toldDrafts } from './told.ts';
import { linesOf, wordsOf, type Line } from './words.ts';

/** What was read of one page; kept small, since a datasheet may have hundreds. */
export interface PageReading {
  readonly page: number;
  readonly regions: readonly (readonly Line[])[];
  readonly rulings: PageText['rulings'];
  readonly text: string;
}

/** First pass, page by page: words, lines and columns of text. */
export function layOut(page: PageText): PageReading {
  const words = wordsOf(page);
  const regions = regionsOf(page, words);
  return {
    page: page.page,
    regions,
    rulings: page.rulings,
    text: linesOf(words)
      .map(({ text }) => text)
      .join('\n'),
  };
}

/** The name that a document gives its part: the largest print of its first page. */
export function nameIn(pages: readonly PageReading[]): string {
  const lines = (pages[0]?.regions ?? []).flat().filter(({ text }) => /[A-Za-z]{2}/.test(text) && text.length <= 80);
  const largest = Math.max(0, ...lines.map(({ height }) => height));
  const title = lines.find(({ height }) => height >= largest - 0.1);
  const usual = lines.map(({ height }) => height).sort((a, b) => a - b)[lines.length >> 1] ?? 0;
  return title && largest > usual * 1.15 ? title.text : '';
}

/** The text as a person reads it, one column after the other. */
const inOrderOfReading = (pages: readonly PageReading[]): string =>
  pages.flatMap(({ regions }) => regions.flat().map(({ text }) => text)).join('\n');

/** The classes that the part can be of, the likeliest first. */
export const classesIn = (pages: readonly PageReading[]): ClassId[] => classToldBy(inOrderOfReading(pages));

/** What the whole document tells about each of its rows. */
export function contextOf(pages: readonly PageReading[]): Reading {
  const text = pages.map((page) => page.text).join('\n');
  const mentions = new Map(
    QUANTITIES.map(({ quantity, words }) => [
      quantity,
      [...text.matchAll(new RegExp(words, words.flags.includes('i') ? 'gi' : 'g'))].length,
    ]),
  );
  return {
    mark: decimalMark(text),
    mentions,
    cls: titledClass(inOrderOfReading(pages)),
    sensing: [...mentions.values()].some((count) => count > 1),
  };
}

/** What the page before ended with: the heading, and a table that may go on. */
export interface Before {
  readonly section: string;
  readonly open: OpenTable | null;
}
const START: Before = { section: '', open: null };

/** Second pass: the figures of one page. */
export function readPage(
  page: PageReading,
  reading: Reading,
  before: Before = START,
): { drafts: (Draft & { page: number })[]; before: Before } {
  const drafts: Draft[] = [];
  let { section: current, open } = before;
  for (const lines of page.regions) {
    const sections = sectionsOf(lines, current);
    current = sections.last;
    const foreign = foreignLines(lines, sections.at);
    const ratings = contactRatings(lines, (i) => foreign[i] === true, sections.at, reading.cls);
    drafts.push(...ratings.drafts);
    const found = tablesOf(lines, page.rulings, sections.at, open);
    ({ open } = found);
    const tables = found.tables.filter(({ from }) => foreign[from] !== true);
    const inTable = (i: number) => tables.some(({ from, to }) => i >= from && i < to);
    for (const table of tables) drafts.push(...tableDrafts(table, reading));
    drafts.push(...addressDrafts(lines, inTable, foreign), ...identityDrafts(lines));
    const pins = pinLists(lines, (i) => inTable(i) || foreign[i] === true, sections.at);
    drafts.push(...pins.flatMap((list) => list.drafts));
    const inList = (i: number) => pins.some(({ from, to }) => i >= from && i < to);
    for (const passage of passagesOf(lines, (i) => inTable(i) || inList(i) || ratings.at.has(i) || foreign[i] === true))
      drafts.push(...passageDrafts(passage, sections.at(passage.from), reading), ...toldPins(passage));
  }
  return { drafts: drafts.map((draft) => ({ ...draft, page: page.page })), before: { section: current, open } };
}

/** A line by itself may say "name: value"; all else is running text. */
function passageDrafts(passage: Passage, section: string, reading: Reading): Draft[] {
  const [line] = passage.lines;
  const stated =
    line && passage.lines.length === 1
      ? statementsOf(line, section, reading.mark).flatMap(({ row, weak }) =>
          rowDrafts(row, reading).map((draft) => ({ ...draft, ...(weak ? { weak } : {}) })),
        )
      : [];
  return stated.length > 0 ? stated : toldDrafts(passage, section, reading);
}

const tableDrafts = (table: Table, reading: Reading): Draft[] =>
  table.of === 'pins' ? terminalDrafts(table.rows) : table.rows.flatMap((row) => rowDrafts(row, reading));

/**
 * Reads a whole document.
 * @param progress called after each page, with how many are done
 */
export function readDatasheet(
  pages: readonly PageText[],
  progress: (done: number) => void = () => undefined,
): Proposal[] {
  const laid = pages.map(layOut);
  const reading = contextOf(laid);
  let before = START;
  const drafts = laid.flatMap((page, i) => {
    const read = readPage(page, reading, before);
    ({ before } = read);
    progress(i + 1);
    return read.drafts;
  });
  return settleProposals(drafts);
}

/** Drafts of all pages -> proposals: each figure once, with how sure it is. */
export function settleProposals(drafts: readonly (Draft & { page: number })[]): Proposal[] {
  return settle(drafts).map((draft, i) => {
    const { weak = false, ...rest } = draft;
    return { ...rest, id: `p${i + 1}`, sureness: surenessOf(draft.doubts, weak) };
  });
}
