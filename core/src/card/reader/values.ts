/** Values in a cell or a text: what stands at its beginning with what follows of the same figure, or every one that it holds. */
import { NUMBER, type DecimalMark } from './numbers.ts';
import { plainText, readUnit, type UnitReading } from './units.ts';
import {
  BETWEEN,
  first,
  MAX_WORDS,
  MIN_WORDS,
  isNoUnit,
  PLUS_MINUS,
  re,
  SUPPLY,
  TYP_WORDS,
  UNIT,
  type Found,
  type ValueReading,
} from './value-forms.ts';

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
    const unit = isNoUnit(written) || /^(?:max|typ|min)/i.test(written) ? null : readUnit(written);
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
