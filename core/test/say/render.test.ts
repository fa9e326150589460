import { expect } from 'chai';
import { addressOf, durationOf, priceOf, quantityOf, shareOf, wordOf } from '../../src/quantity/message.ts';
import { add, divide, inParallel, ln, multiply, noted, per, raise, subtract, valueOf } from '../../src/quantity/sum.ts';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { say } from '../../src/say/say.ts';
import { demo, PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';

const V = (volts: number) => quantityOf(volts, 'V');
const R = (ohms: number) => quantityOf(ohms, 'Ω');

describe('figures in words', () => {
  it('are written with the prefix and the unit of the trade', () => {
    expect(say(R(4700))).to.equal('4.7 kΩ');
    expect(say(quantityOf(0.084, 'Ω/m'))).to.equal('84 mΩ/m');
    expect(say(quantityOf(0.012, 'm²'))).to.equal('0.012 m²');
    expect(say(durationOf(90 * 86_400))).to.equal('90 days');
    expect(say(priceOf(12.3, 'EUR'))).to.equal('12.30 EUR');
    expect(say(addressOf(0x3c))).to.equal('0x3C');
    expect(say(shareOf(0.453))).to.equal('45 %');
    expect(say(wordOf('doing', 'warm-up'))).to.equal('warming up');
  });
  it('have the sign of a minus, with a unit or bare', () => {
    expect(say(V(-0.04))).to.equal('−40 mV');
    expect(say(-40)).to.equal('−40');
    const coldest = { topic: 'compare/measuring-lines', id: 'to', data: { from: -40, to: quantityOf(85, '°C') } };
    expect(say(coldest)).to.equal('−40 to 85 °C');
  });
  it('are left out where there is nothing', () => {
    expect(say(null) + say(undefined) + say([])).to.equal('');
  });
});

describe('a sum', () => {
  const cases = [
    { sum: subtract(V(5), V(3.3)), says: '5 V − 3.3 V', value: 1.7 },
    { sum: divide(subtract(V(5), V(2)), R(100)), says: '(5 V − 2 V) ÷ 100 Ω', value: 0.03 },
    { sum: subtract(V(5), subtract(V(3), V(1))), says: '5 V − (3 V − 1 V)', value: 3 },
    { sum: subtract(subtract(V(5), V(3)), V(1)), says: '5 V − 3 V − 1 V', value: 1 },
    { sum: divide(V(6), multiply(2, R(3))), says: '6 V ÷ (2 × 3 Ω)', value: 1 },
    { sum: multiply(divide(V(6), 2), 3), says: '6 V ÷ 2 × 3', value: 9 },
    { sum: divide(V(1), add(per(1, R(2)))), says: '1 V ÷ (1/2 Ω)', value: 2 },
    { sum: divide(V(1), per(V(2), '°C')), says: '1 V ÷ 2 V/°C', value: null },
    { sum: inParallel(R(100), R(100)), says: '100 Ω || 100 Ω', value: 50 },
    { sum: multiply(R(2), ln(divide(V(4), V(2)))), says: '2 Ω × ln(4 V ÷ 2 V)', value: 2 * Math.LN2 },
    { sum: raise(2, 10), says: '2^10', value: 1024 },
    { sum: add(noted(V(1), 'here'), V(2)), says: '1 V here + 2 V', value: 3 },
  ];
  for (const { sum, says, value } of cases)
    it(`is written ${says} and worked out`, () => {
      expect(say(sum)).to.equal(says);
      if (value === null) expect(valueOf(sum)).to.equal(null);
      else expect(valueOf(sum)).to.be.closeTo(value, 1e-12);
    });

  it('that a result shows gives the value beside it, in every step of every result', function () {
    this.timeout(120_000);
    const wrong: string[] = [];
    let tried = 0;
    const documents = [...PLANS.map(demo), ...Array.from({ length: 150 }, (_, i) => randomPlan(i + 1, 2 + (i % 7)))];
    for (const document of documents) {
      const { findings, passes } = verify(deriveCircuit(document));
      for (const { check, workings } of [...findings, ...passes])
        for (const { name, sum, value } of workings) {
          const worked = typeof sum === 'object' && 'op' in sum ? valueOf(sum) : null;
          if (worked === null || value === undefined) continue;
          tried += 1;
          if (Math.abs(worked - value) > 1e-9 * Math.max(1e-3, Math.abs(value)) + 1e-3 * Math.abs(value))
            wrong.push(`${check}, ${say(name)}: ${say(sum)} is ${worked}, not ${value}`);
        }
    }
    expect(tried).to.be.above(2000);
    expect([...new Set(wrong)].slice(0, 20)).to.deep.equal([]);
  });
});
