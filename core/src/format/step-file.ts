/** One step of a plan's history as a file: what was done, and the plan that came of it. The cards lie beside all steps. */
import { z } from 'zod';
import type { Card } from '../card/card.ts';
import { documentOf } from '../plan/document.ts';
import { Plan } from '../plan/plan.ts';
import { referenceProblems } from '../plan/references.ts';
import { PLAN_VERSION } from '../plan/version.ts';
import { parseJson } from './json.ts';
import { migratePlanFile } from './migrate.ts';
import { checkEnvelope, type Read } from './plan-file.ts';
import { capped, problemsOf } from './problems.ts';

const STEP_FORMAT = 'idle-breadboard/step';
const MAX_WHY = 2000;

const StepFile = z.strictObject({
  format: z.literal(STEP_FORMAT),
  version: z.literal(PLAN_VERSION),
  why: z.string().max(MAX_WHY),
  plan: Plan,
});

interface StepRead {
  readonly why: string;
  readonly plan: Plan;
}

export const writeStep = ({ why, plan }: StepRead): string =>
  `${JSON.stringify({ format: STEP_FORMAT, version: PLAN_VERSION, why: why.slice(0, MAX_WHY), plan })}\n`;

/** @param cards of the history, every revision of each */
export function readStep(text: string, cards: readonly Card[]): Read<StepRead> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const envelope = checkEnvelope(json.value, STEP_FORMAT, PLAN_VERSION);
  if (!envelope.ok) return envelope;
  const value = migratePlanFile(json.value);
  const parsed = StepFile.safeParse(value);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error, value) };
  const { why, plan } = parsed.data;
  const problems = referenceProblems(documentOf(plan, cards));
  return problems.length > 0
    ? { ok: false, problems: capped(problems, (one) => one) }
    : { ok: true, value: { why, plan } };
}
