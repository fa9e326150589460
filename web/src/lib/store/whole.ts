/** Everything that the browser keeps, at once: taken out in one transaction, and put back in one. */
import type { IndexableType, Table } from 'dexie';
import type { Card } from '@idle-breadboard/core/card';
import type { LogEntry } from '@idle-breadboard/core/deliver';
import { canonical } from '@idle-breadboard/core/plan';
import { shelf, type ReviewFile, type StoredDraft, type StoredPhoto, type StoredReview } from './db';
import { addHistory, loadPlan, type History } from './history';

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
    for (const id of await shelf.plans.orderBy('changed').primaryKeys()) {
      const found = await loadPlan(id);
      if (found) plans.push({ id, changed: found.changed, history: found.history });
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
    let same = 0;
    const there = new Map((await gather()).plans.map(({ id, history }) => [contentOf(history), id]));
    for (const { id: was, changed, history } of whole.plans) {
      const known = there.get(contentOf(history));
      if (known !== undefined) same += 1;
      const id = known ?? idOf(await addHistory(history), was);
      if (known === undefined) await shelf.plans.update(id, { changed });
      // Of one that lies there just so, the logbook may still be longer here.
      await takeLog(whole, was, id);
    }
    // A card of one's own under an id and revision that is taken stays as it is here: plans carry theirs.
    await addMissing(shelf.cards, whole.cards, ({ id, revision }): [string, number] => [id, revision]);
    await addMissing(shelf.drafts, whole.drafts, ({ id }) => id);
    await addMissing(shelf.partPhotos, whole.partPhotos, ({ id }) => id);
    await addMissing(shelf.reviews, whole.reviews, ({ id }) => id);
    await addMissing(shelf.reviewFiles, whole.documents, ({ id }) => id);
    const settings = Object.entries(whole.settings).map(([key, value]) => ({ key, value }));
    await addMissing(shelf.settings, settings, ({ key }) => key);
    return { plans: whole.plans.length - same, same };
  });
}

async function addMissing<T, Key extends IndexableType>(
  table: Table<T, Key>,
  items: readonly T[],
  keyOf: (item: T) => Key,
): Promise<void> {
  for (const item of items) if ((await table.get(keyOf(item))) === undefined) await table.put(item);
}

/** What a history says, under whatever id it lies. */
const contentOf = ({ steps }: History): string => canonical(steps.map(({ plan }) => ({ ...plan, id: '' })));

const idOf = ({ steps, at }: History, otherwise: string): string => steps[at]?.plan.id ?? otherwise;

/** Takes the entries and pictures that a plan's logbook does not have yet. */
async function takeLog({ log, photos }: WholeShelf, was: string, plan: string): Promise<void> {
  for (const entry of log.filter((one) => one.plan === was)) {
    const there = await shelf.log.get(entry.id);
    // One that another plan of this browser has is taken under a name of its own.
    const id = there === undefined || there.plan === plan ? entry.id : `${entry.id} ${plan}`;
    if ((await shelf.log.get(id)) !== undefined) continue;
    await shelf.log.put({ ...entry, id, plan });
    const photo = photos.find((one) => one.id === entry.id);
    if (photo) await shelf.photos.put({ ...photo, id, plan });
  }
}
