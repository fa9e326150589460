/** The tree of feeds as a strip above the picture: each source at the left, what is made of it at its right, the rails of the board among them. */
import type { FeedNode, Overview } from '../overview/model.ts';
import { FEED_GAP, heightOf, layNode, ofRail, widthOfNode } from './feeds.ts';
import type { Pen } from './pen.ts';

/** From a feed to what is made of it. */
const WAY = 28;
/** From the top of a box to its line. */
const MIDDLE = 20;

const widestAt = (nodes: readonly FeedNode[], widest: number[] = [], depth = 0): number[] => {
  for (const node of nodes) {
    widest[depth] = Math.max(widest[depth] ?? 0, widthOfNode(node));
    widestAt(node.into, widest, depth + 1);
  }
  return widest;
};

/** @returns where it ends */
export function layFeedStrip(
  pen: Pen,
  { feeds }: Overview,
  left: number,
  top: number,
): { right: number; bottom: number } {
  const widest = widestAt(feeds);
  const from = widest.map((_, depth) => left + widest.slice(0, depth).reduce((sum, w) => sum + w + WAY, 0));
  /** @returns where the node and all that is made of it end */
  const lay = (node: FeedNode, depth: number, y: number): number => {
    const x = from[depth] ?? left;
    const w = widthOfNode(node);
    layNode(pen, node, x, y, w);
    const trunk = (from[depth + 1] ?? x) - WAY / 2;
    let below = y;
    for (const child of node.into) {
      const end = from[depth + 1] ?? x;
      const at = below + MIDDLE;
      pen.shapes.push({
        is: 'line',
        role: 'feed',
        strokes: child.strokes,
        points:
          below === y
            ? [
                [x + w, at],
                [end, at],
              ]
            : [
                [trunk, y + MIDDLE],
                [trunk, at],
                [end, at],
              ],
        of: ofRail(child),
        net: `feed ${x} ${y}`,
      });
      below = lay(child, depth + 1, below) + FEED_GAP;
    }
    return Math.max(y + heightOf(node), below - FEED_GAP);
  };
  let bottom = top;
  for (const node of feeds) bottom = lay(node, 0, bottom) + FEED_GAP;
  const last = widest.length - 1;
  return {
    right: last < 0 ? left : (from[last] ?? left) + (widest[last] ?? 0),
    bottom: Math.max(top, bottom - FEED_GAP),
  };
}
