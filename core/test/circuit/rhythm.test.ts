import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { setRun } from '../../src/plan/edits.ts';
import type { PartChoice, Plan } from '../../src/plan/plan.ts';
import {
  card,
  controller,
  document,
  exactly,
  figure,
  judge,
  part,
  source5,
  terminals,
  V3,
  type Json,
} from '../support/build.ts';

const sensor = (current: Json, measure: Json = {}) =>
  card('sensor', {
    terminals: terminals('vcc', 'gnd'),
    supplies: [{ id: 'vcc', terminal: 'vcc', range: figure('V', { min: 2, max: 6 }), current }],
    measures: [
      {
        quantity: 'air temperature',
        unit: '°C',
        range: { from: 0, to: 50, source: 'sheet' },
        accuracy: [{ from: 0, to: 50, error: 0.2, source: 'sheet' }],
        ...measure,
      },
    ],
  });
const NEED: Plan['needs'] = [
  {
    id: 'air',
    kind: 'sense',
    quantity: 'air temperature',
    unit: '°C',
    from: 0,
    to: 40,
    accuracy: 1,
    interval: 60,
    place: 'here',
  },
];
const rhythm = (of: ReturnType<typeof sensor>, rest: Partial<PartChoice> = {}, plan: Partial<Plan> = {}) => {
  const circuit = deriveCircuit(
    document({
      cards: [source5('v', 3.3), of],
      parts: [part('v', 'v'), part('x', 'sensor', { needs: ['air'], feeds: { vcc: 'v.out' }, ...rest })],
      plan: { needs: NEED, ...plan },
    }),
  );
  return { rhythm: circuit.rhythms.get('x'), rail: circuit.rails.get('v.out') };
};

/** A controller that can sleep. */
function sleeper() {
  const mcu = controller();
  return card('mcu', {
    ...JSON.parse(JSON.stringify({ terminals: mcu.terminals, controller: mcu.controller })),
    kind: 'controller',
    supplies: [
      {
        id: 'vcc',
        terminal: 'vcc',
        range: figure('V', { min: 1, max: 6 }),
        current: { sleep: exactly('A', 1e-5), active: exactly('A', 0.02) },
      },
    ],
  });
}

