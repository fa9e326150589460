import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor, shortestInterval } from './sense-error.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';

/** What is said here, by the data that it takes. */
export interface NeedIntervalSays {
  readonly givesReadingEveryBest: { part: Text; shortest: Quantity; wanted: Quantity };
  readonly meaning: null;
  readonly spare: null;
  readonly rests: { part: Text; seconds: Quantity; interval: Quantity };
  readonly warmsUpReadingEvery: { part: Text; seconds: Quantity; interval: Quantity };
  readonly switchedOffBetweenReadings: null;
}

const tell = tells<NeedIntervalSays>('need/interval');

const meta = {
  id: 'need/interval',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: ['measures/*/coarser/*/conversion', 'measures/*/conversion', 'measures/*/interval'],
} as const satisfies CheckMeta;

const warmUpMeta = {
  id: 'need/warm-up',
  station: 'need',
  breaks: 'note',
  scope: 'plan',
  reads: ['measures/*/warmUp'],
} as const satisfies CheckMeta;

export const needInterval = {
  meta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'sense') return [];
      return servants(circuit, need.id).flatMap((part) => {
        const measure = measureFor(part.card, need);
        const least = measure && shortestInterval(measure);
        if (!least || least.by === null) return [];
        const margin = need.interval - least.seconds;
        const [wanted, shortest] = [quantityOf(need.interval, 's'), quantityOf(least.seconds, 's')];
        return [
          result(circuit, meta, {
            subjects: [need.id, part.id],
            severity: margin < 0 ? 'fault' : null,
            measured: least.seconds,
            limit: need.interval,
            unit: 's',
            margin,
            ranked: false,
            message: tell('givesReadingEveryBest', { part: part.label, shortest, wanted }),
            meaning: tell('meaning'),
            workings: [{ name: tell('spare'), sum: subtract(wanted, shortest), value: margin, unit: 's' }],
            rests: [[part.card.id, least.source ?? undefined]],
          }),
        ];
      });
    }),
} satisfies Check;

export const needWarmUp = {
  meta: warmUpMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'sense') return [];
      return servants(circuit, need.id).flatMap((part) => {
        const warmUp = measureFor(part.card, need)?.warmUp;
        const seconds = warmUp?.max ?? warmUp?.typ ?? 0;
        if (!warmUp || seconds <= need.interval) return [];
        const rests = (circuit.rhythms.get(part.id)?.rest ?? 'idle') !== 'idle';
        return [
          result(circuit, warmUpMeta, {
            subjects: [need.id, part.id],
            // Left on it is another thing to say, so that leaving it on ends this one.
            ...(rests ? { keyed: [need.id, part.id, 'rests'] } : {}),
            severity: rests ? 'fault' : 'note',
            measured: seconds,
            limit: need.interval,
            unit: 's',
            margin: need.interval - seconds,
            message: rests
              ? tell('rests', {
                  part: part.label,
                  seconds: quantityOf(seconds, 's'),
                  interval: quantityOf(need.interval, 's'),
                })
              : tell('warmsUpReadingEvery', {
                  part: part.label,
                  seconds: quantityOf(seconds, 's'),
                  interval: quantityOf(need.interval, 's'),
                }),
            meaning: tell('switchedOffBetweenReadings'),
            rests: [[part.card.id, warmUp.source]],
          }),
        ];
      });
    }),
} satisfies Check;
