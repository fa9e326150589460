/** The forms in which datasheets write a value: bounds, ranges, shares of the supply and offsets from it, bands, codes. */
import type { Message } from '../../quantity/message.ts';
import { NUMBER, readNumber, type DecimalMark, type NumberReading } from './numbers.ts';
import { readUnit, scaled, type UnitReading } from './units.ts';

/** A range, a bound or a single value, in SI base units once a unit is known. */
export interface ValueReading {
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  /** "V", "share" of the supply, "offset" from it, or null when none is written. */
  readonly unit: string | null;
  /** True for ± and +/-: the band on both sides. */
  readonly symmetric: boolean;
  /** Of a band that grows with the reading: the share that comes on top. */
  readonly ofReading?: number;
  readonly doubt?: Message;
  /** What stands behind the value and is not part of it. */
  readonly rest: string;
}

export const UNIT = String.raw`(?!(?:typ|max|typical|typically|maximum|minimum)\b)[°%µΩA-Za-z³²/]+`;
export const SUPPLY = String.raw`(?:V|U)_?(?:DD|CC|IN|S|DDIO|DD_IO|BAT|IO|SUPPLY|SUP)[A-Z]*`;
export const BETWEEN = String.raw`(?:to|thru|through|\.\.\.?|…|–|~|〜|-{1,2}|÷|up to)`;
export const PLUS_MINUS = String.raw`(?:±|\+\s?/?\s?[-–])`;

/** Words before a number that say which bound it is. */
export const MAX_WORDS = String.raw`<=?|≤|max(?:imum|\.)?(?: of)?:?|maximal(?:ly)?|up to|less than|below|under|at most|at max\.?|no more than|not more than|not exceed(?:ing)?|within`;
export const MIN_WORDS = String.raw`>=?|≥|min(?:imum|\.)?(?: of)?:?|minimal(?:ly)?|more than|above|over|at least|no less than|not less than`;
export const TYP_WORDS = String.raw`typ(?:ical(?:ly)?|\.)?(?: of)?:?|nom(?:inal(?:ly)?|\.)?:?|approx(?:imately)?\.?|about|around|roughly|usually|circa|ca\.?|~|≈`;
/** Words behind it. */
const AFTER = String.raw`(?:\((?=\w+\.?\)))?(typ|max|min|at most|at least|or less|or more)(?:ical(?:ly)?|imum)?\.?\)?(?![a-z])`;

