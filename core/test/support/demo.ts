/** The cards and plans that ship, read as a user's files are. */
import { readFileSync, readdirSync } from 'node:fs';
import type { Card } from '../../src/card/card.ts';
import { libraryOf } from '../../src/card/library.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import { readCard } from '../../src/format/card-file.ts';
import { readPlan } from '../../src/format/plan-file.ts';

const root = new URL('../../../catalogue/', import.meta.url);
const cardFiles = readdirSync(new URL('cards/', root)).sort();
export const planText = (name: string): string => readFileSync(new URL(`plans/${name}.json`, root), 'utf8');

export const cards: Card[] = cardFiles.map((file) => {
  const read = readCard(readFileSync(new URL(`cards/${file}`, root), 'utf8'));
  if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
  return read.value;
});
export const library = libraryOf(cards);

export const PLANS = ['cupboard-first-draft', 'cupboard-verified', 'rain-barrel', 'stairwell'] as const;

export function demo(name: (typeof PLANS)[number]): PlanDocument {
  const read = readPlan(planText(name));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}
