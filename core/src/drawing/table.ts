/** The picture as a table: for a screen reader, for copying, for programs. */
import type { FeedNode, Mark, Overview } from '../overview/model.ts';
import { tellOverview } from '../overview/says.ts';
import { say } from '../say/say.ts';
import type { Of } from './shapes.ts';
import {
  addressText,
  carriedText,
  clockText,
  figureText,
  insideText,
  marginText,
  pinsText,
  voltsText,
} from './words.ts';

/** What hangs where, a part a line: row, pins, place, part, address, feed, margin, what is found. */
export interface OverviewLine {
  readonly row: string;
  readonly pins: string;
  readonly place: string;
  readonly part: string;
  readonly address: string;
  readonly feed: string;
  readonly margin: string;
  readonly found: string;
}

const feedsIn = (nodes: readonly FeedNode[]): FeedNode[] => nodes.flatMap((node) => [node, ...feedsIn(node.into)]);

/** @returns feeds first, then part by part in the order of the rows; a row without parts has a line of its own */
export function overviewTable({ feeds, rows }: Overview): OverviewLine[] {
  const blank = { row: '', pins: '', place: '', part: '', address: '', feed: '', margin: '', found: '' };
  return [
    ...feedsIn(feeds).map((node) => ({
      ...blank,
      part: say(node.label),
      feed: [carriedText(node), node.inside === null ? '' : insideText(node.inside)]
        .filter((word) => word !== '')
        .join(', '),
      found: node.mark ? figureText(node.mark) : '',
    })),
    ...rows.flatMap((row): OverviewLine[] => {
      const name = [say(row.name), clockText(row), row.under ? say(row.under.gate.label) : '']
        .filter((word) => word !== '')
        .join(', ');
      const own = { ...blank, row: name, pins: pinsText(row.pins), found: row.mark ? figureText(row.mark) : '' };
      if (row.taps.length === 0) return [own];
      return [
        ...(row.mark ? [own] : []),
        ...row.taps.map((tap) => ({
          row: name,
          pins: pinsText(row.pins),
          place: tap.place ?? say(tellOverview('noPlace')),
          part: [...tap.gates.map(({ label }) => say(label)), say(tap.label)].join(', '),
          address: addressText(tap),
          feed: voltsText(tap),
          margin: marginText(tap),
          found: tap.mark ? figureText(tap.mark) : '',
        })),
      ];
    }),
  ];
}

const joined = (...words: readonly string[]): string => words.filter((word) => word !== '').join(' · ');
const foundText = ({ mark }: { readonly mark: Mark | null }): string => (mark ? figureText(mark) : '');

/** What stands at a thing of the picture, in one line; null of what is none. */
export function thingSays({ feeds, hub, rows }: Overview, { kind, id }: Of): string | null {
  if (kind === 'rail') {
    const node = feedsIn(feeds).find(({ rail }) => rail === id);
    const inside = node?.inside ?? null;
    return (
      (node &&
        joined(say(node.label), carriedText(node), inside === null ? '' : insideText(inside), foundText(node))) ??
      null
    );
  }
  if (kind === 'hub') return hub && joined(say(hub.label), foundText(hub));
  if (kind === 'row') {
    const row = rows.find((one) => one.id === id);
    return row ? joined(say(row.name), pinsText(row.pins), clockText(row), foundText(row)) : null;
  }
  if (kind !== 'part') return null;
  const taps = rows.flatMap((row) => row.taps);
  const tap = taps.find(({ part }) => part === id);
  if (tap)
    return joined(say(tap.label), tap.place ?? '', addressText(tap), voltsText(tap), marginText(tap), foundText(tap));
  const gate = [...taps.flatMap(({ gates }) => gates), ...rows.flatMap(({ under }) => under?.gate ?? [])].find(
    ({ part }) => part === id,
  );
  return gate ? joined(say(gate.label), foundText(gate)) : null;
}
