/** "None of the single changes ends this" is a proof: here it is held to edits drawn without asking what is wrong. */
import { expect } from 'chai';
import { heldToEveryEdit } from '../support/impossible.ts';

/** Some each day, so that in time all are run; the bench runs five hundred. */
const FIRST = (Math.floor(Date.now() / 86_400_000) % 60) * 8 + 1;

describe('what no single change is said to end', () => {
  it(`is ended by none out of all edits, on random plans ${FIRST} to ${FIRST + 7}`, function () {
    this.timeout(300_000);
    const held = Array.from({ length: 8 }, (_, i) => heldToEveryEdit(FIRST + i));
    expect(held.flatMap(({ refuted }) => refuted)).to.deep.equal([]);
    expect(held.reduce((sum, { grave }) => sum + grave, 0)).to.be.greaterThan(0);
  });
});
