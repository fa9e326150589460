/** A whole shelf as one file: a ZIP of files that can each be looked into, and that are all read and checked before anything is put back. */
import type { Card } from '@idle-breadboard/core/card';
import type { LogEntry } from '@idle-breadboard/core/deliver';
import {
  readCard,
  readDraft,
  readLogbook,
  readReview,
  readShelfIndex,
  readStep,
  writeDraft,
  writeLogbook,
  writePlan,
  writeShelfIndex,
  writeStep,
  type Read,
  type ShelfIndex,
} from '@idle-breadboard/core/files';
import { documentOf, expected, type Problem } from '@idle-breadboard/core/plan';
import { strFromU8, strToU8, unzip, zip } from 'fflate';
import type { StoredDraft, StoredReview } from './db';
import type { WholePlan, WholeShelf } from './whole';

/** More than this, unpacked, is no shelf, in bytes. */
const LARGEST = 2_000_000_000;
const INDEX = 'shelf.json';

const json = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(value, null, 2)}\n`);
const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());
/** A name in the archive: ids of entries may hold anything. */
const named = (id: string): string => encodeURIComponent(id);
const cardName = ({ id, revision }: Card): string => `${named(id)}@${revision}.json`;
const number = (i: number): string => String(i).padStart(4, '0');

type Files = Record<string, Uint8Array>;

function planFiles({ id, history }: WholePlan, { log }: WholeShelf, into: Files): void {
  const at = `plans/${named(id)}`;
  const { steps, cards } = history;
  const now = steps[history.at]?.plan;
  // For whoever looks in: it is a plan file like any other. It is not read back.
  if (now) into[`${at}/plan.json`] = strToU8(writePlan(documentOf(now, cards)));
  for (const card of cards) into[`${at}/cards/${cardName(card)}`] = json(card);
  for (const [i, step] of steps.entries()) into[`${at}/steps/${number(i)}.json`] = strToU8(writeStep(step));
  const entries = log.filter(({ plan }) => plan === id);
  if (entries.length > 0) into[`${at}/log.json`] = strToU8(writeLogbook(now?.name ?? id, entries));
}

/** @param written the moment that it says */
export async function zipShelf(whole: WholeShelf, written: Date): Promise<Uint8Array> {
  const files: Files = {};
  for (const plan of whole.plans) planFiles(plan, whole, files);
  for (const card of whole.cards) files[`cards/${cardName(card)}`] = json(card);
  for (const { id, draft } of whole.drafts) files[`drafts/${named(id)}.json`] = strToU8(writeDraft(draft));
  for (const review of whole.reviews) files[`reviews/${named(review.id)}.json`] = json(review);
  for (const { id, image } of whole.photos) files[`photos/${named(id)}`] = await bytesOf(image);
  for (const { id, image } of whole.partPhotos) files[`part-photos/${named(id)}`] = await bytesOf(image);
  for (const { id, data } of whole.documents) files[`documents/${named(id)}`] = await bytesOf(data);
  const index: ShelfIndex = {
    written: written.toISOString(),
    plans: whole.plans.map(({ id, changed, history: { at, dropped } }) => ({ id, changed, at, dropped })),
    photos: whole.photos.map(({ id, plan, image }) => ({ id, plan, type: image.type })),
    partPhotos: whole.partPhotos.map(({ id, image }) => ({ id, type: image.type })),
    documents: whole.documents.map(({ id, data }) => ({ id, type: data.type })),
    drafts: structuredClone(whole.drafts.map(({ draft: _, ...rest }) => rest)) as unknown as ShelfIndex['drafts'],
    settings: { ...whole.settings },
  };
  files[INDEX] = strToU8(writeShelfIndex(index));
  return new Promise((done, fail) => zip(files, (error, data) => (error ? fail(error) : done(data))));
}

export type ShelfRead =
  { readonly ok: true; readonly value: WholeShelf } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Problems of every file, each path led by the name of its file. */
class Reader {
  readonly problems: Problem[] = [];

  constructor(private readonly files: Files) {}

  take<T>(name: string, read: (text: string) => Read<T>): T | null {
    const bytes = this.files[name];
    if (!bytes) {
      this.problems.push({ path: name, message: expected('noFile') });
      return null;
    }
    const found = read(strFromU8(bytes));
    if (found.ok) return found.value;
    this.problems.push(...found.problems.map(({ path, message }) => ({ path: `${name} ${path}`.trim(), message })));
    return null;
  }

  has = (name: string): boolean => name in this.files;

  /** Every file under a name, in the order of their names. */
  under<T>(folder: string, read: (text: string) => Read<T>): T[] {
    const names = Object.keys(this.files).filter((name) => name.startsWith(folder) && name.endsWith('.json'));
    return names.sort().flatMap((name) => this.take(name, read) ?? []);
  }

  blob(name: string, type: string): Blob {
    const bytes = this.files[name];
    if (!bytes) this.problems.push({ path: name, message: expected('noFile') });
    return new Blob(bytes ? [bytes as BlobPart] : [], { type });
  }
}

function readWhole(reader: Reader, index: ShelfIndex): WholeShelf {
  const log: LogEntry[] = [];
  const plans = index.plans.flatMap(({ id, changed, at, dropped }): WholePlan[] => {
    const folder = `plans/${named(id)}`;
    const cards = reader.under(`${folder}/cards/`, readCard);
    const steps = reader.under(`${folder}/steps/`, (text) => readStep(text, cards));
    if (reader.has(`${folder}/log.json`))
      log.push(...(reader.take(`${folder}/log.json`, readLogbook)?.entries ?? []).map((one) => ({ ...one, plan: id })));
    if (at >= steps.length)
      reader.problems.push({
        path: `${INDEX} ${id}/at`,
        message: expected('steps', { most: steps.length, found: at }),
      });
    return [{ id, changed, history: { cards, steps, at, dropped } }];
  });
  return {
    plans,
    log,
    cards: reader.under('cards/', readCard),
    drafts: index.drafts.flatMap((rest) => {
      const draft = reader.take(`drafts/${named(rest.id)}.json`, readDraft);
      return draft ? [{ ...rest, draft } as unknown as StoredDraft] : [];
    }),
    reviews: reader.under('reviews/', readReview) as unknown as StoredReview[],
    photos: index.photos.map(({ id, plan, type }) => ({ id, plan, image: reader.blob(`photos/${named(id)}`, type) })),
    partPhotos: index.partPhotos.map(({ id, type }) => ({ id, image: reader.blob(`part-photos/${named(id)}`, type) })),
    documents: index.documents.map(({ id, type }) => ({ id, data: reader.blob(`documents/${named(id)}`, type) })),
    settings: index.settings,
  };
}

/** Reads the archive of a shelf: all of it, or every problem with its file and path; never a part. */
export async function unzipShelf(bytes: Uint8Array): Promise<ShelfRead> {
  let files: Files;
  try {
    files = await unpacked(bytes);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, problems: [{ path: '', message: expected('unreadable', { path: 'the archive', why }) }] };
  }
  const reader = new Reader(files);
  const index = reader.take(INDEX, readShelfIndex);
  const value = index && readWhole(reader, index);
  return value && reader.problems.length === 0 ? { ok: true, value } : { ok: false, problems: reader.problems };
}

function unpacked(bytes: Uint8Array): Promise<Files> {
  let size = 0;
  return new Promise((done, fail) =>
    unzip(
      bytes,
      {
        // A small archive may unpack to more than any memory holds.
        filter: ({ originalSize }) => {
          size += originalSize;
          if (size > LARGEST) fail(new Error(`more than ${LARGEST} bytes when it is unpacked`));
          return size <= LARGEST;
        },
      },
      (error, files) => (error ? fail(error) : done(files)),
    ),
  );
}
