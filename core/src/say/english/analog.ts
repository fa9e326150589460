/** Words about readings by voltage. */
import type { AnalogDeadEndsSays } from '../../check/analog-dead-ends.ts';
import type { AnalogDividerSays } from '../../check/analog-divider.ts';
import type { AnalogGroundShiftSays } from '../../check/analog-ground-shift.ts';
import type { AnalogLinksSays } from '../../check/analog-links.ts';
import type { AnalogRangeSays } from '../../check/analog-range.ts';
import type { AnalogResolutionSays } from '../../check/analog-resolution.ts';
import type { AnalogSourceSays } from '../../check/analog-source.ts';
import { topic, check } from '../language.ts';

export const analog = {
  'analog/dead-ends': check<AnalogDeadEndsSays>({
    rule: {
      short: 'dead ends',
      title: 'The wanted range keeps off the dead ends of the converter',
      rule: 'Over the wanted range the voltage at the pin stays between the two at which the converter counts straight; what it is beyond, ÷ volts per unit of the reading, is at most what the error leaves of the accuracy wanted.',
      source: 'the controller’s card',
    },
    says: {
      givesWhereConverterCounts: ({ part, low, high }) =>
        `${part} gives ${low} to ${high}, where the converter counts straight.`,
      beyondStandsStillOr: 'Beyond, it stands still or bends.',
      beyondUpOffLeft: ({ off, left }) =>
        `Beyond, it is up to ${off} off, and ${left} are left of the accuracy wanted.`,
      broken: ({ part, low, high, reader, min, max, off }) =>
        `${part} gives ${low} to ${high} over the wanted range; the converter of ${reader} counts straight from ${min} to ${max}. ${off}`,
      holds: ({ part, low, high, min, max, off, left }) =>
        `${part} gives ${low} to ${high}; beyond ${min} to ${max} the converter is up to ${off} off, of ${left} that are left.`,
      meaning: 'Near its ends such a converter reads nought, or full scale, long before it is there.',
      to: ({ low, high, sum }) => `${low} to ${high}, ${sum}`,
      betweenEnds: ({ min, max }) => `${min} to ${max}`,
      beyond: 'beyond',
      or: ({ min, low, high, max }) => `${min} − ${low}, or ${high} − ${max}`,
      reading: 'in the reading',
      per: ({ slope, unit }) => `÷ ${slope} per ${unit}`,
    },
  }),
  'analog/divider': check<AnalogDividerSays>({
    rule: {
      short: 'evenness',
      title: 'A resistive part has the fixed resistor that suits its range',
      rule: 'A thermistor, light-dependent or platinum resistor stands under a fixed resistor; the smallest slope over the wanted range is at least half as even as the best value of the series gives, and self-heating stays under a tenth of the wanted accuracy.',
      source: 'the divider’s transfer; common practice for the shares',
    },
    says: {
      wouldDo: ({ best }) => `${best} would do.`,
      bareResistanceHasNo: ({ part, best }) =>
        `${part} is a bare resistance and has no fixed resistor: the pin sees no voltage that says anything. ${best}`,
      poor: ({ fixed, part, here, best, evenness }) =>
        `${fixed} with ${part}: the flattest place has ${here} of the steepest slope; ${best} would give ${evenness}.`,
      holds: ({ fixed, part, here }) => `${fixed} with ${part}: the flattest place has ${here} of the steepest slope.`,
      meaning: 'Where the curve is flat a count is many units wide: one end of the range is read coarsely.',
      evenness: 'evenness',
      smallestSlopeLargestSlope: 'smallest slope ÷ largest slope over the wanted range',
      bestSeries: 'best of the series',
      warmsItselfTenthWanted: ({ part, kelvin, limit }) =>
        `${part} warms itself by ${kelvin}; a tenth of the wanted accuracy is ${limit}. A larger resistor, or power only while reading.`,
      warmsItselfMost: ({ part, kelvin }) => `${part} warms itself by ${kelvin} at most.`,
      currentMakesReadingHeats: 'The current that makes the reading heats the part: it shows its own warmth.',
      powerPart: 'power in the part',
      worst: ({ at }) => `worst at ${at}`,
      warmth: 'warmth',
      powerDissipationConstant: 'power ÷ dissipation constant',
    },
  }),
  'analog/ground-shift': check<AnalogGroundShiftSays>({
    rule: {
      short: 'ground shift',
      title: 'What a part draws does not lift its own reading',
      rule: 'From rest to peak, what the part draws × resistance of its ground lead and contacts ÷ volts per unit of the reading, is at most what its own error leaves of the accuracy wanted.',
      source: 'Ohm’s law; ASTM B258 and IEC 60028 (from memory)',
    },
    says: {
      broken: ({ part, amps, shift, limit }) =>
        `What ${part} draws lifts its ground by ${amps}: it reads ${shift} off, of ${limit} that are left. A ground of its own for the reading, or a thicker or shorter lead, mends that.`,
      holds: ({ part, shift, limit }) => `What ${part} draws moves its reading by ${shift}, of ${limit} that are left.`,
      meaning:
        'Supply current and reading come back on one wire; the current makes a voltage along it that is read, too.',
      fromRestPeak: 'from rest to peak',
      groundLeadContacts: 'ground lead and contacts',
      mGauge: ({ count, gauge }) => `${count} m of gauge ${gauge}`,
      liftsGround: 'lifts its ground by',
      currentResistance: 'current × resistance',
      readsOff: 'reads off by',
      per: ({ slope, unit }) => `÷ ${slope} per ${unit}`,
    },
  }),
  'analog/links': topic<AnalogLinksSays>({
    says: {
      railHighest: ({ high }) => `${high} of the rail at its highest`,
      through: ({ passes }) => `, through ${passes}`,
      output: ({ to, unit, through }) => `its output at ${to} ${unit}${through}`,
      outputHighest: ({ through }) => `its output at its highest${through}`,
    },
  }),
  'analog/range': check<AnalogRangeSays>({
    rule: {
      short: 'range',
      title: 'The output stays inside the converter’s range',
      rule: 'The voltage at the pin over the wanted range, worst case, is at most the converter’s full scale at its lowest; where one rail is full scale and feeds the part, both at the same end of it. A divider counts with its tolerance. Not said where level/over-voltage is broken at that pin.',
      source: 'the cards',
    },
    says: {
      broken: ({ part, high, limit }) =>
        `${part} gives up to ${high}; the converter ends at ${limit}. Everything above reads the same.`,
      holds: ({ part, high, limit }) => `${part} gives up to ${high}; the converter reads up to ${limit}.`,
      meaning: 'Beyond full scale the counts stand still: the upper part of the range is cut off.',
      highestPin: 'highest at the pin',
      fullScaleWhereNearest: 'full scale, where it is nearest',
      convertersReference: 'the converter’s reference',
    },
  }),
  'analog/resolution': check<AnalogResolutionSays>({
    rule: {
      short: 'counts',
      title: 'The way to the counts is fine enough',
      rule: 'Half a step, the converter’s error, its reference, and the tolerance of divider or fixed resistor, in the need’s unit at the worst place of the wanted range and all at their worst, are at most the wanted accuracy. Not said where need/accuracy is broken, of which it is a part.',
      source: 'the cards; adding all of them in full is the worst case',
    },
    says: {
      broken: ({ part, worst, accuracy }) =>
        `The way from ${part} to the counts adds up to ±${worst}; ±${accuracy} is wanted.`,
      holds: ({ part, worst, accuracy }) =>
        `The way from ${part} to the counts adds at most ±${worst}; ±${accuracy} is wanted.`,
      meaning:
        'A fine sensor read by a coarse converter gives coarse readings. Counting with a better converter, or calibrating it, mends that.',
      at: ({ at }) => `at ${at}`,
    },
  }),
  'analog/source': check<AnalogSourceSays>({
    rule: {
      short: 'source',
      title: 'The source is strong enough for the converter',
      rule: 'The resistance that the pin sees - of the output, of a divider’s two resistors side by side, of a bare part beside its fixed resistor - is at most what the converter tolerates. A capacitor at the pin, 2^bits times what the converter takes for a sample, gives it the sample in its place.',
      source:
        'the controller’s card: the sampling capacitor settles within the sample time; 14 pF for a sampling capacitor is common practice',
    },
    says: {
      dividersTwoResistorsSide: 'the divider’s two resistors side by side',
      output: 'of its output',
      line: ({ text, series }) => `${text}, and ${series} in the line`,
      pinSeesBesideGive: ({ part, ohms, fitted, wanted }) =>
        `The pin of ${part} sees ${ohms}, and ${fitted} beside it give the converter its sample; ${wanted} would do.`,
      meaning: 'The capacitor holds the voltage while the converter takes its sample, and fills again before the next.',
      wanted: 'wanted',
      plan: 'of the plan',
      fillsAgain: 'fills again in',
      broken: ({ part, seen, limit }) =>
        `The pin of ${part} sees ${seen}; the converter wants ${limit} at most. Readings come out low, and depend on the pin read before.`,
      holds: ({ part, seen, limit }) => `The pin of ${part} sees ${seen}; the converter takes up to ${limit}.`,
      converterFillsSmallCapacitor:
        'The converter fills a small capacitor through that resistance in a short time. A capacitor of 100 nF at the pin, or a pause before each sample, mends it.',
      seenFromPin: 'seen from the pin',
    },
  }),
};
