/** A day as rounds add up to, held against a clock that is wound through it. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Phase } from '../../src/circuit/model.ts';
import { DAY, dayOf } from '../../src/physics/day.ts';
import { type Lane, timeline } from '../../src/physics/timeline.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { steady, valueAt } from '../../src/quantity/steps.ts';
import { demo, PLANS } from '../support/demo.ts';

const lanesOf = (name: (typeof PLANS)[number]) => {
  const circuit = deriveCircuit(demo(name));
  const sources = [...circuit.rails.values()].filter((rail) => rail.part === rail.source && rail.loads.length > 0);
  return sources.flatMap(({ ref }) => timeline(circuit, ref).lanes);
};

/** Turn by turn: one that is due while another is still at work is left out. */
function wound(every: number, takes: number): number {
  let [turns, free] = [0, 0];
  for (let n = 0; n * every < DAY; n++)
    if (n * every >= free - 1e-6) {
      turns += 1;
      free = n * every + takes;
    }
  return turns;
}

const laneWith = (every: number, takes: number, longest: number): Lane => {
  const phases = (to: number): Phase[] => [{ doing: 'active', from: 0, to }];
  return {
    part: 'one',
    label: 'one',
    rhythm: { every, duty: 1, after: null, phases: phases(takes), longest: phases(longest), rest: 'idle' },
    phases: phases(takes),
    current: steady(0.002),
  };
};

describe('a day', () => {
  it('has as many turns as a clock counts, on 500 drawn rhythms', () => {
    const random = randomFrom(41);
    for (let i = 0; i < 500; i++) {
      const every = Math.round(random() * 600) + 1;
      const [takes, longest] = [random() * every * 3, random() * every * 5];
      const [day] = dayOf([laneWith(every, takes, longest)]);
      // The last turn of the day may be cut by midnight.
      expect(Math.abs((day?.usual ?? 0) - wound(every, takes)), `${every} s, ${takes} s`).to.be.below(1.001);
      expect(Math.abs((day?.least ?? 0) - wound(every, longest))).to.be.below(1.001);
      expect(day?.charge).to.be.closeTo(0.002 * DAY, 1e-6);
    }
  });

  it('takes what the current of each lane adds up to', () => {
    let lanes = 0;
    for (const name of PLANS)
      for (const lane of lanesOf(name)) {
        const [day] = dayOf([lane]);
        const { every } = lane.rhythm;
        if (!day || every === null || every > 3600) continue;
        lanes += 1;
        const step = every / 300_000;
        let sum = 0;
        for (let t = step / 2; t < every; t += step) sum += valueAt(lane.current, t) * step;
        expect(day.charge, `${name}: ${day.part}`).to.be.closeTo((sum * DAY) / every, 0.02 * day.charge + 1e-9);
        expect(day.least).to.be.at.most(day.usual);
        expect(day.usual).to.be.at.most(day.wanted);
      }
    expect(lanes).to.be.above(8);
  });
});
