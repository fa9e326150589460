/** A build with the power off, as an ohmmeter sees it. */
import { CLOSED } from './elements.ts';
import { type Elements } from './elements-model.ts';
import { PairOhms } from './pair-ohms.ts';

/** Chips without power leak a little between their supply and ground, Ω. */
const CHIP_LEAK = 1e6;

/** A meter tests with so little voltage that junctions stay shut: what is left is a network of resistors. */
export function resistancesOf(elements: Elements, nodes: number): PairOhms {
  const g = new Float64Array(nodes * nodes);
  const add = (a: number, b: number, siemens: number) => {
    if (a === b) return;
    g[a * nodes + a] = (g[a * nodes + a] ?? 0) + siemens;
    g[b * nodes + b] = (g[b * nodes + b] ?? 0) + siemens;
    g[a * nodes + b] = (g[a * nodes + b] ?? 0) - siemens;
    g[b * nodes + a] = (g[b * nodes + a] ?? 0) - siemens;
  };
  for (const { a, b, ohms } of elements.resistors) add(a, b, 1 / Math.max(ohms, CLOSED / 10));
  for (const { a, b } of elements.loads) add(a, b, 1 / CHIP_LEAK);
  return new PairOhms(g, nodes);
}
