/** Sizes of a body: "33 mm × 20 mm × 9 mm", "3.2cm*2.0cm, height 2.2cm". */
import { scaled, type UnitReading } from './units.ts';

const LENGTH = String.raw`(\d+(?:[.,]\d+)?)\s*(mm|cm|in(?:ch(?:es)?)?|")?`;
const BY = String.raw`\s*(?:\([LWHDlwhd]\)|[LWHD])?\s*[x×X*✕]\s*`;
const DIMENSIONS = new RegExp(String.raw`(?<![\d.,])${LENGTH}${BY}${LENGTH}(?:${BY}${LENGTH})?`);
const HEIGHT = new RegExp(
  String.raw`^[\s,;(]*(?:and\s+)?(?:height|thickness|depth|tall|high|h)\s*(?:of|:|=|is)?\s*${LENGTH}`,
  'i',
);
/** Words by which a size is known for that of the body. */
export const BODY_WORDS =
  /\bsizes?\b|dimension|outline|\bmeasures\b|\b(?:pcb|board|body|module|breakout|overall|l ?[x×*] ?w)\b/i;

const FACTORS: Readonly<Record<string, number>> = { mm: 1e-3, cm: 0.01 };

export interface SizeReading {
  /** Length, width and height, m. */
  readonly size: readonly number[];
  /** False where the unit is not written. */
  readonly hasUnit: boolean;
  readonly from: number;
  readonly to: number;
}

/** @param fallback unit of the column or the name, taken where none is written */
export function sizeIn(text: string, fallback: UnitReading | null): SizeReading | null {
  const match = DIMENSIONS.exec(text);
  if (!match) return null;
  const [whole, a, unitA, b, unitB, c, unitC] = match;
  const to = match.index + whole.length;
  const height = c === undefined ? HEIGHT.exec(text.slice(to)) : null;
  const units = [unitA, unitB, unitC, height?.[2]];
  const written = units.findLast((unit) => unit !== undefined)?.toLowerCase();
  if (written !== undefined && FACTORS[written] === undefined) return null;
  const common = written === undefined ? (fallback?.unit === 'm' ? fallback.factor : 1e-3) : (FACTORS[written] ?? 1e-3);
  const values = [a, b, c ?? height?.[1]];
  const size = values.flatMap((value, i) => {
    if (value === undefined) return [];
    const own = i === 2 && height ? height[2] : units[i];
    return [scaled(Number(value.replace(',', '.')), FACTORS[own?.toLowerCase() ?? ''] ?? common)];
  });
  return {
    size,
    hasUnit: written !== undefined || fallback?.unit === 'm',
    from: match.index,
    to: to + (height?.[0].length ?? 0),
  };
}
