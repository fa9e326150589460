/** Lines of a self-test through noise: what is taken is what was sent, or nothing. */
import { expect } from 'chai';
import { crc32 } from '../../src/capture/crc32.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { Hearing } from '../../src/selftest/hearing.ts';
import { digestOf, type Line, readLines, writeLine } from '../../src/selftest/line.ts';

const PLAN = '0123456789abcdef';
const OTHER = 'fedcba9876543210';

/** A run such as a program prints, other in every seed. */
function run(seed: number): { lines: Line[]; text: string[] } {
  const random = randomFrom(seed);
  const digits = (n: number) => Array.from({ length: n }, () => Math.floor(random() * 16).toString(16)).join('');
  const words = ['level', 'hold', 'scan', 'word', 'rom', 'wire', 'volt'] as const;
  const lines = Array.from({ length: 8 + Math.floor(random() * 30) }, (_, seq): Line => ({
    seq,
    word: seq === 0 ? 'begin' : (words[Math.floor(random() * words.length)] ?? 'scan'),
    // Some fields look like checks.
    fields: Array.from({ length: Math.floor(random() * 6) }, () => digits(random() < 0.3 ? 8 : 2)),
  }));
  const end: Line = { seq: lines.length, word: 'end', fields: [digestOf(lines)] };
  return { lines, text: [...lines, end].map((line) => writeLine(PLAN, line)) };
}

type Noise = (text: readonly string[], random: () => number) => string;
const PRINTS = [
  'temperature = 21.5 °C',
  'connecting ...',
  '@ib',
  '@ib 3 scan 0 44',
  'ok',
  '0x44 0x45',
  'assertion failed',
];
const join = (lines: readonly string[]): string => lines.map((line) => `${line}\r\n`).join('');
const some = <T>(list: readonly T[], random: () => number): T => list[Math.floor(random() * list.length)] as T;

const NOISE: Readonly<Record<string, Noise>> = {
  'lines lost': (text, random) => join(text.filter(() => random() > 0.15)),
  'lines doubled': (text, random) => join(text.flatMap((line) => (random() < 0.3 ? [line, line] : [line]))),
  'lines cut': (text, random) =>
    join(text.map((line) => (random() < 0.2 ? line.slice(0, Math.floor(random() * line.length)) : line))),
  'cut without a line end': (text, random) =>
    text.map((line) => (random() < 0.1 ? line.slice(0, Math.floor(random() * line.length)) : `${line}\n`)).join(''),
  'mixed with other prints': (text, random) =>
    text
      .map((line) => {
        const print = some(PRINTS, random);
        const at = Math.floor(random() * line.length);
        if (random() < 0.15) return `${line.slice(0, at)}${print}${line.slice(at)}\n`;
        return random() < 0.3 ? `${print} ${line} ${print}\n${print}\n` : `${line}\n`;
      })
      .join(''),
  '2 % of bytes flipped': (text, random) =>
    [...join(text)]
      .map((char) =>
        random() < 0.02 ? String.fromCharCode(char.charCodeAt(0) ^ (1 << Math.floor(random() * 7))) : char,
      )
      .join(''),
  'lines of another plan between': (text) =>
    join(text.flatMap((line, seq) => [writeLine(OTHER, { seq, word: 'scan', fields: ['0', '44'] }), line])),
};

/** In pieces, as a serial port gives them. */
function* pieces(text: string, random: () => number): Generator<string> {
  for (let at = 0; at < text.length;) {
    const length = 1 + Math.floor(random() * 60);
    yield text.slice(at, at + length);
    at += length;
  }
}

describe('lines of a self-test', () => {
  it('carry the published check: CRC-32 of "123456789" is 0xCBF43926', () => {
    expect(crc32('123456789')).to.equal(0xcbf43926);
    expect(crc32('6789', crc32('12345'))).to.equal(0xcbf43926);
  });

  it('are read back as they were written, behind and before other prints', () => {
    const line: Line = { seq: 12, word: 'end', fields: ['0badcafe'] };
    const text = writeLine(PLAN, line);
    expect(readLines(PLAN, `volts=3.2 ${text} next`)).to.deep.equal([line]);
    expect(readLines(PLAN, `${text}${text}`)).to.have.length(2);
    expect(readLines(OTHER, text)).to.deep.equal([]);
    expect(readLines(PLAN, text.replace('12', '012'))).to.deep.equal([]);
  });

  for (const [name, noise] of Object.entries(NOISE))
    it(`${name}: nothing is taken that was not sent, and a whole run is in the end`, function () {
      this.timeout(60_000);
      let [taken, tries] = [0, 0];
      for (let seed = 1; seed <= 60; seed++) {
        const { lines, text } = run(seed);
        const sent = new Set(lines.map((line) => JSON.stringify(line)));
        const random = randomFrom(seed * 97);
        const hearing = new Hearing(PLAN);
        for (let again = 0; again < 40; again++) {
          tries += 1;
          const came = noise(text, random);
          for (const line of readLines(PLAN, came))
            if (line.word !== 'end') expect(sent).to.include(JSON.stringify(line));
          let whole: readonly Line[] | null = null;
          for (const piece of pieces(came, random)) whole = hearing.take(piece) ?? whole;
          whole ??= hearing.finish();
          if (!whole) continue;
          expect(whole).to.deep.equal(lines);
          taken += 1;
          break;
        }
      }
      expect(taken).to.equal(60);
      expect(tries).to.be.below(60 * 40);
    });

  it('of two runs that differ are never taken together', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const random = randomFrom(seed);
      const [before, after] = [run(seed), run(seed)];
      // Something was mended in between: one line says something else.
      const at = 1 + Math.floor(random() * (after.lines.length - 1));
      const changed = after.lines.map((line, i) => (i === at ? { ...line, fields: ['0', '55'] } : line));
      const text = [...changed, { seq: changed.length, word: 'end', fields: [digestOf(changed)] }].map((line) =>
        writeLine(PLAN, line),
      );
      const hearing = new Hearing(PLAN);
      hearing.take(join(before.text.slice(0, -1).filter(() => random() > 0.3)));
      const whole = hearing.take(join(text.filter((_, i) => i === text.length - 1 || random() > 0.3)));
      if (whole) expect(whole).to.deep.equal(changed);
    }
  });
});
