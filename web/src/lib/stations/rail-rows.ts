/** The rows of a rail: itself, what is fed from it, and what else draws from it. */
import { timeline, type Circuit, type Feed, type Load, type Rail, type Timeline } from '@idle-breadboard/core/circuit';

type RailRow = { readonly key: string } & (
  | { readonly of: 'rail'; readonly rail: Rail; readonly line: Timeline | null }
  | { readonly of: 'feed'; readonly feed: Feed; readonly line: Timeline | null }
  | { readonly of: 'load'; readonly load: Load }
);

export function railRows(circuit: Circuit, rail: Rail): readonly RailRow[] {
  const feeds = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const line = rail.loads.length > 0 && rail.voltage ? timeline(circuit, rail.ref) : null;
  const fed = new Set(feeds.map(({ part }) => part));
  // Pull-ups, lights, the board itself: no part with a feed of its own.
  const others = rail.loads.filter(({ subject }) => !fed.has(subject) && !circuit.rails.has(subject));
  return [
    { of: 'rail', key: `rail ${rail.ref}`, rail, line },
    ...feeds.map((feed) => ({ of: 'feed' as const, key: `feed ${feed.part}.${feed.supply.id}`, feed, line })),
    ...others.map((load, i) => ({ of: 'load' as const, key: `load ${rail.ref} ${i}`, load })),
  ];
}
