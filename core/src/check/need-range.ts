import { formatQuantity } from '../quantity/engineering.ts';
import { needName } from '../plan/need-name.ts';
import { servants, span } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor, rangeMargin } from './sense-error.ts';

const rangeMeta: CheckMeta = {
  id: 'need/range',
  title: 'The wanted range is covered',
  station: 'need',
  rule: 'Every need is served by a part; a sensing part measures from the lower to the upper end of the wanted range.',
  source: 'the cards',
  breaks: 'fault',
};

export const needRange: Check = {
  meta: rangeMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      const parts = servants(circuit, need.id);
      if (need.kind === 'trigger') return [];
      const name = needName(circuit.plan, need);
      if (parts.length === 0) {
        return [
          result(circuit, rangeMeta, {
            subjects: [need.id],
            severity: 'fault',
            measured: 0,
            limit: 1,
            unit: 'parts',
            margin: -1,
            message: `No part is chosen for: ${name}.`,
            meaning: 'The build will not do what it was meant for.',
          }),
        ];
      }
      if (need.kind !== 'sense') {
        return [
          result(circuit, rangeMeta, {
            subjects: [need.id],
            severity: null,
            measured: parts.length,
            limit: 1,
            unit: 'parts',
            margin: parts.length - 1,
            message: `${parts.map((p) => p.label).join(' and ')} serves: ${name}.`,
          }),
        ];
      }
      return parts.map((part) => {
        const measure = measureFor(part.card, need);
        const subjects = [need.id, part.id];
        if (!measure) {
          return result(circuit, rangeMeta, {
            subjects,
            severity: 'fault',
            message: `${part.label} does not measure ${need.quantity} in ${need.unit}.`,
            meaning: 'The need is not met by this part.',
          });
        }
        const { margin, measured, limit } = rangeMargin(measure, need);
        return result(circuit, rangeMeta, {
          subjects,
          severity: margin < 0 ? 'fault' : null,
          measured,
          limit,
          unit: need.unit,
          margin,
          ranked: false,
          message: `${part.label} measures ${need.quantity} from ${measure.range.from} to ${formatQuantity(measure.range.to, need.unit, 4)}; ${span(need)} ${margin < 0 ? 'is wanted, so part of it is missed' : 'is wanted'}.`,
          meaning: 'Outside its range a sensor sticks at its end or reports an error.',
          workings: [
            {
              name: 'below',
              sum: `${need.from} − ${measure.range.from}`,
              value: need.from - measure.range.from,
              unit: need.unit,
            },
            {
              name: 'above',
              sum: `${measure.range.to} − ${need.to}`,
              value: measure.range.to - need.to,
              unit: need.unit,
            },
          ],
          rests: [[part.card.id, measure.range.source]],
        });
      });
    }),
};
