/** A figure as it is typed, both ways: "2.4 to 5.5 V", "≤ 0.3 × supply", "3 / 3.3 / 3.6 V (at 25 °C)". */
import { bareBound } from '../card/bare-bound.ts';
import type { FigureId } from '../card/figures.ts';
import { formatQuantity, parseQuantity } from '../quantity/engineering.ts';
import { ReadError } from '../quantity/read-error.ts';
import { refuse } from './problem.ts';

/** As a card keeps it, but for where it comes from. */
export interface SaidFigure {
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  readonly unit: string;
  readonly conditions?: string;
}

/** Levels are stated in volts, as a share of the supply, or so far above it. */
const isLevel = (units: readonly string[]): boolean => units.includes('offset');

/** Coulombs are spoken of as ampere hours. */
const COULOMBS: readonly (readonly [RegExp, number])[] = [
  [/\s*mAh$/, 3.6],
  [/\s*Ah$/, 3600],
  [/\s*C$/, 1],
];

const DIGITS = [3, 4, 5, 6, 8, 10, 12, 15, 17];

/** The shortest way to write a value that is read as that value again. */
export function writeValue(value: number, unit: string): string {
  if (unit === 'C') {
    const hours = value / 3.6;
    if (Number(String(hours)) * 3.6 === value && String(hours).length < 8) return `${hours} mAh`;
    return `${value} C`;
  }
  if (unit === 'share') {
    const percent = DIGITS.map((digits) => Number((value * 100).toPrecision(digits))).find((p) => p / 100 === value);
    return percent === undefined ? `${value} of 1` : `${percent} %`;
  }
  if (unit === '1' || unit === '') return String(value);
  for (const digits of DIGITS) {
    const said = formatQuantity(value, unit, digits);
    if (readsAs(said, unit) === value) return said;
  }
  return `${value} ${unit}`;
}

function readsAs(said: string, unit: string): number | null {
  try {
    return readValue(said, unit);
  } catch (error) {
    if (error instanceof ReadError) return null;
    throw error;
  }
}

/** @throws ReadError what was expected */
export function readValue(said: string, unit: string): number {
  const text = said.trim().replaceAll('−', '-');
  if (unit === 'C') {
    const [ending, factor] = COULOMBS.find(([pattern]) => pattern.test(text)) ?? [/$/, 1];
    return Number(text.replace(ending, '')) * factor || refuse('number', { found: said });
  }
  const ofOne = unit === 'share' ? /^(.+?) of 1$/.exec(text)?.[1] : undefined;
  if (ofOne !== undefined) return readValue(ofOne, '1');
  if (unit === '1' || unit === '') {
    const value = Number(text.replace(',', '.'));
    return text === '' || !Number.isFinite(value) ? refuse('number', { found: said }) : value;
  }
  if (/e[+-]?\d+/i.test(text)) {
    const value = Number.parseFloat(text);
    if (text.replace(/^[-+\d.e]+/i, '').trim() === unit) return value;
  }
  return parseQuantity(text, unit);
}

const SUPPLY = '(?:supply|v_?dd|v_?cc|v_?in|v_?s|v_?io)';
const SHARE_OF = new RegExp(
  `^([-+]?[\\d.,e-]+)\\s*(?:[×x*·]\\s*)?${SUPPLY}$|^([-+]?[\\d.,]+)\\s*%\\s*(?:of\\s+)?${SUPPLY}$`,
  'i',
);
const ABOVE = new RegExp(`^${SUPPLY}(?:\\s*([+-])\\s*(.+))?$`, 'i');

/** A level in whichever of its units it is written. */
function readLevel(said: string): { value: number; unit: string } {
  const text = said.trim().replaceAll('−', '-');
  const [, share, percent] = SHARE_OF.exec(text) ?? [];
  if (share !== undefined) return { value: readValue(share, '1'), unit: 'share' };
  if (percent !== undefined) return { value: readValue(`${percent} %`, 'share'), unit: 'share' };
  const above = ABOVE.exec(text);
  if (above) {
    const [, sign, volts] = above;
    const value = volts === undefined ? 0 : readValue(volts, 'V');
    return { value: sign === '-' ? -value : value, unit: 'offset' };
  }
  return { value: readValue(text, 'V'), unit: 'V' };
}

function writeLevel(value: number, unit: string): string {
  if (unit === 'share') return `${value} × supply`;
  if (unit !== 'offset') return writeValue(value, unit);
  return value === 0 ? 'supply' : `supply ${value < 0 ? '−' : '+'} ${writeValue(Math.abs(value), 'V')}`;
}

