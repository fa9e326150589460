/** Names in a row, both ways. A name that holds what parts them stands in quotes: VIN, "A, B". */

const QUOTE = '"';

/** @param also what else must not stand bare */
export function quoted(name: string, also: string): string {
  const bare = name !== '' && name === name.trim() && ![QUOTE, ...also].some((mark) => name.includes(mark));
  return bare ? name : `${QUOTE}${name.replaceAll(QUOTE, QUOTE + QUOTE)}${QUOTE}`;
}

/** The cells of a line between single marks, blank ones too; inside of quotes no mark parts. Quotes are kept. */
export function cellsIn(text: string, mark: string): string[] {
  const found: string[] = [];
  let piece = '';
  let inside = false;
  for (const letter of text) {
    if (letter === QUOTE) inside = !inside;
    if (letter === mark && !inside) {
      found.push(piece);
      piece = '';
    } else piece += letter;
  }
  return [...found, piece].map((one) => one.trim());
}

/** The pieces of a text between single marks, without blank ones. */
export const pieces = (text: string, mark: string): string[] => cellsIn(text, mark).filter((one) => one !== '');

/** A name without its quotes. */
export function bare(piece: string): string {
  const text = piece.trim();
  return text.length > 1 && text.startsWith(QUOTE) && text.endsWith(QUOTE)
    ? text.slice(1, -1).replaceAll(QUOTE + QUOTE, QUOTE)
    : text;
}
