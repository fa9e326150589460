/** A part as it hangs where there is little room: what it hangs behind above it, its name in two lines, and what is found of it. */
import type { Tap } from '../overview/model.ts';
import { say } from '../say/say.ts';
import type { Block } from './blocks.ts';
import { widthOf, wrapped } from './letter-widths.ts';
import { ASIDE, MARK_ROOM, type Pen } from './pen.ts';
import type { Of } from './shapes.ts';
import { addressText, shortFigureText } from './words.ts';

const PAD = 6;
const LINE = 15;
const MOST = 94;
const LEAST = 60;
const GATE = 20;
/** From a gate to what is below it. */
const BEYOND = 8;
const FOUND = 17;

function linesOf(name: string): string[] {
  const [first = '', ...rest] = wrapped(name, MOST - 2 * PAD, ASIDE, 'strong');
  return rest.length > 0 ? [first, rest.join(' ')] : [first];
}

export function briefBlockOf(tap: Tap): Block {
  const of: Of = { kind: 'part', id: tap.part };
  const lines = linesOf(say(tap.label));
  const address = addressText(tap);
  const lastWidth = widthOf(lines.at(-1) ?? '', ASIDE, 'strong');
  const withAddress = address !== '' && lastWidth + 6 + widthOf(address, ASIDE, 'mono') + 2 * PAD <= MOST;
  const marks = [...tap.gates.flatMap(({ mark }) => mark ?? []), ...(tap.mark ? [tap.mark] : [])];
  const w = Math.max(
    LEAST,
    ...lines.map((line) => Math.min(MOST, widthOf(line, ASIDE, 'strong') + 2 * PAD)),
    withAddress ? lastWidth + 6 + widthOf(address, ASIDE, 'mono') + 2 * PAD : 0,
    ...marks.map((mark) => widthOf(shortFigureText(mark), ASIDE, 'strong') + MARK_ROOM + 4),
    ...tap.gates.map(({ label }) => Math.min(MOST, widthOf(say(label), ASIDE, 'plain') + 2 * PAD)),
  );
  const box = LINE * lines.length + 8;
  return {
    part: tap.part,
    width: w,
    height: tap.gates.length * (GATE + BEYOND) + box + marks.length * FOUND,
    lay(pen: Pen, x, y, net) {
      let at = y;
      for (const gate of tap.gates) {
        const ofGate: Of = { kind: 'part', id: gate.part };
        pen.shapes.push({ is: 'box', role: 'gate', x, y: at + 2, w, h: GATE, of: ofGate });
        pen.text(x + PAD, at + 16, { text: say(gate.label) }, w - 2 * PAD, ofGate);
        const middle = x + w / 2;
        at += GATE + BEYOND;
        pen.shapes.push({
          is: 'line',
          role: 'signal',
          strokes: 1,
          points: [
            [middle, at - BEYOND + 2],
            [middle, at],
          ],
          of,
          net,
        });
      }
      pen.shapes.push({ is: 'box', role: 'part', x, y: at, w, h: box, of });
      lines.forEach((line, i) =>
        pen.text(x + PAD, at + 15 + i * LINE, { text: line, face: 'strong' }, w - 2 * PAD + 1, of),
      );
      if (withAddress)
        pen.text(
          x + PAD + lastWidth + 6,
          at + 15 + (lines.length - 1) * LINE,
          { text: address, face: 'mono', tone: 'quiet' },
          MOST,
          of,
        );
      marks.forEach((mark, i) => pen.mark(x + 2, at + box + 13 + i * FOUND, mark, w, of));
    },
  };
}
