import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { placesOver, resistanceAt } from '../physics/resistive.ts';
import { SAMPLING_CAPACITOR } from '../standard/common-practice.ts';
import { overLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { inParallel, multiply, raise, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface AnalogSourceSays {
  readonly dividersTwoResistorsSide: null;
  readonly output: null;
  readonly line: { text: Text; series: Quantity };
  readonly pinSeesBesideGive: { part: Text; ohms: Quantity; fitted: Quantity; wanted: Quantity };
  readonly meaning: null;
  readonly wanted: null;
  readonly plan: null;
  readonly fillsAgain: null;
  readonly broken: { part: Text; seen: Quantity; limit: Quantity };
  readonly holds: { part: Text; seen: Quantity; limit: Quantity };
  readonly converterFillsSmallCapacitor: null;
  readonly seenFromPin: null;
}

const tell = tells<AnalogSourceSays>('analog/source');

const meta = {
  id: 'analog/source',
  station: 'levels',
  breaks: 'caution',
  scope: 'part',
  reads: ['controller/adc/sourceResistance', 'converter/sourceResistance', 'signals/*/outputResistance'],
} as const satisfies CheckMeta;

/** Resistance seen from the pin, at its most, Ω; null where nothing is known. */
function sourceResistance(link: AnalogLink): { ohms: number; sum: Sum } | null {
  const { measure, need, net, end } = link;
  const transfer = measure?.analog;
  if (transfer && transfer.kind !== 'linear') {
    const fixed = net.fixed?.ohms.max;
    if (!fixed || !need) return null;
    const most = Math.max(...placesOver(transfer, need).map((at) => resistanceAt(transfer, at)));
    return {
      ohms: (most * fixed) / (most + fixed),
      sum: inParallel(quantityOf(most, 'Ω'), quantityOf(fixed, 'Ω')),
    };
  }
  const series = net.series.reduce((sum, { ohms }) => sum + ohms, 0) * (1 + link.tolerance);
  if (!end.resistance && series === 0) return null;
  const text = end.divider ? tell('dividersTwoResistorsSide') : tell('output');
  return {
    ohms: (end.resistance?.max ?? 0) + series,
    sum: series > 0 ? tell('line', { text, series: quantityOf(series, 'Ω') }) : text,
  };
}

/** What a capacitor at the pin must have so that one sample takes less than a step from it, F. */
export const sampleFarads = (bits: number): number => 2 ** bits * SAMPLING_CAPACITOR;

function held(circuit: Circuit, link: AnalogLink, ohms: number, fitted: number, wanted: number): Result {
  const F = (x: number) => quantityOf(x, 'F', 3);
  return result(circuit, meta, {
    subjects: [link.net.id, ...(link.need ? [link.need.id] : [])],
    severity: null,
    measured: fitted,
    limit: wanted,
    unit: 'F',
    margin: fitted - wanted,
    message: tell('pinSeesBesideGive', {
      part: link.part.label,
      ohms: quantityOf(ohms, 'Ω', 3),
      fitted: F(fitted),
      wanted: F(wanted),
    }),
    meaning: tell('meaning'),
    workings: [
      { name: tell('wanted'), sum: multiply(raise(2, link.adc.bits), F(SAMPLING_CAPACITOR)), value: wanted, unit: 'F' },
      { name: term('pin'), sum: tell('plan'), value: fitted, unit: 'F' },
      {
        name: tell('fillsAgain'),
        sum: multiply(multiply(7, quantityOf(ohms, 'Ω')), F(fitted)),
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
  const R = (x: number) => quantityOf(x, 'Ω', 3);
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
          ? tell('broken', { part: link.part.label, seen: R(seen.ohms), limit: R(limit) })
          : tell('holds', { part: link.part.label, seen: R(seen.ohms), limit: R(limit) }),
      meaning: tell('converterFillsSmallCapacitor'),
      workings: [
        { name: tell('seenFromPin'), sum: seen.sum, value: seen.ohms, unit: 'Ω' },
        { name: term('margin'), sum: subtract(R(limit), R(seen.ohms)), value: margin, unit: 'Ω' },
      ],
      rests: [[link.reader.card.id, figure.source]],
    }),
  ];
}

export const analogSource = {
  meta,
  ...overLinks(judge),
} satisfies Check;
