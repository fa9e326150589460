/** What a drawing is made of. Lengths in pixels of the screen at its natural size; the origin is the upper left corner. */
import type { Severity } from '../check/result.ts';
import type { Strokes } from '../overview/model.ts';
import type { Face } from './letter-widths.ts';

/** What a shape is of, so that what belongs together can be shown together. */
export interface Of {
  readonly kind: 'rail' | 'hub' | 'row' | 'part' | 'column' | 'legend';
  readonly id: string;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

export type Shape =
  | (Box & { readonly is: 'box'; readonly role: 'feed' | 'hub' | 'rail' | 'part' | 'gate' | 'column'; readonly of: Of })
  | {
      readonly is: 'line';
      readonly points: readonly (readonly [x: number, y: number])[];
      /** A feed shows its voltage by its strokes; a signal the number of its lines by a ribbon. */
      readonly role: 'feed' | 'signal';
      readonly strokes: Strokes;
      readonly of: Of;
      /** Lines that are joined: they may touch. */
      readonly net: string;
    }
  | (Box & {
      readonly is: 'text';
      readonly text: string;
      /** In full, where it was cut. */
      readonly full: string;
      readonly size: number;
      readonly face: Face;
      readonly tone: 'ink' | 'quiet' | 'pass' | Severity;
      readonly of: Of;
    })
  | (Box & { readonly is: 'mark'; readonly severity: Severity; readonly key: string; readonly of: Of })
  | (Box & { readonly is: 'flag'; readonly strokes: Strokes; readonly of: Of });

/** From the top of a word's box to its baseline, as a share of the size. */
export const ASCENT = 0.78;
/** px between the strokes that tell a voltage. */
export const STROKE_GAP = 3.2;
/** px of a line of several lines: dark, with a light core. */
export const RIBBON = { outer: 5, inner: 2.2 } as const;
const FEED_STROKE = 1.6;

/** Bands, widest first, dark and light by turns, that together show as many strokes. px */
export const bandsOf = (strokes: Strokes): { readonly width: number; readonly dark: boolean }[] =>
  Array.from({ length: Math.max(1, strokes) }, (_, i) => Math.max(1, strokes) - 1 - i).flatMap((k) => {
    const inner = k * 2 * STROKE_GAP * 0.8;
    return [{ width: FEED_STROKE + inner, dark: true }, ...(k > 0 ? [{ width: inner - 0.8, dark: false }] : [])];
  });

export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly Shape[];
}
