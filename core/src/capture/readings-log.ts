/** Readings as a program prints them: a name, a number, perhaps a unit. */

export interface LoggedReading {
  readonly line: number;
  /** "" where the line holds a number alone. */
  readonly name: string;
  /** Null for what is no number: nan, inf, a failed reading. */
  readonly value: number | null;
  readonly unit: string;
}

const NUMBER = String.raw`[-+]?(?:\d+(?:[.,]\d+)?|[.,]\d+)(?:e[-+]?\d+)?|nan|-?inf`;
const PAIR = new RegExp(
  String.raw`([a-z][a-z0-9 _.()/-]*?)\s*[:=]\s*(${NUMBER})\s*(%RH|%|°?C|°?F|ppm|ppb|lx|lux|hPa|kPa|Pa|mV|V|mA|A|kg|g|mm|cm|m|Ω|ohm)?(?![a-z])`,
  'gi',
);
const ALONE = new RegExp(String.raw`^\s*(${NUMBER})\s*([^\d\s]\S{0,5})?\s*$`, 'i');

const valueOf = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
};

export function readReadingsLog(text: string): LoggedReading[] {
  return text.split(/\r?\n/).flatMap((row, i): LoggedReading[] => {
    const pairs = [...row.matchAll(PAIR)].map(([, name = '', value = '', unit = '']): LoggedReading => ({
      line: i + 1,
      name: name.trim(),
      value: valueOf(value),
      unit,
    }));
    if (pairs.length > 0) return pairs;
    const alone = ALONE.exec(row);
    return alone ? [{ line: i + 1, name: '', value: valueOf(alone[1] ?? ''), unit: alone[2] ?? '' }] : [];
  });
}
