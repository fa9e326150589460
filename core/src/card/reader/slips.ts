/** What a maker mended or dropped on sheets before: the same reading on a later one is less sure. */
import { doubtThat } from './doubt.ts';
import { surenessOf, type Proposal } from './proposal.ts';

/** How often a reading was a slip more than it was right, by its pattern; the latest last. */
export type Slips = Readonly<Record<string, number>>;

/** More than a browser needs to keep. */
const MOST = 500;
const LONGEST = 80;

/** Where a figure goes and by which words: what stands in the cells does not count. */
export function patternOf({ slot, name, said }: Proposal): string {
  const words = (typeof name === 'string' && name !== '' ? name : said)
    .toLowerCase()
    .replace(/[^\p{L}]+/gu, ' ')
    .trim()
    .slice(0, LONGEST);
  return `${slot}|${words}`;
}

/** What became of a proposal: right as it was read, or a slip. */
export interface Outcome {
  readonly proposal: Proposal;
  readonly slipped: boolean;
}

export function learned(slips: Slips, outcomes: readonly Outcome[]): Slips {
  const counts = new Map(Object.entries(slips));
  for (const { proposal, slipped } of outcomes) {
    const pattern = patternOf(proposal);
    const count = (counts.get(pattern) ?? 0) + (slipped ? 1 : -1);
    counts.delete(pattern);
    if (count > 0) counts.set(pattern, count);
  }
  return Object.fromEntries([...counts].slice(-MOST));
}

export const withSlips = (proposals: readonly Proposal[], slips: Slips): Proposal[] =>
  proposals.map((proposal) => {
    if (!Object.hasOwn(slips, patternOf(proposal))) return proposal;
    const doubts = [...proposal.doubts, doubtThat('slipBefore')];
    const lowered = proposal.sureness === 'sure' ? surenessOf(doubts, false) : 'doubtful';
    return { ...proposal, doubts, sureness: lowered };
  });
