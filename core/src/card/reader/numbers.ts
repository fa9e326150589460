/** Numbers and ranges as datasheets write them. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';
import { plainText, readUnit, scaled, type UnitReading } from './units.ts';

/** How a document writes its decimals; null where it does not show. */
export type DecimalMark = '.' | ',' | null;

/** What the numbers of a document give away: "3,3" with one or two digits behind is a decimal comma. */
export function decimalMark(text: string): DecimalMark {
  const commas = (text.match(/\b\d+,\d{1,2}\b(?![,\d])/g) ?? []).length + (text.match(/\b0,\d+\b/g) ?? []).length;
  const points = (text.match(/\b\d+\.\d{1,2}\b(?![.\d])/g) ?? []).length;
  if (commas === 0 && points === 0) return null;
  // Lists such as "pins 2,3" hold commas too, so points win where both are common.
  return commas > 2 * points ? ',' : '.';
}

export interface NumberReading {
  readonly value: number;
  /** Why it may be read wrongly. */
  readonly doubt?: Message;
}

const NUMBER = String.raw`[+-]?(?:\d{1,3}(?:[ \u2009\u202f]\d{3})+(?![\d])|\d+(?:[.,]\d+)*|[.,]\d+)(?:\s?[x×]\s?10\^?-?\d+|e[+-]?\d+)?`;

/** @example readNumber('1,5', ',') is { value: 1.5 } */
export function readNumber(written: string, mark: DecimalMark): NumberReading | null {
  let text = written.trim().replace(/[ \u2009\u202f](?=\d{3})/g, '');
  let exponent = 0;
  const power = /(?:\s?[x×]\s?10\^?(-?\d+)|e([+-]?\d+))$/.exec(text);
  if (power) {
    exponent = Number(power[1] ?? power[2]);
    text = text.slice(0, power.index);
  }
  let doubt: Message | undefined;
  if (/^[+-]?\d{1,3}(,\d{3}){2,}(\.\d+)?$/.test(text)) text = text.replaceAll(',', '');
  else if (/^[+-]?\d{1,3}(\.\d{3}){2,}(,\d+)?$/.test(text)) text = text.replaceAll('.', '').replace(',', '.');
  else if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(text)) {
    // Thousands or three decimals: the rest of the document tells, and not always.
    if (mark === ',') doubt = doubtThat('comma');
    text = mark === ',' ? text.replace(',', '.') : text.replace(',', '');
    if (mark === null) doubt = doubtThat('comma');
  } else text = text.replace(',', '.');
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(text)) return null;
  return { value: Number(`${text}e${exponent}`), ...(doubt ? { doubt } : {}) };
}

/** A range, a bound or a single value, in SI base units once a unit is known. */
export interface ValueReading {
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  /** "V", "share" of the supply, "offset" from it, or null when none is written. */
  readonly unit: string | null;
  /** True for ± and +/-: the band on both sides. */
  readonly symmetric: boolean;
  readonly doubt?: Message;
  /** What stands behind the value and is not part of it. */
  readonly rest: string;
}

const UNIT = String.raw`[°%µΩA-Za-z³²/]+`;
const SUPPLY = String.raw`(?:V|U)_?(?:DD|CC|IN|S|DDIO|DD_IO|BAT|IO|SUPPLY|SUP)[A-Z]*`;
const BETWEEN = String.raw`(?:to|thru|through|\.\.\.?|…|–|~|〜|-{1,2}|÷|up to)`;

