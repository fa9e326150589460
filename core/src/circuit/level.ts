/** Levels resolved on the supply that a part really sees. */
import type { LevelFigure } from '../card/figure.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Power } from './model.ts';
import { quantityOf, type Sum } from '../quantity/message.ts';
import { add, multiply, subtract } from '../quantity/sum.ts';

export interface Resolved {
  readonly volts: number;
  /** How it was worked out, as "0.7 × 3.366 V". */
  readonly sum: Sum;
}

type Bound = 'min' | 'typ' | 'max';
const VOLTS = (value: number) => quantityOf(value, 'V', 4);

/** The bound as the card states it, without the detour of an interval: this runs thousands of times in a verdict. */
const bounded = (level: LevelFigure, bound: Bound): number => level[bound] ?? toInterval(level)[bound];

/** A level at one given supply voltage, V. */
export function levelVolts(level: LevelFigure, bound: Bound, supply: number): number {
  const value = bounded(level, bound);
  return level.unit === 'V' ? value : level.unit === 'share' ? value * supply : supply + value;
}

/** The same, with the sum written out. */
export function levelAt(level: LevelFigure, bound: Bound, supply: number): Resolved {
  const volts = levelVolts(level, bound, supply);
  const value = bounded(level, bound);
  if (level.unit === 'V') return { volts, sum: VOLTS(value) };
  if (level.unit === 'share') return { volts, sum: multiply(value, VOLTS(supply)) };
  return {
    volts,
    sum: (value < 0 ? subtract : add)(VOLTS(supply), VOLTS(Math.abs(value))),
  };
}

export interface PairEnd {
  readonly level: LevelFigure;
  readonly bound: Bound;
  readonly power: Power;
}

export interface PairMargin {
  /** The worst margin, V; negative when the link is not guaranteed. */
  readonly margin: number;
  /** The supply voltages at which it occurs. */
  readonly driverSupply: number;
  readonly receiverSupply: number;
}

/**
 * The smallest distance between what a driver gives and what a receiver needs, over every supply voltage that can
 * occur. Two ends on one rail move together, so only the rail's two ends are tried; on different rails each takes
 * its own worst end. Every level is linear in its supply, so the ends suffice.
 * @param direction 'above': the driver must be higher (a high level); 'below': it must be lower (a low level)
 * @returns null when one of them is not fed
 */
export function pairMargin(driver: PairEnd, receiver: PairEnd, direction: 'above' | 'below'): PairMargin | null {
  const d = driver.power.voltage;
  const r = receiver.power.voltage;
  if (!d || !r) return null;
  const together = driver.power.rail === receiver.power.rail;
  const tries = together ? [d.min, r.min, d.max, r.max] : [d.min, r.min, d.min, r.max, d.max, r.min, d.max, r.max];
  let worst: PairMargin | null = null;
  for (let i = 0; i < tries.length; i += 2) {
    for (let drops = 0; drops < 4; drops++) {
      const driverSupply = (tries[i] ?? 0) - (drops & 1 ? driver.power.drop : 0);
      const receiverSupply = (tries[i + 1] ?? 0) - (drops & 2 ? receiver.power.drop : 0);
      const given = levelVolts(driver.level, driver.bound, driverSupply);
      const needed = levelVolts(receiver.level, receiver.bound, receiverSupply);
      const margin = direction === 'above' ? given - needed : needed - given;
      if (!worst || margin < worst.margin) worst = { margin, driverSupply, receiverSupply };
    }
  }
  return worst;
}
