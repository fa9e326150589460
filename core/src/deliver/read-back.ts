/** What the reader of a finished layout says of it, as results like those of the checks: an open plan has a finding that says why. */
import type { Circuit } from '../circuit/circuit.ts';
import { result, type CheckMeta, type Result } from '../check/result.ts';
import type { LayoutProof } from '../layout/compare.ts';
import type { NoLayout } from '../layout/layout.ts';

export const READ_BACK: CheckMeta = {
  id: 'wiring/read-back',
  title: 'The wiring is the circuit',
  station: 'wiring',
  rule: 'What is read back from the holes, strips, sockets, legs and leads of the steps joins the same ends as the circuit, and nothing else. A second program reads it, which knows neither the circuit nor how the layout was made.',
  source: 'the plan itself',
  breaks: 'danger',
};

export function readBackResults(circuit: Circuit, why: NoLayout | null, proof: LayoutProof | null): Result[] {
  if (why)
    return [
      result(circuit, READ_BACK, {
        subjects: ['layout', ...why.parts],
        keyed: ['layout'],
        severity: 'fault',
        message: `There is no layout: ${why.says}`,
        meaning: 'Without one there is nothing to wire by.',
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
        message: `Read back from holes, strips and leads: ${proof.contacts} ends on ${proof.nodes} nodes, all as the circuit wants them.`,
      }),
    ];
  return proof.discords.map(({ subjects, says }, i) =>
    result(circuit, READ_BACK, {
      subjects,
      keyed: [...subjects, String(i)],
      severity: 'danger',
      message: says,
      meaning: 'Whoever follows these steps builds something else than what was proved.',
    }),
  );
}
