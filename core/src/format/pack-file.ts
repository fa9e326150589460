import { z } from 'zod';
import { Card } from '../card/card.ts';
import { parseJson } from './json.ts';
import { migrateCard } from './migrate.ts';
import { checkEnvelope, doubledCards, type Read } from './plan-file.ts';
import { capped, problemsOf } from './problems.ts';

const PACK_FORMAT = 'idle-breadboard/pack';
const PACK_VERSION = 1;
/** A pack with more cards than this is no drawer of parts. */
const MAX_CARDS = 2000;

/** A pack: cards to hand on. */
const PackFile = z.strictObject({
  format: z.literal(PACK_FORMAT),
  version: z.literal(PACK_VERSION),
  cards: z.array(Card).min(1).max(MAX_CARDS),
});

/** Reads the text of a pack: all of its cards, or every problem with its path; never a part of them. */
export function readPack(text: string): Read<readonly Card[]> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const envelope = checkEnvelope(json.value, PACK_FORMAT, PACK_VERSION);
  if (!envelope.ok) return envelope;
  const given: unknown = Reflect.get(envelope.value, 'cards');
  const value = Array.isArray(given) ? { ...envelope.value, cards: given.map(migrateCard) } : envelope.value;
  const parsed = PackFile.safeParse(value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, value) };
  const problems = doubledCards(parsed.data.cards);
  return problems.length > 0
    ? { ok: false, problems: capped(problems, (one) => one) }
    : { ok: true, value: parsed.data.cards };
}

export const writePack = (cards: readonly Card[]): string =>
  `${JSON.stringify({ format: PACK_FORMAT, version: PACK_VERSION, cards }, null, 2)}\n`;
