/** Proofs that were measured on the built thing no longer rest on trust. */
import type { Plan } from '../plan/plan.ts';
import type { Result } from './result.ts';
import type { Verdict } from './standing.ts';

/**
 * Only passes are lifted: what was measured inside its limits answers a proof; a finding is settled by a change of the plan.
 * @param fingerprint of the hardware now: what was measured on other hardware says nothing
 */
export function withMeasured(verdict: Verdict, measured: Plan['measured'], fingerprint: string): Verdict {
  if (!measured || measured.fingerprint !== fingerprint) return verdict;
  const keys = new Set(measured.results);
  const passes = verdict.passes.map((r): Result =>
    keys.has(r.key) ? { ...r, evidence: 'measured', assumed: false } : r,
  );
  return { ...verdict, passes, assumed: passes.filter((r) => r.assumed).length };
}
