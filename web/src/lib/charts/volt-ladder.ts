/** Geometry of a volt ladder: what a driver gives above, what a receiver needs below, the roof to the right. */
import type { Result } from '@idle-breadboard/core/verify';
import { scaleLinear } from 'd3';

interface LadderBar {
  readonly lane: 'given' | 'needed';
  readonly level: 'high' | 'low';
  readonly from: number;
  readonly to: number;
  readonly volts: number;
}

/** What an end stands, where the highest voltage is not one of its own results. */
export interface AbsoluteMaximum {
  readonly volts: number;
  readonly peak: number;
  readonly broken: boolean;
}

export interface Ladder {
  readonly width: number;
  readonly bars: readonly LadderBar[];
  /** The gaps between the lanes: positive where the link holds. */
  readonly gaps: readonly { level: 'high' | 'low'; from: number; to: number; margin: number }[];
  readonly absoluteMaximum: { x: number; volts: number; peak: number; peakX: number; broken: boolean } | null;
  readonly ticks: readonly { x: number; text: string }[];
}

const find = (results: readonly Result[], check: string) =>
  results.filter((r) => r.check === check).sort((a, b) => (a.margin ?? 0) - (b.margin ?? 0))[0];

/**
 * @param results of one receiver: level/high, level/low, level/over-voltage
 * @param width px
 */
export function ladder(results: readonly Result[], width: number, given?: AbsoluteMaximum): Ladder | null {
  const high = find(results, 'level/high');
  const low = find(results, 'level/low');
  const over = find(results, 'level/over-voltage');
  const absoluteMaximum: AbsoluteMaximum | undefined =
    over && over.limit !== null && over.measured !== null && (!given || (over.margin ?? 0) < given.volts - given.peak)
      ? { volts: over.limit, peak: over.measured, broken: over.severity !== null }
      : given;
  const volts = [high, low]
    .flatMap((r) => [r?.measured ?? null, r?.limit ?? null])
    .concat(absoluteMaximum ? [absoluteMaximum.volts, absoluteMaximum.peak] : [])
    .filter((v) => v !== null);
  if (volts.length === 0) return null;
  // The axis stands still while a value is swept, and jumps only now and then.
  const top = Math.ceil(Math.max(...volts) * 2.12) / 2;
  const x = scaleLinear([0, top], [4, width - 4]);
  const bars: LadderBar[] = [];
  const gaps: Ladder['gaps'][number][] = [];
  const end = x(absoluteMaximum?.peak ?? Math.max(...volts));
  if (high && high.measured !== null && high.limit !== null) {
    bars.push({
      lane: 'given',
      level: 'high',
      from: x(high.measured),
      to: Math.max(end, x(high.measured)),
      volts: high.measured,
    });
    bars.push({
      lane: 'needed',
      level: 'high',
      from: x(high.limit),
      to: Math.max(end, x(high.limit)),
      volts: high.limit,
    });
    gaps.push({ level: 'high', from: x(high.limit), to: x(high.measured), margin: high.margin ?? 0 });
  }
  if (low && low.measured !== null && low.limit !== null) {
    bars.push({ lane: 'given', level: 'low', from: x(0), to: x(low.measured), volts: low.measured });
    bars.push({ lane: 'needed', level: 'low', from: x(0), to: x(low.limit), volts: low.limit });
    gaps.push({ level: 'low', from: x(low.measured), to: x(low.limit), margin: low.margin ?? 0 });
  }
  return {
    width,
    bars,
    gaps,
    absoluteMaximum: absoluteMaximum
      ? { ...absoluteMaximum, x: x(absoluteMaximum.volts), peakX: x(absoluteMaximum.peak) }
      : null,
    ticks: x.ticks(Math.max(2, Math.floor(width / 60))).map((t) => ({ x: x(t), text: `${t}` })),
  };
}
