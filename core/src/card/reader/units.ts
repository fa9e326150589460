/** Units as datasheets write them -> SI base units and a factor. */

export interface UnitReading {
  readonly unit: string;
  readonly factor: number;
}

const PREFIX: Readonly<Record<string, number>> = {
  G: 1e9,
  M: 1e6,
  k: 1e3,
  K: 1e3,
  m: 1e-3,
  µ: 1e-6,
  n: 1e-9,
  p: 1e-12,
};

/** Base unit by its spellings, and the prefixes that the trade puts before it. */
const BASES: readonly (readonly [spelling: RegExp, unit: string, prefixes: string, factor?: number])[] = [
  [/^V(?:olts?|dc)?$|^VDC$/i, 'V', 'mµk'],
  [/^(?:A|amps?|Adc)$/, 'A', 'mµnk'],
  [/^(?:Ω|ohms?|Ohms?|OHMS?)$/, 'Ω', 'mkKM'],
  [/^F$/, 'F', 'pnµm'],
  [/^(?:s|sec|secs|seconds?|S)$/, 's', 'mµn'],
  [/^(?:Hz|HZ|hz|bps|bit\/s|baud|Bd)$/, 'Hz', 'kKMG'],
  [/^(?:m|meters?|metres?)$/, 'm', 'mµck'],
  [/^W$/, 'W', 'mµk'],
  [/^(?:Pa|pa)$/, 'Pa', 'hkM'],
  [/^(?:g|grams?)$/, 'kg', 'mk', 1e-3],
  [/^H$/, 'H', 'mµn'],
];

const WHOLE: Readonly<Record<string, UnitReading>> = {
  '°C': { unit: '°C', factor: 1 },
  degC: { unit: '°C', factor: 1 },
  C: { unit: '°C', factor: 1 },
  '%RH': { unit: '%RH', factor: 1 },
  RH: { unit: '%RH', factor: 1 },
  '%': { unit: '%', factor: 1 },
  ppm: { unit: 'ppm', factor: 1 },
  ppb: { unit: 'ppm', factor: 1e-3 },
  lx: { unit: 'lx', factor: 1 },
  lux: { unit: 'lx', factor: 1 },
  Lux: { unit: 'lx', factor: 1 },
  klx: { unit: 'lx', factor: 1e3 },
  klux: { unit: 'lx', factor: 1e3 },
  mbar: { unit: 'Pa', factor: 100 },
  bar: { unit: 'Pa', factor: 1e5 },
  min: { unit: 's', factor: 60 },
  minutes: { unit: 's', factor: 60 },
  minute: { unit: 's', factor: 60 },
  h: { unit: 's', factor: 3600 },
  hours: { unit: 's', factor: 3600 },
  years: { unit: 'years', factor: 1 },
  'µg/m³': { unit: 'µg/m³', factor: 1 },
  K: { unit: 'K', factor: 1 },
  mAh: { unit: 'C', factor: 3.6 },
  Ah: { unit: 'C', factor: 3600 },
  'K/W': { unit: 'K/W', factor: 1 },
  '°C/W': { unit: 'K/W', factor: 1 },
  'mW/K': { unit: 'W/K', factor: 1e-3 },
  'mW/°C': { unit: 'W/K', factor: 1e-3 },
  LSB: { unit: 'counts', factor: 1 },
};

/** Spellings that mean the same: micro and ohm signs, degree signs, cubic metres. */
export function plainText(text: string): string {
  return text
    .replace(/[\u03bc\u00b5]/g, 'µ')
    .replace(/[\u2126]/g, 'Ω')
    .replace(/℃|[º˚°]\s?C\b|\bdeg(?:rees?)?\.?\s?C\b/g, '°C')
    .replace(/[\u2212\u2010\u2011\ufe63\uff0d]/g, '-')
    .replace(/[\u02dc\u223c\u301c\uff5e]/g, '~')
    .replace(/[\u2012\u2013\u2014]/g, '–')
    .replace(/\/m3\b/g, '/m³')
    .replace(/%\s*r\.?\s*[hH]\.?(?![a-zA-Z])|%\s*RH/g, '%RH')
    .replace(/%r\.h\./g, '%RH');
}

/**
 * @returns null when the text is no unit that the reader knows
 * @example readUnit('uA') is { unit: 'A', factor: 1e-6 }
 */
export function readUnit(written: string): UnitReading | null {
  const text = plainText(written.trim())
    .replace(/^[[(]|[\])]$/g, '')
    .replace(/^±\s*/, '');
  if (text === '') return null;
  const whole = WHOLE[text];
  if (whole) return whole;
  const micro = text.replace(/^u(?=[A-Za-zΩ])/, 'µ');
  for (const [spelling, unit, prefixes, factor = 1] of BASES) {
    if (spelling.test(micro)) return { unit, factor };
    const [first = '', ...rest] = micro;
    if (!spelling.test(rest.join(''))) continue;
    if (first === 'c' && prefixes.includes('c')) return { unit, factor: 0.01 };
    if (first === 'h' && prefixes.includes('h')) return { unit, factor: 100 };
    const power = PREFIX[first];
    if (power !== undefined && prefixes.includes(first)) return { unit, factor: power * factor };
  }
  return null;
}

/** A scaled value without the dust of floating point. @example scaled(600, 1e-6) === 0.0006 */
export const scaled = (value: number, factor: number): number => Number((value * factor).toPrecision(12));
