/** What the browser keeps: plans, their history, and small settings. */
import Dexie, { type DexieOptions, type EntityTable, type Table, type Transaction } from 'dexie';
import type { Card, Evidence, PageText, Proposal, Source } from '@idle-breadboard/core/card';
import type { LogEntry } from '@idle-breadboard/core/deliver';
import { migrateCard, migrateStoredPlan } from '@idle-breadboard/core/stored';
import type { Plan } from '@idle-breadboard/core/plan';
import type { ClassId, Draft, SheetFigure } from '@idle-breadboard/core/workshop';

export interface StoredPlan {
  id: string;
  name: string;
  /** Milliseconds since 1970. */
  changed: number;
  /** Where in the history the plan stands. */
  at: number;
  /** How often it was written: who writes says which count they know, so that no tab writes over what it has not seen. */
  writes: number;
  /** Every card that any step of the history uses. */
  cards: readonly Card[];
}

interface StoredStep {
  planId: string;
  index: number;
  /** What was done, for the history. */
  why: string;
  plan: Plan;
}

/** A photo of an entry of the logbook. */
export interface StoredPhoto {
  /** That of the entry. */
  id: string;
  plan: string;
  image: Blob;
}

/** A part that is being entered. */
export interface StoredDraft {
  id: string;
  /** Milliseconds since 1970. */
  changed: number;
  draft: Draft;
  /** The card that it is a new revision of. */
  card: string | null;
  /** What was typed and not taken yet, by the place of its question. */
  typing: Readonly<Record<string, string>>;
  /** Where the next figures are from. */
  source: Source;
  stock: number;
  /** What was read of its sheet, and the review that it came from. */
  sheet: { readonly review: string | null; readonly figures: readonly SheetFigure[] } | null;
}

/** What was read of a datasheet, and what became of it so far. */
export interface StoredReview {
  id: string;
  /** Milliseconds since 1970. */
  changed: number;
  kind: 'pdf' | 'paste';
  file: string;
  pages: number;
  readPages: number;
  title: string;
  name: string;
  cls: ClassId | null;
  evidence: Evidence;
  figures: readonly (Proposal & {
    readonly decision: 'open' | 'taken' | 'dropped';
    readonly mended: boolean;
    readonly read?: Proposal;
    readonly taught?: true;
  })[];
  unreadSpots: readonly { readonly page: number; readonly box: Proposal['box'] }[];
  pasted: PageText | null;
}

/** The document of a review, so that its pages can be shown again. */
export interface ReviewFile {
  id: string;
  data: Blob;
}

/** A photo of a part of one's own. */
interface PartPhoto {
  /** That of the card, or of the draft. */
  id: string;
  image: Blob;
}

/** Where the records lie: in the browser's store, or in the memory of this tab. */
type Place = Pick<DexieOptions, 'indexedDB' | 'IDBKeyRange'>;
const NAME = 'idle-breadboard';
/** The latest version below; one that is higher was written by a newer program. */
export const SHELF_VERSION = 12;

class Shelf extends Dexie {
  plans!: EntityTable<StoredPlan, 'id'>;
  reviews!: Table<StoredReview, string>;
  reviewFiles!: Table<ReviewFile, string>;
  steps!: Table<StoredStep, [string, number]>;
  /** The maker's own cards, every revision. */
  cards!: Table<Card, [string, number]>;
  log!: Table<LogEntry, string>;
  photos!: Table<StoredPhoto, string>;
  drafts!: Table<StoredDraft, string>;
  partPhotos!: Table<PartPhoto, string>;
  settings!: Table<{ key: string; value: string }, string>;

  constructor(place: Place = {}) {
    // What is called saved is on the disk, not on its way there.
    super(NAME, { ...place, chromeTransactionDurability: 'strict' });
    this.version(1).stores({ plans: 'id, changed', steps: '[planId+index], planId', settings: 'key' });
    // The second version keeps the maker's own cards, and brings plans to the form of today.
    this.version(2).stores({ cards: '[id+revision], id' }).upgrade(bringUp);
    // The third has what the electrical proof needs, the fourth what pins do at the start and share, the fifth what
    // currents, heat and cells need, the sixth boards and what stands on them.
    for (const version of [3, 4, 5, 6]) this.version(version).stores({}).upgrade(bringAllUp);
    // The seventh keeps a logbook for each plan, with its photos.
    this.version(7).stores({ log: 'id, plan, [plan+at]', photos: 'id, plan' });
    // The eighth has sockets and cables, converters, and a house rule for supplies.
    this.version(8).stores({}).upgrade(bringAllUp);
    // The ninth keeps parts that are being entered, and photos of those that were.
    this.version(9).stores({ drafts: 'id, changed', partPhotos: 'id' });
    // The tenth keeps what was read of a datasheet until a card is made of it.
    this.version(10).stores({ reviews: 'id, changed', reviewFiles: 'id' });
    // The eleventh takes what was read to the desk: a review knows a class, and a draft its sheet.
    this.version(11).stores({}).upgrade(bringToDesk);
    // The twelfth counts how often a plan was written.
    this.version(SHELF_VERSION).stores({}).upgrade(countWrites);
  }
}

/** Plans and the maker's own cards. */
async function bringAllUp(store: Transaction): Promise<void> {
  await bringUp(store);
  const own = await store.table<Card>('cards').toArray();
  await store.table<Card>('cards').bulkPut(own.map((card) => migrateCard(card) as Card));
}

/** Plans and the cards that they carry, in the form of today. */
async function bringUp(store: Transaction): Promise<void> {
  await store
    .table<StoredStep>('steps')
    .toCollection()
    .modify((step) => {
      step.plan = migrateStoredPlan(step.plan) as Plan;
    });
  await store
    .table<StoredPlan>('plans')
    .toCollection()
    .modify((plan) => {
      plan.cards = plan.cards.map((card) => migrateCard(card) as Card);
    });
}

/** Reviews whose card would have been like another, and drafts that know of no sheet. */
async function bringToDesk(store: Transaction): Promise<void> {
  await store
    .table<StoredReview>('reviews')
    .toCollection()
    .modify((review) => {
      review.cls = null;
    });
  await store
    .table<StoredDraft>('drafts')
    .toCollection()
    .modify((draft) => {
      draft.sheet = null;
    });
}

async function countWrites(store: Transaction): Promise<void> {
  await store
    .table<StoredPlan>('plans')
    .toCollection()
    .modify((plan) => {
      plan.writes = 0;
    });
}

export let shelf = new Shelf();

/** From here on everything lies in another place; what was open is closed. */
export function lieIn(place: Place): void {
  shelf.close();
  shelf = new Shelf(place);
}

export const setting = async (key: string): Promise<string | undefined> => (await shelf.settings.get(key))?.value;
export const setSetting = (key: string, value: string): Promise<string> => shelf.settings.put({ key, value });
