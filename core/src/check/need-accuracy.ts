import { add } from '../quantity/sum.ts';
import { frontOf } from '../physics/analog-front.ts';
import { servants, span } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { errorOver, measureFor, unstated } from './sense-error.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface NeedAccuracySays {
  readonly cardStatesNoAccuracy: { part: Text; span: Text; wanted: Quantity };
  readonly meaning: null;
  readonly whichUsualNotSure: null;
  readonly met: null;
  readonly withinWorstOverYears: {
    part: Text;
    total: Quantity;
    span: Text;
    years: number;
    rss: Quantity;
    wanted: Quantity;
    margin: Text;
  };
  readonly accuracyOftenPrintedBest: null;
  readonly errorFrom: { from: number; to: number; unit: Text };
  readonly drift: null;
  readonly year: { driftPerYear: Quantity; years: number };
}

const tell = tells<NeedAccuracySays>('need/accuracy');

const accuracyMeta = {
  id: 'need/accuracy',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
} as const satisfies CheckMeta;

export const needAccuracy = {
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
        const wanted = quantityOf(need.accuracy, need.unit);
        if (!sum) {
          return [
            result(circuit, accuracyMeta, {
              subjects,
              severity: 'fault',
              limit: need.accuracy,
              unit: need.unit,
              message: tell('cardStatesNoAccuracy', { part: part.label, span: span({ ...need, ...gap }), wanted }),
              meaning: tell('meaning'),
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
            message: tell('withinWorstOverYears', {
              part: part.label,
              total: quantityOf(sum.total, need.unit),
              span: span(need),
              years,
              rss: quantityOf(sum.rss, need.unit),
              wanted,
              margin: margin < -1e-9 ? (sum.rss <= need.accuracy ? tell('whichUsualNotSure') : '') : tell('met'),
            }),
            meaning: tell('accuracyOftenPrintedBest'),
            workings: [
              {
                name: tell('errorFrom', { from: sum.worst.from, to: sum.worst.to, unit: need.unit }),
                sum: sum.worst.conditions ?? term('fromCard'),
                value: sum.error,
                unit: need.unit,
              },
              {
                name: tell('drift'),
                sum: tell('year', { driftPerYear: quantityOf(measure.driftPerYear?.value ?? 0, need.unit), years }),
                value: sum.drift,
                unit: need.unit,
              },
              ...(sum.chain?.terms ?? []).map((of) => ({
                name: of.name,
                sum: of.sum,
                value: of.error,
                unit: need.unit,
              })),
              {
                name: term('togetherTheirWorst'),
                sum: add(
                  ...[sum.error, sum.drift, ...(sum.chain?.terms ?? []).map(({ error }) => error)].map((v) =>
                    quantityOf(v, need.unit),
                  ),
                ),
                value: sum.total,
                unit: need.unit,
              },
              {
                name: term('asIndependentErrors'),
                sum: term('rootSumSquares'),
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
} satisfies Check;
