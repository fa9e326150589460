import { z } from 'zod';
import { Card } from '../card/card.ts';
import type { PlanDocument } from '../plan/document.ts';
import { MAX_PARTS, Plan } from '../plan/plan.ts';
import { PLAN_FORMAT, PLAN_VERSION } from '../plan/version.ts';
import { referenceProblems } from '../plan/references.ts';
import type { Message } from '../quantity/message.ts';
import { expected, type Problem } from '../quantity/problem.ts';
import { parseJson } from './json.ts';
import { migratePlanFile } from './migrate.ts';
import { capped, foundIn, problemsOf } from './problems.ts';

/** A plan file: the plan with every card that it uses. */
export const PlanFile = z.strictObject({
  format: z.literal(PLAN_FORMAT),
  version: z.literal(PLAN_VERSION),
  plan: Plan,
  cards: z.array(Card).max(MAX_PARTS),
});

export type Read<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

const no = (path: string, message: Message): Read<never> => ({ ok: false, problems: [{ path, message }] });

/** Format and version first: what comes from a newer program is refused by name, not by its unknown fields. */
export function checkEnvelope(value: unknown, format: string, version: number): Read<object> {
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    return no('', expected('object', { found: foundIn(value) }));
  const found: unknown = Reflect.get(value, 'format');
  if (found !== format) return no('/format', expected('exactly', { expected: format, found: foundIn(found) }));
  const given: unknown = Reflect.get(value, 'version');
  if (typeof given !== 'number' || !Number.isInteger(given) || given < 1)
    return no('/version', expected('version', { version, found: foundIn(given) }));
  if (given > version) return no('/version', expected('newer', { version, found: given }));
  return { ok: true, value };
}

function tooMany(value: object): Problem[] {
  const plan: unknown = Reflect.get(value, 'plan');
  if (plan === null || typeof plan !== 'object') return [];
  return ['parts', 'helpers', 'needs', 'buses'].flatMap((list) => {
    const items: unknown = Reflect.get(plan, list);
    return Array.isArray(items) && items.length > MAX_PARTS
      ? [{ path: `/plan/${list}`, message: expected('entries', { most: MAX_PARTS, found: items.length }) }]
      : [];
  });
}

/** Reads a parsed plan file. Either the whole document, or every problem with its path; never a part of it. */
function readPlanValue(given: unknown): Read<PlanDocument> {
  const envelope = checkEnvelope(given, PLAN_FORMAT, PLAN_VERSION);
  if (!envelope.ok) return envelope;
  const value = migratePlanFile(given);
  const many = tooMany(envelope.value);
  if (many.length > 0) return { ok: false, problems: many };
  const parsed = PlanFile.safeParse(value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, value) };
  const { plan, cards } = parsed.data;
  const problems = [...doubledCards(cards), ...referenceProblems({ plan, cards })];
  return problems.length > 0
    ? { ok: false, problems: capped(problems, (one) => one) }
    : { ok: true, value: { plan, cards } };
}

export function doubledCards(cards: readonly Card[]): Problem[] {
  const seen = new Set<string>();
  return cards.flatMap(({ id }, i) => {
    const doubled = seen.has(id);
    seen.add(id);
    return doubled ? [{ path: `/cards/${i}/id`, message: expected('idOnce', { found: id }) }] : [];
  });
}

/** Reads the text of a plan file. */
export function readPlan(text: string): Read<PlanDocument> {
  const json = parseJson(text);
  return json.ok ? readPlanValue(json.value) : json;
}

/** The text of a plan file; reading it gives the same document again. */
export function writePlan({ plan, cards }: PlanDocument): string {
  return `${JSON.stringify({ format: PLAN_FORMAT, version: PLAN_VERSION, plan, cards }, null, 2)}\n`;
}
