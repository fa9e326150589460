import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import type { Need, Plan } from '../../src/plan/plan.ts';
import { card, figure, judge, part, type Build } from '../support/build.ts';

const source = 'sheet';
const sensor = card('s', {
  measures: [
    {
      quantity: 'carbon monoxide',
      unit: 'ppm',
      range: { from: 0, to: 1000, source },
      accuracy: [{ from: 0, to: 1000, error: 10, source }],
      resolution: { value: 2, source },
      interval: figure('s', { min: 5 }),
      conversion: figure('s', { max: 8 }),
      warmUp: figure('s', { max: 180 }),
      sensitiveTo: [{ to: 'hydrogen', source }],
    },
  ],
});
const sense: Need = {
  id: 'n',
  kind: 'sense',
  quantity: 'carbon monoxide',
  unit: 'ppm',
  from: 0,
  to: 400,
  accuracy: 20,
  interval: 8,
  place: 'hall',
};
const trigger = (change: Partial<Extract<Need, { kind: 'trigger' }>> = {}): Need => ({
  id: 't',
  kind: 'trigger',
  of: 'n',
  when: 'above',
  level: 100,
  hysteresis: 4,
  release: 'clears',
  sets: [],
  ...change,
});
const build = (needs: Need[], plan: Partial<Plan> = {}): Build => ({
  cards: [sensor],
  parts: [part('p', 's', { needs: ['n'] })],
  plan: { needs, ...plan },
});

describe('need/interval', () => {
  it('counts the longer of interval and conversion: 8 s holds, 7.9 s does not', () => {
    expect(judge(build([sense])).of('need/interval')[0]).to.include({
      measured: 8,
      limit: 8,
      severity: null,
      margin: 0,
    });
    const [found] = judge(build([{ ...sense, interval: 7.9 }])).broken('need/interval');
    expect(found).to.include({ severity: 'fault' });
    expect(found?.margin).to.be.closeTo(-0.1, 1e-9);
  });
});

describe('need/warm-up', () => {
  it('tells that 180 s of warming do not fit between readings of 8 s, and is silent where they do', () => {
    expect(judge(build([sense])).of('need/warm-up')[0]).to.include({ severity: 'note', measured: 180, limit: 8 });
    expect(judge(build([{ ...sense, interval: 180 }])).of('need/warm-up')).to.deep.equal([]);
  });
});

describe('need/trigger', () => {
  const of = (need: Need) => judge(build([sense, need])).of('need/trigger');
  it('holds inside the range that is read: 100 ends at 96', () =>
    expect(of(trigger()).map(({ severity }) => severity)).to.deep.equal([null, null]));
  it('at the very end holds, beyond it is a fault', () => {
    expect(of(trigger({ level: 400 }))[0]).to.include({ severity: null, margin: 0 });
    expect(of(trigger({ level: 401 }))[0]).to.include({ severity: 'fault', margin: -1 });
  });
  it('that could never end is a fault: below 398 with 4 back is 402', () =>
    expect(of(trigger({ when: 'below', level: 398, hysteresis: 4 }))[0]).to.include({
      severity: 'fault',
      measured: 402,
      margin: -2,
    }));
  it('with less than two steps of 2 ppm chatters, unless it is sticky', () => {
    expect(of(trigger({ hysteresis: 3.9 })).find(({ subjects }) => subjects[1] === 'p')).to.include({
      severity: 'caution',
      limit: 4,
    });
    expect(of(trigger({ hysteresis: 0, release: 'sticky' }))).to.have.length(1);
  });
});

describe('a level that cannot be read, or chatters', () => {
  /** What each remedy makes of the triggering and the sensing need. */
  const remedies = (need: Need) => {
    const judged = judge(build([sense, need]));
    const [finding] = judged.broken('need/trigger');
    if (!finding) throw new Error('nothing found');
    return proposeRemedies(judged.circuit, judged.verdict, finding.result, judged.circuit.cards).map(({ title }) =>
      say(title),
    );
  };
  it('ends two steps back where it chatters', () =>
    expect(remedies(trigger({ hysteresis: 3.9 }))).to.deep.equal(['Let it end 4 ppm further back']));
  it('is read where it ends, or ends where it is read', () =>
    expect(remedies(trigger({ when: 'below', level: 398, hysteresis: 4 }))).to.include.members([
      'Let it end 2 ppm further back',
    ]));
  it('is read where it lies', () =>
    expect(remedies(trigger({ level: 401 })).some((title) => say(title).endsWith('to 401 ppm'))).to.equal(true));
});

describe('need/selectivity', () => {
  it('is a note, and a caution where the other gas is expected', () => {
    expect(judge(build([sense])).of('need/selectivity')[0]).to.include({ severity: 'note' });
    const hydrogen: Need = { ...sense, id: 'h', quantity: 'hydrogen' };
    expect(judge(build([sense, hydrogen])).of('need/selectivity')[0]?.severity).to.equal('caution');
  });
});

describe('need/accuracy', () => {
  it('says from where to where nothing is stated', () => {
    const gap = card('s', {
      measures: [
        {
          quantity: 'carbon monoxide',
          unit: 'ppm',
          range: { from: 0, to: 1000, source },
          accuracy: [
            { from: 0, to: 150, error: 5, source },
            { from: 300, to: 400, error: 5, source },
          ],
        },
      ],
    });
    const [found] = judge({ ...build([sense]), cards: [gap] }).broken('need/accuracy');
    expect(say(found?.message)).to.include('states no accuracy between 150 to 300 ppm');
  });
});
