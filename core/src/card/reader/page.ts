/** A page of a datasheet as the reader sees it: words and lines in points, x to the right and y down from the top. */

export interface TextItem {
  readonly text: string;
  readonly x: number;
  /** Of the baseline. */
  readonly y: number;
  readonly width: number;
  /** Of the font. */
  readonly height: number;
  /** Which font it is set in: any name, the same for the same font. */
  readonly font?: string;
}

/** A drawn line, or the edge of a drawn rectangle: upright or level. */
export interface Ruling {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

export interface PageText {
  /** From 1. */
  readonly page: number;
  readonly width: number;
  readonly height: number;
  readonly items: readonly TextItem[];
  readonly rulings: readonly Ruling[];
}

export interface Box {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** One word, or what stands together without a space. */
export interface Word extends Box {
  readonly text: string;
  /** Of the baseline. */
  readonly y: number;
  readonly height: number;
  readonly font?: string;
  /** True when a footnote mark was taken off its end. */
  readonly marked?: boolean;
}

export const boxOf = (words: readonly Box[]): Box => ({
  x0: Math.min(...words.map(({ x0 }) => x0)),
  y0: Math.min(...words.map(({ y0 }) => y0)),
  x1: Math.max(...words.map(({ x1 }) => x1)),
  y1: Math.max(...words.map(({ y1 }) => y1)),
});

/** Words from left to right as a text. */
export const textOf = (words: readonly Word[]): string => words.map(({ text }) => text).join(' ');