/** What may stand once behind two levels. */
const TRAILING_LEVEL = new RegExp(`^\\s*(?:[pnµmk]?V|[×x*·]?\\s*${SUPPLY})$`, 'i');
const BLANK = '–';

/** "2.4 V" and "5.5 V" as "2.4 to 5.5 V". */
function range(low: string, high: string): string {
  const [, number, unit] = /^([−\d.e-]+) (.+)$/.exec(low) ?? [];
  return number !== undefined && high.endsWith(` ${unit}`) ? `${number} to ${high}` : `${low} to ${high}`;
}

/** @param cells true where a bare value would be taken for a bound, so that a usual one stands in cells */
export function writeFigure(
  { min, typ, max, unit, conditions }: SaidFigure,
  units: readonly string[],
  cells = false,
): string {
  const one = (value: number) => (isLevel(units) ? writeLevel(value, unit) : writeValue(value, unit));
  const cell = (value: number | undefined) => (value === undefined ? BLANK : one(value));
  const bounds =
    typ === undefined
      ? min !== undefined && max !== undefined
        ? range(one(min), one(max))
        : min !== undefined
          ? `≥ ${one(min)}`
          : `≤ ${cell(max)}`
      : min === undefined && max === undefined && !cells
        ? one(typ)
        : [min, typ, max].map(cell).join(' / ');
  return conditions === undefined ? bounds : `${bounds} (${conditions})`;
}

const LEAST = /^(?:at least|from|min\.?|>=?|≥)\s*/i;
const MOST = /^(?:at most|up to|max\.?|<=?|≤)\s*/i;
const TO = /\s+(?:to|…|\.\.\.?)\s+|\s*…\s*/;

/** @throws ReadError what was expected */
export function readFigure(said: string, units: readonly string[]): SaidFigure {
  const [, bounds = '', conditions] =
    /^([^(]*?)(?:\s*\((.+)\))?\s*$/s.exec(said.trim()) ?? refuse('figure', { found: said });
  if (bounds === '') refuse('figure', { found: said });
  const found = boundsIn(bounds);
  const [plain = ''] = units;
  // A unit that stands once is that of all: "2.4 to 5.5 V".
  const last = Object.values(found).at(-1) ?? '';
  const [, shared = ''] = /^[+−-]?[\d.,]+(?:e[+−-]?\d+)?(.*)$/i.exec(last) ?? [];
  const read = (text: string) => {
    const isBare = /^[+−-]?[\d.,]+(?:e[+−-]?\d+)?$/i.test(text);
    const whole = isBare && (!isLevel(units) || TRAILING_LEVEL.test(shared)) ? `${text}${shared}` : text;
    return isLevel(units) ? readLevel(whole) : { value: readValue(whole, plain), unit: plain };
  };
  const values = Object.entries(found).map(([bound, text]) => [bound, read(text)] as const);
  const [unit = plain, ...others] = new Set(values.map(([, value]) => value.unit));
  if (others.length > 0) refuse('oneUnit', { found: said });
  return {
    ...Object.fromEntries(values.map(([bound, { value }]) => [bound, value])),
    unit,
    ...(conditions === undefined ? {} : { conditions: conditions.trim() }),
  };
}

/** The texts of the bounds that are stated. */
function boundsIn(text: string): { min?: string; typ?: string; max?: string } {
  const cells = text.split(' / ').map((cell) => cell.trim());
  if (cells.length === 3) {
    const [min = '', typ = '', max = ''] = cells.map((cell) => (cell === BLANK || cell === '-' ? '' : cell));
    return { ...(min && { min }), ...(typ && { typ }), ...(max && { max }) };
  }
  if (LEAST.test(text)) {
    const [low = '', high] = text.replace(LEAST, '').split(TO);
    return high === undefined ? { min: low } : { min: low, max: high };
  }
  if (MOST.test(text)) return { max: text.replace(MOST, '') };
  const [low = '', high] = text.split(TO);
  return high === undefined ? { typ: low } : { min: low, max: high };
}

/** What was typed of a figure, a bare value taken for the bound that it is. */
export function asBound(id: FigureId, said: SaidFigure): SaidFigure {
  const bound = bareBound(id);
  const { min, typ, max, ...rest } = said;
  return bound === null || typ === undefined || min !== undefined || max !== undefined
    ? said
    : { [bound]: typ, ...rest };
}