const re = (source: string, flags = '') => new RegExp(source, flags);
const SHARE = re(String.raw`^(${NUMBER})\s*(%)?\s*(?:[x×*·]|of)?\s*${SUPPLY}\b`, 'i');
const OFFSET = re(String.raw`^${SUPPLY}\s*([+-–])\s*(${NUMBER})\s*(m?V)?`, 'i');
const AT_SUPPLY = re(String.raw`^${SUPPLY}$`, 'i');
const SYMMETRIC = re(String.raw`^(?:±|\+\s?/\s?[-–])\s*(${NUMBER})\s*(${UNIT})?`);
const CENTRED = re(String.raw`^(${NUMBER})\s*(${UNIT})?\s*(?:±|\+\s?/\s?[-–])\s*(${NUMBER})\s*(${UNIT})?`);
const RANGE = re(String.raw`^(${NUMBER})\s*(${UNIT})?\s*${BETWEEN}\s*(\+?${NUMBER})\s*(${UNIT})?`, 'i');
const BOUND = re(
  String.raw`^(?:(<|≤|<=|max(?:imum|\.)?:?|up to|less than|below)|(>|≥|>=|min(?:imum|\.)?:?|more than|above|at least)|(?:typ(?:ical(?:ly)?|\.)?:?|approx\.?|about|ca\.|~|≈))\s*(${NUMBER})\s*(${UNIT})?`,
  'i',
);
const UP_TO_SUPPLY = re(String.raw`^${NUMBER}\s*V?\s*${BETWEEN}\s*(\(?${SUPPLY}.*)$`, 'i');
const LEADING = /^(?:<|≤|>|≥|max(?:imum|\.)?:?|min(?:imum|\.)?:?)\s*/i;
const CODE = /^(\d+)([RkKM])(\d+)\s*(Ω|ohms?)?(?![\w])/;
const SINGLE = re(String.raw`^(${NUMBER})\s*(${UNIT})?(?:\s*\(?(typ|max|min)(?:ical|imum)?\.?\)?)?`, 'i');
/** Words that look like units and are not. */
const NOT_A_UNIT =
  /^(?:to|typ|max|min|typical|maximum|minimum|at|or|and|in|for|bit|bits|x|a|the|per|pin|pins|of|wire)$/i;

