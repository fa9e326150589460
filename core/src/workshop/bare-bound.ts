/** Figures of which a sheet states one bound, so that a bare value is that: "6 V" of an absolute maximum is at most 6 V. */
import type { FigureId } from '../card/figures.ts';
import type { SaidFigure } from './figure-text.ts';

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

/** What was typed of a figure, a bare value taken for the bound that it is. */
export function asBound(id: FigureId, said: SaidFigure): SaidFigure {
  const bound = bareBound(id);
  const { min, typ, max, ...rest } = said;
  return bound === null || typ === undefined || min !== undefined || max !== undefined
    ? said
    : { [bound]: typ, ...rest };
}
