/** The cards and plans that ship with the app. Their files are read and checked by the tests, so that no reader of files
 * has to come with the first screen. */
import { libraryOf, type Card, type Library, type Plan, type PlanDocument } from '@idle-breadboard/core';

const cards = import.meta.glob<Card>('../../../catalogue/cards/*.json', { eager: true, import: 'default' });
const plans = import.meta.glob<{ plan: Plan; cards: Card[] }>('../../../catalogue/plans/*.json', { import: 'default' });

export const catalogue: Library = libraryOf(Object.values(cards));

/** Demo plans in the order of their file names. */
export async function demoPlans(): Promise<PlanDocument[]> {
  const files = await Promise.all(
    Object.keys(plans)
      .sort()
      .map((path) => plans[path]?.()),
  );
  return files.flatMap((file) => (file ? [{ plan: file.plan, cards: file.cards }] : []));
}
