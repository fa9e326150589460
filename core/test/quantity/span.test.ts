import { expect } from 'chai';
import { DAY, HOUR, YEAR } from '../../src/quantity/span.ts';
import { formatSpan } from '../../src/say/say.ts';

describe('spans of time', () => {
  for (const [seconds, said] of [
    [0, '0 seconds'],
    [1, '1 second'],
    [90, '1.5 minutes'],
    [HOUR, '1 hour'],
    [5400, '1.5 hours'],
    [DAY, '1 day'],
    [90 * DAY, '90 days'],
    [1.5 * YEAR, '548 days'],
    [3.2 * YEAR, '3.2 years'],
    [Infinity, 'for ever'],
  ] as const)
    it(`says ${said}`, () => expect(formatSpan(seconds)).to.equal(said));
});
