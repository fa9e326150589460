/** Bus addresses and identification words: numbers in hexadecimal, binary and decimal. */
import { type Message, wordOf } from '../../quantity/message.ts';
import { patternAddresses } from './address-patterns.ts';
import { doubtThat } from './doubt.ts';
import { boxOf, type Word } from './page.ts';
import type { Draft } from './proposal.ts';
import type { Line } from './words.ts';

interface Code {
  readonly value: number;
  readonly digits: number;
  readonly base: 2 | 10 | 16;
  readonly at: number;
  readonly end: number;
}

const CODE =
  /\b0x([0-9a-f]{1,8})\b|\b([0-9a-f]{2,8})h\b|\b0b([01]{7,8})\b|\b([01]{7})(?:b\b|x\b|[\s_]*r\/?w|\b)|\b([01]{3,4})[\s_]([01]{4})(?:b\b|\b)|\b(\d{1,3})(?=\s*\(?(?:dec\b|decimal))/gi;

/** @example codesIn('0x44 (68 decimal)') holds 0x44 in hexadecimal and 68 in decimal */
function codesIn(text: string): Code[] {
  return [...text.matchAll(CODE)].map((match) => {
    const [whole, hex, tail, prefixed, bare, high, low, decimal] = match;
    const at = match.index;
    const end = at + whole.length;
    const hexa = hex ?? tail;
    if (hexa) return { value: parseInt(hexa, 16), digits: hexa.length, base: 16, at, end };
    if (decimal) return { value: Number(decimal), digits: decimal.length, base: 10, at, end };
    const binary = prefixed ?? bare ?? `${high}${low}`;
    return { value: parseInt(binary, 2), digits: binary.length, base: 2, at, end };
  });
}

const ADDRESS = /address(?:es)?(?![a-z])/i;
const OTHER_ADDRESS =
  /register address|memory address|word address|eeprom|mac address|address (?:pointer|counter|map|byte|bit|space)|e-?mail|postal|sub-?address|register/i;
const BUS = /i2c|i²c|i 2 c|slave|target|device|7[- ]?bit|two[- ]?wire|bus|write|read|default/i;
const ONLY_CODE = /^(?:[\s,;/|()]|or|and|0x[0-9a-f]{2}\b|[0-9a-f]{2}h\b)+$/i;

const IDENTITY =
  /(?:chip|device|manufacturer|product|part|die|sensor)[ _-]?id(?:entification|entifier)?\b|who[ _]?am[ _]?i|identification (?:register|word)|\bid register/i;

interface Told {
  readonly address: number;
  readonly setting: string;
  readonly halved: boolean;
  readonly doubt?: Message;
}

const tidy = (text: string): string =>
  text
    .replace(/^[\s,;:=()|–-]+|[\s,;:=(|–-]+$/g, '')
    .replace(/^(?:if|when|with|for|or|and)\s+/i, '')
    .replace(/\s*\($/, '')
    .replace(/^(.*[^)])\)$/, (all, inner: string) => (inner.includes('(') ? all : inner))
    .trim();

/** The addresses that a text tells, with the setting of the strap beside each. */
export function addressesIn(text: string): Told[] {
  const codes = codesIn(text).filter(({ value, digits, base }) => value <= 0xff && (base !== 16 || digits <= 2));
  const eight = /8[- ]?bit/i.test(text);
  const pair =
    codes.length === 2 &&
    codes[0] &&
    codes[1] &&
    codes[1].value === codes[0].value + 1 &&
    codes[0].value % 2 === 0 &&
    (/write/i.test(text) || eight || codes[0].value > 0x7f);
  const kept = pair ? codes.slice(0, 1) : codes;
  // The same number in a second base says nothing new.
  const alone = kept.filter((code, i) => !kept.some((other, k) => k < i && other.value === code.value));
  const sevens = alone.filter(({ value }) => value <= 0x7f);
  const both =
    eight && sevens.length > 0 && alone.some(({ value }) => value > 0x7f && sevens.some((s) => s.value === value >> 1));
  return (both ? sevens : alone).map((code) => {
    const after = text.slice(code.end);
    const next = codes.find(({ at }) => at > code.at)?.at ?? text.length;
    const bracket =
      /^[^(]{0,12}\(([^)]*)\)/.exec(after.slice(0, next - code.end + 1)) ?? /^[^(]{0,4}\(([^)]*)\)/.exec(after);
    const before = text.slice(codes.filter(({ end }) => end <= code.at).at(-1)?.end ?? 0, code.at);
    const behind = after.slice(0, next - code.end);
    const setting = tidy(
      bracket?.[1] ??
        (/(?:low|high|gnd|vdd|vcc|ground|open|tied|float|left)/i.test(behind)
          ? behind
          : /(?:low|high|gnd|vdd|vcc|ground|open|tied|float)/i.test(before)
            ? before
            : ''),
    );
    const halved = pair || (!both && (code.value > 0x7f || (eight && !/7[- ]?bit/i.test(text))));
    const doubt = halved && !pair && !eight ? doubtThat('halved') : undefined;
    return {
      address: halved ? code.value >> 1 : code.value,
      setting: /\d[- ]?bit|^(?:hex|dec|write|read|default)/i.test(setting) ? '' : setting.slice(0, 60),
      halved,
      ...(doubt ? { doubt } : {}),
    };
  });
}

const addressDraft = (
  address: number,
  setting: string,
  words: readonly Word[],
  said: string,
  doubts: readonly Message[],
): Draft => ({
  slot: 'port.address',
  typ: address,
  unit: 'address',
  label: setting,
  conditions: setting,
  name: wordOf('slot', 'port.address'),
  said,
  box: boxOf(words),
  // Addresses at both ends are kept for the bus itself.
  doubts: address < 0x08 || address > 0x77 ? [...doubts, doubtThat('reserved')] : doubts,
});

/** More words than this are no head of a column of addresses. */
const LONGEST_HEAD = 9;

/** Addresses told on one line, or below a line that ends a head "… address". */
const NO_ADDRESS_LINE = /register|\bid\b|who[ _]?am/i;

/** @param foreign lines that are no source of figures */
export function addressDrafts(
  lines: readonly Line[],
  has: (line: number) => boolean,
  foreign: readonly boolean[] = [],
): Draft[] {
  const drafts: Draft[] = [];
  const push = (words: readonly Word[], text: string, weak: Message | null) => {
    for (const told of addressesIn(text)) {
      const doubts = [...(told.doubt ? [told.doubt] : []), ...(weak ? [weak] : [])];
      drafts.push(addressDraft(told.address, told.setting, words, text, doubts));
    }
  };
  lines.forEach((line, i) => {
    if (foreign[i] || !ADDRESS.test(line.text) || OTHER_ADDRESS.test(line.text) || IDENTITY.test(line.text)) return;
    const patterns = patternAddresses(line.text);
    if (patterns.length > 0) {
      const doubts = line.words.length > 14 ? [doubtThat('runningText')] : [];
      for (const { address, setting } of patterns)
        drafts.push(addressDraft(address, setting, line.words, line.text, doubts));
      return;
    }
    const codes = codesIn(line.text);
    if (codes.length > 0) {
      const sentence = line.words.length > 14;
      push(
        line.words,
        line.text,
        sentence
          ? doubtThat('runningText')
          : BUS.test(line.text) || has(i) || /address\s*(?:\W|is|of|0x)/i.test(line.text)
            ? null
            : doubtThat('whichAddress'),
      );
      // "0x44 or" goes on below.
      const next = lines[i + 1];
      if (next && ONLY_CODE.test(next.text) && next.y - line.y < 1.8 * line.height)
        push(next.words, next.text, sentence ? doubtThat('runningText') : null);
      return;
    }
    const head = line.words.find(({ text }) => ADDRESS.test(text));
    if (!head) return;
    for (let k = i + 1; k < Math.min(i + 10, lines.length); k++) {
      const below = lines[k];
      if (!below || NO_ADDRESS_LINE.test(below.text) || below.y - (lines[k - 1]?.y ?? 0) > 3.2 * below.height) break;
      const under = below.words.filter(
        ({ text, x0, x1 }) => codesIn(text).length > 0 && x1 > head.x0 - 40 && x0 < head.x1 + 40,
      );
      if (under.length === 0) {
        if (k > i + 2) break;
        continue;
      }
      push(
        below.words,
        below.text,
        line.words.length > LONGEST_HEAD
          ? doubtThat('runningText')
          : under.length > 1
            ? doubtThat('severalNumbers')
            : BUS.test(line.text) || /adr|addr|ad0|a0|sdo|sa0|sel/i.test(line.text)
              ? null
              : doubtThat('whichAddress'),
      );
    }
  });
  return drafts;
}

/** Words that a part answers with: "chip ID register (0xD0) reads 0x60". */
export function identityDrafts(lines: readonly Line[]): Draft[] {
  return lines.flatMap((line, i) => {
    if (!IDENTITY.test(line.text)) return [];
    const fields = bitFields(lines, i);
    if (fields) return [fields];
    const codes = codesIn(line.text).filter(({ base }) => base === 16);
    const [first, second] = codes;
    if (!first || !second || codes.length > 2) return [];
    const register =
      codes.find(({ at }) => /(?:register|reg\.?|address|at)\s*[(:]?\s*$/i.test(line.text.slice(0, at))) ?? null;
    const reversed = register === second;
    const [where, word] = reversed ? [second, first] : [first, second];
    const told =
      register !== null || /=|reads?|returns?|value|reset|always|fixed/i.test(line.text.slice(first.end, second.at));
    return [identity(where.value, word, line.words, line.text, told ? [] : [doubtThat('whichRegister')])];
  });
}

const widthOf = (digits: number): 8 | 16 | 32 => (digits <= 2 ? 8 : digits <= 4 ? 16 : 32);

function identity(
  register: number,
  word: { value: number; digits: number },
  words: readonly Word[],
  said: string,
  doubts: Message[],
): Draft {
  return {
    slot: 'port.identity',
    typ: word.value,
    unit: 'word',
    register,
    bits: widthOf(word.digits),
    conditions: '',
    name: wordOf('slot', 'port.identity'),
    said,
    box: boxOf(words),
    doubts,
  };
}

/** Fields of a register by their bits: "15:8 | maker | 0x11" and "7:0 | part | 0x50" are the word 0x1150. */
function bitFields(lines: readonly Line[], at: number): Draft | null {
  const title = lines[at];
  const codes = codesIn(title?.text ?? '').filter(({ base }) => base === 16);
  if (!title || codes.length !== 1 || !codes[0]) return null;
  const fields: { high: number; low: number; value: number }[] = [];
  const words: Word[] = [...title.words];
  for (const line of lines.slice(at + 1, at + 14)) {
    const bits = /^\[?(\d{1,2})(?:\s*(?::|–|-|\.\.+|to)\s*(\d{1,2}))?\]?(?=\s|$)/.exec(line.text);
    if (!bits) {
      if (fields.length > 0) break;
      continue;
    }
    const high = Number(bits[1]);
    const low = Number(bits[2] ?? bits[1]);
    const rest = line.text.slice(bits[0].length);
    const code = codesIn(rest)[0];
    const binary = /\b([01]{1,6})b?\b/.exec(rest)?.[1];
    const value = code?.value ?? (binary === undefined ? undefined : parseInt(binary, 2));
    if (value === undefined || low > high) return null;
    fields.push({ high, low, value });
    words.push(...line.words);
  }
  const top = Math.max(-1, ...fields.map(({ high }) => high));
  const covered = fields.reduce((sum, { high, low }) => sum + high - low + 1, 0);
  if (fields.length < 2 || covered !== top + 1 || ![7, 15, 31].includes(top)) return null;
  if (fields.some(({ high, low, value }) => value >= 2 ** (high - low + 1))) return null;
  const value = fields.reduce((sum, field) => sum + field.value * 2 ** field.low, 0);
  return identity(
    codes[0].value,
    { value, digits: (top + 1) / 4 },
    words,
    fields.map((f) => `${f.high}:${f.low} ${f.value}`).join(', '),
    [],
  );
}
