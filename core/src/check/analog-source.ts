import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { placesOver, resistanceAt } from '../physics/resistive.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { analogLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'analog/source',
  title: 'The source is strong enough for the converter',
  station: 'levels',
  rule: 'The resistance that the pin sees - of the output, of a divider’s two resistors side by side, of a bare part beside its fixed resistor - is at most what the converter tolerates.',
  source: 'the controller’s card: the sampling capacitor settles within the sample time',
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
  if (!end.resistance) return null;
  return { ohms: end.resistance.max, sum: end.divider ? 'the divider’s two resistors side by side' : 'of its output' };
}

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const seen = sourceResistance(link);
  const figure = link.adc.sourceResistance;
  if (!seen || !figure) return [];
  const limit = toInterval(figure).min;
  const margin = limit - seen.ohms;
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
