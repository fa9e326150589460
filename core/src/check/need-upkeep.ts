import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { placeOf } from '../circuit/place.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { sensingNeeds } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';
import { quantityOf, durationOf, tells, type Text, type Quantity, type Duration } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface NeedUpkeepSays {
  readonly closedBox: { place: Text };
  readonly fromWanted: { from: Quantity };
  readonly takesLowestReadingSome: { part: Text; to: Quantity; closed: Text };
  readonly setsItselfFreshestAir: { part: Text; to: Quantity };
  readonly meaning: null;
  readonly takenFreshAir: null;
  readonly mostNeverSeen: null;
  readonly programHasLookLine: null;
  readonly lost: { part: Text; seconds: Duration; interval: Duration; asleep: Text };
  readonly wakes: { part: Text };
  readonly holds: { part: Text; seconds: Duration; interval: Duration };
  readonly whatLookedOnceMinute: null;
  readonly newLeaveAsLong: { part: Text; seconds: Duration };
  readonly elementGivesOffWhat: null;
}

const tell = tells<NeedUpkeepSays>('need/upkeep');

const selfMeta = {
  id: 'need/self-calibration',
  station: 'need',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

const eventMeta = {
  id: 'need/short-events',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: ['measures/*/holds'],
} as const satisfies CheckMeta;

const burnMeta = {
  id: 'need/burn-in',
  station: 'bring-up',
  breaks: 'note',
  scope: 'plan',
  reads: ['measures/*/burnIn'],
} as const satisfies CheckMeta;

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
          ? tell('takesLowestReadingSome', {
              part: part.label,
              to: quantityOf(own.to, need.unit),
              closed: closed
                ? tell('closedBox', { place: place?.name ?? '' })
                : tell('fromWanted', { from: quantityOf(need.from, need.unit) }),
            })
          : tell('setsItselfFreshestAir', { part: part.label, to: quantityOf(own.to, need.unit) }),
      meaning: tell('meaning'),
      workings: [{ name: tell('takenFreshAir'), sum: term('fromCard'), value: own.to, unit: need.unit }],
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
        ? tell('lost', {
            part: part.label,
            seconds: durationOf(seconds),
            interval: durationOf(need.interval),
            asleep: asleep ? tell('mostNeverSeen') : tell('programHasLookLine'),
          })
        : wakes
          ? tell('wakes', { part: part.label })
          : tell('holds', { part: part.label, seconds: durationOf(seconds), interval: durationOf(need.interval) }),
      meaning: tell('whatLookedOnceMinute'),
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
      message: tell('newLeaveAsLong', { part: part.label, seconds: durationOf(seconds) }),
      meaning: tell('elementGivesOffWhat'),
      rests: [[part.card.id, figure.source]],
    }),
  ];
}

const each = (judge: (circuit: Circuit, part: PartNode, need: SenseNeed) => Result[]) =>
  overParts((circuit, part) => sensingNeeds(circuit, part.id).flatMap((need) => judge(circuit, part, need)));

export const needSelfCalibration = { meta: selfMeta, ...each(selfCalibration) } satisfies Check;
export const needShortEvents = { meta: eventMeta, ...each(shortEvents) } satisfies Check;
export const needBurnIn = { meta: burnMeta, ...each(burnIn) } satisfies Check;
