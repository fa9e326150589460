/** Engineering notation both ways: 4700 Ω <-> "4.7 kΩ" or "4k7", 0.12 A <-> "120 mA". */
import { tells } from './message.ts';
import { ReadError } from './read-error.ts';
import { perKey } from './memo.ts';

const PREFIXES: readonly (readonly [string, number])[] = [
  ['G', 9],
  ['M', 6],
  ['k', 3],
  ['', 0],
  ['m', -3],
  ['µ', -6],
  ['n', -9],
  ['p', -12],
];

const EXPONENT_OF = new Map<string, number>([...PREFIXES, ['u', -6], ['μ', -6], ['K', 3]]);

/** Units that count things: a margin of one is as good as any there, and no mark on a line says more. */
export const COUNTED_UNITS: ReadonlySet<string> = new Set([
  '',
  'pull-ups',
  'signals',
  'lines',
  'functions',
  'converters',
  'peripherals',
  'parts',
  'translators',
  'directions',
  'bytes',
]);

/** Units that take no prefix, because the trade never writes one there. */
const PLAIN_UNITS = new Set([
  '°C',
  'K',
  'K/W',
  '%',
  '%RH',
  'W/m²',
  'm²',
  'W/(m²·K)',
  'ppm',
  'lx',
  'µg/m³',
  'l/min',
  'days',
  'years',
  ...COUNTED_UNITS,
]);

/** A mass is stored in kilograms and spoken of in grams. */
const SPOKEN: Readonly<Record<string, { unit: string; factor: number }>> = { kg: { unit: 'g', factor: 1000 } };

/** From so many seconds on, longer units of time: nobody says kiloseconds. */
const LONG: readonly (readonly [from: number, unit: string, seconds: number])[] = [
  [2 * 86_400, 'days', 86_400],
  [3600, 'h', 3600],
  [1000, 'min', 60],
];

export interface QuantityText {
  readonly number: string;
  readonly unit: string;
}

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

function significant(value: number, digits: number): string {
  // Below one the digits that count begin behind the zeros.
  if (Math.abs(value) < 1) return trimZeros(Number(value.toPrecision(digits)).toFixed(12));
  const whole = Math.max(0, Math.floor(Math.log10(Math.abs(value))) + 1);
  return trimZeros(value.toFixed(Math.max(0, digits - Math.max(whole, 1))));
}

/**
 * Splits a value into the number and the unit that the trade writes.
 * @param value SI base units
 * @param unit "V", "A", "Ω", "F", "s", "Hz", "m", "W", "kg", or a plain unit such as "°C"
 * @example quantityText(0.12, 'A') is { number: '120', unit: 'mA' }, quantityText(7200, 's') is { number: '2', unit: 'h' }
 */
export function quantityText(value: number, unit: string, digits = 3): QuantityText {
  const spoken = SPOKEN[unit];
  if (spoken) return quantityText(value * spoken.factor, spoken.unit, digits);
  if (!Number.isFinite(value)) return { number: value > 0 ? '∞' : value < 0 ? '−∞' : '?', unit };
  if (value === 0) return { number: '0', unit };
  const sign = value < 0 ? '−' : '';
  const size = Math.abs(value);
  if (PLAIN_UNITS.has(unit)) return { number: sign + significant(size, Math.max(digits, 3)), unit };
  const long = unit === 's' ? LONG.find(([from]) => size >= from) : undefined;
  if (long) return { number: sign + significant(size / long[2], digits), unit: long[1] };
  const rounded = Number(size.toPrecision(digits));
  const prefix = PREFIXES.find(([, exponent]) => rounded >= 10 ** exponent * 0.9999999) ?? ['p', -12];
  return { number: sign + significant(rounded / 10 ** prefix[1], digits), unit: prefix[0] + unit };
}

/** The same few hundred figures are written again at every edit; remembering them makes verify() several times faster. */
const writer = perKey(10, (digits: number) =>
  perKey(200, (unit: string) =>
    perKey(5000, (value: number) => {
      const split = quantityText(value, unit, digits);
      return split.unit ? `${split.number} ${split.unit}` : split.number;
    }),
  ),
);

/** @example formatQuantity(4700, 'Ω') === '4.7 kΩ' */
export const formatQuantity = (value: number, unit: string, digits = 3): string => writer(digits)(unit)(value);

/** @example formatSigned(0.31, 'V') === '+310 mV' */
export function formatSigned(value: number, unit: string, digits = 3): string {
  return (value > 0 ? '+' : '') + formatQuantity(value, unit, digits);
}

/**
 * The value as it is printed on a part: the prefix stands where the point would.
 * @example formatCode(4700) === '4k7'
 */
export function formatCode(ohms: number): string {
  const { number, unit } = quantityText(ohms, 'Ω');
  const letter = unit === 'Ω' ? 'R' : unit.replace('Ω', '');
  return number.includes('.') ? number.replace('.', letter) : number + letter;
}

/** What is said of a text that is no quantity. */
export interface QuantitySays {
  /** A comma before three digits: two readings of it. */
  readonly comma: { text: string; thousands: string; decimal: string };
  readonly noQuantity: { text: string; unit: string; example: readonly string[] };
}
const tell = tells<QuantitySays>('quantity/engineering');

/** Says what was expected when a text is no quantity. */
export class QuantityError extends ReadError {
  override readonly name = 'QuantityError';
}

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

function unitPattern(unit: string): string {
  if (unit === 'Ω') return '(?:[Ω\u2126]|ohms?|R)';
  if (unit === '°C') return '(?:°C|C)';
  return `(?:${escape(unit)})`;
}

