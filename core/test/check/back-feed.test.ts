/** "None can push another": a search for its opposite on random meetings of two sources, with the currents of the real network. */
import { expect } from 'chai';
import type { Helper } from '../../src/plan/helpers.ts';
import { operatingPoint } from '../../src/physics/operating-point.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import type { Card } from '../../src/card/card.ts';
import { card, judge, part, source5 } from '../support/build.ts';
import { cells, load } from '../support/power-build.ts';

const DIODE = card('diode', { kind: 'diode' });
/** A Schottky diode that drops as little as is reckoned with: 0.2 V at a milliampere. */
const JUNCTION = { saturation: 4.4e-7, emission: 1 };
/** Of a source and its leads, Ω. */
const INSIDE = 0.05;

interface Kind {
  readonly card: Card;
  readonly low: number;
  readonly high: number;
  /** Where it may be besides: a port is at nothing while its computer is off. */
  readonly off: boolean;
  readonly cells: boolean;
  readonly guarded: boolean;
}

function drawn(random: () => number, id: string): Kind {
  const low = 3 + random() * 3;
  const high = low + random() * 0.6;
  const kind = random();
  const guarded = random() < 0.5;
  const plain = { ...source5(id, low, high), id };
  if (kind < 0.2)
    return { card: { ...cells({ fresh: high, end: low }), id }, low, high, off: false, cells: true, guarded };
  if (kind > 0.7) {
    const rails = (plain.rails ?? []).map((rail) => ({
      ...rail,
      port: { before: { min: 0.1, unit: 'A' as const, source: 'sheet' } },
    }));
    return { card: { ...plain, rails }, low, high, off: true, cells: false, guarded };
  }
  return { card: plain, low, high, off: false, cells: false, guarded };
}

/** A into the source `b` while `a` is at its highest; both meet at a load of next to nothing. */
function flowsInto(a: Kind, b: Kind, at: number): number {
  // 1: inside a, 2: inside b, 3: a's terminal, 4: b's terminal, 5: where they meet.
  const wire = (kind: Kind, from: number) =>
    kind.guarded
      ? { resistors: [], diodes: [{ anode: from, cathode: 5, model: JUNCTION }] }
      : { resistors: [{ a: from, b: 5, ohms: 1e-3 }], diodes: [] };
  const [one, two] = [wire(a, 3), wire(b, 4)];
  const volts = operatingPoint({
    nodes: 6,
    held: [
      { node: 1, volts: a.high },
      { node: 2, volts: at },
    ],
    resistors: [
      { a: 1, b: 3, ohms: INSIDE },
      { a: 2, b: 4, ohms: INSIDE },
      { a: 5, b: 0, ohms: 1e4 },
      ...one.resistors,
      ...two.resistors,
    ],
    currents: [],
    diodes: [...one.diodes, ...two.diodes],
    transistors: [],
    capacitance: [],
  });
  return ((volts[4] ?? 0) - at) / INSIDE;
}

/** The states in which nothing may flow into a source: cells at their lowest, a port at nothing, any other at its highest. */
const worstOf = (kind: Kind): number => (kind.cells ? kind.low : kind.off ? 0 : kind.high);

describe('supply/back-feed on 600 random meetings', () => {
  const random = randomFrom(17);
  const meetings = Array.from({ length: 600 }, (_, i) => {
    const [a, b] = [drawn(random, `a${i}`), drawn(random, `b${i}`)];
    const guard = (rail: string, id: string): Helper => ({
      id,
      kind: 'guard',
      part: 'x',
      supply: 'vcc',
      rail,
      card: 'diode',
    });
    const [found] = judge({
      cards: [a.card, b.card, load('x', 0.001), DIODE],
      parts: [
        part('a', a.card.id),
        part('b', b.card.id),
        part('x', 'x', { feeds: { vcc: 'a.out' }, also: { vcc: 'b.out' } }),
      ],
      helpers: [...(a.guarded ? [guard('a.out', 'ga')] : []), ...(b.guarded ? [guard('b.out', 'gb')] : [])],
    }).of('supply/back-feed');
    return { a, b, found };
  });
  const flow = ({ a, b }: { a: Kind; b: Kind }) => Math.max(flowsInto(a, b, worstOf(b)), flowsInto(b, a, worstOf(a)));
  it('lets no more than a milliampere flow where it says that none can push', () => {
    const said = meetings.filter(({ found }) => found?.severity === null && !found.message.includes('usually'));
    expect(said.length).to.be.above(100);
    expect(said.filter((meeting) => flow(meeting) > 1e-3).map(({ found }) => found?.message)).to.deep.equal([]);
  });
  it('finds no push where two stand behind diodes each', () => {
    const both = meetings.filter(({ a, b }) => a.guarded && b.guarded);
    expect(both.length).to.be.above(50);
    expect(both.filter(({ found }) => found?.severity !== null)).to.deep.equal([]);
  });
});
