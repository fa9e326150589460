/** What a result says of itself: a margin that is positive holds, and evidence is named for what it is. On random plans. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { CHECKS } from '../../src/check/registry.ts';
import { demo, PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';

const documents = [...PLANS.map(demo), ...Array.from({ length: 150 }, (_, i) => randomPlan(i * 7 + 1, 2 + (i % 9)))];

describe('results of 150 random plans and the four that ship', () => {
  const all = documents.flatMap((document) => {
    const circuit = deriveCircuit(document);
    return CHECKS.flatMap((check) => check.run(circuit));
  });
  it('hold where their margin is positive, and are a finding where it is negative', () => {
    const wrong = all.filter(
      ({ severity, margin }) =>
        margin !== null &&
        (((severity === 'danger' || severity === 'fault') && margin > 1e-9) || (severity === null && margin < -1e-6)),
    );
    expect(
      [...new Set(wrong.map(({ check, message, margin }) => `${check} ${margin}: ${message}`))].slice(0, 10),
    ).to.deep.equal([]);
  });
  it('name a source of figures only where a figure of a card comes in', () => {
    const lone = all.filter(({ rests }) => rests.length === 0);
    expect(lone).to.not.deep.equal([]);
    // A length that nobody has said is on trust, whatever else there is.
    expect(new Set(lone.map(({ evidence }) => evidence))).to.deep.equal(new Set(['plan', 'assumed', 'standard']));
    expect(lone.filter(({ assumed, evidence }) => assumed !== (evidence === 'assumed'))).to.deep.equal([]);
    // Nobody has measured anything on these.
    expect(all.filter(({ evidence }) => evidence === 'measured')).to.deep.equal([]);
  });
  it('print a figure wherever one is meant, and a unit that the trade uses', () => {
    const texts = all.flatMap(({ message, workings }) => [message, ...workings.map(({ sum }) => sum)]);
    const odd = texts.filter((text) => /NaN|undefined|null|\? [munpµkMGAVΩsFW]|\bks\b|\d\.\d{9,}/.test(say(text)));
    expect([...new Set(odd)].slice(0, 5)).to.deep.equal([]);
  });
});
