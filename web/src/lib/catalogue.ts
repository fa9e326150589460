/** The cards and plans that ship with the app. Their files are read and checked by the tests, so that no reader of files
 * has to come with the first screen. */
import { libraryOf, type Card, type Library } from '@idle-breadboard/core/card';
import type { Plan, PlanDocument } from '@idle-breadboard/core/plan';

const plans = import.meta.glob<{ plan: Plan; cards: Card[] }>('../../../catalogue/plans/*.json', { import: 'default' });

/** @throws when the server that the page came from does not answer */
export async function loadCatalogue(): Promise<Library> {
  const response = await fetch('/api/v1/catalogue');
  if (!response.ok) throw new Error(`the server answered ${response.status}`);
  const { cards } = (await response.json()) as { cards: Card[] };
  return libraryOf(cards);
}

/** Demo plans in the order of their file names. */
export async function demoPlans(): Promise<PlanDocument[]> {
  const files = await Promise.all(
    Object.keys(plans)
      .sort()
      .map(async (path) => plans[path]?.()),
  );
  return files.flatMap((file) => (file ? [{ plan: file.plan, cards: file.cards }] : []));
}
