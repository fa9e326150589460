import type { Circuit } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { analogLinks, reachOf, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'analog/range',
  title: 'The output stays inside the converter’s range',
  station: 'levels',
  rule: 'The voltage at the pin over the wanted range, worst case, is at most the converter’s full scale at its lowest; where one rail is full scale and feeds the part, both at the same end of it. A divider counts with its tolerance. Not said where level/over-voltage is broken at that pin.',
  source: 'the cards',
  breaks: 'fault',
};

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const reach = reachOf(circuit, link);
  if (!reach) return [];
  const { seen, limit } = reach;
  const margin = limit - seen.high;
  const V = (x: number) => formatQuantity(x, 'V', 3);
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
          ? `${link.part.label} gives up to ${V(seen.high)}; the converter ends at ${V(limit)}. Everything above reads the same.`
          : `${link.part.label} gives up to ${V(seen.high)}; the converter reads up to ${V(limit)}.`,
      meaning: 'Beyond full scale the counts stand still: the upper part of the range is cut off.',
      workings: [
        { name: 'highest at the pin', sum: seen.sum, value: seen.high, unit: 'V' },
        { name: 'full scale, where it is nearest', sum: 'the converter’s reference', value: limit, unit: 'V' },
        { name: 'margin', sum: `${V(limit)} − ${V(seen.high)}`, value: margin, unit: 'V' },
      ],
      rests: [
        [link.reader.card.id, link.adc.reference.source],
        transfer?.kind === 'linear' ? [link.part.card.id, transfer.high.source] : null,
      ],
    }),
  ];
}

export const analogRange: Check = { meta, run: (circuit) => analogLinks(circuit).flatMap((l) => judge(circuit, l)) };
