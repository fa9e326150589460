/** What one supply of a part draws over time. */
import type { States } from '../card/power.ts';
import { toInterval } from '../card/to-interval.ts';
import { quantityOf, wordOf, type Sum } from '../quantity/message.ts';
import { exact, type Interval } from '../quantity/interval.ts';
import { add, divide, multiply, noted } from '../quantity/sum.ts';
import { highest, mean, round, steady, type Steps } from '../quantity/steps.ts';
import type { Doing, Phase, Rhythm } from './model.ts';
import { perOwnerAndKey } from '../quantity/memo.ts';

/** The same draw seen in four ways, A. */
export interface Draw {
  /** Usual currents and times. */
  readonly usual: Steps;
  /** Highest currents and longest times, surges aside: what it may take on the average. */
  readonly most: Steps;
  /** Surges included. What keeps to no order may take its highest at any time. */
  readonly surge: Steps;
  /** Surges included, everything beginning together at the beginning of the round. */
  readonly together: Steps;
  /** What heats: the mean at its most, or what lasts long enough to heat by itself. */
  readonly lasting: number;
  readonly sum: Sum;
}

/** Stretches longer than this heat a small part through, s: common practice, the time constant of a small package. */
const THERMAL_TIME = 30;

const AMPS = (value: number) => quantityOf(value, 'A');
const S = (value: number) => quantityOf(value, 's');

const ABSENT: Rhythm = { every: null, duty: 1, after: null, phases: [], longest: [], rest: 'idle' };

/** By what a rhythm says. */
const drawBy = perOwnerAndKey((states: States, _key: string, rhythm: Rhythm, clock: number | undefined): Draw =>
  workOut(states, rhythm, clock),
);
/** By the rhythm itself, which is asked for many times in one derivation. */
const drawAtHand = perOwnerAndKey((rhythm: Rhythm, states: States): Draw =>
  drawBy(states, keyOf(rhythm, undefined), rhythm, undefined),
);

export const drawOf = (states: States, rhythm: Rhythm = ABSENT, clock?: number): Draw =>
  clock === undefined ? drawAtHand(rhythm, states) : drawBy(states, keyOf(rhythm, clock), rhythm, clock);

const ends = (phases: readonly Phase[]) => phases.map(({ doing, from, to }) => `${doing} ${from} ${to}`).join();

const keyOf = ({ every, duty, after, rest, phases, longest }: Rhythm, clock: number | undefined): string =>
  every === null ? `${duty} ${rest} ${clock}` : `${every} ${after} ${rest} ${clock} ${ends(phases)} ${ends(longest)}`;

function workOut(states: States, rhythm: Rhythm, clock: number | undefined): Draw {
  const at = (doing: Doing) => currentOf(states, doing, clock);
  const surge = (doing: Doing) => surgeOf(states, doing, clock);
  const rest = at(rhythm.rest);
  if (rhythm.every === null) {
    const on = at('active');
    const highestSurge = Math.max(surge('active'), rest.max);
    const { duty } = rhythm;
    const off = Number((1 - duty).toFixed(4));
    return {
      usual: steady(on.typ * duty + rest.typ * (1 - duty)),
      most: steady(on.max * duty + rest.max * (1 - duty)),
      surge: steady(highestSurge),
      together: steady(highestSurge),
      // Of what comes in short bursts only the mean heats.
      lasting:
        states.busy && toInterval(states.busy).max < THERMAL_TIME
          ? on.max * duty + rest.max * (1 - duty)
          : Math.max(on.max, rest.max),
      sum:
        states.idle || duty < 1
          ? add(multiply(AMPS(on.typ), duty), multiply(AMPS(rest.typ), off))
          : multiply(AMPS(on.typ), duty),
    };
  }
  const { every, phases, longest } = rhythm;
  const laid = (list: readonly Phase[], value: (doing: Doing) => number, between: number): Steps =>
    round(
      every,
      between,
      list.map(({ from, to, doing }) => ({ from, to, value: value(doing) })),
    );
  const usual = laid(phases, (doing) => at(doing).typ, rest.typ);
  const most = laid(longest, (doing) => at(doing).max, rest.max);
  const together = laid(longest, surge, rest.max);
  const slow = longest.filter(({ from, to }) => to - from >= THERMAL_TIME).map(({ doing }) => at(doing).max);
  return {
    usual,
    most,
    surge: rhythm.after === null ? steady(highest(together)) : together,
    together,
    lasting: Math.max(mean(most), ...slow),
    sum: divide(
      add(
        ...phases.map(({ from, to, doing }) =>
          noted(multiply(AMPS(at(doing).typ), S(to - from)), wordOf('doing', doing)),
        ),
        noted(
          multiply(AMPS(rest.typ), S(Math.max(0, every - phases.reduce((t, { from, to }) => t + to - from, 0)))),
          wordOf('doing', rhythm.rest),
        ),
      ),
      S(every),
    ),
  };
}

/** What each state of a draw adds to its mean, A, usual currents and times. */
export function statesOver(states: States, rhythm: Rhythm, clock?: number): { doing: Doing; amps: number }[] {
  const at = (doing: Doing) => currentOf(states, doing, clock).typ;
  const { every, duty, phases, rest } = rhythm;
  if (every === null)
    return [
      { doing: 'active', amps: at('active') * duty },
      { doing: rest, amps: at(rest) * (1 - duty) },
    ];
  const busy = phases.reduce((sum, { from, to }) => sum + to - from, 0);
  return [
    ...phases.map(({ doing, from, to }) => ({ doing, amps: (at(doing) * (to - from)) / every })),
    { doing: rest, amps: at(rest) * Math.max(0, 1 - busy / every) },
  ];
}

/** What a supply takes while the part is doing something, A. */
function currentOf(states: States, doing: Doing, clock: number | undefined): Interval {
  const at = states.clocks?.find(({ frequency }) => frequency === clock);
  const active = toInterval(at?.active ?? states.active);
  const idle = (at?.idle ?? states.idle) ? toInterval(at?.idle ?? states.idle ?? { typ: 0 }) : exact(0);
  switch (doing) {
    case 'off':
      return exact(0);
    case 'sleep':
      return states.sleep ? toInterval(states.sleep) : idle;
    case 'idle':
      return idle;
    case 'warm-up':
      return states.warmUp ? toInterval(states.warmUp) : active;
    case 'active':
      return active;
    default: {
      const stage = states.stages?.find(({ name }) => name === doing);
      return stage ? toInterval(stage.current) : active;
    }
  }
}

/** The most that it takes for a moment while doing something, A. */
function surgeOf(states: States, doing: Doing, clock: number | undefined): number {
  const most = currentOf(states, doing, clock).max;
  if (doing === 'off' || doing === 'sleep' || doing === 'idle') return most;
  const peak = states.peak ? toInterval(states.peak).max : 0;
  const stages = (states.stages ?? []).map(({ name, current }) => ({ name, amps: toInterval(current).max }));
  // At work without a rhythm it may be in any of its stages.
  if (doing === 'active') return Math.max(most, peak, ...stages.map(({ amps }) => amps));
  // Where stages are told apart, a surge belongs to the hungriest of them.
  const hungriest = stages.reduce((a, b) => (b.amps > a.amps ? b : a), { name: doing, amps: 0 } as {
    name: Doing;
    amps: number;
  });
  return hungriest.name === doing ? Math.max(most, peak) : most;
}
