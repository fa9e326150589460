/** Values as datasheets write them: bounds, ranges, shares of the supply and offsets from it, bands, and several in one place. */
import type { Message } from '../../quantity/message.ts';
import { NUMBER, readNumber, type DecimalMark, type NumberReading } from './numbers.ts';
import { plainText, readUnit, scaled, type UnitReading } from './units.ts';

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

const UNIT = String.raw`(?!(?:typ|max|typical|typically|maximum|minimum)\b)[°%µΩA-Za-z³²/]+`;
const SUPPLY = String.raw`(?:V|U)_?(?:DD|CC|IN|S|DDIO|DD_IO|BAT|IO|SUPPLY|SUP)[A-Z]*`;
const BETWEEN = String.raw`(?:to|thru|through|\.\.\.?|…|–|~|〜|-{1,2}|÷|up to)`;
const PLUS_MINUS = String.raw`(?:±|\+\s?/?\s?[-–])`;

/** Words before a number that say which bound it is. */
const MAX_WORDS = String.raw`<=?|≤|max(?:imum|\.)?(?: of)?:?|maximal(?:ly)?|up to|less than|below|under|at most|at max\.?|no more than|not more than|not exceed(?:ing)?|within`;
const MIN_WORDS = String.raw`>=?|≥|min(?:imum|\.)?(?: of)?:?|minimal(?:ly)?|more than|above|over|at least|no less than|not less than`;
const TYP_WORDS = String.raw`typ(?:ical(?:ly)?|\.)?(?: of)?:?|nom(?:inal(?:ly)?|\.)?:?|approx(?:imately)?\.?|about|around|roughly|usually|circa|ca\.?|~|≈`;
/** Words behind it. */
const AFTER = String.raw`(?:\((?=\w+\.?\)))?(typ|max|min|at most|at least|or less|or more)(?:ical(?:ly)?|imum)?\.?\)?(?![a-z])`;

const re = (source: string, flags = '') => new RegExp(source, flags);
const SHARE = re(String.raw`^(${NUMBER})\s*(%)?\s*(?:[x×*·•⋅]|of)?\s*(?:the\s+)?${SUPPLY}\b`, 'i');
const OFFSET = re(String.raw`^${SUPPLY}\s*([+-–])\s*(${NUMBER})\s*(m?V)?`, 'i');
const AT_SUPPLY = re(String.raw`^${SUPPLY}$`, 'i');
const SYMMETRIC = re(String.raw`^${PLUS_MINUS}\s*(${NUMBER})\s*(${UNIT})?`);
const GROWING = re(
  String.raw`^${PLUS_MINUS}?\s*\(?\s*${PLUS_MINUS}?\s*(${NUMBER})\s*(${UNIT})?\s*\+\s*(${NUMBER})\s*(%)?(?:RH)?\s*(?:(?:of|from)?\s*(?:the\s+)?(?:reading|measured value|value|rdg\.?|m\.?v\.?|r\.?h?))?\s*\)?\s*(${UNIT})?\s*\)?`,
  'i',
);
const CENTRED = re(String.raw`^(${NUMBER})\s*(${UNIT})?\s*${PLUS_MINUS}\s*(${NUMBER})\s*(${UNIT})?`);
const RANGE = re(String.raw`^(?:(?:${MAX_WORDS}|${MIN_WORDS}|${TYP_WORDS})\s*)?(${NUMBER})\s*(${UNIT})?\s*${BETWEEN}\s*(\+?${NUMBER})\s*(${UNIT})?`, 'i');
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

/** Spellings made one, without the mark of a footnote at the end. */
const clean = (text: string): string =>
  evenText(text)
    .replace(/\s*(?:\(\d\)|\[\d\]|\*+)\s*$/, '')
    .replace(/^(?:DC|dc)\s*(?=\d)/, '')
    .replace(/^from\s+(?=\S*\d)/i, '')
    .trim();

