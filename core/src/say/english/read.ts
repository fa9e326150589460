/** What is said of a text that cannot be read, and of figures that may mean something else. */
import type { CaptureSays } from '../../capture/capture.ts';
import type { I2cDecoderSays } from '../../capture/i2c-decoder.ts';
import type { ScanLogSays } from '../../capture/scan-log.ts';
import type { CorrectSays } from '../../card/reader/correct.ts';
import type { DoubtSays } from '../../card/reader/doubt.ts';
import type { PasteSays } from '../../card/reader/paste.ts';
import type { AddressSays } from '../../quantity/address.ts';
import type { QuantitySays } from '../../quantity/engineering.ts';
import { topic } from '../language.ts';

export const read = {
  'quantity/engineering': topic<QuantitySays>({
    says: {
      comma: ({ text, thousands, decimal }) =>
        `“${text}” may be ${thousands} or ${decimal}; write it without the comma`,
      noQuantity: ({ text, unit, example }) =>
        `“${text}” is no quantity in ${unit || 'plain numbers'}; write for example ${example.join(' or ')}`,
    },
  }),
  'quantity/address': topic<AddressSays>({
    says: { noAddress: ({ text }) => `“${text}” is no bus address; write 0x26 or 38, from 0x00 to 0x7F` },
  }),
  'card/correct': topic<CorrectSays>({
    says: {
      noValue: ({ text }) =>
        `“${text}” is no figure; write for example 2.7 to 5.5 V, 0.7 VDD, VDD - 0.3 V or 3 % + 2 ppm`,
      otherUnit: ({ unit, able }) => `it was read in ${unit}, and this figure is in ${able}`,
    },
  }),
  'card/paste': topic<PasteSays>({
    says: { characters: ({ most, found }) => `expected at most ${most} characters, found ${found}` },
  }),
  capture: topic<CaptureSays>({
    says: {
      at: ({ line, expected, found }) => `Line ${line}: expected ${expected}, found ${found}.`,
      words: 'words of a value change dump',
      charactersWithoutSpace: ({ count }) => `${count} characters without a space`,
      charactersWithoutEnd: ({ count }) => `${count} characters without a line end`,
      ticks: 'a time such as #1200',
      notBefore: ({ time }) => `a time not before ${time}`,
      change: 'a time, a change of a value or a section',
      declared: 'a variable that was declared',
      scale: 'a time scale such as 10 ns',
      variable: 'a variable as “wire 1 ! name”',
      endOf: ({ section }) => `$end of ${section}`,
      endOfFile: 'the end of the file',
      endOfRow: 'the end of the row',
      variables: 'variables, and then $enddefinitions',
      rows: 'rows of a time and at least one number',
      column: ({ name }) => `a column named ${name}`,
      row: 'a row of the table',
      time: 'a time',
      number: ({ column }) => `a number for ${column}`,
      quoted: ({ text }) => `“${text}”`,
    },
  }),
  'capture/i2c-decoder': topic<I2cDecoderSays>({
    says: { stopAfter: ({ bits }) => `a stop after ${bits} of nine bits` },
  }),
  'capture/scan-log': topic<ScanLogSays>({
    says: {
      address: ({ found }) => `expected an address from 0x00 to 0x7F, found ${found}`,
      inGrid: ({ expected, found }) => `expected ${expected} in that place of the grid, found ${found}`,
    },
  }),
  'card/doubt': topic<DoubtSays>({
    says: {
      onlySymbol: ({ symbol }) => `only the symbol ${symbol} says so`,
      whichClock: 'which clock is not said',
      whatOf: 'only its unit tells what it is of',
      fromZero: 'only the upper end is told; zero is taken for the lower',
      hasUsual: 'it has a usual value, so it is taken for what the part works at',
      belowGround: 'it begins below ground, so it is taken for what the part stands',
      maximumOfOutput: 'a maximum may be that of an output',
      whichState: 'the state of the part is not said',
      outputMayBeSignal: 'an output may be a signal',
      supplyOrSignal: 'an input voltage may be the supply or a signal',
      whichVoltage: 'which voltage is not said',
      standsNotMeasures: 'it may be what the part stands, not what it measures',
      airAround: 'a temperature range may be that of the air around',
      whichQuantity: ({ unit }) => `which quantity in ${unit} is not said`,
      halved: 'above 0x7F, so taken for the 8-bit form and halved',
      reserved: 'a reserved address',
      runningText: 'from running text',
      whichAddress: 'which address is not said',
      severalNumbers: 'several numbers stand under the head',
      whichRegister: 'which of the two is the register is not said',
      comma: 'a comma before three digits',
      blank: 'a blank before three digits: thousands, or two cells',
      units: 'its bounds are in different units',
      moreInCell: 'more stands in the cell than was read',
      size: 'an unusual size for this figure',
      order: 'its bounds are not in order',
      perYear: 'per year is not said',
      noUnit: 'no unit is written',
      elsewhere: ({ page }) => `page ${page} says otherwise`,
      slipBefore: 'on a sheet before, you mended or dropped what was read of these words',
      unusual: 'far from what parts of its kind have',
      besideRow: 'the name stands beside another row',
    },
  }),
};
