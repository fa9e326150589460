import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { placesOver, resistanceAt } from '../physics/resistive.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { SAMPLING_CAPACITOR } from '../standard/practice.ts';
import { analogLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'analog/source',
  title: 'The source is strong enough for the converter',
  station: 'levels',
  rule: 'The resistance that the pin sees - of the output, of a divider’s two resistors side by side, of a bare part beside its fixed resistor - is at most what the converter tolerates. A capacitor at the pin, 2^bits times what the converter takes for a sample, gives it the sample in its place.',
  source:
    'the controller’s card: the sampling capacitor settles within the sample time; 14 pF for a sampling capacitor is common practice',
  breaks: 'caution',
};

/** Resistance seen from the pin, at its most, Ω; null where nothing is known. */
export function sourceResistance(link: AnalogLink): { ohms: number; sum: string } | null {
  const { measure, need, net, end } = link;
  const transfer = measure?.analog;
  if (transfer && transfer.kind !== 'linear') {
    const fixed = net.fixed?.ohms.max;
    if (!fixed || !need) return null;
    const most = Math.max(...placesOver(transfer, need).map((at) => resistanceAt(transfer, at)));
    return {
      ohms: (most * fixed) / (most + fixed),
      sum: `${formatQuantity(most, 'Ω')} || ${formatQuantity(fixed, 'Ω')}`,
    };
  }
  const series = net.series.reduce((sum, { ohms }) => sum + ohms, 0) * (1 + link.tolerance);
  if (!end.resistance && series === 0) return null;
  const text = end.divider ? 'the divider’s two resistors side by side' : 'of its output';
  return {
    ohms: (end.resistance?.max ?? 0) + series,
    sum: series > 0 ? `${text}, and ${formatQuantity(series, 'Ω')} in the line` : text,
  };
}

/** What a capacitor at the pin must have so that one sample takes less than a step from it, F. */
export const sampleFarads = (bits: number): number => 2 ** bits * SAMPLING_CAPACITOR;

function held(circuit: Circuit, link: AnalogLink, ohms: number, fitted: number, wanted: number): Result {
  const F = (x: number) => formatQuantity(x, 'F', 3);
  return result(circuit, meta, {
    subjects: [link.net.id, ...(link.need ? [link.need.id] : [])],
    severity: null,
    measured: fitted,
    limit: wanted,
    unit: 'F',
    margin: fitted - wanted,
    message: `The pin of ${link.part.label} sees ${formatQuantity(ohms, 'Ω', 3)}, and ${F(fitted)} beside it give the converter its sample; ${F(wanted)} would do.`,
    meaning: 'The capacitor holds the voltage while the converter takes its sample, and fills again before the next.',
    workings: [
      { name: 'wanted', sum: `2^${link.adc.bits} × ${F(SAMPLING_CAPACITOR)}`, value: wanted, unit: 'F' },
      { name: 'at the pin', sum: 'of the plan', value: fitted, unit: 'F' },
      {
        name: 'fills again in',
        sum: `7 × ${formatQuantity(ohms, 'Ω')} × ${F(fitted)}`,
        value: 7 * ohms * fitted,
        unit: 's',
      },
    ],
    rests: [[link.reader.card.id, link.adc.sourceResistance?.source]],
  });
}

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const seen = sourceResistance(link);
  const figure = link.adc.sourceResistance;
  if (!seen || !figure) return [];
  const limit = toInterval(figure).min;
  const margin = limit - seen.ohms;
  const fitted = link.net.filters.reduce((sum, { farads }) => sum + farads, 0);
  const wanted = sampleFarads(link.adc.bits);
  if (margin < 0 && fitted >= wanted) return [held(circuit, link, seen.ohms, fitted, wanted)];
  const R = (x: number) => formatQuantity(x, 'Ω', 3);
  return [
    result(circuit, meta, {
      subjects: [link.net.id, ...(link.need ? [link.need.id] : [])],
      severity: margin < 0 ? 'caution' : null,
      measured: seen.ohms,
      limit,
      unit: 'Ω',
      margin,
      message:
        margin < 0
          ? `The pin of ${link.part.label} sees ${R(seen.ohms)}; the converter wants ${R(limit)} at most. Readings come out low, and depend on the pin read before.`
          : `The pin of ${link.part.label} sees ${R(seen.ohms)}; the converter takes up to ${R(limit)}.`,
      meaning:
        'The converter fills a small capacitor through that resistance in a short time. A capacitor of 100 nF at the pin, or a pause before each sample, mends it.',
      workings: [
        { name: 'seen from the pin', sum: seen.sum, value: seen.ohms, unit: 'Ω' },
        { name: 'margin', sum: `${R(limit)} − ${R(seen.ohms)}`, value: margin, unit: 'Ω' },
      ],
      rests: [[link.reader.card.id, figure.source]],
    }),
  ];
}

export const analogSource: Check = { meta, run: (circuit) => analogLinks(circuit).flatMap((l) => judge(circuit, l)) };
