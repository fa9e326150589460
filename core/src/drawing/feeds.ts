/** The tree of feeds above a narrow picture: each source, what is made of it below it, and the way down into the controller. */
import type { FeedNode, Overview } from '../overview/model.ts';
import { say } from '../say/say.ts';
import { ASIDE, MARK_ROOM, type Pen, ROW_SIZE } from './pen.ts';
import type { Of } from './shapes.ts';
import { widthOf } from './letter-widths.ts';
import { carriedText, figureText, insideText } from './words.ts';

const LEAST = 120;
/** Longer names are cut; figures are not. */
const MOST_NAME = 160;
const INDENT = 18;
export const FEED_GAP = 14;
const LINE = 16;
const PAD = 8;
/** From the tree to the controller. */
const WAY = 34;
const RAIL_GAP = 8;
/** Between feeds that come down beside the tree, and how far below it they end. */
const DOWN = 12;
const DOWN_TO = 10;

export const ofRail = ({ rail }: FeedNode): Of => ({ kind: 'rail', id: rail });
interface Feeds {
  /** The controller's left edge. */
  readonly right: number;
  readonly bottom: number;
  /** Room that the rails of the board take inside of it. */
  readonly railsWidth: number;
  readonly railsHeight: number;
  readonly layRails: (x: number, y: number) => void;
}

/** What stands in a box of the tree, line by line. */
function linesOf(node: FeedNode): string[] {
  return [carriedText(node), ...(node.inside === null ? [] : [insideText(node.inside)])];
}

export const heightOf = (node: FeedNode): number => PAD + LINE * (1 + linesOf(node).length + (node.mark ? 1 : 0)) + 4;

export function widthOfNode(node: FeedNode): number {
  const figures = linesOf(node).map((text) => widthOf(text, ASIDE, 'plain'));
  const found = node.mark ? MARK_ROOM + widthOf(figureText(node.mark), ASIDE, 'strong') : 0;
  const name = Math.min(MOST_NAME, widthOf(say(node.label), ROW_SIZE, 'strong'));
  return Math.max(LEAST, name + 4, found, ...figures) + 2 * PAD;
}

const deepest = (nodes: readonly FeedNode[], isShown: (node: FeedNode) => boolean, depth = 0): number =>
  Math.max(
    0,
    ...nodes
      .filter(isShown)
      .map((node) => Math.max(depth * INDENT + widthOfNode(node), deepest(node.into, isShown, depth + 1))),
  );

export function layNode(pen: Pen, node: FeedNode, x: number, y: number, w: number): void {
  const of = ofRail(node);
  pen.shapes.push({ is: 'box', role: node.onHub ? 'rail' : 'feed', x, y, w, h: heightOf(node), of });
  let at = y + PAD + 10;
  pen.text(x + PAD, at, { text: say(node.label), size: ROW_SIZE, face: 'strong' }, w - 2 * PAD, of);
  for (const text of linesOf(node)) {
    at += LINE;
    pen.text(x + PAD, at, { text, tone: 'quiet' }, w - 2 * PAD, of);
  }
  if (node.mark) pen.mark(x + PAD, at + LINE, node.mark, w - 2 * PAD, of);
}

/** Rails that the board makes, and what is made of those. */
const boardRails = (nodes: readonly FeedNode[], behind = false): FeedNode[] =>
  nodes.flatMap((node) => {
    const isBehind = behind || node.onHub;
    return [...(isBehind ? [node] : []), ...boardRails(node.into, isBehind)];
  });

export function layFeeds(pen: Pen, { feeds, hub }: Overview, left: number, top: number): Feeds {
  let y = top;
  const right = left + deepest(feeds, ({ onHub }) => !onHub || !hub);
  const into: { y: number; node: FeedNode }[] = [];
  const lay = (node: FeedNode, depth: number, from: { x: number; y: number } | null): void => {
    if (node.onHub && hub) return;
    const x = left + depth * INDENT;
    const h = heightOf(node);
    const middle = y + h / 2;
    if (from)
      pen.shapes.push({
        is: 'line',
        role: 'feed',
        strokes: node.strokes,
        points: [
          [from.x, from.y],
          [from.x, middle],
          [x, middle],
        ],
        of: ofRail(node),
        net: `feed ${from.x} ${from.y}`,
      });
    layNode(pen, node, x, y, right - x);
    if (hub && node.into.some(({ onHub }) => onHub)) into.push({ y: middle, node });
    const bottom = { x: x + INDENT / 2, y: y + h };
    y += h + FEED_GAP;
    for (const child of node.into) lay(child, depth + 1, bottom);
  };
  for (const node of feeds) lay(node, 0, null);
  const rails = hub ? boardRails(feeds) : [];
  const railWidth = Math.max(0, ...rails.map(widthOfNode));
  into.forEach(({ y: at, node }, i) => {
    // Whoever comes from further down stays further in, so that none meets another.
    const beside = right + WAY - 14 + (into.length - 1 - i) * DOWN;
    pen.shapes.push({
      is: 'line',
      role: 'feed',
      strokes: node.strokes,
      points: [
        [right, at],
        [beside, at],
        [beside, y + DOWN_TO],
      ],
      of: ofRail(node),
      net: `into ${node.rail}`,
    });
  });
  const railsHeight = rails.reduce((sum, rail) => sum + heightOf(rail) + RAIL_GAP, 0);
  return {
    right: hub || feeds.length > 0 ? right + WAY + into.length * DOWN : left,
    bottom: y + DOWN_TO,
    railsHeight,
    railsWidth: rails.length > 0 ? railWidth + 12 : 0,
    layRails(x, from) {
      let at = from;
      for (const rail of rails) {
        layNode(pen, rail, x, at, railWidth);
        at += heightOf(rail) + RAIL_GAP;
      }
    },
  };
}
