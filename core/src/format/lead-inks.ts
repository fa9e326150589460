/** How leads are told apart: by colour, on paper by the style of their line as well. */

/** What the usual names of wire colours look like; a colour without an entry is drawn grey and named. */
const INKS: Readonly<Record<string, string>> = {
  red: '#c62f2a',
  orange: '#d9761a',
  black: '#2a2824',
  green: '#2a7f44',
  yellow: '#d8b21a',
  blue: '#2f62b4',
  violet: '#7a4aa5',
  white: '#f4f1e8',
  grey: '#8b877c',
  brown: '#7a4a26',
};
const UNNAMED = '#6d695f';
/** Dashes and gaps of a line, in steps of the grid; a colour without an entry is a whole line. */
const DASHES: Readonly<Record<string, string>> = {
  orange: '1.6 0.3',
  green: '0.8 0.3',
  yellow: '0.4 0.3',
  blue: '1.6 0.3 0.4 0.3',
  violet: '1.6 0.3 0.4 0.3 0.4 0.3',
  white: '0.15 0.3',
  grey: '0.8 0.3 0.15 0.3',
  brown: '0.15 0.15',
};

/** A file may name a colour as it likes, also "toString". */
const named = (table: Readonly<Record<string, string>>, colour: string): string | undefined =>
  Object.hasOwn(table, colour) ? table[colour] : undefined;

export const inkOf = (colour: string): string => named(INKS, colour) ?? UNNAMED;
export const dashOf = (colour: string): string => named(DASHES, colour) ?? '';

/** Relative luminance of a colour written as #rrggbb (WCAG 2.1). */
function luminance(ink: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const share = parseInt(ink.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

const DARK = '#1f1d1a';
const LIGHT = '#ffffff';

/** Ink of the figures on a tag of that colour: whichever of dark and light is told apart better. */
export function figureInkOf(colour: string): string {
  const on = luminance(inkOf(colour));
  return (on + 0.05) / (luminance(DARK) + 0.05) >= (luminance(LIGHT) + 0.05) / (on + 0.05) ? DARK : LIGHT;
}
