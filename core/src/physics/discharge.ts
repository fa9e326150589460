/** How long cells last under a load that follows their voltage. */
import type { Cells } from '../card/power.ts';
import { toInterval } from '../card/to-interval.ts';
import { COLD_RESISTANCE } from '../standard/common-practice.ts';

/** One way that a pack may turn out. SI units. */
export interface Pack {
  /** C that it gives. */
  readonly charge: number;
  readonly curve: Cells['curve'];
  /** Ω */
  readonly resistance: number;
  /** V under load. */
  readonly cutOff: number;
  /** A that it loses by itself. */
  readonly leak: number;
}

export interface Drain {
  /** A on the average, at a voltage of the pack's terminals. */
  readonly mean: (volts: number) => number;
  /** A at the worst moment. */
  readonly peak: (volts: number) => number;
  /** V at the terminals below which the build does not work. */
  readonly least: number;
}

interface Point {
  /** s from the beginning */
  readonly t: number;
  /** V at the terminals under the mean load, and at the worst moment. */
  readonly volts: number;
  readonly sagged: number;
  /** Share of the charge. */
  readonly used: number;
}

export interface Discharge {
  /** s */
  readonly seconds: number;
  readonly points: readonly Point[];
  /** Why it ends: nothing is left, the cells are at their end, or the build stops before that. */
  readonly ends: 'empty' | 'cut-off' | 'brown-out';
  /** Share of the charge that is used at the end. */
  readonly used: number;
}

const YEAR = 365.25 * 86400;
/** Steps that a discharge is followed in. */
const SLICES = 240;
/** Rounds in which terminal voltage and current settle; each gains two digits or more on loads that a pack can carry. */
const ROUNDS = 30;

/** Voltage without load. */
export function openVoltage(curve: Cells['curve'], used: number): number {
  const k = curve.findIndex((point) => point.used >= used);
  const [a, b] = [curve[k - 1], curve[k]];
  if (!b) return curve.at(-1)?.volts ?? 0;
  if (!a) return b.volts;
  return a.volts + ((b.volts - a.volts) * (used - a.used)) / (b.used - a.used);
}

/** Share of the capacity that the cold leaves: all at 20 °C, straight down to what the card states. */
export function coldShare(cells: Cells, celsius: number): number {
  if (!cells.cold || celsius >= 20) return 1;
  const { at, share } = cells.cold;
  const slope = (1 - share) / (20 - at);
  return Math.max(0.05, 1 - slope * (20 - celsius));
}

/** How many times the inner resistance of 20 °C it is at a temperature: by a factor for each ten degrees less. */
export const coldFactor = (celsius: number, perTen: number): number =>
  celsius >= 20 ? 1 : perTen ** ((20 - celsius) / 10);

/** @param as 'usual': typical figures; 'worst': least capacity, most resistance; both as cold as it is */
export function packOf(cells: Cells, as: 'usual' | 'worst', celsius: number): Pack {
  const capacity = toInterval(cells.capacity);
  const charge = (as === 'usual' ? capacity.typ : capacity.min) * coldShare(cells, celsius);
  const lost = cells.selfDischarge ? toInterval(cells.selfDischarge)[as === 'usual' ? 'typ' : 'max'] : 0;
  return {
    charge,
    curve: cells.curve,
    resistance:
      toInterval(cells.resistance)[as === 'usual' ? 'typ' : 'max'] *
      coldFactor(celsius, as === 'usual' ? COLD_RESISTANCE.typ : COLD_RESISTANCE.max),
    cutOff: toInterval(cells.cutOff).typ,
    leak: (charge * lost) / YEAR,
  };
}

/** Terminal voltage at which the load's current and the pack's voltage agree; 0 where the pack cannot carry it. */
export function terminalVoltage(open: number, resistance: number, current: (volts: number) => number): number {
  let volts = open;
  for (let i = 0; i < ROUNDS; i++) {
    const next = open - resistance * current(Math.max(volts, open / 10));
    if (next <= 0) return 0;
    if (Math.abs(next - volts) < 1e-9) return next;
    volts = next;
  }
  return volts;
}

/**
 * Follows a discharge over its charge: dt = dq ÷ (mean current at the voltage there). It ends when nothing is left, or
 * when the voltage at the worst moment falls to the cells' cut-off or to what the build needs.
 */
export function discharge(pack: Pack, drain: Drain): Discharge {
  const limit = Math.max(pack.cutOff, drain.least);
  const at = (used: number, t: number): Point => {
    const open = openVoltage(pack.curve, used);
    return {
      t,
      used,
      volts: terminalVoltage(open, pack.resistance, drain.mean),
      sagged: terminalVoltage(open, pack.resistance, drain.peak),
    };
  };
  const current = (point: Point) => drain.mean(point.volts) + pack.leak;
  const ending = drain.least > pack.cutOff ? ('brown-out' as const) : ('cut-off' as const);
  let last: Point = at(0, 0);
  const points: Point[] = [last];
  if (last.sagged < limit) return { seconds: 0, points, ends: ending, used: 0 };
  for (let i = 1; i <= SLICES; i++) {
    const next = at(i / SLICES, 0);
    const ends = next.sagged < limit;
    // Where it ends inside a step, the voltage there is taken as straight.
    const share = ends ? (last.sagged - limit) / (last.sagged - next.sagged) : 1;
    const used = last.used + (next.used - last.used) * share;
    const end = ends ? at(used, 0) : next;
    const seconds = (2 * pack.charge * (used - last.used)) / (current(last) + current(end));
    last = { ...end, t: last.t + seconds };
    points.push(last);
    if (ends) return { seconds: last.t, points, ends: ending, used };
  }
  return { seconds: last.t, points, ends: 'empty', used: 1 };
}
