import { formatQuantity } from '../quantity/engineering.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor, shortestInterval } from './sense-error.ts';

const meta: CheckMeta = {
  id: 'need/interval',
  title: 'The sensor is not asked faster than it can answer',
  station: 'need',
  rule: 'The wanted time between readings is at least the longest of the card’s shortest interval and its conversion time.',
  source: 'the cards',
  breaks: 'fault',
};

const warmUpMeta: CheckMeta = {
  id: 'need/warm-up',
  title: 'A long warm-up is told',
  station: 'need',
  rule: 'A sensor that warms up longer than the wanted time between readings must stay on between them; one that sleeps or is switched off meanwhile is a fault.',
  source: 'the cards',
  breaks: 'note',
};

export const needInterval: Check = {
  meta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'sense') return [];
      return servants(circuit, need.id).flatMap((part) => {
        const measure = measureFor(part.card, need);
        const least = measure && shortestInterval(measure);
        if (!least || least.by === null) return [];
        const margin = need.interval - least.seconds;
        const [wanted, shortest] = [formatQuantity(need.interval, 's'), formatQuantity(least.seconds, 's')];
        return [
          result(circuit, meta, {
            subjects: [need.id, part.id],
            severity: margin < 0 ? 'fault' : null,
            measured: least.seconds,
            limit: need.interval,
            unit: 's',
            margin,
            ranked: false,
            message: `${part.label} gives a reading every ${shortest} at best; one every ${wanted} is wanted.`,
            meaning: 'Asked too soon it repeats an old reading, or does not answer.',
            workings: [{ name: 'to spare', sum: `${wanted} − ${shortest}`, value: margin, unit: 's' }],
            rests: [[part.card.id, least.source ?? undefined]],
          }),
        ];
      });
    }),
};

export const needWarmUp: Check = {
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
              ? `${part.label} rests between readings and warms up for ${formatQuantity(seconds, 's')}; one is wanted every ${formatQuantity(need.interval, 's')}. It is never warm.`
              : `${part.label} warms up for ${formatQuantity(seconds, 's')}; a reading every ${formatQuantity(need.interval, 's')} needs it on all the time.`,
            meaning: 'Switched off between readings it would never be warm.',
            rests: [[part.card.id, warmUp.source]],
          }),
        ];
      });
    }),
};
