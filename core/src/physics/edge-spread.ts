/** How the rise time of a line spreads when every figure is drawn at random between its ends. */
import { randomFrom } from '../quantity/random.ts';
import { edgesOf } from './edge.ts';
import type { Corner, BusLine } from './line.ts';

export interface EdgeSpread {
  readonly drawn: number;
  /** Draws in which the line never reached 70 %. */
  readonly stuck: number;
  /** Rise times, s, ascending. */
  readonly seconds: readonly number[];
}

/** Least of the load and leakage that a draw may take: a card states only the most. */
const LEAST_LOAD = 0.4;

/** A corner drawn at random; one name always gets the same draw within it. */
export function drawCorner(random: () => number): Corner {
  const drawn = new Map<string, number>();
  const share = (name: string) => {
    const known = drawn.get(name) ?? random();
    drawn.set(name, known);
    return known;
  };
  return {
    volts: (rail, { min, max }) => min + share(`rail ${rail}`) * (max - min),
    ohms: (name, { min, max }) => min + share(`ohms ${name}`) * (max - min),
    load: (net) => LEAST_LOAD + share(`load ${net}`) * (1 - LEAST_LOAD),
    leak: (end) => share(`leak ${end}`),
    threshold: (name, { min, max }) => min + share(`threshold ${name}`) * (max - min),
  };
}

/**
 * Monte Carlo over a line: the same seed gives the same spread.
 * @param net the net whose rise is asked for
 * @param told called after every draw; return false to stop
 */
export function edgeSpread(
  line: BusLine,
  net: string,
  draws: number,
  seed: number,
  told: (done: number) => boolean = () => true,
): EdgeSpread {
  const random = randomFrom(seed);
  const seconds: number[] = [];
  let stuck = 0;
  let drawn = 0;
  while (drawn < draws) {
    const edge = edgesOf(line, drawCorner(random), line.nets[0]?.id ?? net, true).get(net);
    drawn += 1;
    if (edge?.seconds === null || edge === undefined) stuck += 1;
    else seconds.push(edge.seconds);
    if (!told(drawn)) break;
  }
  return { drawn, stuck, seconds: seconds.sort((a, b) => a - b) };
}
