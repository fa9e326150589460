/** Plans as they lie on the shelf, and how one is put there. */
import type { PlanDocument } from '@idle-breadboard/core/plan';
import { shelf } from './db';
import { addHistory, type History } from './history';
import { watch } from './watch';

export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly changed: number;
}

/** All plans, the one that was changed last first. */
export async function shelved(): Promise<ShelfEntry[]> {
  const all = await shelf.plans.orderBy('changed').reverse().toArray();
  return all.map(({ id, name, changed }) => ({ id, name, changed }));
}

/** The same, and again whenever any tab changes it. */
export const watchShelf = (tell: (plans: ShelfEntry[]) => void): (() => void) => watch(shelved, tell);

const begun = ({ plan, cards }: PlanDocument): History => ({
  cards,
  steps: [{ plan, why: 'opened' }],
  at: 0,
  dropped: 0,
});

/** Puts a document on the shelf as a plan of its own, under an id that is free. */
export async function putPlan(document: PlanDocument): Promise<string> {
  const { steps } = await addHistory(begun(document));
  return steps[0]?.plan.id ?? document.plan.id;
}

/** Puts plans on a shelf that is empty; the first of them is put down last, so that it lies on top. Of several tabs one does. */
export async function fillShelf(plans: () => Promise<readonly PlanDocument[]>): Promise<void> {
  if ((await shelf.plans.count()) > 0) return;
  const documents = await plans();
  await shelf.transaction('rw', shelf.plans, shelf.steps, async () => {
    if ((await shelf.plans.count()) > 0) return;
    for (const document of documents.toReversed()) await addHistory(begun(document));
  });
}
