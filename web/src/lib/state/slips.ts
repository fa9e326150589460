/** What was learned from corrections, kept in this browser. */
import { learned, withSlips, type Outcome, type Proposal, type Slips } from '@idle-breadboard/core/card';
import { setSetting, setting } from '../store/db';

const KEY = 'slips of the reader';

const isSlips = (value: unknown): value is Slips =>
  typeof value === 'object' && value !== null && Object.values(value).every((count) => Number.isInteger(count));

/** What cannot be read any more is forgotten. */
async function known(): Promise<Slips> {
  try {
    const value: unknown = JSON.parse((await setting(KEY)) ?? '{}');
    return isSlips(value) ? value : {};
  } catch {
    return {};
  }
}

export const lessSure = async (proposals: readonly Proposal[]): Promise<Proposal[]> =>
  withSlips(proposals, await known());

export async function learn(outcomes: readonly Outcome[]): Promise<void> {
  if (outcomes.length > 0) await setSetting(KEY, JSON.stringify(learned(await known(), outcomes)));
}
