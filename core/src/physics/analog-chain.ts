/** From a sensor's voltage to the controller's counts: what the way there adds to the error of a reading. */
import type { Card } from '../card/card.ts';
import type { Controller } from '../card/controller.ts';
import type { LevelFigure } from '../card/figure.ts';
import type { Measure, Transfer } from '../card/measure.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Interval } from '../quantity/interval.ts';
import type { SeriesName } from '../standard/e-series.ts';
import { BETA_BETWEEN, BETA_BEYOND, RESISTOR_TOLERANCE } from '../standard/common-practice.ts';
import { fixedResistors, resistanceAt, resistanceSlope, shareAt, shareSlope, type Resistive } from './resistive.ts';
import { quantityOf, tells, type Quantity, type Sum, type Text } from '../quantity/message.ts';
import { divide, multiply, per, raise } from '../quantity/sum.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsAnalogChainSays {
  readonly halfStep: null;
  readonly converter: null;
  readonly reference: null;
  readonly supplySensor: null;
  readonly output: null;
  readonly divider: null;
  readonly fixedResistor: null;
  readonly resistanceC: null;
  readonly resistanceLx: null;
  readonly slopeGamma: null;
  readonly thermistorC: null;
  readonly constantB: null;
  readonly bAwayFromC: { share: Quantity };
  readonly formulaItself: null;
  readonly outside: { beyond: Quantity; from: number; to: number; error: number };
}

const tell = tells<PhysicsAnalogChainSays>('physics/analog-chain');

interface ChainTerm {
  readonly name: Text;
  readonly sum: Sum;
  /** Half the width of its band, in the unit of the measure. */
  readonly error: number;
}

export interface Chain {
  readonly terms: readonly ChainTerm[];
  /** All terms at their worst together. */
  readonly worst: number;
  /** Root of the sum of their squares: the spread of independent errors. */
  readonly rss: number;
  /** Where in the wanted range it is worst. */
  readonly at: number;
  /** The fixed resistor of a divider, Ω. */
  readonly fixed: number | null;
}

type Converter = NonNullable<Controller['adc']>;

/** How an analog reading reaches the controller. */
export interface Front {
  readonly adc: Controller['adc'];
  /** Voltage of the rail that feeds the sensor or its fixed resistor, V. */
  readonly supply: number;
  /** Half the width of its band, as a share of it. */
  readonly supplyTolerance?: number;
  /** True where that rail is the converter's reference: then both move together. */
  readonly ratiometric?: boolean;
  readonly series: SeriesName;
  /** Share of the voltage that a divider lets through; missing without one. */
  readonly divider?: Interval | undefined;
  /** The fixed resistor that the plan has, Ω; missing: the most even one of the series is taken. */
  readonly fixed?: number | undefined;
  /** Of that resistor, as a share. */
  readonly tolerance?: number;
}

/** The term of the converter's steps. */
const HALF_A_STEP = tell('halfStep');

/** What the converter's steps alone add to the error, in the unit of the measure. */
export const stepError = ({ terms }: Chain): number => terms.find(({ name }) => name === HALF_A_STEP)?.error ?? 0;

const DIGITS = 4;
/** A plain number, as many digits as count here. */
const N = (value: number) => quantityOf(value, '', DIGITS);
const V = (value: number) => quantityOf(value, 'V', DIGITS);

/** @returns null when the measure is not analog or there is no converter */
export function analogChain(
  card: Card,
  measure: Measure,
  wanted: { from: number; to: number },
  front: Front,
): Chain | null {
  const { adc } = front;
  const transfer = measure.analog;
  if (!transfer || !adc || !card.signals.some(({ id }) => id === transfer.signal)) return null;
  const fixed =
    transfer.kind === 'linear'
      ? null
      : (front.fixed ?? fixedResistors(transfer, wanted, front.series)[0]?.ohms ?? resistanceAt(transfer, wanted.from));
  const chains = [wanted.from, (wanted.from + wanted.to) / 2, wanted.to].map((at) => ({
    at,
    terms:
      transfer.kind === 'linear'
        ? linearTerms(measure, transfer, at, adc, front)
        : resistiveTerms(transfer, at, adc, front, fixed ?? 0, measure.unit),
  }));
  const total = (terms: readonly ChainTerm[]) => terms.reduce((sum, { error }) => sum + error, 0);
  const [worst] = chains.sort((a, b) => total(b.terms) - total(a.terms));
  if (!worst) return null;
  return {
    terms: worst.terms,
    worst: total(worst.terms),
    rss: Math.sqrt(worst.terms.reduce((sum, { error }) => sum + error ** 2, 0)),
    at: worst.at,
    fixed,
  };
}

/** Steps, converter and reference, in volts at the pin. */
function converterTerms(adc: Converter, volts: number, slope: number, ratiometric: boolean, unit: string): ChainTerm[] {
  const reference = toInterval(adc.reference);
  const step = reference.typ / 2 ** adc.bits;
  const share = toInterval(adc.error).max;
  const tolerance = (reference.max - reference.min) / 2 / reference.typ;
  return [
    {
      name: HALF_A_STEP,
      sum: divide(divide(divide(V(reference.typ), raise(2, adc.bits)), 2), per(V(slope), unit)),
      error: step / 2 / slope,
    },
    {
      name: tell('converter'),
      sum: divide(multiply(N(share), V(reference.typ)), per(V(slope), unit)),
      error: (share * reference.typ) / slope,
    },
    // What is fed from the reference itself moves with it.
    ...(ratiometric
      ? []
      : [
          {
            name: tell('reference'),
            sum: divide(multiply(V(volts), N(tolerance)), per(V(slope), unit)),
            error: (volts * tolerance) / slope,
          },
        ]),
  ];
}

