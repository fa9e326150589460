/**
 * Readings that make sense. The cases come from the trade (common practice; 85 °C at start and the raw numbers from the data sheets of
 * the class, from memory) and were written before the code.
 */
import { expect } from 'chai';
import { deriveCircuit } from '../../../src/circuit/derive.ts';
import { type DoubtId, doubtsOf } from '../../../src/deliver/readings/doubts.ts';
import { readSeries } from '../../../src/deliver/readings/series.ts';
import { type ReadingAt, readingsOf } from '../../../src/deliver/readings/reading-at.ts';
import { sideBySide } from '../../../src/deliver/readings/twins.ts';
import { randomFrom } from '../../../src/quantity/random.ts';
import { say } from '../../../src/say/say.ts';
import { circuitOf, MATRIX } from '../../support/matrix.ts';
import { demo } from '../../support/demo.ts';

const circuit = deriveCircuit(demo('cupboard-verified'));
const cupboard = readingsOf(circuit);
const at = (part: string, quantity?: string): ReadingAt => {
  const found = cupboard.find((one) => one.part === part && (quantity === undefined || one.quantity === quantity));
  if (!found) throw new Error(`no reading of ${part} ${quantity}`);
  return found;
};
const of = (...values: (number | null)[]) => ({ values, seconds: null });
const first = (where: ReadingAt, ...values: (number | null)[]): DoubtId | undefined =>
  doubtsOf(where, of(...values))[0]?.id;

describe('a reading', function () {
  this.timeout(60_000);
  const wheel = at('probe-1');
  const air = at('shelf-top', 'air temperature');
  const humid = at('shelf-top', 'air humidity');

  it('that a sound part gives in its place is not doubted', () => {
    for (const value of [2, 9.5, 12.25, 18]) expect(first(wheel, value), String(value)).to.equal(undefined);
    expect(first(humid, 85)).to.equal(undefined);
  });

  it('of the class’s well-known wrong values is known by it', () => {
    expect(first(wheel, 85)).to.equal('atStart');
    expect(first(wheel, 12.5, 85, 12.5)).to.equal('atStart');
    expect(first(wheel, -127)).to.equal('errorCode');
    expect(first(air, -999)).to.equal('errorCode');
    expect(first(wheel, -0.0625)).to.equal('allOnes');
    expect(first(air, air.measure.range.from)).to.equal('allZeros');
    expect(first(air, air.measure.range.to)).to.equal('allOnes');
    expect(first(wheel, null)).to.equal('noNumber');
    expect(first(wheel, 12.5, null, 12.5)).to.equal('noNumber');
  });

  it('in another unit is known by what it is then', () => {
    expect(first(air, 53.6)).to.equal('fahrenheit');
    expect(first(at('air-gas'), 0.06)).to.equal('factor');
    expect(first(at('scale'), 2500)).to.equal('factor');
  });

  it('that no such part can give, or that the place does not have, is told apart', () => {
    expect(first(air, 400)).to.equal('beyondPart');
    expect(first(air, 31)).to.equal('outsideNeed');
    // A cupboard at 45 °C, or 45 °F: both are said, the likelier first.
    expect(doubtsOf(air, of(45)).map(({ id }) => id)).to.deep.equal(['fahrenheit', 'outsideNeed']);
  });

  it('of a series: stuck, too fast, or with single ones far off', () => {
    const stuck = { values: Array<number>(60).fill(12.31), seconds: 60 };
    expect(doubtsOf(air, stuck)[0]?.id).to.equal('stuck');
    const moving = Array.from({ length: 60 }, (_, i) => 12 + (i % 7) / 100);
    expect(doubtsOf(air, { values: moving, seconds: 60 })).to.deep.equal([]);
    expect(doubtsOf(air, { values: moving, seconds: 0.2 })[0]?.id).to.equal('tooFast');
    const spiked = moving.map((value, i) => (i === 30 ? 19.9 : value));
    expect(doubtsOf(air, { values: spiked, seconds: 60 })[0]?.id).to.equal('spikes');
  });

  it('says what is seen and the likely cause in words', () => {
    const [doubt] = doubtsOf(wheel, of(85));
    expect(say(doubt?.seen)).to.include('85 °C');
    expect(say(doubt?.cause).length).to.be.greaterThan(20);
  });

  it('of two that lie side by side may differ by what their cards allow, and no more', () => {
    const other = at('probe-2');
    const pair = sideBySide(circuit, wheel, 12, other, 12.4);
    expect(pair.allowed).to.be.closeTo(0.6, 0.01);
    expect([pair.difference, pair.holds]).to.deep.equal([12 - 12.4, true]);
    expect(sideBySide(circuit, wheel, 12, other, 13.2).holds).to.equal(false);
    // Nothing is stated there: nothing can be said.
    expect(sideBySide(circuit, wheel, 400, other, 400).allowed).to.equal(null);
  });

  it('is read from what is pasted: one to a line, with a time before it, with names, with nan among them', () => {
    expect(readSeries('12.5\n12.6\nnan\n12.7')).to.deep.equal({ values: [12.5, 12.6, null, 12.7], seconds: null });
    expect(readSeries('0, 12.5\n60, 12.6\n120, 12.7')).to.deep.equal({ values: [12.5, 12.6, 12.7], seconds: 60 });
    expect(readSeries('temperature = 12,5 °C\ntemperature = 12,6 °C').values).to.deep.equal([12.5, 12.6]);
    expect(readSeries('kettle').values).to.deep.equal([]);
  });
});

