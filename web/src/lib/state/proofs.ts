/** Results by what they are about, so that a row finds its proofs. */
import type { Result, Verdict } from '@idle-breadboard/core/verify';

export type Proofs = ReadonlyMap<string, readonly Result[]>;

export function proofsBySubject(verdict: Pick<Verdict, 'findings' | 'passes'>): Proofs {
  const map = new Map<string, Result[]>();
  for (const result of [...verdict.findings, ...verdict.passes]) {
    for (const subject of result.subjects) {
      const list = map.get(subject);
      if (list) list.push(result);
      else map.set(subject, [result]);
    }
  }
  return map;
}

export const of = (proofs: Proofs, subject: string, ...checks: string[]): readonly Result[] =>
  (proofs.get(subject) ?? []).filter(({ check }) => checks.length === 0 || checks.includes(check));
