/** Ratings of contacts as sheets and lids of relays state them. Common practice, without a source. */
import { expect } from 'chai';
import { ratingsIn } from '../../../src/card/reader/contact-ratings.ts';

const CASES: readonly (readonly [string, readonly (readonly [amps: number, volts: number, kind: 'AC' | 'DC'])[]])[] = [
  [
    '10 A 250 VAC, 10 A 30 VDC',
    [
      [10, 250, 'AC'],
      [10, 30, 'DC'],
    ],
  ],
  [
    '10A 125VAC / 7A 240VAC',
    [
      [10, 125, 'AC'],
      [7, 240, 'AC'],
    ],
  ],
  [
    'AC 250 V / 5 A; DC 30 V / 5 A',
    [
      [5, 250, 'AC'],
      [5, 30, 'DC'],
    ],
  ],
  [
    '3 A at 120 V AC and 3 A at 24 V DC',
    [
      [3, 120, 'AC'],
      [3, 24, 'DC'],
    ],
  ],
  [
    '10A@250VAC 10A@28VDC',
    [
      [10, 250, 'AC'],
      [10, 28, 'DC'],
    ],
  ],
  ['0,5 A 125 VAC', [[0.5, 125, 'AC']]],
  ['Coil 5 VDC, 72 mA', []],
  ['Max. switching power 240 W', []],
];

describe('the rating of a contact', () => {
  for (const [text, wanted] of CASES)
    it(text, () => {
      const found = ratingsIn(text).map(({ amps, volts, alternating }) => [amps, volts, alternating ? 'AC' : 'DC']);
      expect(found).to.deep.equal(wanted);
    });
});
