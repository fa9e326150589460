/** What the reader of a finished layout says of it, as results like those of the checks: an open plan has a finding that says why. */
import type { Circuit } from '../circuit/model.ts';
import { result, type CheckMeta, type Result } from '../check/result.ts';
import type { LayoutProof } from '../readback/prove.ts';
import type { NoLayout } from '../circuit/laid.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverReadBackSays {
  readonly thereNoLayout: { says: Text };
  readonly meaning: null;
  readonly readBackFromHoles: { contacts: number; nodes: number };
  readonly whoeverFollowsTheseSteps: null;
}

const tell = tells<DeliverReadBackSays>('deliver/read-back');

const READ_BACK = {
  id: 'wiring/read-back',
  station: 'wiring',
  breaks: 'danger',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

export function readBackResults(circuit: Circuit, why: NoLayout | null, proof: LayoutProof | null): Result[] {
  if (why)
    return [
      result(circuit, READ_BACK, {
        subjects: ['layout', ...why.parts],
        keyed: ['layout'],
        severity: 'fault',
        message: tell('thereNoLayout', { says: why.says }),
        meaning: tell('meaning'),
      }),
    ];
  if (!proof) return [];
  if (proof.agrees)
    return [
      result(circuit, READ_BACK, {
        subjects: ['layout'],
        severity: null,
        measured: proof.contacts,
        unit: 'ends',
        ranked: false,
        message: tell('readBackFromHoles', { contacts: proof.contacts, nodes: proof.nodes }),
      }),
    ];
  return proof.mismatches.map(({ subjects, says }, i) =>
    result(circuit, READ_BACK, {
      subjects,
      keyed: [...subjects, String(i)],
      severity: 'danger',
      message: says,
      meaning: tell('whoeverFollowsTheseSteps'),
    }),
  );
}
