/** Fonts of drawings in files: those that the app has, or what the viewer has instead. */
import type { Face } from '../drawing/letter-widths.ts';

const WORDS = 'font-family="Atkinson Hyperlegible Next Variable, Atkinson Hyperlegible Next, sans-serif"';

export const SVG_FACES: Readonly<Record<Face, string>> = {
  plain: WORDS,
  strong: `${WORDS} font-weight="600"`,
  mono: 'font-family="Atkinson Hyperlegible Mono Variable, Atkinson Hyperlegible Mono, monospace"',
};