const clean = (text: string): string =>
  plainText(text)
    .replace(/\s+/g, ' ')
    // A dash before a number is a minus where nothing stands before it that a range could begin with.
    .replace(/(^|to |\.\.\.|[~…(,;]) ?–\s?(?=\d)/g, '$1-')
    .replace(/\s*(?:\(\d\)|\[\d\]|\*+)\s*$/, '')
    .replace(/^(?:DC|dc)\s+(?=\d)/, '')
    .trim();

/**
 * Reads what stands at the beginning of a text.
 * @param fallback unit of the column or the name, taken where none is written
 * @returns null when the text does not begin with a value
 * @example readValue('2.7 to 5.5 V', '.') is 2.7 to 5.5 in V; readValue('0.7 × VDD', '.') is 0.7 in share
 */
export function readValue(
  written: string,
  mark: DecimalMark,
  fallback: UnitReading | null = null,
): ValueReading | null {
  const text = clean(written);
  const number = (part: string | undefined) => readNumber(part ?? '', mark);
  const share = SHARE.exec(text);
  if (share) {
    const n = number(share[1]);
    return n
      ? {
          typ: share[2] ? n.value / 100 : n.value,
          unit: 'share',
          symmetric: false,
          rest: text.slice(share[0].length).trim(),
          ...doubts(n),
        }
      : null;
  }
  const offset = OFFSET.exec(text);
  if (offset) {
    const n = number(offset[2]);
    const size = n ? scaled(n.value, offset[3] === 'mV' ? 1e-3 : 1) : NaN;
    return n
      ? {
          typ: offset[1] === '+' ? size : -size,
          unit: 'offset',
          symmetric: false,
          rest: text.slice(offset[0].length).trim(),
          ...doubts(n),
        }
      : null;
  }
  if (AT_SUPPLY.test(text)) return { typ: 0, unit: 'offset', symmetric: false, rest: '' };
  const code = CODE.exec(text);
  if (code) {
    const factor = { R: 1, k: 1e3, K: 1e3, M: 1e6 }[code[2] ?? ''] ?? 1;
    return {
      typ: scaled(Number(`${code[1]}.${code[3]}`), factor),
      unit: 'Ω',
      symmetric: false,
      rest: text.slice(code[0].length).trim(),
    };
  }
  const symmetric = SYMMETRIC.exec(text);
  if (symmetric) return made(symmetric[0], [null, number(symmetric[1]), null], [symmetric[2]], true);
  const centred = CENTRED.exec(text);
  if (centred) {
    const [middle, half] = [number(centred[1]), number(centred[3])];
    if (!middle || !half) return null;
    const percent = centred[4] === '%';
    const by = percent ? Math.abs(middle.value) * (half.value / 100) : half.value;
    const low = { value: Number((middle.value - by).toPrecision(10)) };
    const high = { value: Number((middle.value + by).toPrecision(10)) };
    return made(centred[0], [low, middle, high], [percent ? centred[2] : centred[4], centred[2]], false);
  }
  const range = RANGE.exec(text);
  if (range && !NOT_A_UNIT.test(range[2] ?? '')) {
    const [low, high] = [number(range[1]), number(range[3])];
    const share = range[2] && range[4] ? (readUnit(range[2])?.factor ?? 1) / (readUnit(range[4])?.factor ?? 1) : 1;
    if (low && high && low.value * share <= high.value)
      return made(range[0], [low, null, high], [range[4], range[2]], false, range[2]);
  }
  const upTo = UP_TO_SUPPLY.exec(text);
  if (upTo) {
    const upper = readValue(upTo[1] ?? '', mark);
    // Of a lower bound in volts and an upper one from the supply the upper one is what can be passed.
    if (upper?.unit === 'offset') return { max: upper.typ ?? 0, unit: 'offset', symmetric: false, rest: upper.rest };
  }
  const leading = LEADING.exec(text);
  if (leading) {
    const level = readValue(text.slice(leading[0].length), mark);
    if (level?.typ !== undefined && (level.unit === 'share' || level.unit === 'offset')) {
      const { typ, ...others } = level;
      return { ...others, ...(/^(?:<|≤|max)/i.test(leading[0]) ? { max: typ } : { min: typ }) };
    }
  }
  const bound = BOUND.exec(text);
  if (bound) {
    const n = number(bound[3]);
    return made(bound[0], bound[1] ? [null, null, n] : bound[2] ? [n, null, null] : [null, n, null], [bound[4]], false);
  }
  const single = SINGLE.exec(text);
  if (!single) return null;
  const n = number(single[1]);
  const kind = single[3]?.toLowerCase();
  return made(
    single[0],
    kind === 'max' ? [null, null, n] : kind === 'min' ? [n, null, null] : [null, n, null],
    [single[2]],
    false,
  );

  function made(
    taken: string,
    [low, middle, high]: (NumberReading | null)[],
    units: (string | undefined)[],
    isSymmetric: boolean,
    lowUnit?: string,
  ): ValueReading | null {
    if (!low && !middle && !high) return null;
    const words = units.filter((u): u is string => u !== undefined && !NOT_A_UNIT.test(u));
    const own = words.map(readUnit).find((u) => u !== null) ?? null;
    const strange = own === null && words.length > 0;
    const unit = own ?? (strange ? null : fallback);
    const factor = unit?.factor ?? 1;
    // "850 mV to 1.2 V": the lower end has a unit of its own.
    const lowFactor = (lowUnit && readUnit(lowUnit)?.factor) || factor;
    const rest = strange && words[0] ? text.slice(taken.lastIndexOf(words[0])) : text.slice(taken.length);
    return {
      ...(low ? { min: scaled(low.value, lowFactor) } : {}),
      ...(middle ? { typ: scaled(middle.value, factor) } : {}),
      ...(high ? { max: scaled(high.value, factor) } : {}),
      unit: unit?.unit ?? null,
      symmetric: isSymmetric,
      rest: rest.trim(),
      ...doubts(low, middle, high),
    };
  }
}

function doubts(...numbers: (NumberReading | null | undefined)[]): { doubt?: Message } {
  const doubt = numbers.find((n) => n?.doubt)?.doubt;
  return doubt ? { doubt } : {};
}

/** True for a cell that says nothing: a dash, n/a, or empty. */
export const isBlank = (text: string): boolean => /^(?:|[-–—.…]+|n\.?\/?a\.?|tbd|none)$/i.test(text.trim());
