/** The picture as a table: for a screen reader, for copying, for programs. */
import type { FeedNode, Overview } from '../overview/model.ts';
import { tellOverview } from '../overview/says.ts';
import { say } from '../say/say.ts';
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