export const re = (source: string, flags = '') => new RegExp(source, flags);
const SHARE = re(String.raw`^(${NUMBER})\s*(%)?\s*(?:[x×*·•⋅]|of)?\s*(?:the\s+)?${SUPPLY}\b`, 'i');
const OFFSET = re(String.raw`^${SUPPLY}\s*([+\-–])\s*(${NUMBER})\s*(m?V)?`, 'i');
const AT_SUPPLY = re(String.raw`^${SUPPLY}$`, 'i');
const SYMMETRIC = re(String.raw`^${PLUS_MINUS}\s*(${NUMBER})\s*(${UNIT})?`);
const GROWING = re(
  String.raw`^${PLUS_MINUS}?\s*\(?\s*${PLUS_MINUS}?\s*(${NUMBER})\s*(${UNIT})?\s*\+\s*(${NUMBER})\s*(%)?(?:RH)?\s*(?:(?:of|from)?\s*(?:the\s+)?(?:reading|measured value|value|rdg\.?|m\.?v\.?|r\.?h?))?\s*\)?\s*(${UNIT})?\s*\)?`,
  'i',
);
const CENTRED = re(String.raw`^(${NUMBER})\s*(${UNIT})?\s*${PLUS_MINUS}\s*(${NUMBER})\s*(${UNIT})?`);
const RANGE = re(
  String.raw`^(?:(?:${MAX_WORDS}|${MIN_WORDS}|${TYP_WORDS})\s*)?(${NUMBER})\s*(${UNIT})?\s*${BETWEEN}\s*(\+?${NUMBER})\s*(${UNIT})?`,
  'i',
);
const PAIR = re(String.raw`^between\s+(${NUMBER})\s*(${UNIT})?\s*and\s*(\+?${NUMBER})\s*(${UNIT})?`, 'i');
const BOUND = re(String.raw`^(?:(${MAX_WORDS})|(${MIN_WORDS})|(?:${TYP_WORDS}))\s*(${NUMBER})\s*(${UNIT})?`, 'i');
const UP_TO_SUPPLY = re(String.raw`^${NUMBER}\s*V?\s*${BETWEEN}\s*(\(?(?:${SUPPLY}|${NUMBER}\s*[%x×*·•⋅]).*)$`, 'i');
const LEADING = re(String.raw`^(?:${MAX_WORDS}|${MIN_WORDS})\s*`, 'i');
const IS_MAX = re(String.raw`^(?:${MAX_WORDS})`, 'i');
const CODE = /^(\d+)([RkKMV])(\d+)\s*(Ω|ohms?)?(?![\w])/;
/** "10k" and "10K" without a unit are ohms; with a blank the K may be kelvin. */
const THOUSANDS = /^(\d+(?:[.,]\d+)?)([kK])(?![\w°Ω])/;
const SINGLE = re(String.raw`^(${NUMBER})\s*(?:(${UNIT})\s*)?(?:${AFTER}\s*(?:(${UNIT})(?![A-Za-z]))?)?`, 'i');
/** Words that look like units and are not. */
const NOT_A_UNIT =
  /^(?:to|typ|max|min|typical|typically|maximum|minimum|at|or|and|in|for|bit|bits|x|a|the|per|pin|pins|of|wire|is|on|with|from|when|while|during)$/i;
/** An ampere is no article. */
export const isNoUnit = (word: string): boolean => word !== 'A' && NOT_A_UNIT.test(word);

/** A text that is being read. */
export interface Reading {
  readonly text: string;
  readonly mark: DecimalMark;
  /** Unit of the column or the name, taken where none is written. */
  readonly fallback: UnitReading | null;
}

/** What one form gives; `stated` where the bound was said in words. */
export interface Found extends ValueReading {
  stated?: boolean;
}

/** A way in which values are written. Undefined: the text is not written so; null: it is, and holds no value. */
type Form = (reading: Reading) => Found | null | undefined;

const numberIn = ({ mark }: Reading, part: string | undefined) => readNumber(part ?? '', mark);
const restAfter = ({ text }: Reading, taken: string): string => text.slice(taken.length).trim();

/** "0.7 × VDD" */
const asShare: Form = (reading) => {
  const share = SHARE.exec(reading.text);
  if (!share) return undefined;
  const n = numberIn(reading, share[1]);
  if (!n) return null;
  const typ = share[2] ? n.value / 100 : n.value;
  const rest = restAfter(reading, share[0]);
  // "0.7·VDD … VDD + 0.5": of an upper bound beside a share the share is the level.
  const beyond = re(String.raw`^V?\s*${BETWEEN}\s*\(?(?:${SUPPLY}|${NUMBER})`, 'i').test(rest);
  return {
    ...(beyond ? { min: typ } : { typ }),
    unit: 'share',
    symmetric: false,
    rest: beyond ? restOf(rest, reading.mark) : rest,
    ...doubts(n),
  };
};

/** What stands behind the upper bound that a share or a lower bound goes up to. */
function restOf(rest: string, mark: DecimalMark): string {
  const upper = rest.replace(re(String.raw`^V?\s*${BETWEEN}\s*\(?`, 'i'), '');
  return first({ text: upper, mark, fallback: null })?.rest ?? upper;
}

/** "VDD − 0.4 V" */
const asOffset: Form = (reading) => {
  const offset = OFFSET.exec(reading.text);
  if (!offset) return AT_SUPPLY.test(reading.text) ? { typ: 0, unit: 'offset', symmetric: false, rest: '' } : undefined;
  const n = numberIn(reading, offset[2]);
  if (!n) return null;
  const size = scaled(n.value, offset[3] === 'mV' ? 1e-3 : 1);
  const typ = offset[1] === '+' ? size : -size;
  return { typ, unit: 'offset', symmetric: false, rest: restAfter(reading, offset[0]), ...doubts(n) };
};