/** What the rail of the sensor adds where the reading is a share of it and the converter does not follow it. */
function supplyTerm(front: Front, volts: number, slope: number, unit: string): ChainTerm[] {
  const tolerance = front.supplyTolerance ?? 0;
  if (front.ratiometric || tolerance === 0) return [];
  return [
    {
      name: tell('supplySensor'),
      sum: divide(multiply(V(volts), N(tolerance)), per(V(slope), unit)),
      error: (volts * tolerance) / slope,
    },
  ];
}

function linearTerms(
  measure: Measure,
  { low, high }: Extract<Transfer, { kind: 'linear' }>,
  at: number,
  adc: Converter,
  front: Front,
): ChainTerm[] {
  const { supply, divider } = front;
  const { unit } = measure;
  const volts = (level: LevelFigure, value: number) =>
    level.unit === 'V' ? value : level.unit === 'share' ? value * supply : supply + value;
  const ends = [low, high].map((level) => {
    const { min, typ, max } = toInterval(level);
    return { typ: volts(level, typ), half: (volts(level, max) - volts(level, min)) / 2 };
  });
  const [a, b] = ends;
  if (!a || !b) return [];
  const passes = divider?.typ ?? 1;
  const width = measure.range.to - measure.range.from;
  const above = Math.abs(b.typ - a.typ) / width;
  const slope = above * passes;
  const share = (at - measure.range.from) / width;
  const here = (a.typ + share * (b.typ - a.typ)) * passes;
  const spread = Math.max(a.half, b.half);
  const follows = low.unit !== 'V' && high.unit !== 'V';
  const ratio = divider ? (divider.max - divider.min) / 2 / divider.typ : 0;
  return [
    ...converterTerms(adc, here, slope, follows && front.ratiometric === true, unit),
    ...(follows ? supplyTerm(front, here, slope, unit) : []),
    ...(spread > 0
      ? [
          {
            name: tell('output'),
            sum: divide(V(spread), per(V(above), unit)),
            error: spread / above,
          },
        ]
      : []),
    ...(ratio > 0
      ? [
          {
            name: tell('divider'),
            sum: divide(multiply(V(here), N(ratio)), per(V(slope), unit)),
            error: (here * ratio) / slope,
          },
        ]
      : []),
  ];
}

const halfShare = (i: Interval): number => (i.max - i.min) / 2 / i.typ;

function resistiveTerms(
  transfer: Resistive,
  at: number,
  adc: Converter,
  front: Front,
  fixed: number,
  unit: string,
): ChainTerm[] {
  // Where the converter follows the rail, full scale is the rail.
  const rail = front.ratiometric ? toInterval(adc.reference).typ : front.supply;
  const r = resistanceAt(transfer, at);
  const perUnit = Math.abs(resistanceSlope(transfer, at));
  const slope = rail * Math.abs(shareSlope(transfer, fixed, at));
  const volts = rail * shareAt(transfer, fixed, at);
  const byResistance = (name: Text, part: number): ChainTerm => ({
    name,
    sum: divide(multiply(N(part), quantityOf(r, 'Ω', DIGITS)), per(quantityOf(perUnit, 'Ω', DIGITS), unit)),
    error: (part * r) / perUnit,
  });
  return [
    ...converterTerms(adc, volts, slope, front.ratiometric === true, unit),
    ...supplyTerm(front, volts, slope, unit),
    byResistance(tell('fixedResistor'), front.tolerance ?? RESISTOR_TOLERANCE),
    ...ownTerms(transfer, at, byResistance),
  ];
}

/** The spread of the part itself. */
function ownTerms(transfer: Resistive, at: number, byResistance: (name: Text, part: number) => ChainTerm): ChainTerm[] {
  if (transfer.kind === 'platinum') return [byResistance(tell('resistanceC'), halfShare(toInterval(transfer.r0)))];
  if (transfer.kind === 'light') {
    const gamma = toInterval(transfer.gamma);
    return [
      byResistance(tell('resistanceLx'), halfShare(toInterval(transfer.r10))),
      byResistance(tell('slopeGamma'), halfShare(gamma) * gamma.typ * Math.abs(Math.log(Math.max(at, 0.01) / 10))),
    ];
  }
  const constant = toInterval(transfer.beta);
  const kelvin = at + 273.15;
  const away = Math.abs(1 / kelvin - 1 / 298.15);
  const { from, to } = transfer.between ?? BETA_BETWEEN;
  const beyond = Math.max(0, from - at, at - to);
  return [
    byResistance(tell('thermistorC'), halfShare(toInterval(transfer.r25))),
    {
      name: tell('constantB'),
      sum: tell('bAwayFromC', { share: N(halfShare(constant)) }),
      error: (halfShare(constant) * constant.typ * away) / (constant.typ / kelvin ** 2),
    },
    ...(beyond > 0
      ? [
          {
            name: tell('formulaItself'),
            sum: tell('outside', { beyond: N(beyond), from, to, error: BETA_BEYOND }),
            error: beyond * BETA_BEYOND,
          },
        ]
      : []),
  ];
}
