/** Figures of which a sheet states one bound, so that a bare value is that: "6 V" of an absolute maximum is at most 6 V. */
import type { FigureId } from './figures.ts';

type Bound = 'min' | 'max';

const BOUNDS: readonly (readonly [RegExp, Bound])[] = [
  [/\/(?:absoluteMax|inputLow|outputLow|leakage|capacitance|clock|dropout|drop|pinCurrent\/\w+)$/, 'max'],
  [/\/(?:inputHigh|outputHigh|sinkCurrent|limit)$/, 'min'],
];

/** Of thermal limits and of sockets "limit" is the most that may be. */
const MOST = /(?:thermal|usb)\/limit$/;

export function bareBound(id: FigureId): Bound | null {
  if (MOST.test(id)) return 'max';
  return BOUNDS.find(([pattern]) => pattern.test(id))?.[1] ?? null;
}