/** "4k7", "3V3", "10k" */
const asCode: Form = (reading) => {
  const code = CODE.exec(reading.text);
  const factors: Readonly<Record<string, number>> = { R: 1, V: 1, k: 1e3, K: 1e3, M: 1e6 };
  if (code) {
    const typ = scaled(Number(`${code[1]}.${code[3]}`), factors[code[2] ?? ''] ?? 1);
    return { typ, unit: code[2] === 'V' ? 'V' : 'Ω', symmetric: false, rest: restAfter(reading, code[0]) };
  }
  const thousands = THOUSANDS.exec(reading.text);
  if (!thousands || reading.fallback) return undefined;
  const n = numberIn(reading, thousands[1]);
  return n ? { typ: scaled(n.value, 1e3), unit: 'Ω', symmetric: false, rest: restAfter(reading, thousands[0]) } : null;
};

/** "±(50 ppm + 5 % of reading)", "3 % + 2": a band of which a share grows with the reading. */
const asGrowing: Form = (reading) => {
  const growing = GROWING.exec(reading.text);
  if (!growing) return undefined;
  const [, one, oneUnit, two, percent, after] = growing;
  const shareFirst = oneUnit === '%' && !percent;
  // Two figures with one unit are a sum of something else.
  if (!shareFirst && !percent) return undefined;
  if (shareFirst && oneUnit === percent) return undefined;
  const [base, share] = shareFirst ? [two, one] : [one, two];
  const [n, part] = [numberIn(reading, base), numberIn(reading, share)];
  if (!n || !part) return null;
  const band = made(reading, growing[0], [null, n, null], [shareFirst ? after : oneUnit, after], true);
  return band && { ...band, ofReading: scaled(part.value, 0.01) };
};

/** "±2 %" */
const asSymmetric: Form = (reading) => {
  const symmetric = SYMMETRIC.exec(reading.text);
  return symmetric
    ? made(reading, symmetric[0], [null, numberIn(reading, symmetric[1]), null], [symmetric[2]], true)
    : undefined;
};

/** "3.3 V ± 5 %" */
const asCentred: Form = (reading) => {
  const centred = CENTRED.exec(reading.text);
  if (!centred) return undefined;
  const [middle, half] = [numberIn(reading, centred[1]), numberIn(reading, centred[3])];
  if (!middle || !half) return null;
  const percent = centred[4] === '%';
  const by = percent ? Math.abs(middle.value) * (half.value / 100) : half.value;
  const low = { value: Number((middle.value - by).toPrecision(10)) };
  const high = { value: Number((middle.value + by).toPrecision(10)) };
  return made(reading, centred[0], [low, middle, high], [percent ? centred[2] : centred[4], centred[2]], false);
};

/** "2.7 to 5.5 V", "850 mV to 1.2 V", "between 2.7 and 5.5 V" */
const asRange: Form = (reading) => {
  const range = PAIR.exec(reading.text) ?? RANGE.exec(reading.text);
  if (!range || isNoUnit(range[2] ?? '')) return undefined;
  const [low, high] = [numberIn(reading, range[1]), numberIn(reading, range[3])];
  const share = range[2] && range[4] ? (readUnit(range[2])?.factor ?? 1) / (readUnit(range[4])?.factor ?? 1) : 1;
  return low && high && low.value * share <= high.value
    ? made(reading, range[0], [low, null, high], [range[4], range[2]], false, range[2])
    : undefined;
};

