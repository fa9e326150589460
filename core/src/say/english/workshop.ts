/** What is said at the desk at which a part is entered. */
import type { AnswerSays } from '../../workshop/problem.ts';
import type { BuildSays } from '../../workshop/build.ts';
import type { FromSheetSays } from '../../workshop/lay-figure.ts';
import type { JudgeSays } from '../../workshop/doubt.ts';
import type { LackingSays } from '../../workshop/lacking.ts';
import type { MeasurementSays } from '../../workshop/measurements.ts';
import { topic } from '../language.ts';
import { list, start } from './grammar.ts';

export const workshop = {
  'workshop/measurements': topic<MeasurementSays>({
    says: {
      pullUp: ({ supply, line }) =>
        `With nothing connected, the ohmmeter between ${supply} and ${line}. A few kΩ to some tens of kΩ is a fitted pull-up; several hundred kΩ or more is none.`,
      idle: ({ supply }) =>
        `The milliammeter in the wire to ${supply}, everything wired and the part left alone: what it takes while nobody speaks to it.`,
      regulator: ({ supply, pin }) =>
        `5 V at ${supply} and ground, nothing else connected; the voltmeter between ${pin} and ground. Well below 5 V: it makes a rail of its own.`,
      byOhmmeter: ({ supply, line }) => `ohmmeter, ${supply} to ${line}`,
      byAmmeter: ({ supply }) => `milliammeter in ${supply}`,
      byVoltmeter: ({ supply, pin }) => `voltmeter at ${pin}, 5 V at ${supply}`,
      noPullUp: ({ line }) => `No pull-up is fitted on ${line}.`,
      fittedPullUp: ({ line, value }) => `A pull-up of ${value} is fitted on ${line}.`,
      noRegulator: ({ supply }) => `What is fed in at ${supply} goes on as it is: no regulator.`,
      regulated: ({ pin, value }) => `A regulator makes ${value}, seen at ${pin}.`,
      idles: ({ supply, value }) => `${supply} takes ${value} at rest.`,
    },
  }),
  'workshop/build': topic<BuildSays>({ says: { missing: ({ why }) => `A card cannot be without it (${why}).` } }),
  'workshop/from-sheet': topic<FromSheetSays>({
    says: {
      noSupply: 'no supply yet: it follows from what is printed',
      noRail: 'no rail yet: it follows from what is printed',
      noSignal: 'no line of this kind yet: it follows from what is printed',
      noSharedLine: 'no line yet that could carry a pull-up',
      noBus: 'no I²C port yet: it follows from what is printed',
      noPort: 'no port of this kind yet: it follows from what is printed',
      noValue: 'it has no value',
      noQuantity: 'of which quantity is not said',
      noAccuracy: ({ quantity }) => `no accuracy of ${quantity} was taken`,
      noRange: ({ quantity }) => `no range of ${quantity} is known`,
      sizeIncomplete: 'a size needs a length and a width',
      printedAlready: 'what is printed was typed already',
      standsAlready: ({ says }) => `another figure of the sheet stands there: ${says}`,
      noPlace: 'such parts have no such figure',
    },
  }),
  'workshop/lacking': topic<LackingSays>({ says: { cell: ({ column }) => `A row lacks “${column}”.` } }),
  'workshop/judge': topic<JudgeSays>({
    says: {
      unusual: ({ figure, value, from, to }) =>
        `${start(figure)}: ${value} is far from what such parts have, ${from} to ${to}. Is the unit right?`,
      order: ({ lower, low, upper, high }) =>
        `${start(lower)} is ${low}, above ${upper} of ${high}. One of the two is wrong, or they are exchanged.`,
      rangeUpsideDown: ({ of }) => `The range of ${of} ends below its beginning.`,
      accuracyWide: ({ of }) => `An accuracy of ${of} is wider than its whole range.`,
      accuracyBeside: ({ of }) => `An accuracy of ${of} holds where the part does not measure.`,
      stepWide: ({ of }) => `One step of ${of} is more than half of its range.`,
      sharedPin: ({ pin, one, other }) => `${start(one)} and ${other} are both on pin ${pin}.`,
      noGround: 'No pin is ground.',
      noFeed: 'Nothing can feed it: no supply, and no socket.',
      sharedPlace: ({ one, other }) => `${one} and ${other} stand at the same place of the header.`,
      lineMissing: ({ port, line }) => `Port ${port} has no ${line.toUpperCase()}.`,
      reservedAddress: ({ address }) => `${address} is kept by the bus for itself; parts have 0x08 to 0x77.`,
      addressTwice: ({ address }) => `${address} is there twice.`,
      channelTwice: ({ channel, one, other }) => `${start(one)} and ${other} are both ${channel}.`,
      pinIsPower: ({ pin }) => `Pin ${pin} carries power or ground, and is listed as one for a program.`,
      joinsItself: ({ channel }) => `Channel ${channel} joins a line with itself.`,
    },
  }),
  'workshop/answer': topic<AnswerSays>({
    says: {
      words: ({ most, found }) => `Up to ${most} characters are kept, these are ${found}.`,
      empty: 'An answer is expected here.',
      oneOf: ({ values, found }) => `Expected ${list(values, 'or')}, found “${found}”.`,
      yesNo: ({ found }) => `Expected yes or no, found “${found}”.`,
      whole: ({ from, to, found }) =>
        to < Number.MAX_SAFE_INTEGER
          ? `Expected a whole number from ${from} to ${to}, found “${found}”.`
          : `Expected a whole number from ${from} on, found “${found}”.`,
      number: ({ found }) => `Expected a number, found “${found}”.`,
      figure: ({ found }) => `Expected a figure, such as “2.4 to 5.5 V” or “at most 0.4 V”, found “${found}”.`,
      oneUnit: ({ found }) => `Expected one unit for all of it, found several in “${found}”.`,
      pair: ({ found }) => `Expected a name, an equals sign and a name, such as “sda=SDA”, found “${found}”.`,
      field: ({ found }) => `Expected bits and a name, such as “15-13 mode: 0 off | 1 slow”, found “${found}”.`,
      id: ({ found }) =>
        `Expected small letters, digits and hyphens, at most 48, such as “shelf-sensor”, found “${found}”.`,
    },
  }),
};
