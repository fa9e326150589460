/** A plan with its circuit and verdict, and what is grave in it. */
import { isBlocking, type Result } from '../../check/result.ts';
import type { Verdict } from '../../check/standing.ts';
import type { Circuit } from '../../circuit/model.ts';
import type { Plan } from '../../plan/plan.ts';

/** A solution is also given up for what is past a sheet by millivolts: mostly another way keeps to it. */
const isGrave = (result: Result) =>
  isBlocking(result) || (result.severity === 'caution' && result.check === 'level/over-voltage');

export const grave = (verdict: Verdict) => verdict.findings.filter(isGrave);

/** True when less of what is worst is left in `a`: fewer dangers, then fewer of all that is grave. */
export function isBetter(a: Verdict, b: Verdict): boolean {
  const dangers = ({ findings }: Verdict) => findings.filter(({ severity }) => severity === 'danger').length;
  return dangers(a) !== dangers(b) ? dangers(a) < dangers(b) : grave(a).length < grave(b).length;
}

export interface Judged {
  readonly plan: Plan;
  readonly circuit: Circuit;
  readonly verdict: Verdict;
}
