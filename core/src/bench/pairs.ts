/** Two faults at once: only those pairs whose parts explain something each are simulated. */
import { entryOf, type Dictionary } from './dictionary.ts';
import type { Observation } from './finder.ts';
import { deviation } from './instrument.ts';

/** Single faults that are tried with one another. */
const MAX_SINGLES = 12;
/** A reading is explained when it deviates less than this from what a fault would show. */
const EXPLAINED = 3;

/** @returns the dictionary with likely pairs added; the same one where nothing deviates from the plan */
export function withPairs(dictionary: Dictionary, observations: readonly Observation[]): Dictionary {
  const { entries, measurements, plan } = dictionary;
  const sound = entries.find(({ faults }) => faults.length === 0);
  const at = new Map(measurements.map(({ key }, i) => [key, i]));
  const odd = observations.flatMap(({ measurement, value }) => {
    const i = at.get(measurement);
    const kind = i === undefined ? undefined : measurements[i]?.kind;
    if (i === undefined || !kind || deviation(kind, value, sound?.readings[i] ?? 0) < EXPLAINED) return [];
    return [{ i, kind, value }];
  });
  if (odd.length === 0) return dictionary;
  const explains = entries
    .filter(({ faults }) => faults.length === 1)
    .map((entry) => ({
      entry,
      count: odd.filter(({ i, kind, value }) => deviation(kind, value, entry.readings[i] ?? 0) < EXPLAINED).length,
    }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => b.count - a.count || b.entry.prior - a.entry.prior);
  // Of causes that explain the same, a few are enough; what explains other readings must come along.
  const chosen = spreadOver(explains, odd, MAX_SINGLES);
  const known = new Set(entries.map(({ key }) => key));
  const singles = entries.reduce((sum, { faults, prior }) => sum + (faults.length === 1 ? prior : 0), 0);
  const pairs = chosen.flatMap((a, i) =>
    chosen.slice(i + 1).flatMap((b) => {
      const faults = [...a.faults, ...b.faults];
      if (known.has(faults.map(({ key }) => key).join(' and '))) return [];
      const entry = entryOf(plan, measurements, faults);
      return [{ ...entry, prior: (a.prior * b.prior) / Math.max(1, singles) }];
    }),
  );
  return { ...dictionary, entries: [...entries, ...pairs] };
}

type Explaining = { readonly entry: Dictionary['entries'][number]; readonly count: number };
type Odd = { readonly i: number; readonly kind: Parameters<typeof deviation>[0]; readonly value: number | string };

/** Takes in turn the best explanation of each odd reading, until there are enough. */
function spreadOver(
  explains: readonly Explaining[],
  odd: readonly Odd[],
  most: number,
): Dictionary['entries'][number][] {
  const chosen = new Set<Dictionary['entries'][number]>();
  const queues = odd.map(({ i, kind, value }) =>
    explains.filter(({ entry }) => deviation(kind, value, entry.readings[i] ?? 0) < EXPLAINED),
  );
  for (let round = 0; chosen.size < most && queues.some((q) => q.length > round); round++)
    for (const queue of queues) {
      const next = queue[round];
      if (next && chosen.size < most) chosen.add(next.entry);
    }
  return [...chosen];
}
