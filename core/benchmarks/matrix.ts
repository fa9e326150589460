/** How much of what ships can be used: each card that serves a need, on each board, fed in each way, from nothing wired. */
import { complete } from '../src/solve/complete/complete.ts';
import { circuitOf, MATRIX, wiredPlan } from '../test/support/matrix.ts';
import { library } from '../test/support/demo.ts';
import { afterEdit, everyEdit } from '../test/support/every-edit.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { verify } from '../src/check/verify.ts';
import { documentOf } from '../src/plan/document.ts';
import type { Plan } from '../src/plan/plan.ts';

/** The first single edit that verifies a plan, tried one after another by a list that knows neither remedies nor solver. */
function falseReason(plan: Plan): string | null {
  const circuit = deriveCircuit(documentOf(plan, [], library));
  for (const edit of everyEdit(circuit, library))
    if (verify(afterEdit(circuit, library, edit)).status === 'verified') return edit.says;
  return null;
}

export function benchMatrix(pick: (name: string) => boolean = () => true): void {
  const cells = MATRIX.filter(({ name }) => pick(name));
  const begun = performance.now();
  const open: string[] = [];
  /** Cells that some single edit would have verified. */
  const refuted: string[] = [];
  const by = new Map<string, [number, number]>();
  for (const cell of cells) {
    const done = complete(circuitOf(cell), library);
    const ok = done.verdict.status === 'verified';
    for (const key of [`${cell.by}`, `${cell.controller.id}`]) {
      const [good, all] = by.get(key) ?? [0, 0];
      by.set(key, [good + Number(ok), all + 1]);
    }
    // Where Mend all gave the plan back, the part is wired by the house rules first.
    const refutes = ok ? null : falseReason(done.why.length > 0 ? wiredPlan(cell) : done.plan);
    if (refutes) refuted.push(`${cell.name}: ${refutes}`);
    if (!ok)
      open.push(
        `${cell.name}: ${[...done.why.map(({ sentence }) => sentence), ...done.left.map(({ check, message }) => `${check}: ${message}`)].join(' / ') || 'NO REASON'}`,
      );
  }
  const seconds = (performance.now() - begun) / 1e3;
  console.log(
    `matrix: ${cells.length - open.length} of ${cells.length} verified (${((100 * (cells.length - open.length)) / cells.length).toFixed(1)} %) in ${seconds.toFixed(0)} s`,
  );
  for (const [key, [good, all]] of by) console.log(`  ${key}: ${good} of ${all}`);
  console.log(`  of the rest ${refuted.length} would have been verified by some single edit`);
  for (const line of [...refuted, ...open]) console.log(`  ${line}`);
}
if (process.argv[1]?.endsWith('matrix.ts')) {
  const word = process.argv[2];
  benchMatrix((name) => word === undefined || new RegExp(word).test(name));
}
