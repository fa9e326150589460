/** What a self-test read of quantities: temperatures by the number of their part, voltages by the curve of its card. */
import type { Circuit } from '../../circuit/model.ts';
import { keyOf } from '../../plan/ref.ts';
import type { Evidence } from '../../selftest/evidence.ts';
import { numberedParts } from '../../selftest/which-part.ts';
import { TEMPERATURE_AT_START } from '../../standard/one-wire.ts';
import { readingOfVolts } from '../settings/formula.ts';
import type { ReadingAt } from './reading-at.ts';

export interface HeardReading {
  readonly at: ReadingAt;
  /** Null where what was read is no number. */
  readonly value: number | null;
}

export function heardReadings(
  circuit: Circuit,
  all: readonly ReadingAt[],
  { found, observations }: Evidence,
): HeardReading[] {
  const numbers = new Map(numberedParts(circuit).map(({ part, number }) => [part, number]));
  return all.flatMap((at): HeardReading[] => {
    const number = at.unit === '°C' ? numbers.get(at.part) : undefined;
    const own = typeof number === 'string' ? found.find(({ rom }) => rom === number) : undefined;
    if (own?.atStart) return [{ at, value: TEMPERATURE_AT_START }];
    if (own && own.celsius !== null) return [{ at, value: own.celsius }];
    const port = circuit.parts
      .get(at.part)
      ?.card.ports.find(({ protocol, lines }) => protocol === 'analog' && lines.out === at.measure.analog?.signal);
    const volts =
      port && observations.find(({ measurement }) => measurement === `analog:${keyOf(at.part, port.id)}`)?.value;
    if (!at.formula || typeof volts !== 'number') return [];
    const value = readingOfVolts(at.formula, volts);
    return [{ at, value: Number.isFinite(value) ? value : null }];
  });
}