/** "−0.3 V to VDD + 0.3 V", "−0.5 … 0.3·VDD": of a lower bound in volts and an upper one from the supply the upper one is what can be passed. */
const asUpToSupply: Form = ({ text, mark }) => {
  const upTo = UP_TO_SUPPLY.exec(text);
  const upper = upTo && first({ text: upTo[1] ?? '', mark, fallback: null });
  if (upper?.typ === undefined || (upper.unit !== 'offset' && upper.unit !== 'share')) return undefined;
  return { max: upper.typ, unit: upper.unit, symmetric: false, rest: upper.rest };
};

/** "max. 0.3 × VDD" */
const asBoundOfSupply: Form = ({ text, mark }) => {
  const leading = LEADING.exec(text);
  const level = leading && first({ text: text.slice(leading[0].length), mark, fallback: null });
  if (level?.typ === undefined || (level.unit !== 'share' && level.unit !== 'offset')) return undefined;
  const { typ, ...others } = level;
  return { ...others, ...(IS_MAX.test(leading?.[0] ?? '') ? { max: typ } : { min: typ }), stated: true };
};

/** "≤ 5 µA" */
const asBound: Form = (reading) => {
  const bound = BOUND.exec(reading.text);
  if (!bound) return undefined;
  const n = numberIn(reading, bound[3]);
  const places = bound[1] ? [null, null, n] : bound[2] ? [n, null, null] : [null, n, null];
  const read = made(reading, bound[0], places, [bound[4]], false);
  return read && { ...read, stated: true };
};

/** "5 µA max", "13 max. µA" */
const asSingle: Form = (reading) => {
  const single = SINGLE.exec(reading.text);
  if (!single) return null;
  const n = numberIn(reading, single[1]);
  const kind = single[3]?.toLowerCase() ?? '';
  const isMax = /^(?:max|at most|or less)/.test(kind);
  const isMin = /^(?:min|at least|or more)/.test(kind);
  const places = isMax ? [null, null, n] : isMin ? [n, null, null] : [null, n, null];
  const after = single[4] !== undefined && readUnit(single[4]) ? single[4] : undefined;
  const taken = single[4] === undefined || after ? single[0] : single[0].slice(0, -single[4].length);
  const read = made(reading, taken, places, [single[2], after], false);
  return read && { ...read, stated: kind !== '' };
};

/** In the order in which they are told apart: what says most comes first. */
const FORMS: readonly Form[] = [
  asUpToSupply,
  asShare,
  asOffset,
  asCode,
  asGrowing,
  asSymmetric,
  asCentred,
  asRange,
  asBoundOfSupply,
  asBound,
  asSingle,
];

/** What a text begins with. */
export function first(reading: Reading): Found | null {
  for (const form of FORMS) {
    const value = form(reading);
    if (value !== undefined) return value;
  }
  return null;
}

/** @param taken the words that the numbers and units were found in */
function made(
  { text, fallback }: Reading,
  taken: string,
  [low, middle, high]: (NumberReading | null | undefined)[],
  units: (string | undefined)[],
  isSymmetric: boolean,
  lowUnit?: string,
): Found | null {
  if (!low && !middle && !high) return null;
  // "3 min" are minutes where no column says the unit, else it is the least.
  const isWord = (u: string) => isNoUnit(u) && (u !== 'min' || fallback !== null);
  const words = units.filter((u): u is string => u !== undefined && !isWord(u));
  const own = words.map(readUnit).find((u) => u !== null) ?? null;
  const strange = own === null && words.length > 0;
  const unit = own ?? (strange ? null : fallback);
  const factor = unit?.factor ?? 1;
  // "850 mV to 1.2 V": the lower end has a unit of its own.
  const lowFactor = (lowUnit && readUnit(lowUnit)?.factor) || factor;
  // A word that is no unit goes on behind the value.
  const last = units.find((u) => u !== undefined && (isWord(u) || strange));
  const rest = last && taken.endsWith(last) ? text.slice(taken.length - last.length) : text.slice(taken.length);
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

function doubts(...numbers: (NumberReading | null | undefined)[]): { doubt?: Message } {
  const doubt = numbers.find((n) => n?.doubt)?.doubt;
  return doubt ? { doubt } : {};
}
