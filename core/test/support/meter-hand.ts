/**
 * Somebody at a bench with a meter that writes what it shows: the probes are lifted, put down with a bounce, held for a while, slip, and are lifted
 * again. Drawn at random, and written from the trade before there was anything that reads it.
 */
import { METER } from '../../src/standard/pocket-meter.ts';
import type { MeterReading } from '../../src/capture/meter-line.ts';

export interface Spot {
  readonly kind: 'volts' | 'ohms' | 'amps';
  readonly truth: number;
}

export interface Sample extends MeterReading {
  /** s */
  readonly at: number;
  /** Where the probes are; null where they touch nothing, or not for sure. */
  readonly on: number | null;
  /** It was waited for long enough: whoever holds the probes says that they are on. */
  readonly pressed?: true;
}

const UNITS = { volts: 'V', ohms: 'Ω', amps: 'A' } as const;
/** V between probes in the air at the 10 MΩ of a meter: a few mV of hum and charge, sometimes more. */
const AIR_VOLTS = 0.05;

/** What the meter shows of a truth just now: its error is the same for as long as it stands there, and its last digits move. */
function seen({ kind, truth }: Spot, error: number, roll: () => number): number {
  const { share, fixed } = METER[kind];
  const size = share * Math.abs(truth) + fixed;
  const value = truth + error * size + 0.08 * (2 * roll() - 1) * size;
  return kind === 'ohms' ? (truth > 40e6 ? Infinity : Math.max(0, value)) : value;
}

const air = ({ kind }: Spot, roll: () => number): number =>
  kind === 'ohms' ? Infinity : kind === 'volts' ? (2 * roll() - 1) * AIR_VOLTS : 0;

/** @param spots in the order in which somebody goes to them; goes on to the next once `isTaken` says so, or presses after `patience` s */
export function* handAtWork(
  spots: readonly Spot[],
  roll: () => number,
  isTaken: (spot: number) => boolean,
  patience = 6,
): Generator<Sample, void> {
  const pace = 0.1 + 0.6 * roll();
  let at = 0;
  const show = (spot: Spot, value: number, on: number | null): Sample => {
    at += pace * (0.9 + 0.2 * roll());
    return { at, on, value, unit: UNITS[spot.kind] };
  };
  for (const [i, spot] of spots.entries()) {
    // On the way: long enough to be seen by all but the slowest meters.
    for (const until = at + 0.4 + 1.5 * roll(); at < until;) yield show(spot, air(spot, roll), null);
    // Put down: the tip slides over solder and finds the pin.
    for (const until = at + 0.8 * roll(); at < until;)
      yield show(spot, roll() < 0.5 ? air(spot, roll) : seen(spot, 0, roll) * roll(), null);
    const error = 2 * roll() - 1;
    // A rail with capacitors is charged by the meter: it climbs for some seconds.
    const climbs = spot.kind === 'ohms' && spot.truth > 200 && roll() < 0.3 ? 0.3 + 2.5 * roll() : 0;
    const from = at;
    for (const until = at + patience; at < until;) {
      const share = climbs > 0 ? 1 - Math.exp(-(at - from) / climbs) : 1;
      if (roll() < 0.02) yield show(spot, air(spot, roll), null);
      else yield show(spot, seen({ ...spot, truth: spot.truth * share }, error, roll), i);
      if (isTaken(i)) {
        // It is heard, and the hand stays for a moment.
        for (const stays = at + 0.8 * roll(); at < stays;) yield show(spot, seen(spot, error, roll), i);
        break;
      }
    }
    if (!isTaken(i)) yield { ...show(spot, seen(spot, error, roll), i), pressed: true };
  }
}
