/**
 * Lines that a self-test prints: `@ib SEQ WORD FIELDS CHECK`. The check is taken over the name of the plan and what stands between, so
 * that a line of another plan, or one that came through broken, is none. Other prints may stand before, between and behind.
 */
import { crc32, hex32 } from '../capture/crc32.ts';

export const PREFIX = '@ib';
/** The form of the lines. */
export const FORM = 1;

export interface Line {
  readonly seq: number;
  readonly word: string;
  readonly fields: readonly string[];
}

/** What the check is taken over besides the plan. */
const textOf = ({ seq, word, fields }: Line): string => [seq, word, ...fields].join(' ');

const checkOf = (plan: string, text: string): string => hex32(crc32(text, crc32(`${plan} `)));

export const writeLine = (plan: string, line: Line): string => {
  const text = textOf(line);
  return `${PREFIX} ${text} ${checkOf(plan, text)}`;
};

const CHECK = /^[0-9a-f]{8}/;
const WORD = /^[a-z]{1,8}$/;
const FIELD = /^[0-9A-Za-z-]{1,64}$/;
const NUMBER = /^(?:0|[1-9]\d{0,4})$/;
/** More fields has no line. */
const MOST = 130;

/** A line that begins a piece of text, with whatever was printed behind it. */
function lineIn(plan: string, piece: string): Line | null {
  const [seq = '', word = '', ...rest] = piece.split(' ', MOST);
  if (!NUMBER.test(seq) || !WORD.test(word)) return null;
  for (const [n, token] of rest.entries()) {
    const fields = rest.slice(0, n);
    // Where the line ends is told by its check alone: a field may look like one.
    const found = CHECK.exec(token)?.[0];
    if (found !== undefined) {
      const line = { seq: Number(seq), word, fields };
      if (checkOf(plan, textOf(line)) === found) return line;
    }
    if (!FIELD.test(token)) return null;
  }
  return null;
}

/** @returns the lines that stand whole in a piece of text, in their order */
export const readLines = (plan: string, text: string): Line[] =>
  text.split(/[\r\n]/).flatMap((row) =>
    row
      .split(`${PREFIX} `)
      .slice(1)
      .flatMap((piece) => lineIn(plan, piece) ?? []),
  );

/** The check of a whole run: of all its lines but the last, in their order. */
export const digestOf = (lines: readonly Line[]): string =>
  hex32(lines.reduce((crc, line) => crc32(`${textOf(line)}\n`, crc), 0));
