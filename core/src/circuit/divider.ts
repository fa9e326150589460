/** A divider between an output and a pin: what it lets through, and what it looks like from the pin. */
import type { Card } from '../card/card.ts';
import type { LevelFigure } from '../card/figure.ts';
import { toInterval } from '../card/to-interval.ts';
import type { LegOf } from '../plan/helpers.ts';
import { exact, spread, type Interval } from '../quantity/interval.ts';
import { tells, type Text } from '../quantity/message.ts';
import { RESISTOR_TOLERANCE } from '../standard/common-practice.ts';
import { levelVolts } from './level.ts';
import type { NetEnd } from './model.ts';

/** What is said here, by the data that it takes. */
export interface DividerSays {
  readonly divider: { above: Text };
}
const tell = tells<DividerSays>('circuit/divider');

/**
 * Share of the voltage that a divider lets through, both resistors with their tolerance.
 * @param source Ω of the output above it, which it hangs on; nothing where the card does not say
 * @param tolerance of both, a share
 */
export function dividerShare(
  { upper, lower }: Pick<LegOf<'divider'>, 'upper' | 'lower'>,
  source: Interval | null = null,
  tolerance = RESISTOR_TOLERANCE,
): Interval {
  const [u, l] = [spread(upper, tolerance), spread(lower, tolerance)];
  const r = source ?? exact(0);
  return {
    min: l.min / (l.min + u.max + r.max),
    typ: lower / (lower + upper + r.typ),
    max: l.max / (l.max + u.min + r.min),
  };
}

/** The resistance of the output that a divider hangs on, Ω; null where the card does not say. */
export function outputOhms(
  card: Card | undefined,
  { port, line }: Pick<LegOf<'divider'>, 'port' | 'line'>,
): Interval | null {
  const id = card?.ports.find((p) => p.id === port)?.lines[line];
  const stated = card?.signals.find((signal) => signal.id === id)?.outputResistance;
  return stated ? toInterval(stated) : null;
}

/**
 * The middle of a divider, seen from the pin: an output with the levels of the one above it, scaled, and the two resistors
 * side by side as its resistance. The levels are volts at the part's own supply, each at its worst.
 */
export function dividerEnd(leg: LegOf<'divider'>, above: NetEnd, tolerance: number): NetEnd {
  const share = dividerShare(leg, above.resistance, tolerance);
  const supply = above.power.voltage;
  const scaled = (
    level: LevelFigure | undefined,
    bound: 'min' | 'max',
    at: number | undefined,
    by: number,
  ): LevelFigure | undefined =>
    level && at !== undefined
      ? { [bound]: levelVolts(level, bound, at) * by, unit: 'V', source: level.source }
      : undefined;
  const highest = (supply?.max ?? 0) * share.max;
  const high = scaled(above.levels.outputHigh, 'min', supply ? supply.min - above.power.drop : undefined, share.min);
  return {
    ...above,
    part: leg.helper,
    label: tell('divider', { above: above.label }),
    signal: leg.line,
    terminal: '',
    kind: above.kind === 'analog-out' ? 'analog-out' : 'push-pull',
    levels: {
      outputHigh: high && { ...high, max: highest },
      outputLow: scaled(above.levels.outputLow, 'max', supply?.max, share.max),
      sink: null,
      sinkSource: null,
    },
    leakage: 0,
    capacitance: 0,
    resistance: dividerResistance(leg, above.resistance, tolerance),
    divider: true,
  };
}

function dividerResistance(leg: LegOf<'divider'>, source: Interval | null, tolerance: number): Interval {
  const [u, l] = [spread(leg.upper, tolerance), spread(leg.lower, tolerance)];
  const beside = (a: number, b: number) => (a * b) / (a + b);
  return {
    min: beside(u.min + (source?.min ?? 0), l.min),
    typ: beside(u.typ + (source?.typ ?? 0), l.typ),
    max: beside(u.max + (source?.max ?? 0), l.max),
  };
}
