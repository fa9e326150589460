import { expect } from 'chai';
import type { PartChoice, Place, Plan } from '../../src/plan/plan.ts';
import { riseAt } from '../../src/physics/heat.ts';
import { besselK0 } from '../../src/standard/bessel.ts';
import { humidityShift } from '../../src/standard/humidity.ts';
import { card, exactly, figure, judge, part, source5, terminals, type Json } from '../support/build.ts';
import { load } from '../support/power-build.ts';

const place = (more: Partial<Place> = {}): Place => ({
  name: 'shed',
  water: 'dry',
  outdoors: false,
  closed: false,
  ...more,
});
const sensor = (body: Json = {}, lead?: number) =>
  card('sensor', {
    terminals: [
      ...terminals('vcc', 'gnd'),
      ...(lead
        ? [
            {
              id: 'out',
              label: 'out',
              role: 'unused',
              header: 'main',
              position: 3,
              lead: { colour: 'red', length: lead },
            },
          ]
        : []),
    ],
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 2, max: 6 }), current: { active: exactly('A', 0.001) } },
    ],
    measures: ['air temperature', 'air humidity'].map((quantity) => ({
      quantity,
      unit: quantity === 'air humidity' ? '%RH' : '°C',
      range: { from: 0, to: 100, source: 'sheet' },
      accuracy: [{ from: 0, to: 100, error: quantity === 'air humidity' ? 1 : 0.2, source: 'sheet' }],
    })),
    body,
  });
const NEEDS: Plan['needs'] = [
  {
    id: 'air',
    kind: 'sense',
    quantity: 'air temperature',
    unit: '°C',
    from: 0,
    to: 40,
    accuracy: 0.5,
    interval: 60,
    place: 'shed',
  },
  {
    id: 'rh',
    kind: 'sense',
    quantity: 'air humidity',
    unit: '%RH',
    from: 20,
    to: 80,
    accuracy: 3,
    interval: 60,
    place: 'shed',
  },
];
const found = (check: string, at: Place, of = sensor(), choice: Partial<PartChoice> = {}, plan: Partial<Plan> = {}) =>
  judge({
    cards: [source5('v', 5), of, load('hot', 0.1)],
    parts: [
      part('v', 'v'),
      part('hot', 'hot', { feeds: { vcc: 'v.out' }, lead: 1e-9 }),
      part('x', 'sensor', { needs: ['air', 'rh'], feeds: { vcc: 'v.out' }, ...choice }),
    ],
    plan: { needs: NEEDS, places: [at], lifeYears: 1, ...plan },
  })
    .of(check)
    .find(({ subjects }) => subjects[0] === 'x');

describe('body/ambient', () => {
  const of = sensor({ ambient: figure('°C', { min: -10, max: 50 }) });
  const at = (from: number, to: number) => found('body/ambient', place({ air: { from, to } }), of);
  it('holds exactly at both ends', () => expect(at(-10, 50)?.severity).to.equal(null));
  it('finds the end that it leaves', () => {
    expect(at(-11, 20)).to.include({ severity: 'fault', measured: -11, limit: -10, margin: -1 });
    expect(at(0, 51)).to.include({ severity: 'fault', measured: 51, limit: 50, margin: -1 });
  });
  it('says nothing where the place says nothing', () => expect(found('body/ambient', place(), of)).to.equal(undefined));
});

describe('body/water', () => {
  const at = (water: Place['water'], rating?: string) =>
    found('body/water', place({ water }), sensor(rating ? { water: { rating, source: 'sheet' } } : {}));
  it('finds a part that stands less than its place asks', () => {
    expect(at('splash', 'dry')?.severity).to.equal('fault');
    expect(at('immersion', 'splash')?.severity).to.equal('fault');
    expect(at('splash')?.severity).to.equal('fault');
  });
  it('passes one that stands as much or more', () => {
    expect(at('splash', 'splash')?.severity).to.equal(null);
    expect(at('dry', 'immersion')?.severity).to.equal(null);
    expect(at('dry')).to.equal(undefined);
  });
});