/** Longer units of time, s, as they are typed. */
const TIMES: readonly (readonly [RegExp, number])[] = [
  [/^(?:min|mins|minutes?)$/i, 60],
  [/^(?:h|hrs?|hours?)$/i, 3600],
  [/^(?:d|days?)$/i, 86_400],
  [/^(?:w|weeks?)$/i, 7 * 86_400],
  [/^(?:y|yrs?|years?)$/i, 365.25 * 86_400],
];

/** "5 min", "2 h", "1 year" in seconds or in years; null for any other text. */
function parseTime(text: string, unit: string): number | null {
  const [, number = '', word = ''] = /^([+-]?(?:\d+\.?\d*|\.\d+))\s*([a-z]+)$/i.exec(text) ?? [];
  const seconds = TIMES.find(([pattern]) => pattern.test(word))?.[1];
  if (seconds === undefined) return null;
  const per = unit === 's' ? 1 : unit === 'days' ? 86_400 : unit === 'years' ? 365.25 * 86_400 : null;
  return per === null ? null : (Number(number) * seconds) / per;
}

/** A comma before three digits may part thousands or decimals: it is asked, never guessed. */
const THOUSANDS = /^[+-]?\d{1,3}(?:,\d{3})+(?!\d)/;

/** "3 %", "± 0,5 %" as a share; null for any other text. */
function parsePercent(text: string): number | null {
  const [, number] = /^\s*±?\s*(\d+(?:[.,]\d+)?)\s*%\s*$/.exec(text) ?? [];
  return number === undefined ? null : Number(number.replace(',', '.')) / 100;
}

/**
 * The same for a field that shows a unit already: a bare number is in the unit that stands there.
 * @param shown as the field shows its value, "12 mA"
 * @param percentOf what a share in percent is meant of, where the field takes one: the largest reading
 * @example parseShown('500', 'A', '12 mA') === 0.5, parseShown('3 %', 'lx', '50 lx', 1000) === 30
 */
export function parseShown(text: string, unit: string, shown: string, percentOf?: number): number {
  const share = parsePercent(text);
  // Of humidity a percent is the unit itself.
  if (share !== null && unit.startsWith('%')) return share * 100;
  if (share !== null && percentOf !== undefined) return share * percentOf;
  const bare = /^\s*[+\-−]?[\d.,]+\s*$/.test(text);
  const [, stands = ''] = /^\S+\s+(\S+)$/.exec(shown.trim()) ?? [];
  return parseQuantity(bare && stands ? `${text.trim()} ${stands}` : text, unit);
}

/**
 * Reads a quantity as makers type it: "4k7", "4.7 kΩ", "4,7k", "120 mA", "0.12", "2R2".
 * @returns the value in SI base units
 * @throws QuantityError naming the text and an example of what is read
 * @example parseQuantity('4k7', 'Ω') === 4700
 */
export function parseQuantity(text: string, unit: string): number {
  const spoken = SPOKEN[unit];
  const typed = text.trim().replace(/^−/, '-');
  if (THOUSANDS.test(typed)) {
    const plainly = typed.replaceAll(',', '').match(/^[+-]?\d+/)?.[0] ?? '';
    const decimal = Number(typed.replace(',', '.').match(/^[+-]?[\d.]+/)?.[0] ?? '');
    throw new QuantityError(tell('comma', { text: text.trim(), thousands: plainly, decimal: String(decimal) }));
  }
  const cleaned = typed.replace(',', '.');
  const time = parseTime(cleaned, unit);
  if (time !== null) return time;
  // Lengths on a bench are spoken of in centimetres.
  const [, centimetres] = unit === 'm' ? (/^([+-]?(?:\d+\.?\d*|\.\d+))\s*cm$/.exec(cleaned) ?? []) : [];
  if (centimetres !== undefined) return Number(`${centimetres}e-2`);
  if (unit === 'share' && /%\s*$/.test(cleaned)) return parseQuantity(cleaned.replace(/%\s*$/, ''), '') / 100;
  if (spoken) {
    if (/kg\s*$/.test(cleaned)) return parseQuantity(cleaned.replace(/kg\s*$/, ''), '');
    return parseQuantity(cleaned, spoken.unit) / spoken.factor;
  }
  const plain = PLAIN_UNITS.has(unit);
  const letters = plain ? '' : 'GMkKmµμunp';
  const infix = plain ? null : cleaned.match(new RegExp(`^([+-]?\\d+)([${letters}R])(\\d+)\\s*${unitPattern(unit)}?$`));
  if (infix) {
    const exponent = infix[2] === 'R' ? 0 : (EXPONENT_OF.get(infix[2] ?? '') ?? 0);
    return Number(`${infix[1]}.${infix[3]}e${exponent}`);
  }
  // Light is the one plain unit that people write in thousands: 50 klx.
  const thousands = unit === 'lx' ? '(k)?' : '()';
  const suffix = plain
    ? `${thousands}()${unitPattern(unit)}?`
    : `(?:([${letters}])?${unitPattern(unit)}|([${letters}]))?`; // "2 m" is metres, "120 m" in amperes is milli
  const match = cleaned.match(new RegExp(`^([+-]?(?:\\d+\\.?\\d*|\\.\\d+))(?:e([+-]?\\d+))?\\s*${suffix}$`));
  if (!match) {
    const example = unit === 'Ω' ? ['4.7 kΩ', '4k7'] : plain ? [`12 ${unit}`.trim()] : [`3.3 ${unit}`, `120 m${unit}`];
    throw new QuantityError(tell('noQuantity', { text, unit, example }));
  }
  const [, mantissa = '', written = '0', before, alone] = match;
  return Number(`${mantissa}e${Number(written) + (EXPONENT_OF.get(before ?? alone ?? '') ?? 0)}`);
}
