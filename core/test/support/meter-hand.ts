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
/** V between probes in the air: some mV of hum at the 10 MΩ of a meter, and what floats in a range of millivolts that has more. */
const AIR_VOLTS = 0.05;
const FLOATS = 0.8;
/** Ω from finger to finger, where the tips are held: dry skin, and it creeps. */
const SKIN = { least: 30e3, most: 3e6 } as const;

/** What the meter shows of a truth just now: its error is the same for as long as it stands there, and its last digits move. */
function seen({ kind, truth }: Spot, error: number, roll: () => number): number {
  const { share, fixed } = METER[kind];
  const size = share * Math.abs(truth) + fixed;
  const value = truth + error * size + 0.08 * (2 * roll() - 1) * size;
  return kind === 'ohms' ? (truth > 40e6 ? Infinity : Math.max(0, value)) : value;
}

/** What is shown while the probes are on nothing: open at first, and on some ways fingers at the tips or a charge, from then on. */
function airOf(roll: () => number): (spot: Spot) => number {
  const floats = roll() < 0.2 ? (2 * roll() - 1) * FLOATS : 0;
  const skin = roll() < 0.3 ? SKIN.least * (SKIN.most / SKIN.least) ** roll() : Infinity;
  const creeps = roll() < 0.5 ? 0.02 * (2 * roll() - 1) : 0;
  const begins = Math.floor(4 * roll());
  let lines = 0;
  return ({ kind }) => {
    lines += 1;
    if (kind === 'amps') return 0;
    if (kind === 'volts')
      return floats === 0 || lines <= begins ? (2 * roll() - 1) * AIR_VOLTS : floats + 0.002 * (2 * roll() - 1);
    if (lines <= begins) return Infinity;
    return skin * (1 + creeps * lines) * (1 + 0.001 * (2 * roll() - 1));
  };
}

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
    const air = airOf(roll);
    // On the way: long enough to be seen by all but the slowest meters, and sometimes somebody looks for the place.
    const way = 0.4 + (roll() < 0.2 ? 5 : 1.5) * roll();
    for (const until = at + way; at < until;) yield show(spot, air(spot), null);
    // Put down: the tip slides over solder and finds the pin.
    for (const until = at + 0.8 * roll(); at < until;)
      yield show(spot, roll() < 0.5 ? air(spot) : seen(spot, 0, roll) * roll(), null);
    const error = 0.9 * (2 * roll() - 1);
    // A rail with capacitors is charged by the meter: it climbs for some seconds.
    const climbs = spot.kind === 'ohms' && spot.truth > 200 && roll() < 0.3 ? 0.3 + 2.5 * roll() : 0;
    const from = at;
    for (const until = at + patience; at < until;) {
      const share = climbs > 0 ? 1 - Math.exp(-(at - from) / climbs) : 1;
      if (roll() < 0.02) yield show(spot, air(spot), null);
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