describe('body/lead', () => {
  const at = (own: number | undefined, planned?: number) =>
    found('body/lead', place({ lead: 3 }), sensor({}, own), planned ? { lead: planned } : {});
  it('adds the part’s own wires and those of the plan', () => {
    expect(at(2, 1)).to.include({ severity: null, measured: 3, limit: 3 });
    expect(at(2, 0.9)?.severity).to.equal('fault');
    expect(at(3)?.severity).to.equal(null);
    // Where nobody has said how long they are, they are as long as the way.
    expect(at(undefined)?.measured).to.equal(3);
  });
});

describe('body/wear', () => {
  const worn = (years: number, run?: PartChoice['run']) =>
    found(
      'body/wear',
      place(),
      sensor({ wear: { life: exactly('s', 0.5 * 365.25 * 86400), says: 'It fades.' } }),
      run ? { run } : {},
      { lifeYears: years },
    );
  it('is the life of the build × the share of the time at work', () => {
    expect(worn(0.5)).to.include({ severity: null, margin: 0 });
    expect(worn(1)).to.include({ severity: 'caution', measured: 1, limit: 0.5 });
    expect(worn(1, { duty: 0.5 })?.severity).to.equal(null);
    expect(worn(10, { every: 60, busy: 2 })?.measured).to.be.closeTo(10 / 30, 1e-9);
  });
});

describe('body/heat', () => {
  const beside = (distance: number, accuracy: number, need = 'air') =>
    judge({
      cards: [source5('v', 5), sensor(), load('hot', 0.1)],
      parts: [
        part('v', 'v'),
        part('hot', 'hot', { feeds: { vcc: 'v.out' }, lead: 1e-9 }),
        part('x', 'sensor', { needs: ['air', 'rh'], feeds: { vcc: 'v.out' }, beside: { part: 'hot', distance } }),
      ],
      plan: { needs: NEEDS.filter(({ id }) => id === need).map((n) => ({ ...n, accuracy })), lifeYears: 1 },
    })
      .of('body/heat')
      .find(({ subjects }) => subjects[0] === 'x');
  // By hand: 5 V × 100 mA = 0.5 W; √(2 × 10 ÷ 0.005) = 63.25 per m; at 20 mm 0.5 ÷ (2π × 0.005) × K0(1.265).
  const rise = (0.5 / (2 * Math.PI * 0.005)) * besselK0(0.02 * Math.sqrt(4000));
  it('is the rise on the board at the distance', () => {
    expect(riseAt(0.5, 0.02)).to.be.closeTo(rise, 1e-9);
    expect(beside(0.02, 10)?.measured).to.be.closeTo(rise, 1e-6);
    // Of 10 K wanted 0.2 are the part’s own.
    expect(beside(0.02, 10)?.limit).to.be.closeTo(9.8, 1e-9);
  });
  it('is a fault where it eats what the part leaves of the accuracy, exactly', () => {
    expect(beside(0.02, rise + 0.2)?.severity).to.equal(null);
    expect(beside(0.02, rise + 0.19)?.severity).to.equal('fault');
  });
  it('lowers a humidity reading by the vapour that warmer air could hold', () => {
    expect(beside(0.02, 60, 'rh')?.measured).to.be.closeTo(humidityShift(80, 20, rise), 1e-6);
  });
  it('grows with the power and shrinks with the distance', () => {
    for (const metres of [0.005, 0.01, 0.05, 0.2]) {
      expect(riseAt(1, metres)).to.be.closeTo(2 * riseAt(0.5, metres), 1e-12);
      expect(riseAt(1, metres)).to.be.above(riseAt(1, metres * 1.1));
    }
  });
  it('counts all that is in one closed box outdoors: 0.5 W and 5 mW ÷ 0.25 W/K', () => {
    const box = place({ closed: true, outdoors: true });
    const warm = judge({
      cards: [source5('v', 5), sensor(), load('hot', 0.1)],
      parts: [
        part('v', 'v'),
        part('hot', 'hot', { feeds: { vcc: 'v.out' }, lead: 1e-9, place: 'shed' }),
        part('x', 'sensor', { needs: ['air'], feeds: { vcc: 'v.out' } }),
      ],
      plan: { needs: NEEDS.slice(0, 1), places: [box], lifeYears: 1 },
    }).of('body/heat');
    expect(warm[0]?.measured).to.be.closeTo((0.5 + 0.005) / 0.25, 1e-6);
    expect(warm[0]?.severity).to.equal('fault');
    expect(found('body/heat', place())).to.equal(undefined);
  });
});
