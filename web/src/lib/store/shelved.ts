/** Plans as they lie on the shelf, and how one is put there. */
import type { Plan, PlanDocument } from '@idle-breadboard/core/plan';
import { shelf, storeStep, type StoredPlan } from './db';

export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly changed: number;
}

export interface Step {
  readonly plan: Plan;
  readonly why: string;
}

/** All plans, the one that was changed last first. */
export async function shelved(): Promise<ShelfEntry[]> {
  const all = await shelf.plans.orderBy('changed').reverse().toArray();
  return all.map(({ id, name, changed }) => ({ id, name, changed }));
}

/** Puts a document on the shelf as a plan of its own, under an id that is free. */
export async function putPlan({ plan, cards }: PlanDocument): Promise<string> {
  const taken = new Set(await shelf.plans.toCollection().primaryKeys());
  let id = plan.id;
  for (let n = 2; taken.has(id); n++) id = `${plan.id.slice(0, 40)}-${n}`;
  const stored: StoredPlan = { id, name: plan.name, changed: Date.now(), at: 0, cards };
  await storeStep(stored, { planId: id, index: 0, why: 'opened', plan: { ...plan, id } });
  return id;
}

/** Puts plans on a shelf that is empty; the first of them is put down last, so that it lies on top. */
export async function fillShelf(plans: () => Promise<readonly PlanDocument[]>): Promise<void> {
  if ((await shelf.plans.count()) > 0) return;
  for (const document of (await plans()).toReversed()) await putPlan(document);
}
