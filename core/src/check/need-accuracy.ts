import type { Measure } from '../card/measure.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import type { SenseNeed } from '../plan/plan.ts';
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
  reads: [
    'measures/*/accuracy/*/error',
    'measures/*/analog/low',
    'measures/*/analog/r10',
    'measures/*/analog/r25',
    'measures/*/driftPerYear/value',
  ],
} as const satisfies CheckMeta;

export const needAccuracy = {
  meta: accuracyMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] =>
      need.kind === 'sense' ? servants(circuit, need.id).flatMap((part) => accuracyOf(circuit, need, part)) : [],
    ),
} satisfies Check;

function accuracyOf(circuit: Circuit, need: SenseNeed, part: PartNode): Result[] {
  const measure = measureFor(part.card, need);
  if (!measure) return [];
  const sum = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure));
  return [sum ? together(circuit, need, part, measure, sum) : nothingStated(circuit, need, part, measure)];
}

const nothingStated = (circuit: Circuit, need: SenseNeed, part: PartNode, measure: Measure): Result =>
  result(circuit, accuracyMeta, {
    subjects: [need.id, part.id],
    severity: 'fault',
    limit: need.accuracy,
    unit: need.unit,
    message: tell('cardStatesNoAccuracy', {
      part: part.label,
      span: span({ ...need, ...unstated(measure, need) }),
      wanted: quantityOf(need.accuracy, need.unit),
    }),
    meaning: tell('meaning'),
  });

type ErrorSum = NonNullable<ReturnType<typeof errorOver>>;

function together(circuit: Circuit, need: SenseNeed, part: PartNode, measure: Measure, sum: ErrorSum): Result {
  const years = circuit.plan.lifeYears;
  const margin = need.accuracy - sum.total;
  const isUsual = sum.rss <= need.accuracy;
  return result(circuit, accuracyMeta, {
    subjects: [need.id, part.id],
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
      wanted: quantityOf(need.accuracy, need.unit),
      margin: margin < -1e-9 ? (isUsual ? tell('whichUsualNotSure') : '') : tell('met'),
    }),
    meaning: tell('accuracyOftenPrintedBest'),
    workings: errorWorkings(need.unit, measure, sum, years),
    rests: [
      [part.card.id, sum.worst.source],
      [part.card.id, measure.driftPerYear?.source],
    ],
  });
}

/** The error of the sheet, the drift, what the way to the number adds, and all of it together. */
function errorWorkings(unit: string, measure: Measure, sum: ErrorSum, years: number): Result['workings'] {
  const terms = sum.chain?.terms ?? [];
  const errors = [sum.error, sum.drift, ...terms.map(({ error }) => error)];
  return [
    {
      name: tell('errorFrom', { from: sum.worst.from, to: sum.worst.to, unit }),
      sum: sum.worst.conditions ?? term('fromCard'),
      value: sum.error,
      unit,
    },
    {
      name: tell('drift'),
      sum: tell('year', { driftPerYear: quantityOf(measure.driftPerYear?.value ?? 0, unit), years }),
      value: sum.drift,
      unit,
    },
    ...terms.map((of) => ({ name: of.name, sum: of.sum, value: of.error, unit })),
    {
      name: term('togetherTheirWorst'),
      sum: add(...errors.map((error) => quantityOf(error, unit))),
      value: sum.total,
      unit,
    },
    { name: term('asIndependentErrors'), sum: term('rootSumSquares'), value: sum.rss, unit },
  ];
}
