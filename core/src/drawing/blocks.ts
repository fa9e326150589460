/** A part as it hangs: gates before it, its name and address, its feed and tightest margin at its foot, and what is found of it. */
import type { Tap } from '../overview/model.ts';
import { say } from '../say/say.ts';
import { widthOf } from './letter-widths.ts';
import { ASIDE, MARK_ROOM, type Pen, ROW_SIZE } from './pen.ts';
import type { Of } from './shapes.ts';
import { addressText, figureText, marginText, voltsText } from './words.ts';
import { tellOverview } from '../overview/says.ts';

const BOX = 24;
const FOOT = 17;
const FOUND = 17;
const PAD = 8;
/** Wider names are cut. */
const MOST = 150;
const LEAST = 88;
/** From a gate to what is beyond it. */
const BEYOND = 14;
const GATE_MOST = 96;

export interface Block {
  readonly part: string;
  readonly width: number;
  readonly height: number;
  /** @param net of the row that it hangs on */
  readonly lay: (pen: Pen, x: number, y: number, net: string) => void;
}

export function blockOf(tap: Tap): Block {
  const { gates, mark, stubs } = tap;
  const of: Of = { kind: 'part', id: tap.part };
  const name = say(tap.label);
  const right = addressText(tap);
  const rightWidth = right === '' ? 0 : widthOf(right, ASIDE, 'mono') + 6;
  const feed = voltsText(tap);
  const foot = [feed, marginText(tap)];
  const footWidth = foot.reduce((sum, text) => sum + (text === '' ? 0 : widthOf(text, ASIDE, 'mono') + 16), 0);
  const found = mark ? widthOf(figureText(mark), ASIDE, 'strong') + MARK_ROOM + 4 : 0;
  const stubText =
    stubs.length > 0 ? say(tellOverview('further', { pins: stubs.map((pin) => pin || '?').join(' ') })) : '';
  const inner = Math.min(MOST, Math.max(LEAST, widthOf(name, ROW_SIZE, 'strong') + 2 * PAD + rightWidth));
  const gateWidths = gates.map(({ label }) => Math.min(GATE_MOST, widthOf(say(label), ASIDE, 'strong') + 12));
  const before = gateWidths.reduce((sum, width) => sum + width + BEYOND, 0);
  const w = Math.max(
    inner,
    footWidth,
    found,
    ...gates.map(({ mark: at }) => (at ? widthOf(figureText(at), ASIDE, 'strong') + MARK_ROOM + 4 - before : 0)),
  );
  const hasFoot = feed !== '' || foot[1] !== '';
  const marks = [...gates.flatMap((gate) => gate.mark ?? []), ...(mark ? [mark] : [])];
  const height = BOX + (hasFoot ? FOOT : 0) + (stubText === '' ? 0 : FOUND) + marks.length * FOUND;
  return {
    part: tap.part,
    width: before + w,
    height,
    lay(pen, x, y, net) {
      let at = x;
      const middle = y + BOX / 2;
      gates.forEach((gate, g) => {
        const width = gateWidths[g] ?? 0;
        const ofGate: Of = { kind: 'part', id: gate.part };
        pen.shapes.push({ is: 'box', role: 'gate', x: at, y: y + 1, w: width, h: BOX - 2, of: ofGate });
        pen.text(at + 6, middle + 4, { text: say(gate.label), face: 'strong' }, width - 10, ofGate);
        pen.shapes.push({
          is: 'line',
          role: 'signal',
          strokes: 1,
          points: [
            [at + width, middle],
            [at + width + BEYOND, middle],
          ],
          of,
          net,
        });
        at += width + BEYOND;
      });
      pen.shapes.push({ is: 'box', role: 'part', x: at, y, w, h: BOX, of });
      pen.text(at + PAD, middle + 4.5, { text: name, size: ROW_SIZE, face: 'strong' }, w - 2 * PAD - rightWidth, of);
      if (right !== '')
        pen.text(
          at + w - PAD - rightWidth + 6,
          middle + 4.5,
          { text: right, face: 'mono', tone: 'quiet' },
          rightWidth,
          of,
        );
      let below = y + BOX + 13;
      if (hasFoot) {
        pen.line(at + 2, w, [
          (from, room) => (tap.feed && feed !== '' ? pen.flag(from, below, tap.feed.strokes, feed, room, of) : 0),
          (from, room) => pen.text(from, below, { text: foot[1] ?? '', face: 'mono', tone: 'pass' }, room, of),
        ]);
        below += FOOT;
      }
      if (stubText !== '') {
        pen.text(at + 2, below, { text: stubText, tone: 'quiet' }, w, of);
        below += FOUND;
      }
      for (const one of marks) {
        pen.mark(at + 2, below, one, w + before - (at - x), of);
        below += FOUND;
      }
    },
  };
}
