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
  // A plain blank before three digits parts thousands, or two cells: "20 105".
  const isParted = /\d (?=\d{3})/.test(written.trim());
  let exponent = 0;
  const power = /(?:\s?[x×]\s?10\^?(-?\d+)|e([+-]?\d+))$/.exec(text);
  if (power) {
    exponent = Number(power[1] ?? power[2]);
    text = text.slice(0, power.index);
  }
  let doubt: Message | undefined = isParted ? doubtThat('blank') : undefined;
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

/** A text that is being read. */
interface Reading {
  readonly text: string;
  readonly mark: DecimalMark;
  /** Unit of the column or the name, taken where none is written. */
  readonly fallback: UnitReading | null;
}

/** A way in which values are written. Undefined: the text is not written so; null: it is, and holds no value. */
type Form = (reading: Reading) => ValueReading | null | undefined;

const numberIn = ({ mark }: Reading, part: string | undefined) => readNumber(part ?? '', mark);
const restAfter = ({ text }: Reading, taken: string): string => text.slice(taken.length).trim();

/** "0.7 × VDD" */
const asShare: Form = (reading) => {
  const share = SHARE.exec(reading.text);
  if (!share) return undefined;
  const n = numberIn(reading, share[1]);
  if (!n) return null;
  const typ = share[2] ? n.value / 100 : n.value;
  return { typ, unit: 'share', symmetric: false, rest: restAfter(reading, share[0]), ...doubts(n) };
};

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

/** "4k7" */
const asCode: Form = (reading) => {
  const code = CODE.exec(reading.text);
  if (!code) return undefined;
  const factor = { R: 1, k: 1e3, K: 1e3, M: 1e6 }[code[2] ?? ''] ?? 1;
  const typ = scaled(Number(`${code[1]}.${code[3]}`), factor);
  return { typ, unit: 'Ω', symmetric: false, rest: restAfter(reading, code[0]) };
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

/** "2.7 to 5.5 V", "850 mV to 1.2 V" */
const asRange: Form = (reading) => {
  const range = RANGE.exec(reading.text);
  if (!range || NOT_A_UNIT.test(range[2] ?? '')) return undefined;
  const [low, high] = [numberIn(reading, range[1]), numberIn(reading, range[3])];
  const share = range[2] && range[4] ? (readUnit(range[2])?.factor ?? 1) / (readUnit(range[4])?.factor ?? 1) : 1;
  return low && high && low.value * share <= high.value
    ? made(reading, range[0], [low, null, high], [range[4], range[2]], false, range[2])
    : undefined;
};

/** "−0.3 V to VDD + 0.3 V": of a lower bound in volts and an upper one from the supply the upper one is what can be passed. */
const asUpToSupply: Form = ({ text, mark }) => {
  const upTo = UP_TO_SUPPLY.exec(text);
  const upper = upTo && readValue(upTo[1] ?? '', mark);
  return upper?.unit === 'offset'
    ? { max: upper.typ ?? 0, unit: 'offset', symmetric: false, rest: upper.rest }
    : undefined;
};

/** "max. 0.3 × VDD" */
const asBoundOfSupply: Form = ({ text, mark }) => {
  const leading = LEADING.exec(text);
  const level = leading && readValue(text.slice(leading[0].length), mark);
  if (level?.typ === undefined || (level.unit !== 'share' && level.unit !== 'offset')) return undefined;
  const { typ, ...others } = level;
  return { ...others, ...(/^(?:<|≤|max)/i.test(leading?.[0] ?? '') ? { max: typ } : { min: typ }) };
};

/** "≤ 5 µA" */
const asBound: Form = (reading) => {
  const bound = BOUND.exec(reading.text);
  if (!bound) return undefined;
  const n = numberIn(reading, bound[3]);
  const places = bound[1] ? [null, null, n] : bound[2] ? [n, null, null] : [null, n, null];
  return made(reading, bound[0], places, [bound[4]], false);
};

/** "5 µA max" */
const asSingle: Form = (reading) => {
  const single = SINGLE.exec(reading.text);
  if (!single) return null;
  const n = numberIn(reading, single[1]);
  const kind = single[3]?.toLowerCase();
  const places = kind === 'max' ? [null, null, n] : kind === 'min' ? [n, null, null] : [null, n, null];
  return made(reading, single[0], places, [single[2]], false);
};

/** In the order in which they are told apart: what says most comes first. */
const FORMS: readonly Form[] = [
  asShare,
  asOffset,
  asCode,
  asSymmetric,
  asCentred,
  asRange,
  asUpToSupply,
  asBoundOfSupply,
  asBound,
  asSingle,
];

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
  const reading: Reading = { text: clean(written), mark, fallback };
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

function doubts(...numbers: (NumberReading | null | undefined)[]): { doubt?: Message } {
  const doubt = numbers.find((n) => n?.doubt)?.doubt;
  return doubt ? { doubt } : {};
}

/** True for a cell that says nothing: a dash, n/a, or empty. */
export const isBlank = (text: string): boolean => /^(?:|[-–—.…]+|n\.?\/?a\.?|tbd|none)$/i.test(text.trim());
