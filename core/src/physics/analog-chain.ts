/** From a sensor's voltage to the controller's counts: what the way there adds to the error of a reading. */
import type { Card, Controller } from '../card/card.ts';
import type { LevelFigure } from '../card/figure.ts';
import type { Measure } from '../card/measure.ts';
import { toInterval } from '../card/to-interval.ts';
import { seriesBetween, type SeriesName } from '../standard/e-series.ts';
import { RESISTOR_TOLERANCE } from '../standard/practice.ts';

export interface ChainTerm {
  readonly name: string;
  readonly sum: string;
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
const KELVIN = 273.15;
/** Reference temperature of a thermistor's resistance, K. */
const T25 = 298.15;

/**
 * Resistance of a thermistor, Ω. Formula: R = R25 × e^(B × (1/T − 1/298.15 K)).
 * @param celsius °C
 * @example thermistor(10e3, 3950, 0) is about 33.6 kΩ
 */
export const thermistor = (r25: number, beta: number, celsius: number): number =>
  r25 * Math.exp(beta * (1 / (celsius + KELVIN) - 1 / T25));

const DIGITS = 4;
const show = (value: number) => String(Number(value.toPrecision(DIGITS)));

/**
 * @param supply voltage that shares and offsets are taken on, V
 * @returns null when the measure is not analog or there is no converter
 */
export function analogChain(
  card: Card,
  measure: Measure,
  wanted: { from: number; to: number },
  adc: Converter | undefined,
  supply: number,
  series: SeriesName,
): Chain | null {
  if (!measure.analog || !adc || !card.signals.some(({ id }) => id === measure.analog?.signal)) return null;
  const tries = [wanted.from, (wanted.from + wanted.to) / 2, wanted.to];
  const fixed = measure.analog.kind === 'beta' ? fixedResistor(measure.analog, wanted, series) : null;
  const chains = tries.map((at) => ({
    at,
    terms:
      measure.analog?.kind === 'beta'
        ? betaTerms(measure.analog, at, adc, fixed ?? 0)
        : linearTerms(measure, at, adc, supply),
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
function converterTerms(adc: Converter, volts: number, slope: number, ratiometric: boolean): ChainTerm[] {
  const reference = toInterval(adc.reference);
  const step = reference.typ / 2 ** adc.bits;
  const share = toInterval(adc.error).max;
  const tolerance = (reference.max - reference.min) / 2 / reference.typ;
  return [
    {
      name: 'half a step',
      sum: `${show(reference.typ)} V ÷ 2^${adc.bits} ÷ 2 ÷ ${show(slope)} V`,
      error: step / 2 / slope,
    },
    {
      name: 'converter',
      sum: `${show(share)} × ${show(reference.typ)} V ÷ ${show(slope)} V`,
      error: (share * reference.typ) / slope,
    },
    // What is fed from the reference itself moves with it.
    ...(ratiometric
      ? []
      : [
          {
            name: 'reference',
            sum: `${show(volts)} V × ${show(tolerance)} ÷ ${show(slope)} V`,
            error: (volts * tolerance) / slope,
          },
        ]),
  ];
}

function linearTerms(measure: Measure, at: number, adc: Converter, supply: number): ChainTerm[] {
  if (measure.analog?.kind !== 'linear') return [];
  const { low, high } = measure.analog;
  const volts = (level: LevelFigure, value: number) =>
    level.unit === 'V' ? value : level.unit === 'share' ? value * supply : supply + value;
  const ends = [low, high].map((level) => {
    const { min, typ, max } = toInterval(level);
    return { typ: volts(level, typ), half: (volts(level, max) - volts(level, min)) / 2 };
  });
  const [a, b] = ends;
  if (!a || !b) return [];
  const width = measure.range.to - measure.range.from;
  const slope = Math.abs(b.typ - a.typ) / width;
  const share = (at - measure.range.from) / width;
  const here = a.typ + share * (b.typ - a.typ);
  const spread = Math.max(a.half, b.half);
  const ratiometric = low.unit !== 'V' && high.unit !== 'V';
  return [
    ...converterTerms(adc, here, slope, ratiometric),
    ...(spread > 0 ? [{ name: 'output', sum: `${show(spread)} V ÷ ${show(slope)} V`, error: spread / slope }] : []),
  ];
}

type Beta = Extract<NonNullable<Measure['analog']>, { kind: 'beta' }>;

/** The resistor of the series nearest to the thermistor's own value in the middle of the range: the steepest divider there. */
function fixedResistor({ r25, beta }: Beta, wanted: { from: number; to: number }, series: SeriesName): number {
  const middle = thermistor(toInterval(r25).typ, toInterval(beta).typ, (wanted.from + wanted.to) / 2);
  const near = seriesBetween(series, middle / 10, middle * 10);
  return near.sort((a, b) => Math.abs(Math.log(a / middle)) - Math.abs(Math.log(b / middle)))[0] ?? middle;
}

function betaTerms({ r25, beta }: Beta, at: number, adc: Converter, fixed: number): ChainTerm[] {
  const nominal = toInterval(r25);
  const constant = toInterval(beta);
  const reference = toInterval(adc.reference).typ;
  const r = thermistor(nominal.typ, constant.typ, at);
  const kelvin = at + KELVIN;
  // dR/dT = −R × B / T², and the divider gives V = Vref × Rf ÷ (R + Rf).
  const perDegree = (r * constant.typ) / kelvin ** 2;
  const slope = (reference * fixed * perDegree) / (r + fixed) ** 2;
  const share = (i: { min: number; typ: number; max: number }) => (i.max - i.min) / 2 / i.typ;
  const byResistance = (part: number) => (part * r) / perDegree;
  const bSpread = (share(constant) * constant.typ * Math.abs(1 / kelvin - 1 / T25)) / (constant.typ / kelvin ** 2);
  return [
    ...converterTerms(adc, (reference * fixed) / (r + fixed), slope, true),
    {
      name: 'fixed resistor',
      sum: `${RESISTOR_TOLERANCE} × ${show(r)} Ω ÷ ${show(perDegree)} Ω`,
      error: byResistance(RESISTOR_TOLERANCE),
    },
    {
      name: 'thermistor at 25 °C',
      sum: `${show(share(nominal))} × ${show(r)} Ω ÷ ${show(perDegree)} Ω`,
      error: byResistance(share(nominal)),
    },
    { name: 'its constant B', sum: `${show(share(constant))} × B away from 25 °C`, error: bSpread },
  ];
}
