/** The timeline against a simulation that walks through the schedule step by step and knows nothing of steps. */
import { expect } from 'chai';
import fc from 'fast-check';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { timeline } from '../../src/physics/timeline.ts';
import { stagger } from '../../src/remedy/stagger.ts';
import type { Card } from '../../src/card/card.ts';
import { card, document, exactly, figure, part, source5, terminals } from '../support/build.ts';

interface Wanted {
  readonly every: number;
  /** Null: it keeps to no order. */
  readonly after: number | null;
  readonly stages: readonly { readonly amps: number; readonly ticks: number }[];
  readonly idle: number;
  readonly behind: boolean;
}

const TICK = 0.25;
const EFFICIENCY = [
  { current: 0.01, share: 0.6 },
  { current: 0.1, share: 0.85 },
  { current: 1, share: 0.8 },
];

const wanted: fc.Arbitrary<Wanted> = fc.record({
  every: fc.constantFrom(2, 3, 4, 6),
  after: fc.option(fc.integer({ min: 0, max: 10 }).map((n) => n * TICK)),
  stages: fc.array(
    fc.record({ amps: fc.integer({ min: 1, max: 200 }).map((n) => n / 1e3), ticks: fc.integer({ min: 1, max: 3 }) }),
    {
      minLength: 1,
      maxLength: 2,
    },
  ),
  idle: fc.integer({ min: 0, max: 9 }).map((n) => n / 1e3),
  behind: fc.boolean(),
});

const NAMES = ['heating', 'transmitting'] as const;
const cardOf = (w: Wanted, i: number): Card =>
  card(`load-${i}`, {
    terminals: terminals('vcc', 'gnd'),
    supplies: [
      {
        id: 'vcc',
        terminal: 'vcc',
        range: figure('V', { min: 2, max: 6 }),
        current: {
          idle: exactly('A', w.idle),
          active: exactly('A', 0.05),
          stages: w.stages.map(({ amps, ticks }, k) => ({
            name: NAMES[k],
            current: exactly('A', amps),
            time: exactly('s', ticks * TICK),
          })),
        },
      },
    ],
  });

const regulator = card('reg', {
  kind: 'regulator',
  terminals: terminals('vcc', 'out', 'gnd'),
  supplies: [
    { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 4, max: 6 }), current: { active: exactly('A', 0.004) } },
  ],
  rails: [
    {
      id: 'out',
      name: '3 V',
      terminal: 'out',
      voltage: exactly('V', 3),
      limit: exactly('A', 5),
      from: { supply: 'vcc', by: 'switching', efficiency: 0.8, curve: EFFICIENCY },
    },
  ],
});

const circuitOf = (list: readonly Wanted[]) =>
  deriveCircuit(
    document({
      cards: [source5('v5', 5), regulator, ...list.map(cardOf)],
      parts: [
        part('reg', 'reg', { feeds: { vcc: 'v5.out' } }),
        ...list.map((w, i) =>
          part(`x${i}`, `load-${i}`, {
            feeds: { vcc: w.behind ? 'reg.out' : 'v5.out' },
            run: { every: w.every, ...(w.after === null ? {} : { after: w.after }) },
          }),
        ),
      ],
    }),
  );

/** Share of the power that arrives, read off the curve by hand. */
function share(amps: number): number {
  if (amps <= 0.01) return 0.6;
  if (amps >= 1) return 0.8;
  const [a, b] = amps < 0.1 ? [EFFICIENCY[0], EFFICIENCY[1]] : [EFFICIENCY[1], EFFICIENCY[2]];
  if (!a || !b) throw new Error('no such stretch');
  return a.share + (b.share - a.share) * (Math.log10(amps / a.current) / Math.log10(b.current / a.current));
}

/** Current of one part at a tick: it waits, begins, goes through its stages and waits again. */
function draws(w: Wanted, tick: number, began: number): number {
  const round = w.every / TICK;
  let inside = (((tick - began / TICK) % round) + round) % round;
  for (const { amps, ticks } of w.stages) {
    if (inside < ticks) return amps;
    inside -= ticks;
  }
  return w.idle;
}