/** One spelling for signs and blanks: what `valuesIn` and `valueAt` read. */
export const evenText = (text: string): string =>
  plainText(text)
    .replace(/\s+/g, ' ')
    // A dash before a number is a minus where nothing stands before it that a range could begin with.
    .replace(/(^|to |and |from |of |is |at |\.\.\.|[~…(,;:]) ?–\s?(?=\d)/g, '$1-')
    .replace(/(~|…|\.\.\.) ?(-)\s(?=\d)/g, '$1$2')
    .replace(/(^|[\s(])([A-Za-z]{3,}:?) –\s?(?=\d)/g, (all: string, before: string, word: string) =>
      readUnit(word) ? all : `${before}${word} -`,
    );

/** A text that is being read. */
interface Reading {
  readonly text: string;
  readonly mark: DecimalMark;
  /** Unit of the column or the name, taken where none is written. */
  readonly fallback: UnitReading | null;
}

/** What one form gives; `stated` where the bound was said in words. */
interface Found extends ValueReading {
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
  if (!range || NOT_A_UNIT.test(range[2] ?? '')) return undefined;
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

function first(reading: Reading): Found | null {
  for (const form of FORMS) {
    const value = form(reading);
    if (value !== undefined) return value;
  }
  return null;
}

const BOUNDS = ['min', 'typ', 'max'] as const;
const boundsOf = (value: ValueReading) => BOUNDS.filter((bound) => value[bound] !== undefined);
/** What stands between two values of one figure: "10 mA typically, at most 26 mA", "20 ms (max. 90 ms)". */
const JOINT = /^\s*(?:[,;/(|]|and|with|but)?\s*(?=\S)/i;

/**
 * Reads what stands at the beginning of a text, with what follows of the same figure: a usual value and a bound.
 * @param fallback unit of the column or the name, taken where none is written
 * @returns null when the text does not begin with a value
 * @example readValue('2.7 to 5.5 V', '.') is 2.7 to 5.5 in V; readValue('0.7 × VDD', '.') is 0.7 in share
 */
export function readValue(
  written: string,
  mark: DecimalMark,
  fallback: UnitReading | null = null,
): ValueReading | null {
  const found = valueAt(clean(written), mark, fallback);
  if (!found) return null;
  return unstated(found);
}

const unstated = (found: Found): ValueReading => {
  const value = { ...found };
  delete value.stated;
  return value;
};

/** As `readValue`, of a text that `evenText` has made even. */
function valueAt(text: string, mark: DecimalMark, fallback: UnitReading | null): Found | null {
  let value = first({ text, mark, fallback });
  if (!value) return null;
  for (;;) {
    const joint: string = JOINT.exec(value.rest)?.[0] ?? '';
    const next: Found | null = first({ text: value.rest.slice(joint.length), mark, fallback });
    const own = next && boundsOf(next);
    // Another figure begins where a bound comes twice, or where nothing says which bound it is.
    if (!next || own?.length !== 1 || !own[0] || next.stated !== true || next.symmetric || value.symmetric) break;
    if (boundsOf(value).includes(own[0]) || (own[0] !== 'typ' && boundsOf(value).length > 1 && value.min !== undefined))
      break;
    const isBehind = value.unit === (fallback?.unit ?? null) && next.unit !== value.unit;
    if (isBehind && next.unit !== null) {
      // "0.8 typ., 13 max. µA": the unit of the last is that of all.
      const unit = unitIn(value.rest, next);
      const again: Found | null = unit && first({ text, mark, fallback: unit });
      if (!again) break;
      value = { ...again, rest: value.rest };
    } else if (next.unit !== value.unit) break;
    const rest: string = next.rest.replace(joint.includes('(') ? /^\)\s*/ : /^$/, '');
    value = { ...value, [own[0]]: next[own[0]], rest, stated: true };
  }
  return value;
}

/** The unit that was read in a text: what its number was multiplied by. */
function unitIn(text: string, read: ValueReading): UnitReading | null {
  const taken = text.slice(0, text.length - read.rest.length);
  for (const [written] of taken.matchAll(re(UNIT, 'g'))) {
    const unit = NOT_A_UNIT.test(written) || /^(?:max|typ|min)/i.test(written) ? null : readUnit(written);
    if (unit?.unit === read.unit) return unit;
  }
  return null;
}

/** A value in a longer text. */
export interface PlacedValue extends ValueReading {
  /** Of its first letter in the text, sign and bound included, and behind its last one. */
  readonly from: number;
  readonly to: number;
}

/** What may stand before the first digit of a value. */
const BEFORE = re(
  String.raw`(?:(?:^|[\s(,;:/|=])(?:${MAX_WORDS}|${MIN_WORDS}|${TYP_WORDS}|between|from|DC)\s*)?(?:${PLUS_MINUS}\s*\(?\s*|(?<![\w)\]%°.])[-+–]\s?)?$`,
  'i',
);
/** "VDD -0.5 V to +7 V" is no offset: the supply is what the range is of. */
const AT_VALUE = re(
  String.raw`\d|(?<![A-Za-z_])${SUPPLY}\s*[+\-–]\s*(?=\d)(?!${NUMBER}\s*(?:${UNIT})?\s*${BETWEEN}\s*\+?\d)`,
  'gi',
);

/**
 * Every value with a unit that a text holds, in order.
 * @param text as `evenText` gives it
 */
export function valuesIn(text: string, mark: DecimalMark): PlacedValue[] {
  const found: PlacedValue[] = [];
  let done = 0;
  for (const match of text.matchAll(AT_VALUE)) {
    if (match.index < done) continue;
    const before = text.slice(done, match.index);
    // A digit inside a word belongs to it: I2C, T90, PM2.5; "DC5V" and "±5" do not.
    if (/[\w.,°]$/.test(before) && !/(?:^|[^A-Za-z])DC$|[\s.,]\.$/i.test(before)) continue;
    const lead = BEFORE.exec(before)?.[0] ?? '';
    const skipped = lead.length - lead.replace(/^[\s(,;:/|=]+/, '').length;
    const from = match.index - lead.length + skipped;
    const words = text.slice(from).replace(/^(?:from|DC)\s*/i, '');
    const value = valueAt(words, mark, null);
    if (!value) continue;
    const to = text.length - value.rest.length - (/\s+$/.exec(text)?.[0].length ?? 0);
    done = Math.max(to, match.index + 1);
    if (value.unit === null) continue;
    found.push({ ...unstated(value), from, to: from + text.slice(from, done).trimEnd().length });
  }
  return found;
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
  const isWord = (u: string) => NOT_A_UNIT.test(u) && (u !== 'min' || fallback !== null);
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
