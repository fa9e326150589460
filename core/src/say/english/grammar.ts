/** How English joins and begins. */

/** The sentence-starting form of a text. */
export const start = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** "a", "a and b", "a, b and c". */
export const list = (items: readonly string[], last = 'and'): string =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} ${last} ${items.at(-1) ?? ''}`;

/** "a, b, c". */
export const commas = (items: readonly string[]): string => items.join(', ');

/** The form of a word that goes with a count. */
export const plural = (count: number, one: string, many: string): string => (count === 1 ? one : many);

/** "1 lead", "2 leads"; words of their own where more than one is no plain s. */
export const counted = (count: number | string, one: string, many = `${one}s`): string =>
  `${count} ${plural(Number(count), one, many)}`;
