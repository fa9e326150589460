import { formatQuantity } from '../quantity/engineering.ts';
import { frontOf } from '../physics/analog-front.ts';
import { servants, span } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { errorOver, measureFor, unstated } from './sense-error.ts';

const accuracyMeta: CheckMeta = {
  id: 'need/accuracy',
  title: 'The wanted accuracy is met over the wanted range',
  station: 'need',
  rule: 'The largest error of any sub-range that touches the wanted range, plus drift a year × planned life, plus the analog chain’s error where there is one, is at most the wanted accuracy.',
  source: 'the cards; adding all of them in full is the worst case',
  breaks: 'fault',
};

export const needAccuracy: Check = {
  meta: accuracyMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'sense') return [];
      return servants(circuit, need.id).flatMap((part) => {
        const measure = measureFor(part.card, need);
        if (!measure) return [];
        const gap = unstated(measure, need);
        const sum = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure));
        const subjects = [need.id, part.id];
        const wanted = formatQuantity(need.accuracy, need.unit);
        if (!sum) {
          return [
            result(circuit, accuracyMeta, {
              subjects,
              severity: 'fault',
              limit: need.accuracy,
              unit: need.unit,
              message: `The card of ${part.label} states no accuracy between ${span({ ...need, ...gap })}; ±${wanted} is wanted there.`,
              meaning: 'Nothing is known, so nothing can be promised.',
            }),
          ];
        }
        const margin = need.accuracy - sum.total;
        const years = circuit.plan.lifeYears;
        return [
          result(circuit, accuracyMeta, {
            subjects,
            severity: margin < -1e-9 ? 'fault' : null,
            measured: sum.total,
            limit: need.accuracy,
            unit: need.unit,
            margin,
            message: `${part.label} is within ±${formatQuantity(sum.total, need.unit)} at the worst over ${span(need)} and ${years} years, ±${formatQuantity(sum.rss, need.unit)} as independent errors; ±${wanted} is wanted${margin < -1e-9 ? (sum.rss <= need.accuracy ? ', which is usual and not sure' : '') : ' and met'}.`,
            meaning:
              'Accuracy is often printed for the best part of the range; what counts is the range that you need.',
            workings: [
              {
                name: `error from ${sum.worst.from} to ${sum.worst.to} ${need.unit}`,
                sum: sum.worst.conditions ?? 'from the card',
                value: sum.error,
                unit: need.unit,
              },
              {
                name: 'drift',
                sum: `${formatQuantity(measure.driftPerYear?.value ?? 0, need.unit)} a year × ${years}`,
                value: sum.drift,
                unit: need.unit,
              },
              ...(sum.chain?.terms ?? []).map((term) => ({
                name: term.name,
                sum: term.sum,
                value: term.error,
                unit: need.unit,
              })),
              {
                name: 'together, at their worst',
                sum: [sum.error, sum.drift, ...(sum.chain?.terms ?? []).map(({ error }) => error)]
                  .map((v) => formatQuantity(v, need.unit))
                  .join(' + '),
                value: sum.total,
                unit: need.unit,
              },
              {
                name: 'as independent errors',
                sum: 'root of the sum of the squares',
                value: sum.rss,
                unit: need.unit,
              },
            ],
            rests: [
              [part.card.id, sum.worst.source],
              [part.card.id, measure.driftPerYear?.source],
            ],
          }),
        ];
      });
    }),
};
