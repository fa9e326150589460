import type { Circuit } from '../circuit/model.ts';
import { overLinks, reachOf, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface AnalogRangeSays {
  readonly broken: { part: Text; high: Quantity; limit: Quantity };
  readonly holds: { part: Text; high: Quantity; limit: Quantity };
  readonly meaning: null;
  readonly highestPin: null;
  readonly fullScaleWhereNearest: null;
  readonly convertersReference: null;
}

const tell = tells<AnalogRangeSays>('analog/range');

const meta = {
  id: 'analog/range',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  reads: ['controller/adc/reference', 'converter/reference', 'measures/*/analog/high', 'measures/*/analog/low'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const reach = reachOf(circuit, link);
  if (!reach) return [];
  const { seen, limit } = reach;
  const margin = limit - seen.high;
  const V = (x: number) => quantityOf(x, 'V', 3);
  const transfer = link.measure?.analog;
  return [
    result(circuit, meta, {
      subjects: [link.net.id, ...(link.need ? [link.need.id] : [])],
      // Of a dial nothing is wanted but that it turns: its last bit reads the same.
      severity: margin < -1e-9 ? (link.need ? 'fault' : 'note') : null,
      measured: seen.high,
      limit,
      unit: 'V',
      margin,
      message:
        margin < -1e-9
          ? tell('broken', { part: link.part.label, high: V(seen.high), limit: V(limit) })
          : tell('holds', { part: link.part.label, high: V(seen.high), limit: V(limit) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('highestPin'), sum: seen.sum, value: seen.high, unit: 'V' },
        { name: tell('fullScaleWhereNearest'), sum: tell('convertersReference'), value: limit, unit: 'V' },
        { name: term('margin'), sum: subtract(V(limit), V(seen.high)), value: margin, unit: 'V' },
      ],
      rests: [
        [link.reader.card.id, link.adc.reference.source],
        transfer?.kind === 'linear' ? [link.part.card.id, transfer.high.source] : null,
      ],
    }),
  ];
}

export const analogRange = {
  meta,
  ...overLinks(judge),
} satisfies Check;
