/** Words about what is wanted. */
import type { NeedAccuracySays } from '../../check/need-accuracy.ts';
import type { NeedIntervalSays } from '../../check/need-interval.ts';
import type { NeedRangeSays } from '../../check/need-range.ts';
import type { NeedSelectivitySays } from '../../check/need-selectivity.ts';
import type { NeedTriggerSays } from '../../check/need-trigger.ts';
import type { NeedUpkeepSays } from '../../check/need-upkeep.ts';
import type { NeedWordsSays } from '../../check/need-words.ts';
import { topic, check, ruleOnly } from '../language.ts';
import { commas, counted, list } from './grammar.ts';

export const need = {
  'need/accuracy': check<NeedAccuracySays>({
    rule: {
      short: 'accuracy',
      title: 'The wanted accuracy is met over the wanted range',
      rule: 'The largest error of any sub-range that touches the wanted range, plus drift a year × planned life, plus the analog chain’s error where there is one, is at most the wanted accuracy.',
      source: 'the cards; adding all of them in full is the worst case',
    },
    says: {
      cardStatesNoAccuracy: ({ part, span, wanted }) =>
        `The card of ${part} states no accuracy between ${span}; ±${wanted} is wanted there.`,
      meaning: 'Nothing is known, so nothing can be promised.',
      whichUsualNotSure: ', which is usual and not sure',
      met: ' and met',
      withinWorstOverYears: ({ part, total, span, years, rss, wanted, margin }) =>
        `${part} is within ±${total} at the worst over ${span} and ${counted(years, 'year')}, ±${rss} as independent errors; ±${wanted} is wanted${margin}.`,
      accuracyOftenPrintedBest:
        'Accuracy is often printed for the best part of the range; what counts is the range that you need.',
      errorFrom: ({ from, to, unit }) => `error from ${from} to ${to} ${unit}`,
      drift: 'drift',
      year: ({ driftPerYear, years }) => `${driftPerYear} a year × ${years}`,
    },
  }),
  'need/interval': check<NeedIntervalSays>({
    rule: {
      short: 'interval',
      title: 'The sensor is not asked faster than it can answer',
      rule: 'The wanted time between readings is at least the longest of the card’s shortest interval and its conversion time.',
      source: 'the cards',
    },
    says: {
      givesReadingEveryBest: ({ part, shortest, wanted }) =>
        `${part} gives a reading every ${shortest} at best; one every ${wanted} is wanted.`,
      meaning: 'Asked too soon it repeats an old reading, or does not answer.',
      spare: 'to spare',
      rests: ({ part, seconds, interval }) =>
        `${part} rests between readings and warms up for ${seconds}; one is wanted every ${interval}. It is never warm.`,
      warmsUpReadingEvery: ({ part, seconds, interval }) =>
        `${part} warms up for ${seconds}; a reading every ${interval} needs it on all the time.`,
      switchedOffBetweenReadings: 'Switched off between readings it would never be warm.',
    },
  }),
  'need/warm-up': ruleOnly({
    short: 'warm-up',
    title: 'A long warm-up is told',
    rule: 'A sensor that warms up longer than the wanted time between readings must stay on between them; one that sleeps or is switched off meanwhile is a fault.',
    source: 'the cards',
  }),
  'need/range': check<NeedRangeSays>({
    rule: {
      short: 'range',
      title: 'The wanted range is covered',
      rule: 'Every need is served by a part; a sensing part measures from the lower to the upper end of the wanted range.',
      source: 'the cards',
    },
    says: {
      noPartChosen: ({ name }) => `No part is chosen for: ${name}.`,
      meaning: 'The build will not do what it was meant for.',
      serves: ({ parts, name }) => `${list(parts)} serves: ${name}.`,
      doesNotMeasure: ({ part, quantity, unit }) => `${part} does not measure ${quantity} in ${unit}.`,
      needNotMetThis: 'The need is not met by this part.',
      wantedSoPartMissed: 'is wanted, so part of it is missed',
      wanted: 'is wanted',
      measuresFrom: ({ part, quantity, from, to, span, margin }) =>
        `${part} measures ${quantity} from ${from} to ${to}; ${span} ${margin}.`,
      outsideRangeSensorSticks: 'Outside its range a sensor sticks at its end or reports an error.',
    },
  }),
  'need/selectivity': check<NeedSelectivitySays>({
    rule: {
      short: 'also',
      title: 'What else moves the reading is told',
      rule: 'A sensor that also reacts to something else is told with what; where that is read by another need, it is a caution.',
      source: 'the cards',
    },
    says: {
      readsAlsoAnswersWhich: ({ part, quantity, names }) =>
        `${part} reads ${quantity} and also reacts to ${commas(names)}, which this build expects.`,
      readsAlsoAnswers: ({ part, quantity, names }) => `${part} reads ${quantity} and also reacts to ${commas(names)}.`,
      meaning: 'It cannot tell them apart: a high reading may be either.',
    },
  }),
  'need/trigger': check<NeedTriggerSays>({
    rule: {
      short: 'level',
      title: 'A level is inside what is read, and does not chatter',
      rule: 'The level, and the level at which the event ends, lie inside the wanted range; the hysteresis is at least two steps of the reading, the card’s or the converter’s, whichever is coarser.',
      source: 'two steps: common practice',
    },
    says: {
      converter: ' at the converter',
      endsVeryLevelSets: ({ name, part, step, by }) =>
        `${name} ends at the very level that sets it off; ${part} reads in steps of ${step}${by}, and one of them is enough to end it and begin again.`,
      endsFurtherBackReads: ({ name, hysteresis, part, step, by }) =>
        `${name} ends ${hysteresis} further back; ${part} reads in steps of ${step}${by}.`,
      meaning: 'With less than two steps between on and off, one flickering digit switches it on and off.',
      twoSteps: 'two steps',
      setOffEndsRead: ({ name, level, back, from, to }) =>
        `${name} is set off at ${level} and ends at ${back}; ${from} to ${to} is read.`,
      outsideRangeReadEvent: 'Outside the range that is read, the event never comes, or never ends.',
      ends: 'ends at',
      words: ({ level, when, hysteresis }) => `${level} ${when} ${hysteresis}`,
    },
  }),
  'need/upkeep': topic<NeedUpkeepSays>({
    says: {
      closedBox: ({ place }) => `, and “${place}” is a closed box`,
      fromWanted: ({ from }) => `; from ${from} on is wanted`,
      takesLowestReadingSome: ({ part, to, closed }) =>
        `${part} takes the lowest reading of some days for ${to} of fresh air${closed}. Switch that off in the program, and set it in fresh air by hand.`,
      setsItselfFreshestAir: ({ part, to }) =>
        `${part} sets itself by the freshest air of some days; air it once a week down to ${to}.`,
      meaning: 'Where fresh air never comes it drifts down by itself, week after week.',
      takenFreshAir: 'taken for fresh air',
      mostNeverSeen: 'most are never seen',
      programHasLookLine: 'the program has to look at its line in between',
      lost: ({ part, seconds, interval, asleep }) =>
        `${part} shows an event for ${seconds} and is read every ${interval}: ${asleep}. Read it oftener, or let its line interrupt.`,
      wakes: ({ part }) => `Each event of ${part} interrupts; none waits for a reading.`,
      holds: ({ part, seconds, interval }) => `${part} shows an event for ${seconds} and is read every ${interval}.`,
      whatLookedOnceMinute: 'What is looked at once a minute is seen when it happens to be there.',
      newLeaveAsLong: ({ part, seconds }) =>
        `${part} is new for ${seconds}: leave it on as long before you set it by clean air.`,
      elementGivesOffWhat: 'Its element gives off what it was stored in; until then it drifts.',
    },
  }),
  'need/self-calibration': ruleOnly({
    short: 'calibrates itself',
    title: 'A part that calibrates itself sees fresh air',
    rule: 'A part that takes the lowest reading of some days for fresh air stands where fresh air comes: not in a closed box, and not where less than the whole way down to fresh air is wanted.',
    source: 'the cards; common practice',
  }),
  'need/short-events': ruleOnly({
    short: 'short events',
    title: 'An event lasts until it is read',
    rule: 'How long an event stays at the output is at least the time between readings, or its line wakes and interrupts the controller. While the controller stays awake its program can look in between: a note.',
    source: 'the cards',
  }),
  'need/burn-in': ruleOnly({
    short: 'burn-in',
    title: 'A new element is burnt in',
    rule: 'An element that has to be heated for some time before its readings count gets that time once, before it is compared with anything.',
    source: 'the cards',
  }),
  'need/words': topic<NeedWordsSays>({
    says: {
      to: ({ from, to }) => `${from} to ${to}`,
    },
  }),
};
