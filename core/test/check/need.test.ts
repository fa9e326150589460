import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { errorOver, rangeMargin } from '../../src/check/sense-error.ts';
import { card, judge, part, type Build } from '../support/build.ts';

const band = (from: number, to: number, error: number) => ({ from, to, error, source: 'sheet' });
const sensor = card('s', {
  measures: [
    {
      quantity: 'air humidity',
      unit: '%RH',
      range: { from: 0, to: 100, source: 'sheet' },
      accuracy: [band(0, 25, 3.5), band(25, 75, 1.8), band(75, 100, 3.5)],
      driftPerYear: { value: 0.25, source: 'sheet' },
    },
  ],
});
const wanting = (from: number, to: number, accuracy: number, years = 2): Build => ({
  cards: [sensor],
  parts: [part('p', 's', { needs: ['n'] })],
  plan: {
    lifeYears: years,
    needs: [
      {
        id: 'n',
        kind: 'sense',
        quantity: 'air humidity',
        unit: '%RH',
        from,
        to,
        accuracy,
        interval: 60,
        place: 'shelf',
      },
    ],
  },
});

describe('need/accuracy', () => {
  it('takes the error over the wanted range only: ±1.8 % from 25 to 75, and drift 2 × 0.25', () => {
    expect(judge(wanting(30, 70, 3)).of('need/accuracy')[0]).to.include({ measured: 2.3, severity: null });
    expect(judge(wanting(30, 70, 3)).of('need/accuracy')[0]?.evidence).to.equal('datasheet');
  });
  it('takes the worst band that is touched: ±3.5 % beyond 75', () => {
    const [found] = judge(wanting(70, 98, 3)).broken('need/accuracy');
    expect([found?.measured, found?.limit, found?.severity]).to.deep.equal([4, 3, 'fault']);
  });
  it('does not touch a band that only meets its end', () =>
    expect(judge(wanting(25, 75, 2.3)).broken('need/accuracy')).to.deep.equal([]));
  it('holds exactly at the limit and breaks just below it', () => {
    expect(judge(wanting(30, 70, 2.3)).broken('need/accuracy')).to.deep.equal([]);
    expect(judge(wanting(30, 70, 2.29)).broken('need/accuracy')).to.have.length(1);
  });
  it('adds drift for as long as it is meant to serve', () => {
    const [measure] = sensor.measures;
    expect(measure && errorOver(sensor, measure, { from: 30, to: 70 }, 10)).to.include({
      error: 1.8,
      drift: 2.5,
      total: 4.3,
    });
  });
});

describe('need/range', () => {
  it('passes a covered range and finds one that is not', () => {
    const narrow: Build = wanting(-5, 70, 3);
    expect(judge(wanting(0, 100, 9)).broken('need/range')).to.deep.equal([]);
    expect(judge(narrow).broken('need/range')[0]).to.include({ severity: 'fault', margin: -5 });
  });
  it('finds a need that nobody serves, or a part that does not measure it', () => {
    const alone = wanting(0, 100, 9);
    expect(judge({ ...alone, parts: [part('p', 's')] }).broken('need/range')[0]?.message).to.include(
      'No part is chosen for',
    );
    const other = card('s', {});
    expect(say(judge({ ...alone, cards: [other] }).broken('need/range')[0]?.message)).to.include(
      'does not measure air humidity',
    );
  });
  it('gives the tighter side', () => {
    const [measure] = sensor.measures;
    expect(measure && rangeMargin(measure, { from: 10, to: 99 })).to.deep.equal({
      margin: 1,
      measured: 100,
      limit: 99,
    });
  });
});
