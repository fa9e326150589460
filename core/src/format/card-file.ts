import { Card } from '../card/card.ts';
import { CARD_FORMAT, CARD_VERSION } from '../card/version.ts';
import { parseJson } from './json.ts';
import { migrateCard } from './migrate.ts';
import { checkEnvelope, type Read } from './plan-file.ts';
import { problemsOf } from './problems.ts';

/** Reads the text of a card file: the card, or every problem with its path. */
export function readCard(text: string): Read<Card> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const envelope = checkEnvelope(json.value, CARD_FORMAT, CARD_VERSION);
  if (!envelope.ok) return envelope;
  const value = migrateCard(json.value);
  const parsed = Card.safeParse(value);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, problems: problemsOf(parsed.error, value) };
}
