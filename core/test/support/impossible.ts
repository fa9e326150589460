/** Findings of random plans to which no single change is offered, held to every single edit of a list that knows nothing of remedies. */
import { verify } from '../../src/check/verify.ts';
import type { Result } from '../../src/check/result.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { answerTo } from '../../src/solve/answer.ts';
import { library } from './demo.ts';
import { afterEdit, everyEdit } from './every-edit.ts';
import { randomPlan } from './random-plan.ts';

export interface Held {
  /** Dangers and faults of the plan, and those of them that no change is said to end. */
  readonly grave: number;
  readonly claimed: number;
  /** Edits that end one of those all the same, and bring neither danger nor fault. */
  readonly refuted: readonly string[];
}

const isGrave = ({ severity }: Result): boolean => severity === 'danger' || severity === 'fault';

export function heldToEveryEdit(seed: number): Held {
  const circuit = deriveCircuit(randomPlan(seed, 2 + (seed % 7)));
  const verdict = verify(circuit);
  const grave = verdict.findings.filter(isGrave);
  const severities = new Map(verdict.findings.map(({ key, severity }) => [key, severity]));
  const claimed = grave.filter((found) => answerTo(circuit, verdict, found, library).remedies.length === 0);
  const left = new Map(claimed.map((found) => [found.key, found]));
  const refuted: string[] = [];
  for (const edit of left.size > 0 ? everyEdit(circuit, library) : []) {
    const { findings } = verify(afterEdit(circuit, library, edit));
    const after = new Set(findings.map(({ key }) => key));
    const worse = findings.some((r) => {
      const old = severities.get(r.key);
      return (
        isGrave(r) &&
        (old === undefined || (r.severity === 'danger' ? old !== 'danger' : old !== 'fault' && old !== 'danger'))
      );
    });
    if (worse) continue;
    for (const [key, { message }] of left)
      if (!after.has(key)) {
        left.delete(key);
        refuted.push(`plan ${seed}: ${message} || ended by: ${edit.says}`);
      }
  }
  return { grave: grave.length, claimed: claimed.length, refuted };
}
