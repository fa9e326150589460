/** The voltage at the pin over the reading, at the usual figures: what the transfer curve draws. */
import { toInterval } from '../card/to-interval.ts';
import { levelVolts } from '../circuit/level.ts';
import { dividerShare, outputOhms } from '../circuit/divider.ts';
import { placesOver, shareAt } from '../physics/resistive.ts';
import type { AnalogLink } from './analog-links.ts';

export interface TransferPoint {
  /** In the unit of the measure. */
  readonly at: number;
  /** V */
  readonly volts: number;
  /** What the converter gives. */
  readonly counts: number;
}

/** A little beyond the wanted range on both sides, as a share of it. */
const BEYOND = 0.15;

/**
 * Points of the curve, from a little below to a little above the wanted range, inside what the card states.
 * @returns none where the part measures nothing that is wanted, or has no resistor yet
 */
export function transferPoints(link: AnalogLink): TransferPoint[] {
  const { measure, need, adc } = link;
  const transfer = measure?.analog;
  if (!measure || !need || !transfer) return [];
  const width = need.to - need.from;
  const from = Math.max(measure.range.from, need.from - BEYOND * width);
  const to = Math.min(measure.range.to, need.to + BEYOND * width);
  const full = toInterval(adc.reference).typ;
  const counted = (at: number, volts: number): TransferPoint => ({
    at,
    volts,
    counts: Math.min(2 ** adc.bits - 1, Math.max(0, Math.floor((volts / full) * 2 ** adc.bits))),
  });
  if (transfer.kind !== 'linear') {
    const { fixed } = link.net;
    if (!fixed?.voltage) return [];
    const rail = fixed.voltage.typ;
    return placesOver(transfer, { from, to }).map((at) => counted(at, rail * shareAt(transfer, fixed.ohms.typ, at)));
  }
  const supply = link.end.power.voltage?.typ ?? 0;
  const passes = link.divider ? dividerShare(link.divider, outputOhms(link.part.card, link.divider)).typ : 1;
  const [low, high] = [levelVolts(transfer.low, 'typ', supply), levelVolts(transfer.high, 'typ', supply)];
  const { range } = measure;
  return [from, to].map((at) =>
    counted(at, passes * (low + ((at - range.from) / (range.to - range.from)) * (high - low))),
  );
}
