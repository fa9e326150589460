/** From the count of a converter to a reading: the card's curve turned round, with divider, fixed resistor and converter of the plan. */
import type { Transfer } from '../../card/measure.ts';
import { toInterval } from '../../card/to-interval.ts';
import { levelVolts } from '../../circuit/level.ts';
import { fullScaleOf, readerOf } from '../../circuit/converter.ts';
import type { Circuit, PartNode } from '../../circuit/model.ts';
import type { Measure } from '../../card/measure.ts';
import { analogNet, frontOf } from '../../physics/analog-front.ts';
import { platinumCelsius } from '../../standard/platinum.ts';

/** A straight line from volts at the output. */
interface Line {
  readonly kind: 'line';
  /** V at the output at the two ends. */
  readonly low: number;
  readonly high: number;
  /** The readings there. */
  readonly from: number;
  readonly to: number;
}
/** The part to ground below a fixed resistor. */
interface Resists {
  readonly kind: 'beta' | 'light' | 'platinum';
  /** Ω of the fixed resistor. */
  readonly fixed: number;
  /** V of the rail that it goes to. */
  readonly rail: number;
  /** Ω at 25 °C, at 10 lx, or at 0 °C. */
  readonly ohms: number;
  /** The constant B in kelvin, or gamma; 0 for platinum. */
  readonly constant: number;
}

export interface Formula {
  /** Counts of full scale, and V there: volts = count × reference ÷ counts. */
  readonly counts: number;
  readonly reference: number;
  /** Share of the voltage that a divider lets through; 1 without one. */
  readonly passes: number;
  readonly curve: Line | Resists;
}

const KELVIN = 273.15;
const T25 = 298.15;
const TEN_LUX = 10;

function curveOf(
  transfer: Transfer,
  measure: Measure,
  supply: number,
  fixed: number | undefined,
): Formula['curve'] | null {
  const { from, to } = measure.range;
  if (transfer.kind === 'linear') {
    const [low, high] = [levelVolts(transfer.low, 'typ', supply), levelVolts(transfer.high, 'typ', supply)];
    return low === high ? null : { kind: 'line', low, high, from, to };
  }
  if (fixed === undefined || supply <= 0) return null;
  const usual = (figure: Parameters<typeof toInterval>[0]) => toInterval(figure).typ;
  const resists = { fixed, rail: supply };
  if (transfer.kind === 'beta')
    return { kind: 'beta', ...resists, ohms: usual(transfer.r25), constant: usual(transfer.beta) };
  if (transfer.kind === 'light')
    return { kind: 'light', ...resists, ohms: usual(transfer.r10), constant: usual(transfer.gamma) };
  return { kind: 'platinum', ...resists, ohms: usual(transfer.r0), constant: 0 };
}

/** @returns null where the measure is no voltage, nothing reads it, or the plan has no fixed resistor yet */
export function formulaOf(circuit: Circuit, part: PartNode, measure: Measure): Formula | null {
  const transfer = measure.analog;
  const net = transfer && analogNet(circuit, part, measure);
  const reader = net && readerOf(circuit, net);
  if (!transfer || !reader) return null;
  const front = frontOf(circuit, part, measure);
  const reference = fullScaleOf(circuit, reader);
  // What hangs on the converter's own full scale is a share of it, whatever that is at the moment.
  const supply = front.ratiometric === true ? reference : front.supply;
  const curve = curveOf(transfer, measure, supply, front.fixed);
  return curve && { counts: 2 ** reader.adc.bits, reference, passes: front.divider?.typ ?? 1, curve };
}

/** The reading of a voltage at the pin. Not finite at the very ends of a converter. */
export function readingOfVolts({ passes, curve }: Formula, atPin: number): number {
  const volts = atPin / passes;
  if (curve.kind === 'line')
    return curve.from + ((volts - curve.low) * (curve.to - curve.from)) / (curve.high - curve.low);
  const ohms = (curve.fixed * volts) / (curve.rail - volts);
  if (curve.kind === 'beta') return 1 / (1 / T25 + Math.log(ohms / curve.ohms) / curve.constant) - KELVIN;
  if (curve.kind === 'light') return TEN_LUX * (ohms / curve.ohms) ** (-1 / curve.constant);
  return platinumCelsius(curve.ohms, ohms);
}

/** The reading of a count, as the written programs work it out. */
export const readingOf = (formula: Formula, count: number): number =>
  readingOfVolts(formula, (count * formula.reference) / formula.counts);
