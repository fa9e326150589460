/** A plan's history in the store. Whatever is written says which count of writes it knows: nothing that another tab stored is written over. */
import Dexie from 'dexie';
import type { Card } from '@idle-breadboard/core/card';
import type { Plan } from '@idle-breadboard/core/plan';
import { shelf, type StoredPlan } from './db';
import { Emptied, Overtaken, Removed } from './trouble';
import { watch } from './watch';

export interface Step {
  readonly plan: Plan;
  /** What was done, for the history. */
  readonly why: string;
}

/** A history as it is shown, or as it is stored. */
export interface History {
  /** Every card that any step uses. */
  readonly cards: readonly Card[];
  readonly steps: readonly Step[];
  /** Which of them the plan stands at. */
  readonly at: number;
  /** How many steps before them are not kept any more. */
  readonly dropped: number;
}

export interface Kept {
  readonly history: History;
  readonly writes: number;
  /** Milliseconds since 1970. */
  readonly changed: number;
}

/** Steps kept for each plan. */
export const MAX_STEPS = 400;

const steps = (plan: string, from: number, to: number | typeof Dexie.maxKey) =>
  shelf.steps.where('[planId+index]').between([plan, from], [plan, to]);

const rowOf = ({ cards, at, dropped }: History, plan: Plan, writes: number): StoredPlan => ({
  id: plan.id,
  name: plan.name,
  changed: Date.now(),
  at: at + dropped,
  writes,
  cards,
});

/** How many of the first steps are the very same in both, counted from the first step ever made. */
function commonUpTo(now: History, before: History): number {
  let index = Math.max(now.dropped, before.dropped);
  const same = () => {
    const step = now.steps[index - now.dropped];
    return step !== undefined && step === before.steps[index - before.dropped];
  };
  while (same()) index++;
  return index;
}

/** Some setting is there from the first start on. */
export const isEmptied = async (): Promise<boolean> => (await shelf.settings.count()) === 0;

/**
 * Writes a history over what is known of it in the store: in one transaction, all or nothing.
 * @returns the count of writes from here on
 * @throws Overtaken, Removed, Emptied, or what the browser says
 */
export async function keepHistory(now: History, known: Kept): Promise<number> {
  const plan = now.steps[now.at]?.plan;
  if (!plan) throw new Error('a plan has a step that it stands at');
  const writes = known.writes + 1;
  const from = commonUpTo(now, known.history);
  await shelf.transaction('rw', shelf.plans, shelf.steps, shelf.settings, async () => {
    const there = await shelf.plans.get(plan.id);
    if (!there) throw (await isEmptied()) ? new Emptied() : new Removed();
    if (there.writes !== known.writes) throw new Overtaken();
    // Whatever was undone before is gone.
    await steps(plan.id, from, Dexie.maxKey).delete();
    const fresh = now.steps.slice(from - now.dropped);
    await shelf.steps.bulkPut(fresh.map((step, i) => ({ planId: plan.id, index: from + i, ...step })));
    await steps(plan.id, 0, now.dropped).delete();
    await shelf.plans.put(rowOf(now, plan, writes));
  });
  return writes;
}

async function freeId(wanted: string): Promise<string> {
  const taken = new Set(await shelf.plans.toCollection().primaryKeys());
  let id = wanted;
  for (let n = 2; taken.has(id); n++) id = `${wanted.slice(0, 40)}-${n}`;
  return id;
}

/** Puts a history on the shelf as a plan of its own, under an id that is free. @returns it as it lies there, step by step */
export async function addHistory(history: History, name?: string): Promise<History> {
  const plan = history.steps[history.at]?.plan;
  if (!plan) throw new Error('a plan has a step that it stands at');
  return shelf.transaction('rw', shelf.plans, shelf.steps, async () => {
    const id = await freeId(plan.id);
    const added = history.steps.map((step) => ({ ...step, plan: { ...step.plan, id, name: name ?? step.plan.name } }));
    // Steps of a plan that is gone would otherwise be its history.
    await steps(id, 0, Dexie.maxKey).delete();
    await shelf.steps.bulkPut(added.map((step, i) => ({ planId: id, index: history.dropped + i, ...step })));
    await shelf.plans.add(rowOf(history, { ...plan, id, name: name ?? plan.name }, 0));
    return { ...history, steps: added };
  });
}

export async function loadPlan(id: string): Promise<Kept | null> {
  const [row, all] = await shelf.transaction('r', shelf.plans, shelf.steps, async () => [
    await shelf.plans.get(id),
    await shelf.steps.where('planId').equals(id).sortBy('index'),
  ]);
  const dropped = all[0]?.index;
  if (!row || dropped === undefined) return null;
  const at = Math.min(Math.max(0, row.at - dropped), all.length - 1);
  const history = { cards: row.cards, steps: all.map(({ plan, why }) => ({ plan, why })), at, dropped };
  return { history, writes: row.writes, changed: row.changed };
}

export async function deletePlan(id: string): Promise<void> {
  await shelf.transaction('rw', [shelf.plans, shelf.steps, shelf.log, shelf.photos], async () => {
    await shelf.steps.where('planId').equals(id).delete();
    await shelf.log.where('plan').equals(id).delete();
    await shelf.photos.where('plan').equals(id).delete();
    await shelf.plans.delete(id);
  });
}

/**
 * Tells the count of writes of a plan whenever any tab changes it, and null when it is gone.
 * @returns ends that
 */
export const watchPlan = (id: string, tell: (writes: number | null) => void): (() => void) =>
  watch(async () => (await shelf.plans.get(id))?.writes ?? null, tell);
