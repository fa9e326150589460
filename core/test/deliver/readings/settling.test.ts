/** Readings that are still on their way: series drawn as a sensor of first order gives them, and others that only look like it. */
import { expect } from 'chai';
import { deriveCircuit } from '../../../src/circuit/derive.ts';
import { doubtsOf } from '../../../src/deliver/readings/doubts.ts';
import { readingsOf } from '../../../src/deliver/readings/reading-at.ts';
import { settlingOf } from '../../../src/deliver/readings/settling.ts';
import { randomFrom } from '../../../src/quantity/random.ts';
import { say } from '../../../src/say/say.ts';
import { demo } from '../../support/demo.ts';

const ERROR = 0.5;
/** Near enough normal: of twelve even ones. */
const noise = (random: () => number, size: number): number =>
  size * (Array.from({ length: 12 }, random).reduce((a, b) => a + b) - 6);

interface Drawn {
  readonly values: number[];
  readonly seconds: number;
  readonly limit: number;
  /** s, of the time in which 63 % of what is left go by. */
  readonly tau: number;
  /** What is left after the last reading. */
  readonly left: number;
}
/** A step of so many errors, looked at for so many time constants. */
function drawn(random: () => number, errors: number, constants: number, count: number): Drawn {
  const seconds = [0.5, 2, 10, 60][Math.floor(random() * 4)] ?? 1;
  const tau = (seconds * count) / constants;
  const limit = random() * 60 - 20;
  const step = (random() < 0.5 ? -1 : 1) * errors * ERROR;
  const clean = Array.from({ length: count }, (_, i) => limit - step * Math.exp((-i * seconds) / tau));
  return {
    values: clean.map((value) => value + noise(random, ERROR / 20)),
    seconds,
    limit,
    tau,
    left: Math.abs(step * Math.exp(-((count - 1) * seconds) / tau)),
  };
}

describe('a series of readings', () => {
  it('that is still on its way is known, with where it goes and how long that takes: 2000 drawn', () => {
    const random = randomFrom(5);
    let [found, near] = [0, 0];
    for (let i = 0; i < 2000; i++) {
      // Between one and two and a half time constants, of a step of 25 to 40 errors: at least twice the error is left.
      const one = drawn(random, 25 + random() * 15, 1 + random() * 1.2, 20 + Math.floor(random() * 80));
      const settling = settlingOf(one.values, one.seconds, ERROR);
      if (!settling) continue;
      found += 1;
      const all = Math.abs(one.limit - (one.values[0] ?? 0));
      if (Math.abs(settling.limit - one.limit) < 0.1 * all && Math.abs(settling.tau / one.tau - 1) < 0.25) near += 1;
    }
    // Above 1900 before both ends of a series had to agree, which keeps places that follow the sun from being taken for it.
    expect(found).to.be.above(1800);
    expect(near / found).to.be.above(0.95);
  });

  it('that has settled is not: 2000 drawn after seven time constants and more, and as many that only lie there', () => {
    const random = randomFrom(6);
    for (let i = 0; i < 2000; i++) {
      const count = 20 + Math.floor(random() * 80);
      const one = drawn(random, 10 + random() * 30, 7 + random() * 5, count);
      expect(settlingOf(one.values, one.seconds, ERROR), `settled ${i}`).to.equal(null);
      const level = random() * 40;
      const lies = Array.from({ length: count }, () => level + noise(random, ERROR * random()));
      expect(settlingOf(lies, 1, ERROR), `lies ${i}`).to.equal(null);
    }
  });

  it('that creeps on behind a first, quicker change goes beyond what is said, never short of it', () => {
    const random = randomFrom(8);
    let said = 0;
    for (let i = 0; i < 1000; i++) {
      const count = 20 + Math.floor(random() * 80);
      const tau = (2 * count) / (1 + random() * 1.2);
      const left = (t: number) => 0.5 * Math.exp(-t / tau) + 0.5 * Math.exp(-t / (5 * tau));
      const values = Array.from({ length: count }, (_, n) => 20 - 15 * left(2 * n) + noise(random, ERROR / 20));
      const settling = settlingOf(values, 2, ERROR);
      if (!settling) continue;
      said += 1;
      expect(settling.limit).to.be.below(20);
      expect(15 * left(2 * count + settling.done)).to.be.above(ERROR);
    }
    expect(said).to.be.above(100);
  });

  it('of a place that follows the sun is no settling', () => {
    for (let count = 20; count < 200; count++) {
      const values = Array.from({ length: count }, (_, n) => 5 + 15 * Math.sin((Math.PI / 2) * (n / count)));
      expect(settlingOf(values, 60, ERROR), String(count)).to.equal(null);
    }
  });

  it('that goes evenly, to and fro, or as it pleases is no settling, but for a few in a hundred', () => {
    const random = randomFrom(7);
    let taken = 0;
    for (let i = 0; i < 900; i++) {
      const count = 20 + Math.floor(random() * 80);
      let walk = 0;
      const values = Array.from({ length: count }, (_, n) => {
        if (i % 3 === 0) return (n / count) * 20 + noise(random, 0.05);
        if (i % 3 === 1) return 10 * Math.sin((2 * Math.PI * n * (1 + (i % 5))) / count);
        walk += noise(random, 1);
        return walk;
      });
      if (settlingOf(values, 1, ERROR)) taken += 1;
    }
    expect(taken).to.be.below(27);
  });

  it('is said with what it goes to, and where the part has not warmed up yet, that it has not', () => {
    const all = readingsOf(deriveCircuit(demo('cupboard-verified')));
    const saidOf = (part: string, step: number, seconds: number, count = 30) => {
      const at = all.find((one) => one.part === part && one.need !== null);
      if (!at?.need) throw new Error(`nothing is wanted of ${part}`);
      const middle = (at.need.from + at.need.to) / 2;
      const values = Array.from({ length: count }, (_, i) => middle - step * Math.exp((-1.5 * i) / count));
      const doubt = doubtsOf(at, { values, seconds }).find(({ id }) => id === 'settling');
      return doubt && `${say(doubt.seen)}. ${say(doubt.cause)}`;
    };
    expect(saidOf('probe-1', 8, 10)).to.match(
      /^it is still on its way, to .* °C or beyond, for another \d+ (s|min) at least\. /,
    );
    expect(saidOf('air-gas', 1500, 5, 10)).to.match(/warm/);
    expect(saidOf('probe-1', 0.1, 10)).to.equal(undefined);
  });
});
