/** Words about a one-wire line. */
import type { WireBudgetSays } from '../../check/wire-budget.ts';
import type { WireOverlaySays } from '../../check/wire-overlay.ts';
import type { WirePullUpSays } from '../../check/wire-pull-up.ts';
import { check } from '../language.ts';
import { list } from './grammar.ts';

const ONE_WIRE_SOURCE =
  'one-wire thermometer class, 4 mA at 0.4 V (from memory); one pull-up per line is common practice';
const ONE_WIRE_TIMING_SOURCE = 'application note on 1-wire timing in software (from memory)';

export const wire = {
  'wire/budget': check<WireBudgetSays>({
    rule: {
      short: 'budget',
      title: 'A one-wire line recovers, converts and feeds in time',
      rule: 'Rp × C × ln((V − 0.4 V) ÷ (V − VIH)) ≤ 9 µs, so that a one is there when it is sampled; one conversion and the reading of every part fit into the interval; a part that lives on the line gets V − I × Rp, at least what it works at.',
      source: ONE_WIRE_TIMING_SOURCE,
    },
    says: {
      never: ({ net, level, reader }) => `${net} never reaches the ${level} that ${reader} needs.`,
      broken: ({ net, seconds, slotsample, lead }) =>
        `${net} takes ${seconds} to be read as high again; it is sampled after ${slotsample}. ${lead} of lead less, or a smaller pull-up.`,
      holds: ({ net, seconds, slotsample, lead }) =>
        `${net} is read as high after ${seconds} of ${slotsample}; it would carry ${lead} of lead more.`,
      meaning: 'A one that comes too late is read as a nought: checksums fail now and then, first on the longest lead.',
      backAboveThreshold: 'back above the threshold',
      lnV: ({ ohms, capacitance, supply, onewirelow, level }) =>
        `${ohms} × ${capacitance} × ln((${supply} − ${onewirelow} V) ÷ (${supply} − ${level}))`,
      wouldCarry: 'it would carry',
      ofIt: ({ slotsample }) => `${slotsample} of it`,
      convertingReadingTakesReading: ({ bus, total, interval }) =>
        `Converting and reading ${bus} takes ${total}; a reading every ${interval} is wanted.`,
      convertingReadingTakesBetween: ({ bus, total, interval }) =>
        `Converting and reading ${bus} takes ${total} of the ${interval} between readings.`,
      allPartsConvertOnce:
        'All parts convert at once, then each is read. What does not fit comes late, or holds the reading before.',
      startAll: 'start all',
      reset: ({ convertbits, slottime }) => `reset + ${convertbits} × ${slottime}`,
      conversion: 'conversion',
      longestCards: 'the longest of the cards',
      readEach: 'read each',
      resets: ({ count, readingbits, slottime }) => `${count} × (reset + ${readingbits} × ${slottime})`,
      whileTheyConvertDraw: ({ living, a, net, volts, least }) =>
        `While they convert, ${list(living)} draw ${a} through the pull-up of ${net}: ${volts} is left, ${least} is needed.`,
      liveLeftWhileThey: ({ living, net, volts }) =>
        `${list(living)} live on ${net}: ${volts} is left while they convert.`,
      partLivesDataLine:
        'A part that lives on its data line starves while it converts and answers with its start-up value, 85 °C.',
      allConverting: 'all converting',
      them: ({ count }) => `${count} of them`,
      leftLine: 'left on the line',
    },
  }),
  'wire/overlay': check<WireOverlaySays>({
    rule: {
      short: 'setting',
      title: 'The pin that the system is told is the pin that is wired',
      rule: 'On a board whose system drives a bus by a setting, the pin of that setting - its default unless the plan says another - is the pin that the bus is on.',
      source: 'the controller’s card',
    },
    says: {
      defaultWords: 'its default',
      setting: 'its setting',
      right: ({ bus, label }) => `The system looks for ${bus} on ${label}, where it is wired.`,
      systemLooksWiredFinds: ({ bus, label, from, otherLabel }) =>
        `The system looks for ${bus} on ${label}, ${from}; it is wired to ${otherLabel}. It finds nothing there.`,
      meaning:
        'The driver listens on a pin that nothing is on: the list of sensors stays empty, and no error says why.',
      settingIs: ({ parameter }) => `the setting ${parameter}`,
      words: ({ label, from }) => `${label}, ${from}`,
      wired: 'wired',
    },
  }),
  'wire/pull-up': check<WirePullUpSays>({
    rule: {
      short: 'pull-up',
      title: 'A one-wire line has one effective pull-up',
      rule: 'Rp ≥ (VDD − 0.4 V) ÷ 4 mA, Rp being the parallel value of all pull-ups on the line; more than one is a caution.',
      source: ONE_WIRE_SOURCE,
    },
    says: {
      broken: ({ net, value, limit }) =>
        `The pull-ups on ${net} make ${value}; a sensor can hold low no less than ${limit}.`,
      pullUpsMakeTogether: ({ count, net, value }) =>
        `${count} pull-ups on ${net} make ${value} together. One for the whole line is meant; each further sensor would lower it again.`,
      holds: ({ value, net }) => `One pull-up of ${value} on ${net}.`,
      meaning: 'The resistor belongs to the line, not to the sensor. Each further one works in parallel.',
      pullUpUsual: 'pull-up, usual',
    },
  }),
};
