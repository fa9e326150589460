/** What of a sheet is never a source of figures: maps of registers, ordering tables, histories of the document, packing. */
import type { Line } from './words.ts';

const HEADINGS =
  /\bregisters?\b(?! voltage)|memory map|\bbit (?:map|description|field)|command (?:set|list|table)|ordering|order (?:code|information|number)|part number(?:ing)?|revision|document history|change (?:log|history)|version history|tape and reel|packing|packaging information|marking|disclaimer|bill of materials/i;

/** Words by which the heads of such tables are told. Of one kind so many have to stand in a line. */
const HEADS: readonly (readonly [least: number, words: RegExp])[] = [
  [3, /\b(?:address|addr\.?|register|reg\.?|name|default|reset|access|r\/w|bits?|type|description|function|hex)\b/gi],
  [2, /\b(?:part(?: number)?|order(?:ing)?(?: code| number)?|package|packing|quantity|qty|moq|marking)\b/gi],
  [2, /\b(?:revision|rev\.?|version|date|changes?|history|author)\b/gi],
];
/** What tells a map of registers from a table of pins. */
const REGISTER = /\b(?:address|addr|register|reg)\b/i;
/** A table of figures has a head of its own. */
const FIGURES = /\b(?:min|typ|max|minimum|typical|maximum|units?|values?|symbol)\b/i;

function isForeignHead(text: string): boolean {
  // Heads have no numbers in them, and say each thing once.
  if (FIGURES.test(text) || /\d|[.;:(]\s?/.test(text)) return false;
  const [registers, orders, revisions] = HEADS.map(
    ([least, words]) => new Set((text.match(words) ?? []).map((word) => word.toLowerCase())).size >= least,
  );
  const few = text.split(/\s+/).length <= 10;
  return few && ((registers === true && REGISTER.test(text)) || orders === true || revisions === true);
}

const VERSION = /^(?:v|rev\.?\s*)?\d+(?:\.\d+)?[a-z]?\s/i;

/** A gap of so many type sizes ends what is below such a head. */
const FAR = 2.6;

/** @returns for each line whether it is no source of figures */
export function foreignLines(lines: readonly Line[], sectionAt: (line: number) => string): boolean[] {
  let inside = false;
  return lines.map((line, i) => {
    const before = lines[i - 1];
    if (before && (line.y - before.y > FAR * line.height || line.y < before.y)) inside = false;
    // The numbers of versions read like those of chapters.
    if (before && sectionAt(i) !== sectionAt(i - 1) && !VERSION.test(line.text)) inside = false;
    if (isForeignHead(line.text)) inside = true;
    return inside || HEADINGS.test(sectionAt(i));
  });
}
