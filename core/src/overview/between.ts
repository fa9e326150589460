/** Two pictures as one: what comes and what goes between two plans, and what is wired otherwise. */
import { thingKey } from './belongs.ts';
import type { Column, FeedNode, Gate, Overview, Row, Tap } from './model.ts';

type Change = 'added' | 'gone' | 'changed';

export interface Between {
  /** The later picture, with what is gone still in it. */
  readonly overview: Overview;
  /** By the key of a thing; what is the same in both is not in it. */
  readonly changes: ReadonlyMap<string, Change>;
}

const nodesOf = (nodes: readonly FeedNode[]): FeedNode[] => nodes.flatMap((node) => [node, ...nodesOf(node.into)]);
const gatesOf = ({ taps, under }: Row): readonly Gate[] => [
  ...(under ? [under.gate] : []),
  ...taps.flatMap(({ gates }) => gates),
];
/** Everything of a picture that can come or go, by its key. */
function thingsOf({ rows, feeds }: Overview): Map<string, unknown> {
  const things = new Map<string, unknown>();
  for (const { rail, volts, onHub } of nodesOf(feeds)) things.set(thingKey({ kind: 'rail', id: rail }), [volts, onHub]);
  for (const row of rows) {
    things.set(thingKey({ kind: 'row', id: row.id }), [row.pins, row.lines, row.under?.row]);
    for (const { part, channel, kind } of gatesOf(row))
      things.set(thingKey({ kind: 'part', id: part }), [kind, channel, row.id]);
    for (const { part, address, feed, gates } of row.taps)
      things.set(thingKey({ kind: 'part', id: part }), [row.id, address, feed?.rail, gates.map((gate) => gate.part)]);
  }
  return things;
}

/** The tree with the nodes that only the earlier one has, each below the node that it was made from. */
function withGone(later: readonly FeedNode[], earlier: readonly FeedNode[], kept: ReadonlySet<string>): FeedNode[] {
  const bare = (node: FeedNode): FeedNode => ({ ...node, mark: null, into: node.into.filter(isGone).map(bare) });
  const isGone = ({ rail }: FeedNode): boolean => !kept.has(rail);
  const before = new Map(nodesOf(earlier).map((node) => [node.rail, node]));
  const grown = (node: FeedNode): FeedNode => ({
    ...node,
    into: [...node.into.map(grown), ...(before.get(node.rail)?.into ?? []).filter(isGone).map(bare)],
  });
  return [...later.map(grown), ...earlier.filter(isGone).map(bare)];
}

export function between(before: Overview, after: Overview): Between {
  const [was, is] = [thingsOf(before), thingsOf(after)];
  const changes = new Map<string, Change>();
  for (const [key, how] of is) {
    if (!was.has(key)) changes.set(key, 'added');
    else if (JSON.stringify(was.get(key)) !== JSON.stringify(how)) changes.set(key, 'changed');
  }
  for (const key of was.keys()) if (!is.has(key)) changes.set(key, 'gone');
  const isGone = (part: string) => changes.get(thingKey({ kind: 'part', id: part })) === 'gone';
  const bare = (tap: Tap): Tap => ({
    ...tap,
    margin: null,
    mark: null,
    gates: tap.gates.filter(({ part }) => isGone(part)),
  });
  const goneIn = (id: string): Tap[] =>
    (before.rows.find((row) => row.id === id)?.taps ?? []).filter(({ part }) => isGone(part)).map(bare);
  const goneGates = ({ part, gates }: Tap): readonly Gate[] => {
    const earlier = before.rows.flatMap(({ taps }) => taps).find((tap) => tap.part === part)?.gates ?? [];
    return [...gates, ...earlier.filter((gate) => isGone(gate.part)).map((gate) => ({ ...gate, mark: null }))];
  };
  const rows = after.rows.map((row) => ({
    ...row,
    taps: [...row.taps.map((tap) => ({ ...tap, gates: goneGates(tap) })), ...goneIn(row.id)],
  }));
  const ids = new Set(after.rows.map(({ id }) => id));
  const left = before.rows
    .filter(({ id, taps }) => !ids.has(id) && taps.some(({ part }) => isGone(part)))
    // What it hung behind may be there no more.
    .map((row): Row => ({ ...row, mark: null, under: null, taps: goneIn(row.id) }));
  const all = [...rows, ...left];
  const places = new Set(all.flatMap(({ taps }) => taps.map(({ place }) => place)));
  const known = new Set(after.columns.map(({ place }) => place));
  const columns: Column[] = [
    ...before.columns.filter(({ place }) => place === null && places.has(place) && !known.has(place)),
    ...after.columns,
    ...before.columns.filter(({ place }) => place !== null && places.has(place) && !known.has(place)),
  ];
  const kept = new Set(nodesOf(after.feeds).map(({ rail }) => rail));
  return {
    overview: { ...after, feeds: withGone(after.feeds, before.feeds, kept), columns, rows: all },
    changes,
  };
}
