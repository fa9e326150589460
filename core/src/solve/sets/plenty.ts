/** Whether pins and buses can ever decide between the sets of a problem. */
import { judgeFor } from './evaluate.ts';
import type { Option, SetProblem } from './problem.ts';
import { perOwner } from '../../quantity/memo.ts';

/** True when even one option of every kind for every need together would find its pins: then pins never decide. */
export const plenty = perOwner((problem: SetProblem): boolean => {
  const worst = problem.needs.flatMap(({ options }) => {
    const kinds = new Map<string, Option['demand']>();
    for (const { demand } of options) {
      const asks = demand.asks.map(({ ask }) => ask);
      const kind = [...asks, demand.oneWire ? 'one-wire' : '', demand.spi ? 'spi' : '', `${demand.coils} coils`]
        .sort()
        .join();
      kinds.set(kind, { ...demand, addresses: [] });
    }
    return [...kinds.values()];
  });
  return !couldNeedSecondBus(problem) && judgeFor(problem.controller)(worst, 1);
});

/** True when two options of different needs, or one card at two places, may meet at one address. */
function couldNeedSecondBus(problem: SetProblem): boolean {
  const seen = new Set<number>();
  for (const { options } of problem.needs) {
    const own = new Set(options.flatMap(({ demand }) => demand.addresses.flat()));
    for (const address of own) if (seen.has(address)) return true;
    for (const address of own) seen.add(address);
    if (options.some(({ demand }) => demand.addresses.length > 1)) return true;
  }
  return false;
}