const LONG = 12 / TICK;
const highestOf = (w: Wanted) => Math.max(w.idle, ...w.stages.map(({ amps }) => amps));

/** Source current at every tick. */
function simulated(list: readonly Wanted[], pick: (w: Wanted, tick: number) => number): number[] {
  return Array.from({ length: LONG }, (_, tick) => {
    const sum = (behind: boolean) =>
      list.filter((w) => w.behind === behind).reduce((total, w) => total + pick(w, tick), 0);
    const out = sum(true);
    return sum(false) + 0.004 + (out === 0 ? 0 : (out * 3) / (share(out) * 5));
  });
}

describe('the timeline', () => {
  it('has the averages and peaks of a simulation step by step', () =>
    fc.assert(
      fc.property(fc.array(wanted, { minLength: 1, maxLength: 6 }), (list) => {
        fc.pre(list.every(({ every, stages }) => stages.reduce((sum, { ticks }) => sum + ticks * TICK, 0) <= every));
        const line = timeline(circuitOf(list), 'v5.out');
        const began = (w: Wanted) => w.after ?? 0;
        const planned = simulated(list, (w, tick) => draws(w, tick, began(w)));
        expect(line.average).to.be.closeTo(planned.reduce((a, b) => a + b, 0) / LONG, 1e-9);
        expect(line.coincidence).to.be.closeTo(Math.max(...planned), 1e-9);
        // What keeps to no order is at its highest all the time.
        const worst = simulated(list, (w, tick) => (w.after === null ? highestOf(w) : draws(w, tick, w.after)));
        expect(line.worst).to.be.closeTo(Math.max(...worst), 1e-9);
      }),
      { numRuns: 250 },
    ));

  it('is never lower at the worst than as planned, and that never lower than the average', () =>
    fc.assert(
      fc.property(fc.array(wanted, { minLength: 1, maxLength: 6 }), (list) => {
        const { worst, coincidence, average } = timeline(circuitOf(list), 'v5.out');
        expect(worst).to.be.at.least(coincidence - 1e-12);
        expect(coincidence).to.be.at.least(average - 1e-12);
      }),
      { numRuns: 100 },
    ));

  it('put in order by staggering never peaks higher, and says the peak that it has', () =>
    fc.assert(
      fc.property(fc.array(wanted, { minLength: 2, maxLength: 6 }), (list) => {
        const circuit = circuitOf(list.map((w) => ({ ...w, after: null })));
        const order = stagger(circuit, 'v5.out');
        if (!order) return;
        expect(order.after).to.be.below(order.before);
        const again = timeline(deriveCircuit({ plan: order.plan, cards: [...circuit.cards.values()] }), 'v5.out');
        expect(again.worst).to.be.closeTo(order.after, 1e-12);
        // Of one interval with room for all of them none meets another.
        const room = list.reduce((sum, { stages }) => sum + stages.reduce((t, { ticks }) => t + ticks * TICK, 0), 0);
        const [first] = list;
        if (!first || list.some(({ every, behind }) => every !== first.every || behind) || room > first.every) return;
        const waiting = list.reduce((sum, { idle }) => sum + idle, 0);
        const alone = Math.max(...list.map((w) => highestOf(w) + waiting - w.idle)) + 0.004;
        expect(order.after).to.be.at.most(alone + 1e-9);
      }),
      { numRuns: 150 },
    ));

  it('of two heavy parts one after the other is that of one', () => {
    const heavy = (amps: number): Wanted => ({
      every: 6,
      after: null,
      stages: [{ amps, ticks: 2 }],
      idle: 0.001,
      behind: false,
    });
    const order = stagger(circuitOf([heavy(0.1), heavy(0.15)]), 'v5.out');
    expect(order?.before).to.be.closeTo(0.254, 1e-12);
    // 150 mA beside the other at rest, and the regulator that idles.
    expect(order?.after).to.be.closeTo(0.155, 1e-12);
    expect([...(order?.begins ?? [])]).to.deep.equal([
      ['x1', 0],
      ['x0', 0.5],
    ]);
  });
});
