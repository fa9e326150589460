/** What a whole shelf says of itself in a file: which plans, drafts, reviews and pictures lie beside it in the archive. */
import { z } from 'zod';
import { Source } from '../card/figure.ts';
import { CLASS_IDS } from '../card/part-class.ts';
import { parseJson } from './json.ts';
import { checkEnvelope, type Read } from './plan-file.ts';
import { problemsOf } from './problems.ts';

const SHELF_FORMAT = 'idle-breadboard/shelf';
const SHELF_VERSION = 1;

const id = z.string().min(1).max(300);
const words = z.string().max(100_000);
/** Milliseconds since 1970. */
const moment = z.int().min(0).max(8.64e15);
const count = z.int().min(0).max(1e9);
/** What the reader of datasheets proposed; whoever shows it takes it as words and figures. */
const Proposed = z.looseObject({ id, slot: id });

const Index = z.strictObject({
  format: z.literal(SHELF_FORMAT),
  version: z.literal(SHELF_VERSION),
  /** ISO 8601, UTC. */
  written: z.iso.datetime(),
  plans: z.array(z.strictObject({ id, changed: moment, at: count, dropped: count })).max(10_000),
  photos: z.array(z.strictObject({ id, plan: id, type: words })).max(50_000),
  partPhotos: z.array(z.strictObject({ id, type: words })).max(10_000),
  documents: z.array(z.strictObject({ id, type: words })).max(10_000),
  drafts: z
    .array(
      z.strictObject({
        id,
        changed: moment,
        card: id.nullable(),
        typing: z.record(words, words),
        source: Source,
        stock: count,
        sheet: z
          .strictObject({
            review: id.nullable(),
            figures: z.array(z.strictObject({ figure: Proposed, source: Source, at: z.array(words) })),
          })
          .nullable(),
      }),
    )
    .max(10_000),
  settings: z.record(words, words),
});

const Review = z.looseObject({
  id,
  changed: moment,
  kind: z.enum(['pdf', 'paste']),
  file: words,
  pages: count,
  readPages: count,
  title: words,
  name: words,
  cls: z.enum(CLASS_IDS).nullable(),
  figures: z.array(Proposed.and(z.looseObject({ decision: z.enum(['open', 'taken', 'dropped']), page: count }))),
  unreadSpots: z.array(z.looseObject({ page: count })),
});

export type ShelfIndex = Omit<z.infer<typeof Index>, 'format' | 'version'>;

export const writeShelfIndex = (index: ShelfIndex): string =>
  `${JSON.stringify({ format: SHELF_FORMAT, version: SHELF_VERSION, ...index }, null, 2)}\n`;

export function readShelfIndex(text: string): Read<ShelfIndex> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const envelope = checkEnvelope(json.value, SHELF_FORMAT, SHELF_VERSION);
  if (!envelope.ok) return envelope;
  const parsed = Index.safeParse(envelope.value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, envelope.value) };
  const { format: _, version: __, ...index } = parsed.data;
  return { ok: true, value: index };
}

/** What was read of a datasheet and not made a card of. */
export function readReview(text: string): Read<z.infer<typeof Review>> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const parsed = Review.safeParse(json.value);
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, problems: problemsOf(parsed.error, json.value) };
}
