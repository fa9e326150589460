/** What belongs together in the picture: pointed at one thing, the others of its way stand out. */
import type { FeedNode, Overview } from './model.ts';

type Thing = { readonly kind: 'rail' | 'hub' | 'row' | 'part'; readonly id: string };
export const thingKey = ({ kind, id }: { readonly kind: string; readonly id: string }): string => `${kind} ${id}`;

/** The nodes from a source down to a rail; none where it is in no tree. */
function wayTo(nodes: readonly FeedNode[], rail: string): readonly FeedNode[] {
  for (const node of nodes) {
    if (node.rail === rail) return [node];
    const below = wayTo(node.into, rail);
    if (below.length > 0) return [node, ...below];
  }
  return [];
}

const under = (node: FeedNode): readonly FeedNode[] => [node, ...node.into.flatMap(under)];

/** @returns keys of everything that belongs to a thing, itself among them */
export function belongingTo(overview: Overview, thing: Thing): ReadonlySet<string> {
  const { rows, feeds } = overview;
  const found = new Set([thingKey(thing)]);
  const add = (kind: Thing['kind'], id: string) => found.add(thingKey({ kind, id }));
  const withFeed = (rail: string | undefined) => {
    if (rail !== undefined) for (const node of wayTo(feeds, rail)) add('rail', node.rail);
  };
  const withRow = (id: string) => {
    add('row', id);
    const row = rows.find((one) => one.id === id);
    if (row?.under) {
      add('part', row.under.gate.part);
      withRow(row.under.row);
    }
  };
  if (thing.kind === 'part')
    for (const row of rows)
      for (const tap of row.taps.filter(
        ({ part, gates }) => part === thing.id || gates.some((gate) => gate.part === thing.id),
      )) {
        withRow(row.id);
        withFeed(tap.feed?.rail);
        add('part', tap.part);
        for (const { part } of tap.gates) add('part', part);
      }
  if (thing.kind === 'row') {
    withRow(thing.id);
    for (const { part, gates } of rows.find(({ id }) => id === thing.id)?.taps ?? []) {
      add('part', part);
      for (const gate of gates) add('part', gate.part);
    }
  }
  if (thing.kind === 'rail') {
    const way = wayTo(feeds, thing.id);
    const last = way.at(-1);
    const below = new Set((last ? under(last) : []).map(({ rail }) => rail));
    for (const rail of [...way.map((node) => node.rail), ...below]) add('rail', rail);
    for (const { taps } of rows) for (const { part, feed } of taps) if (feed && below.has(feed.rail)) add('part', part);
  }
  return found;
}
