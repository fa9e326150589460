/** What a regulator takes for what it gives. */
import type { RailOffer } from '../card/power.ts';
import type { Interval } from '../quantity/interval.ts';
import type { PowerTree } from './power-tree.ts';

/** A voltage from above to below a regulator, V. */
export interface Across {
  readonly above: number;
  readonly own: number;
}

/** Share of the power that arrives at a current, A. Between points of its curve it runs straight over the logarithm of the current. */
export function efficiencyAt(from: NonNullable<RailOffer['from']>, amps: number): number {
  const { curve, efficiency = 1 } = from;
  const [first] = curve ?? [];
  const last = curve?.at(-1);
  if (!curve || !first || !last) return efficiency;
  if (amps <= first.current) return first.share;
  const k = curve.findIndex(({ current }) => current >= amps);
  const [a, b] = [curve[k - 1], curve[k]];
  if (k < 1 || !a || !b) return last.share;
  return a.share + ((b.share - a.share) * Math.log(amps / a.current)) / Math.log(b.current / a.current);
}

/**
 * Current into a regulator for a current out of it, A: a linear one passes the current on, a switching one the power.
 * What the regulator itself takes is the draw of its supply.
 */
export const currentInto = ({ from }: Pick<RailOffer, 'from'>, amps: number, across: Across | null): number =>
  from?.by === 'switching' && across && across.above > 0
    ? (amps * across.own) / (efficiencyAt(from, amps) * across.above)
    : amps;

/** Voltages above and below the regulators, by the voltages of the rails. */
export const acrossOf =
  (tree: PowerTree, volts: (ref: string) => Interval | null, above: 'typ' | 'min') =>
  (ref: string): Across | null => {
    const offered = tree.offers.get(ref);
    const up = offered?.up ? volts(offered.up) : null;
    const own = volts(ref);
    return up && own ? { above: up[above], own: own.typ } : null;
  };
