/** Two resistors that bring an output down to what a pin reads. */
import { dividerShare } from '../circuit/divider.ts';
import type { Interval } from '../quantity/interval.ts';
import { seriesBetween, type SeriesName } from '../standard/e-series.ts';

export interface Divider {
  /** Ω, from the output to the pin, and from the pin to ground. */
  readonly upper: number;
  readonly lower: number;
  /** Share of the voltage at the pin, with the tolerance of both. */
  readonly share: Interval;
  /** Seen from the pin: the two side by side, Ω. */
  readonly source: number;
  /** The highest voltage at the pin, V. */
  readonly highest: number;
}

/** Smaller resistors load the output, larger ones are slow and pick up noise. Common practice. */
const LEAST = 1e3;
const MOST = 100e3;
/** The source resistance that is aimed at where nothing is said, Ω. */
const USUAL_SOURCE = 5e3;

/**
 * The pairs of the series that never pass the target, best first: those that use most of it, and of those alike the one
 * whose source resistance is nearest to 5 kΩ.
 * @param volts the highest that the output gives, V
 * @param target the highest that may be at the pin, V
 * @param tolerance of the resistors, a share
 * @param mostSource what the converter tolerates, Ω
 */
export function dividers(
  volts: number,
  target: number,
  series: SeriesName,
  tolerance: number,
  mostSource = 10e3,
): Divider[] {
  const values = seriesBetween(series, LEAST, MOST);
  const found: Divider[] = [];
  for (const upper of values) {
    for (const lower of values) {
      const share = dividerShare({ upper, lower }, null, tolerance);
      const source = (upper * lower) / (upper + lower);
      if (share.max * volts > target || source > mostSource) continue;
      found.push({ upper, lower, share, source, highest: share.max * volts });
    }
  }
  const far = ({ source }: Divider) => Math.abs(Math.log(source / USUAL_SOURCE));
  return found.sort((a, b) => {
    const closer = b.share.typ - a.share.typ;
    return Math.abs(closer) > 1e-3 ? closer : far(a) - far(b);
  });
}
