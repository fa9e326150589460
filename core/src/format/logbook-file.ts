/** A logbook as a file: to go on with it in another browser. Photos stay where they are. */
import { z } from 'zod';
import { LOG_KINDS, type LogEntry } from '../deliver/logbook.ts';
import { parseJson } from './json.ts';
import { checkEnvelope, type Read } from './plan-file.ts';
import { expected } from '../quantity/problem.ts';
import { problemsOf } from './problems.ts';

const LOGBOOK_FORMAT = 'idle-breadboard/logbook';
/** Version 2 says what a self-test read. */
const LOGBOOK_VERSION = 2;
const MAX_ENTRIES = 50_000;
/** An open circuit is no number that JSON has. */
const OPEN = 'open';

const words = (most: number) => z.string().max(most);
const Entry = z.strictObject({
  id: words(120).min(1),
  build: z.int().min(1).max(10_000),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
  kind: z.enum(LOG_KINDS),
  fingerprint: words(64),
  title: words(400),
  row: words(200).optional(),
  value: z.union([z.number(), words(2000)]).optional(),
  unit: words(12).optional(),
  expected: z
    .union([
      words(2000),
      z.strictObject({
        min: z.number().nullable(),
        max: z.number().nullable(),
        unit: words(12),
        sum: words(400),
      }),
    ])
    .optional(),
  inside: z.boolean().optional(),
  by: z.enum(['typed', 'pasted', 'bench', 'port']).optional(),
  program: z.literal(true).optional(),
  text: words(20_000).optional(),
  reference: z.number().optional(),
});

const LogbookFile = z.strictObject({
  format: z.literal(LOGBOOK_FORMAT),
  version: z.int().min(1).max(LOGBOOK_VERSION),
  /** Name of the plan that it was kept for. */
  plan: words(80),
  entries: z.array(Entry).max(MAX_ENTRIES),
});

export interface Logbook {
  readonly plan: string;
  readonly entries: readonly Omit<LogEntry, 'plan'>[];
}

/** @param plan its name */
export function writeLogbook(plan: string, entries: readonly LogEntry[]): string {
  const written = entries.map(({ plan: _, ...entry }) => ({
    ...entry,
    ...(entry.value === Infinity ? { value: OPEN } : {}),
  }));
  return `${JSON.stringify({ format: LOGBOOK_FORMAT, version: LOGBOOK_VERSION, plan, entries: written }, null, 2)}\n`;
}

/** Reads the text of a logbook: all of it, or every problem with its path; never a part. */
export function readLogbook(text: string): Read<Logbook> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const envelope = checkEnvelope(json.value, LOGBOOK_FORMAT, LOGBOOK_VERSION);
  if (!envelope.ok) return envelope;
  const parsed = LogbookFile.safeParse(envelope.value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, envelope.value) };
  const { plan, entries } = parsed.data;
  const seen = new Set<string>();
  const problems = entries.flatMap(({ id }, i) => {
    const again = seen.has(id);
    seen.add(id);
    return again ? [{ path: `/entries/${i}/id`, message: expected('idOnce', { found: id }) }] : [];
  });
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      plan,
      entries: entries.map((entry) =>
        entry.value === OPEN && typeof entry.expected === 'object' ? { ...entry, value: Infinity } : entry,
      ),
    },
  };
}
