/** "None of the single changes ends this" is a proof: here it is held to edits drawn without asking what is wrong. */
import { expect } from 'chai';
import { heldToEveryEdit } from '../support/impossible.ts';

/** The dearest take twenty seconds each. */
const MANY = 4;
/** Some each day, so that in time all are run; the bench runs five hundred. */
const FIRST = (Math.floor(Date.now() / 86_400_000) % 125) * MANY + 1;

describe('what no single change is said to end', () => {
  it(`is ended by none out of all edits, on random plans ${FIRST} to ${FIRST + MANY - 1}`, function () {
    this.timeout(300_000);
    const held = Array.from({ length: MANY }, (_, i) => heldToEveryEdit(FIRST + i));
    expect(held.flatMap(({ refuted }) => refuted)).to.deep.equal([]);
    expect(held.reduce((sum, { grave }) => sum + grave, 0)).to.be.greaterThan(0);
  });
});
