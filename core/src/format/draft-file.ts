/** A part that is being entered, as a file: to go on with it in another browser. */
import { z } from 'zod';
import { Source } from '../card/figure.ts';
import { CLASS_IDS } from '../card/part-class.ts';
import type { Draft } from '../workshop/draft.ts';
import { parseJson } from './json.ts';
import { checkEnvelope, type Read } from './plan-file.ts';
import { problemsOf } from './problems.ts';

const DRAFT_FORMAT = 'idle-breadboard/draft';
const DRAFT_VERSION = 1;

const words = z.string().max(100_000);
const place = z.string().max(400);
const Answer = z.strictObject({
  said: z.union([words, z.array(z.array(words).max(200)).max(2000)]),
  source: z.exactOptional(Source),
});

const DraftFile = z.strictObject({
  format: z.literal(DRAFT_FORMAT),
  version: z.literal(DRAFT_VERSION),
  cls: z.enum(CLASS_IDS),
  headers: z.array(z.strictObject({ kind: words, text: words, across: z.exactOptional(words) })).max(40),
  table: words,
  answers: z.array(z.tuple([place, Answer])).max(20_000),
  confirmed: z.array(place).max(20_000),
  none: z.array(place).max(20_000),
});

export function writeDraft({ cls, headers, table, answers, confirmed, none }: Draft): string {
  const written = { cls, headers, table, answers: [...answers], confirmed: [...confirmed], none: [...none] };
  return `${JSON.stringify({ format: DRAFT_FORMAT, version: DRAFT_VERSION, ...written }, null, 2)}\n`;
}

export function readDraft(text: string): Read<Draft> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const envelope = checkEnvelope(json.value, DRAFT_FORMAT, DRAFT_VERSION);
  if (!envelope.ok) return envelope;
  const parsed = DraftFile.safeParse(envelope.value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, envelope.value) };
  const { cls, headers, table, answers, confirmed, none } = parsed.data;
  return {
    ok: true,
    value: { cls, headers, table, answers: new Map(answers), confirmed: new Set(confirmed), none: new Set(none) },
  };
}
