import { expect } from 'chai';
import { sharedWith } from '../../src/plan/shared.ts';
import { drawnBase, drawnEdits } from '../support/drawn-edits.ts';

describe('a plan made of what is there already', () => {
  it('says what the copy said, and is the same where nothing is different', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const { plan } = drawnBase(seed);
      const whole = structuredClone(plan);
      expect(sharedWith(plan, whole)).to.equal(plan);
      for (const { document } of drawnEdits(drawnBase(seed), seed, 10)) {
        const copy = structuredClone(document.plan);
        const made = sharedWith(plan, copy);
        expect(made).to.deep.equal(document.plan);
        expect(Object.keys(made)).to.deep.equal(Object.keys(document.plan));
        // Parts that the edit leaves alone stay the same objects.
        for (const part of document.plan.parts)
          if (plan.parts.includes(part)) expect(made.parts.some((one) => one === part)).to.equal(true);
      }
    }
  });

  it('takes nothing that only looks the same', () => {
    expect(sharedWith({ a: undefined }, { b: undefined })).to.deep.equal({ b: undefined });
    expect(sharedWith([1, 2], { 0: 1, 1: 2 })).to.deep.equal({ 0: 1, 1: 2 });
    expect(sharedWith({ a: 1, b: 2 }, { a: 1 })).to.deep.equal({ a: 1 });
    expect(sharedWith({ a: [] }, { a: {} })).to.deep.equal({ a: {} });
    const odd = JSON.parse('{"__proto__":{},"constructor":{}}') as object;
    expect(Object.getOwnPropertyDescriptor(sharedWith({}, odd), '__proto__')?.value).to.not.equal(Object.prototype);
    expect(Object.keys(sharedWith({ a: 1 }, odd))).to.deep.equal(['__proto__', 'constructor']);
  });
});
