import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { placeOf } from '../circuit/place.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { formatSpan } from '../quantity/span.ts';
import { sensingNeeds } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';

const selfMeta: CheckMeta = {
  id: 'need/self-calibration',
  title: 'A part that calibrates itself sees fresh air',
  station: 'need',
  rule: 'A part that takes the lowest reading of some days for fresh air stands where fresh air comes: not in a closed box, and not where less than the whole way down to fresh air is wanted.',
  source: 'the cards; common practice',
  breaks: 'caution',
};

const eventMeta: CheckMeta = {
  id: 'need/short-events',
  title: 'An event lasts until it is read',
  station: 'need',
  rule: 'How long an event stays at the output is at least the time between readings, or its line wakes and interrupts the controller. While the controller stays awake its program can look in between: a note.',
  source: 'the cards',
  breaks: 'fault',
};

const burnMeta: CheckMeta = {
  id: 'need/burn-in',
  title: 'A new element is burnt in',
  station: 'bring-up',
  rule: 'An element that has to be heated for some time before its readings count gets that time once, before it is compared with anything.',
  source: 'the cards',
  breaks: 'note',
};

function selfCalibration(circuit: Circuit, part: PartNode, need: SenseNeed): Result[] {
  const measure = measureFor(part.card, need);
  const own = measure?.selfCalibrates;
  if (!own) return [];
  const place = circuit.plan.places.find(({ name }) => name === placeOf(circuit, part.id));
  const closed = place?.closed ?? false;
  const never = need.from > own.to;
  return [
    result(circuit, selfMeta, {
      subjects: [need.id, part.id],
      severity: closed || never ? 'caution' : null,
      measured: need.from,
      limit: own.to,
      unit: need.unit,
      margin: own.to - need.from,
      ranked: false,
      message:
        closed || never
          ? `${part.label} takes the lowest reading of some days for ${formatQuantity(own.to, need.unit)} of fresh air${closed ? `, and “${place?.name}” is a closed box` : `; from ${formatQuantity(need.from, need.unit)} on is wanted`}. Switch that off in the program, and set it in fresh air by hand.`
          : `${part.label} sets itself by the freshest air of some days; air it once a week down to ${formatQuantity(own.to, need.unit)}.`,
      meaning: 'Where fresh air never comes it drifts down by itself, week after week.',
      workings: [{ name: 'taken for fresh air', sum: 'from the card', value: own.to, unit: need.unit }],
      rests: [[part.card.id, own.source]],
    }),
  ];
}

function shortEvents(circuit: Circuit, part: PartNode, need: SenseNeed): Result[] {
  const holds = measureFor(part.card, need)?.holds;
  if (!holds) return [];
  const seconds = toInterval(holds).min;
  const wakes = part.card.ports.some(({ interrupts }) => interrupts !== undefined);
  const margin = seconds - need.interval;
  const lost = margin < 0 && !wakes;
  // Awake, the program can look as often as it likes between two readings.
  const asleep = circuit.controller !== null && circuit.rhythms.get(circuit.controller.id)?.rest === 'sleep';
  return [
    result(circuit, eventMeta, {
      subjects: [need.id, part.id],
      severity: lost ? (asleep ? 'fault' : 'note') : null,
      measured: seconds,
      limit: need.interval,
      unit: 's',
      margin,
      ranked: false,
      message: lost
        ? `${part.label} shows an event for ${formatSpan(seconds)} and is read every ${formatSpan(need.interval)}: ${asleep ? 'most are never seen' : 'the program has to look at its line in between'}. Read it oftener, or let its line interrupt.`
        : wakes
          ? `Each event of ${part.label} interrupts; none waits for a reading.`
          : `${part.label} shows an event for ${formatSpan(seconds)} and is read every ${formatSpan(need.interval)}.`,
      meaning: 'What is looked at once a minute is seen when it happens to be there.',
      rests: [[part.card.id, holds.source]],
    }),
  ];
}

function burnIn(circuit: Circuit, part: PartNode, need: SenseNeed): Result[] {
  const figure = measureFor(part.card, need)?.burnIn;
  if (!figure) return [];
  const seconds = toInterval(figure).max;
  return [
    result(circuit, burnMeta, {
      subjects: [part.id, need.id],
      severity: null,
      measured: seconds,
      unit: 's',
      ranked: false,
      message: `${part.label} is new for ${formatSpan(seconds)}: leave it on as long before you set it by clean air.`,
      meaning: 'Its element gives off what it was stored in; until then it drifts.',
      rests: [[part.card.id, figure.source]],
    }),
  ];
}

const each =
  (judge: (circuit: Circuit, part: PartNode, need: SenseNeed) => Result[]): Check['run'] =>
  (circuit) =>
    [...circuit.parts.values()].flatMap((part) =>
      sensingNeeds(circuit, part.id).flatMap((need) => judge(circuit, part, need)),
    );

export const needSelfCalibration: Check = { meta: selfMeta, run: each(selfCalibration) };
export const needShortEvents: Check = { meta: eventMeta, run: each(shortEvents) };
export const needBurnIn: Check = { meta: burnMeta, run: each(burnIn) };
