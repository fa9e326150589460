/** What stands against wiring a part at all. */
import type { Result } from '../../check/result.ts';
import type { PartNode } from '../../circuit/model.ts';
import type { Message } from '../../quantity/message.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { type Bench, type Try, tried } from './alone.ts';
import { farRails, feedsOf, translatorsFor } from './candidate-ways.ts';

/** What stands against wiring a part at all: what is left to say about the way that comes nearest. */
export function whatIsWrong(bench: Bench, node: PartNode): Message | null {
  const { choice, card } = node;
  const near = logicRail(bench.standing.wide);
  if (!choice || near === null) return null;
  const found: (readonly Result[])[] = [];
  const look = (way: Omit<Try, 'ownPullUps'>) =>
    found.push(tried(bench, choice.id, { ...way, ownPullUps: false }).wrong);
  const ways = feedsOf({ ...bench, againstRules: true }, node, choice);
  for (const feeds of ways.length > 0 ? ways : [choice.feeds]) {
    look({ feeds, through: null });
    const own = feeds[card.supplies[0]?.id ?? ''];
    for (const far of own === undefined ? [] : farRails(bench, own, near))
      for (const { id } of translatorsFor(bench, card)) look({ feeds, through: { card: id, near, far } });
  }
  const [nearest] = found.filter(({ length }) => length > 0).toSorted((a, b) => a.length - b.length);
  return nearest?.[0]?.message ?? null;
}
