/** Sets shapes side by side, so that no word lies on another. */
import type { Mark, Strokes } from '../overview/model.ts';
import { fitted, widthOf, type Face } from './letter-widths.ts';
import { ASCENT, type Of, type Shape, STROKE_GAP } from './shapes.ts';
import { figureText, shortFigureText } from './words.ts';

export const ROW_SIZE = 13;
export const ASIDE = 12;
export const TITLE = 14;
/** From the baseline down, as a share of the size. */
const DESCENT = 0.24;
/** Of a mark, as wide as it is high by three halves. */
const MARK = 21;
const MARK_HIGH = 14;
const GAP = 6;
/** From the left end of a mark to its figure. */
export const MARK_ROOM = MARK + 4;

type Tone = Extract<Shape, { is: 'text' }>['tone'];

export interface Said {
  readonly text: string;
  readonly size?: number;
  readonly face?: Face;
  readonly tone?: Tone;
}

export class Pen {
  readonly shapes: Shape[] = [];

  /** @param x left end @param y baseline @returns how wide it is */
  text(x: number, y: number, { text, size = ASIDE, face = 'plain', tone = 'ink' }: Said, room: number, of: Of): number {
    const shown = fitted(text, room, size, face);
    const w = widthOf(shown, size, face);
    if (shown !== '' && shown !== '…')
      this.shapes.push({
        is: 'text',
        text: shown,
        full: text,
        size,
        face,
        tone,
        x,
        y: y - size * ASCENT,
        w,
        h: size * (ASCENT + DESCENT),
        of,
      });
    return w;
  }

  /** A finding with its figure, without its limit where there is no room for it, or alone. @returns how wide it is */
  mark(x: number, y: number, mark: Mark, room: number, of: Of): number {
    this.shapes.push({
      is: 'mark',
      severity: mark.severity,
      key: mark.key,
      x,
      y: y - MARK_HIGH + 3,
      w: MARK,
      h: MARK_HIGH,
      of,
    });
    const text = [figureText(mark), shortFigureText(mark)].find(
      (said) => widthOf(said, ASIDE, 'strong') <= room - MARK_ROOM,
    );
    if (text === undefined) return MARK;
    return MARK_ROOM + this.text(x + MARK_ROOM, y, { text, face: 'strong', tone: mark.severity }, room, of);
  }

  /** Strokes that tell a voltage, and the voltage. @returns how wide it is */
  flag(x: number, y: number, strokes: Strokes, text: string, room: number, of: Of): number {
    const w = Math.max(0, (strokes - 1) * STROKE_GAP);
    if (strokes > 0) this.shapes.push({ is: 'flag', strokes, x, y: y - 10, w, h: 12, of });
    const at = strokes > 0 ? w + 5 : 0;
    return at + this.text(x + at, y, { text, face: 'mono', tone: 'quiet' }, room - at, of);
  }

  /** Several pieces on one line, as far as there is room. */
  line(x: number, room: number, pieces: readonly ((x: number, room: number) => number)[]): void {
    let at = x;
    for (const piece of pieces) {
      const left = x + room - at;
      if (left < 3 * GAP) return;
      const w = piece(at, left);
      if (w > 0) at += w + GAP;
    }
  }
}
