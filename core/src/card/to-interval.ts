import { interval, type Interval } from '../quantity/interval.ts';
import type { Figure } from './figure.ts';

/** A bound that is not given is taken from the nearest that is. */
export function toInterval(f: Pick<Figure, 'min' | 'typ' | 'max'>): Interval {
  const low = f.min ?? f.typ ?? f.max ?? NaN;
  const high = f.max ?? f.typ ?? f.min ?? NaN;
  return interval(low, f.typ ?? (low + high) / 2, high);
}
