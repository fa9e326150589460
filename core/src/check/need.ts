import type { Card, Measure } from '../card/card.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const rangeMeta: CheckMeta = {
  id: 'need/range',
  title: 'The wanted range is covered',
  station: 'need',
  rule: 'Every need is served by a part; a sensing part measures from the lower to the upper end of the wanted range.',
  source: 'the cards',
  breaks: 'fault',
};

const accuracyMeta: CheckMeta = {
  id: 'need/accuracy',
  title: 'The wanted accuracy is met over the wanted range',
  station: 'need',
  rule: 'The largest error of any sub-range that touches the wanted range, plus drift a year × planned life, is at most the wanted accuracy.',
  source: 'the cards; adding drift in full is the worst case',
  breaks: 'fault',
};

export const measureFor = (card: Card, need: Pick<SenseNeed, 'quantity' | 'unit'>): Measure | undefined =>
  card.measures.find(({ quantity, unit }) => quantity === need.quantity && unit === need.unit);

const servants = (circuit: Circuit, need: string): PartNode[] =>
  [...circuit.parts.values()].filter(({ choice }) => choice?.needs.includes(need));

const span = (need: SenseNeed) => `${need.from} to ${formatQuantity(need.to, need.unit, 4)}`;

/** How far a measure reaches beyond a need on its tighter side; negative when it does not cover it. */
export function rangeMargin(
  measure: Measure,
  need: Pick<SenseNeed, 'from' | 'to'>,
): { margin: number; measured: number; limit: number } {
  const low = need.from - measure.range.from;
  const high = measure.range.to - need.to;
  return high < low
    ? { margin: high, measured: measure.range.to, limit: need.to }
    : { margin: low, measured: measure.range.from, limit: need.from };
}

export const needRange: Check = {
  meta: rangeMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      const parts = servants(circuit, need.id);
      const name = need.kind === 'sense' ? `${need.quantity} at ${need.place}` : need.what;
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

export interface ErrorSum {
  readonly error: number;
  readonly drift: number;
  readonly total: number;
  readonly worst: Measure['accuracy'][number];
}

/**
 * The worst error inside the wanted range, and the drift over the life.
 * @param years planned life
 * @returns null when no stated sub-range touches the wanted one
 */
export function errorOver(measure: Measure, need: Pick<SenseNeed, 'from' | 'to'>, years: number): ErrorSum | null {
  const inside = measure.accuracy.filter((band) => band.from < need.to && band.to > need.from);
  const worst = inside.sort((a, b) => b.error - a.error)[0];
  if (!worst) return null;
  const drift = (measure.driftPerYear?.value ?? 0) * years;
  return { error: worst.error, drift, total: worst.error + drift, worst };
}

export const needAccuracy: Check = {
  meta: accuracyMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'sense') return [];
      return servants(circuit, need.id).flatMap((part) => {
        const measure = measureFor(part.card, need);
        if (!measure) return [];
        const sum = errorOver(measure, need, circuit.plan.lifeYears);
        const subjects = [need.id, part.id];
        const wanted = formatQuantity(need.accuracy, need.unit);
        if (!sum) {
          return [
            result(circuit, accuracyMeta, {
              subjects,
              severity: 'fault',
              limit: need.accuracy,
              unit: need.unit,
              message: `The card of ${part.label} states no accuracy between ${span(need)}; ±${wanted} is wanted.`,
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
            message: `${part.label} is within ±${formatQuantity(sum.total, need.unit)} over ${span(need)} and ${years} years; ±${wanted} is wanted${margin < -1e-9 ? '' : ' and met'}.`,
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
              {
                name: 'together',
                sum: `${formatQuantity(sum.error, need.unit)} + ${formatQuantity(sum.drift, need.unit)}`,
                value: sum.total,
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
