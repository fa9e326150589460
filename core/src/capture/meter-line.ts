/**
 * What a meter writes of what it shows, a line at a time. The forms of numbers are those of IEEE 488.2, over range and not a number those of
 * SCPI-1999, both quoted from memory; the words beside them are common practice. A line of which something is not understood is not read.
 */

export interface MeterReading {
  /** In one V, Ω or A; infinite where nothing conducts, or where it is beyond the range. */
  readonly value: number;
  /** Null where the line says none: whoever asked knows of what it is. Other: of something else, or not as it is now. */
  readonly unit: 'V' | 'Ω' | 'A' | 'other' | null;
}

/** Longer lines are no meter's. */
const MOST = 120;
const OVER = 9.9e37;
const NO_NUMBER = 9.91e37;

const DATE = /\b\d{4}-\d{2}-\d{2}(?:T|\b)/g;
const TIME = /\b\d{1,2}:\d{2}(?::\d{2}(?:\.\d+)?)?\b/g;
const BEYOND = /(?<![\w.])([-+]?)\s*(?:[O0]\.?L|\.[O0]L|OVERLOAD)(?![\p{L}\d])/giu;
const TOKEN =
  /\s*(?:(?<number>[-+]?(?:\d+(?:[.,]\d+)?|[.,]\d+)(?:e[-+]?\d+)?)(?![.,]?\d)|(?<word>[°%]?[\p{L}µ]+(?:\+[\p{L}]+)?|[°%])|(?<between>[\s,;:=]))/iuy;

const PREFIXES: Readonly<Record<string, number>> = {
  '': 1,
  n: 1e-9,
  µ: 1e-6,
  μ: 1e-6,
  u: 1e-6,
  m: 1e-3,
  k: 1e3,
  K: 1e3,
  M: 1e6,
};
/** Large letters alone may be a milli that a meter writes so: of volts and amperes they are not read. */
const UNIT = /^(?:(?<small>[nuµμm]?)(?<electric>V|A)|(?<any>[mkKM]?)(?<ohms>Ω|Ω|ohms?|Ohms?|OHMS?))(?<as>DC)?$/u;
const WORDS: Readonly<Record<string, 'V' | 'Ω' | 'A'>> = {
  DCV: 'V',
  VOLT: 'V',
  VOLTS: 'V',
  DCA: 'A',
  AMP: 'A',
  AMPS: 'A',
  RES: 'Ω',
};
const SAYS_NOTHING = new Set(['DC', 'AUTO', 'MAN', 'MANU', 'MANUAL']);
/** Another function, or a value that was: a display that is held, a highest, a difference. */
const ELSE =
  /^(?:AC|ACV|ACA|[nuµμmk]?[VA]AC|AC\+DC|HOLD|MAX|MIN|AVG|PEAK|REL|DELTA|DIODE|[kM]?Hz|[pnuµμm]F|°[CF]|%|dBm?)$/iu;

interface Token {
  readonly number?: number;
  readonly word?: string;
}

function tokensOf(text: string): readonly Token[] | null {
  const tokens: Token[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < text.length) {
    const found = TOKEN.exec(text);
    if (!found) return null;
    const { number, word } = found.groups ?? {};
    if (number !== undefined) tokens.push({ number: Number(number.replace(',', '.')) });
    else if (word !== undefined) tokens.push({ word });
  }
  return tokens;
}

/** The unit that words name, and how many of it one is; null where they name two, or something that is not known. */
function unitOf(words: readonly string[]): { unit: MeterReading['unit']; times: number } | null {
  let [unit, times]: [MeterReading['unit'], number] = [null, 1];
  if (words.some((word) => ELSE.test(word))) return { unit: 'other', times };
  for (const word of words) {
    if (SAYS_NOTHING.has(word.toUpperCase())) continue;
    const { small, electric, any } = UNIT.exec(word)?.groups ?? {};
    const mine =
      WORDS[word.toUpperCase()] ?? (electric === 'V' || electric === 'A' ? electric : UNIT.test(word) ? 'Ω' : null);
    if (mine === null || (unit !== null && unit !== mine)) return null;
    unit = mine;
    times *= PREFIXES[small ?? any ?? ''] ?? 1;
  }
  return { unit, times };
}

/** The number that is meant: the only one, or the last, where counters stand before it. */
function numberOf(tokens: readonly Token[]): number | null {
  const numbers = tokens.flatMap(({ number }) => (number === undefined ? [] : [number]));
  const value = numbers.at(-1);
  if (value === undefined) return null;
  if (numbers.length === 1) return value;
  const isCounted = numbers.slice(0, -1).every((one) => Number.isInteger(one) && one >= 0);
  const before = tokens.findLastIndex(({ number }) => number !== undefined);
  return isCounted && tokens[before + 1]?.word !== undefined ? value : null;
}

/** @returns null for a line that is no reading of a meter, as far as can be told */
export function readMeterLine(line: string): MeterReading | null {
  if (line.length > MOST) return null;
  const clean = line.replace(DATE, ' ').replace(TIME, ' ').replace(BEYOND, `$1${OVER} `).trim();
  const tokens = tokensOf(clean);
  const value = tokens && numberOf(tokens);
  if (!tokens || value === null || Math.abs(value) === NO_NUMBER) return null;
  const named = unitOf(tokens.flatMap(({ word }) => word ?? []));
  if (!named) return null;
  return { value: Math.abs(value) >= OVER ? Math.sign(value) * Infinity : value * named.times, unit: named.unit };
}

/** What a meter is asked that answers questions. */
export const METER_QUESTIONS = { volts: 'MEAS:VOLT:DC?', ohms: 'MEAS:RES?', amps: 'MEAS:CURR:DC?' } as const;
