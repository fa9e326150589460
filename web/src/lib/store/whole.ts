/** Everything that the browser keeps, at once: taken out in one transaction, and put back in one. */
import type { IndexableType, Table } from 'dexie';
import type { Card } from '@idle-breadboard/core/card';
import type { LogEntry } from '@idle-breadboard/core/deliver';
import { shelf, type ReviewFile, type StoredDraft, type StoredPhoto, type StoredReview } from './db';
import type { History } from './history';

export interface WholePlan {
  readonly id: string;
  /** Milliseconds since 1970. */
  readonly changed: number;
  readonly history: History;
}

export interface WholeShelf {
  readonly plans: readonly WholePlan[];
  /** The maker's own, every revision. */
  readonly cards: readonly Card[];
  readonly log: readonly LogEntry[];
  readonly photos: readonly StoredPhoto[];
  readonly drafts: readonly StoredDraft[];
  readonly partPhotos: readonly { readonly id: string; readonly image: Blob }[];
  readonly reviews: readonly StoredReview[];
  readonly documents: readonly ReviewFile[];
  readonly settings: Readonly<Record<string, string>>;
}

/** What says only where one was looking. */
const PASSING: ReadonlySet<string> = new Set(['open', 'opening']);

const tables = () => [
  shelf.plans,
  shelf.steps,
  shelf.cards,
  shelf.log,
  shelf.photos,
  shelf.drafts,
  shelf.partPhotos,
  shelf.reviews,
  shelf.reviewFiles,
  shelf.settings,
];

export function gather(): Promise<WholeShelf> {
  return shelf.transaction('r', tables(), async () => {
    const plans: WholePlan[] = [];
    for (const { id, changed, at, cards } of await shelf.plans.orderBy('changed').toArray()) {
      const steps = await shelf.steps.where('planId').equals(id).sortBy('index');
      const dropped = steps[0]?.index;
      if (dropped === undefined) continue;
      const kept = steps.map(({ plan, why }) => ({ plan, why }));
      const where = Math.min(Math.max(0, at - dropped), kept.length - 1);
      plans.push({ id, changed, history: { cards, steps: kept, at: where, dropped } });
    }
    const settings = (await shelf.settings.toArray()).filter(({ key }) => !PASSING.has(key));
    return {
      plans,
      cards: await shelf.cards.toArray(),
      log: await shelf.log.toArray(),
      photos: await shelf.photos.toArray(),
      drafts: await shelf.drafts.toArray(),
      partPhotos: await shelf.partPhotos.toArray(),
      reviews: await shelf.reviews.toArray(),
      documents: await shelf.reviewFiles.toArray(),
      settings: Object.fromEntries(settings.map(({ key, value }) => [key, value])),
    };
  });
}

/** What a shelf took of another. */
export interface Taken {
  readonly plans: number;
  /** Plans that lay there just so. */
  readonly same: number;
}

/**
 * Puts a whole shelf beside what is there; nothing that is there is changed. A plan whose id is taken by another comes under a free one; what is
 * there just so is not put there twice. One transaction: all or nothing.
 */
export function putBack(whole: WholeShelf): Promise<Taken> {
  return shelf.transaction('rw', tables(), async () => {
    let [plans, same] = [0, 0];
    for (const plan of whole.plans) {
      if (await liesThere(plan)) same += 1;
      else {
        await putPlan(plan, whole);
        plans += 1;
      }
    }
    // A card of one's own under an id and revision that is taken stays as it is here: plans carry theirs.
    await addMissing(shelf.cards, whole.cards, ({ id, revision }): [string, number] => [id, revision]);
    await addMissing(shelf.drafts, whole.drafts, ({ id }) => id);
    await addMissing(shelf.partPhotos, whole.partPhotos, ({ id }) => id);
    await addMissing(shelf.reviews, whole.reviews, ({ id }) => id);
    await addMissing(shelf.reviewFiles, whole.documents, ({ id }) => id);
    const settings = Object.entries(whole.settings).map(([key, value]) => ({ key, value }));
    await addMissing(shelf.settings, settings, ({ key }) => key);
    return { plans, same };
  });
}

async function addMissing<T, Key extends IndexableType>(
  table: Table<T, Key>,
  items: readonly T[],
  keyOf: (item: T) => Key,
): Promise<void> {
  for (const item of items) if ((await table.get(keyOf(item))) === undefined) await table.put(item);
}

async function liesThere({ id, history }: WholePlan): Promise<boolean> {
  const there = await shelf.steps.where('planId').equals(id).sortBy('index');
  return JSON.stringify(there.map(({ plan }) => plan)) === JSON.stringify(history.steps.map(({ plan }) => plan));
}

async function putPlan({ id: was, changed, history }: WholePlan, { log, photos }: WholeShelf): Promise<void> {
  const taken = new Set(await shelf.plans.toCollection().primaryKeys());
  let id = was;
  for (let n = 2; taken.has(id); n++) id = `${was.slice(0, 40)}-${n}`;
  const { steps, at, dropped, cards } = history;
  const name = steps[at]?.plan.name ?? was;
  await shelf.plans.add({ id, name, changed, at: at + dropped, writes: 0, cards });
  await shelf.steps.bulkPut(
    steps.map(({ plan, why }, i) => ({ planId: id, index: dropped + i, why, plan: { ...plan, id } })),
  );
  for (const entry of log.filter(({ plan }) => plan === was)) {
    // An entry that another plan of this browser has is taken under a name of its own.
    const free = (await shelf.log.get(entry.id)) === undefined ? entry.id : `${entry.id} ${id}`;
    await shelf.log.put({ ...entry, id: free, plan: id });
    const photo = photos.find((one) => one.id === entry.id);
    if (photo) await shelf.photos.put({ ...photo, id: free, plan: id });
  }
}