describe('when a part is at work', () => {
  const current = { idle: exactly('A', 1e-3), active: exactly('A', 10e-3) };
  it('is at every reading of its need for as long as it converts', () => {
    const found = rhythm(sensor(current, { conversion: exactly('s', 6) }));
    expect(found.rhythm).to.include({ every: 60, rest: 'idle', after: null });
    // 10 mA × 6 s and 1 mA × 54 s of 60 s.
    expect(found.rail?.typical).to.be.closeTo((10e-3 * 6 + 1e-3 * 54) / 60, 1e-12);
    expect(found.rail?.peak).to.equal(10e-3);
  });
  it('is a share of the time where nothing says how long', () =>
    expect(rhythm(sensor({ ...current, duty: 0.1 })).rhythm).to.include({ every: null, duty: 0.1 }));
  it('is what the plan says before what card and need say', () => {
    const of = sensor(current, { conversion: exactly('s', 6) });
    expect(rhythm(of, { run: { every: 600, busy: 3 } }).rail?.typical).to.be.closeTo(
      (10e-3 * 3 + 1e-3 * 597) / 600,
      1e-12,
    );
    expect(rhythm(of, { run: { duty: 0.5 } }).rail?.typical).to.be.closeTo(5.5e-3, 1e-12);
  });
  it('warms up first where it was asleep', () => {
    const of = sensor(
      { ...current, sleep: exactly('A', 2e-6), warmUp: exactly('A', 4e-3) },
      { conversion: exactly('s', 6), warmUp: exactly('s', 30) },
    );
    const found = rhythm(of, { run: { rest: 'sleep' } });
    expect(found.rhythm?.phases.map(({ doing, from, to }) => [doing, from, to])).to.deep.equal([
      ['warm-up', 0, 30],
      ['active', 30, 36],
    ]);
    expect(found.rail?.typical).to.be.closeTo((4e-3 * 30 + 10e-3 * 6 + 2e-6 * 24) / 60, 1e-12);
  });
  it('cannot be off while nothing switches it, nor asleep where the card knows no sleep', () => {
    const of = sensor(current, { conversion: exactly('s', 6) });
    expect(rhythm(of, { run: { rest: 'off' } }).rhythm?.rest).to.equal('idle');
    expect(rhythm(of, { run: { rest: 'sleep' } }).rhythm?.rest).to.equal('idle');
  });
  it('takes the currents of the clock that it runs at', () => {
    const of = sensor({ ...current, duty: 1, clocks: [{ frequency: 1e6, active: exactly('A', 2e-3) }] });
    expect(rhythm(of, { run: { clock: 1e6, duty: 1 } }).rail?.typical).to.equal(2e-3);
  });

  it('of a controller that sleeps is as long as what it waits for', () => {
    const board = sleeper();
    const of = sensor(current, { conversion: exactly('s', 6) });
    const made = (rest: 'sleep' | 'idle') => {
      const { plan, cards } = document({
        cards: [V3, board, of],
        parts: [part('x', 'sensor', { needs: ['air'], feeds: { vcc: 'v3.out' } })],
        plan: { needs: NEED },
      });
      return deriveCircuit({ plan: setRun(plan, 'mcu', { rest }), cards });
    };
    const asleep = made('sleep').rhythms.get('mcu');
    expect(asleep?.phases).to.deep.equal([{ doing: 'active', from: 0, to: 6 }]);
    expect(
      made('sleep')
        .rails.get('v3.out')
        ?.loads.find(({ subject }) => subject === 'mcu')?.typical,
    ).to.be.closeTo((0.02 * 6 + 1e-5 * 54) / 60, 1e-12);
    expect(made('idle').rhythms.get('mcu')?.every).to.equal(null);
  });
  it('of a controller with nothing to wait for is as long as its card says that it takes to start', () => {
    const awake = (wakeTime: Json) => {
      const mcu = sleeper();
      const slow = card('mcu', { ...JSON.parse(JSON.stringify(mcu)), controller: { ...mcu.controller, ...wakeTime } });
      const { plan, cards } = document({ cards: [V3, slow], parts: [], plan: { needs: NEED } });
      return deriveCircuit({ plan: setRun(plan, 'mcu', { rest: 'sleep' }), cards }).rhythms.get('mcu')?.phases;
    };
    // Common practice where the card is silent.
    expect(awake({})).to.deep.equal([{ doing: 'active', from: 0, to: 0.05 }]);
    expect(awake({ wakeTime: exactly('s', 0.4) })).to.deep.equal([{ doing: 'active', from: 0, to: 0.4 }]);
  });
  it('of a controller that waits for what comes in some rounds only counts by its share, and in full at the most', () => {
    const { plan, cards } = document({
      cards: [V3, sleeper(), sensor(current, { conversion: exactly('s', 6) })],
      parts: [
        part('x', 'sensor', { needs: ['air'], feeds: { vcc: 'v3.out' } }),
        part('y', 'sensor', { feeds: { vcc: 'v3.out' }, run: { every: 600, busy: 16 } }),
      ],
      plan: { needs: NEED },
    });
    const found = deriveCircuit({ plan: setRun(plan, 'mcu', { rest: 'sleep' }), cards }).rhythms.get('mcu');
    // 6 s each minute, and 10 s more in one of ten.
    expect(found?.phases[0]?.to).to.be.closeTo(7, 1e-9);
    expect(found?.longest[0]?.to).to.be.closeTo(16, 1e-9);
  });
  it('that rests cannot be warm where it warms up for longer than the interval', () => {
    const of = sensor(
      { ...current, sleep: exactly('A', 2e-6) },
      { conversion: exactly('s', 6), warmUp: exactly('s', 90) },
    );
    const doc = (rest: 'sleep' | 'idle') =>
      judge({
        cards: [source5('v', 3.3), of],
        parts: [part('v', 'v'), part('x', 'sensor', { needs: ['air'], feeds: { vcc: 'v.out' }, run: { rest } })],
        plan: { needs: NEED },
      });
    expect(doc('idle').of('need/warm-up')[0]?.severity).to.equal('note');
    const asleep = doc('sleep');
    const [finding] = asleep.broken('need/warm-up');
    expect(finding).to.include({ severity: 'fault', measured: 90, limit: 60 });
    const ways = finding ? proposeRemedies(asleep.circuit, asleep.verdict, finding.result, asleep.circuit.cards) : [];
    expect(ways.map(({ id }) => id)).to.include('awake:x');
  });
});