/** Every part that senses, each in the plan that its pair makes. */
const every = MATRIX.filter(({ by, controller }) => by === 'socket' && controller.id === 'stick-board').flatMap(
  (cell) => readingsOf(circuitOf(cell)).slice(0, 1),
);

/** What a sound part prints: what is true, within its error, in its steps, with a step of noise. */
function soundSeries(where: ReadingAt, random: () => number) {
  const { measure, need } = where;
  const [from, to] = need ? [need.from, need.to] : [measure.range.from, measure.range.to];
  const step = measure.resolution?.value ?? (to - from) / 1e4;
  const error = Math.min(...measure.accuracy.map((band) => band.error), (to - from) / 10);
  const count = 1 + Math.floor(random() * 90);
  const base = from + (0.2 + 0.6 * random()) * (to - from);
  const slope = ((random() - 0.5) * (to - from)) / 2000;
  const values = Array.from({ length: count }, (_, i) => {
    const read = base + slope * i + error * Math.sin(i / 9) + (Math.floor(random() * 3) - 1) * step;
    return Math.min(to, Math.max(from, Math.round(read / step) * step));
  });
  return { values, seconds: random() < 0.5 ? null : Math.max(1, where.shortest ?? 0) * (1 + random() * 100) };
}

describe('readings of every part that ships', function () {
  this.timeout(60_000);

  it('are not doubted where the part is sound: 3000 series', () => {
    const random = randomFrom(29);
    expect(every.length).to.be.greaterThan(20);
    for (let n = 0; n < 3000; n++) {
      const where = every[n % every.length];
      if (!where) continue;
      const series = soundSeries(where, random);
      const doubts = doubtsOf(where, series).map(({ id }) => id);
      expect(doubts, `${say(where.label)}, ${where.quantity}: ${series.values.slice(0, 8).join(' ')}`).to.deep.equal(
        [],
      );
    }
  });

  it('are doubted where they are lost, stuck at an end, or no number: the right thing first', () => {
    const random = randomFrom(31);
    const wrong: string[] = [];
    let tried = 0;
    for (const where of every) {
      const { measure, need, shortest } = where;
      const sound = soundSeries(where, random).values;
      const put = (value: number | null) => sound.map((v, i) => (i === Math.floor(sound.length / 2) ? value : v));
      const beyond = measure.range.to + (measure.range.to - measure.range.from);
      const cases: [DoubtId, (number | null)[], number | null][] = [
        ['noNumber', put(null), null],
        ['errorCode', [-9999], null],
        ['beyondPart', [beyond * 1.37 + 0.123], null],
        ...(shortest !== null && sound.length > 2
          ? [['tooFast', sound, shortest / 10] as [DoubtId, number[], number]]
          : []),
        ...(need && need.to < measure.range.to * 0.5 && need.to > 0 && where.isDigital
          ? [['allOnes', [measure.range.to], null] as [DoubtId, number[], null]]
          : []),
      ];
      for (const [id, values, seconds] of cases) {
        tried += 1;
        const found = doubtsOf(where, { values, seconds })[0]?.id;
        if (found !== id) wrong.push(`${say(where.label)} ${where.quantity} ${id}: ${found}`);
      }
    }
    expect(tried).to.be.greaterThan(80);
    expect(wrong).to.deep.equal([]);
  });
});

describe('what is not doubted', function () {
  this.timeout(60_000);

  it('is within what the part can read and what is wanted, whatever is wanted: 20 000 values looked for one that is not', () => {
    const random = randomFrom(41);
    const wrong: string[] = [];
    for (let n = 0; n < 20_000; n++) {
      const part = every[n % every.length];
      if (!part) continue;
      const { range, accuracy } = part.measure;
      const error = Math.max(...accuracy.map((band) => band.error));
      const width = range.to - range.from;
      // Wishes beyond what the part can do are met by no reading of it.
      const from = range.from + (random() * 2 - 1) * width;
      const to = from + (0.05 + random()) * width;
      const where = { ...part, need: part.need && { ...part.need, from, to } };
      const value = range.from + (random() * 4 - 1.5) * width;
      // Alone, or among others that are in order.
      const middle = range.from + random() * width;
      const values = random() < 0.5 ? [value] : [middle, value, middle];
      if (doubtsOf(where, { values, seconds: null }).length > 0) continue;
      const isAlone = values.length === 1 && part.need !== null;
      const [low, high] = isAlone ? [Math.max(range.from, from), Math.min(range.to, to)] : [range.from, range.to];
      if (value < low - error || value > high + error)
        wrong.push(`${say(part.label)}: ${value} in ${range.from}…${range.to}, wanted ${from}…${to}`);
    }
    expect(wrong.length, wrong.slice(0, 4).join('\n')).to.equal(0);
  });
});
