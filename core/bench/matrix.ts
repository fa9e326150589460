/** How much of what ships can be used: each card that serves a need, on each board, fed in each way, from nothing wired. */
import { complete } from '../src/solve/complete/complete.ts';
import { circuitOf, MATRIX } from '../test/support/matrix.ts';
import { library } from '../test/support/demo.ts';

export function benchMatrix(pick: (name: string) => boolean = () => true): void {
  const cells = MATRIX.filter(({ name }) => pick(name));
  const begun = performance.now();
  const open: string[] = [];
  const by = new Map<string, [number, number]>();
  for (const cell of cells) {
    const done = complete(circuitOf(cell), library);
    const ok = done.verdict.status === 'verified';
    for (const key of [`${cell.by}`, `${cell.controller.id}`]) {
      const [good, all] = by.get(key) ?? [0, 0];
      by.set(key, [good + Number(ok), all + 1]);
    }
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
  for (const line of open) console.log(`  ${line}`);
}
if (process.argv[1]?.endsWith('matrix.ts')) {
  const word = process.argv[2];
  benchMatrix((name) => word === undefined || new RegExp(word).test(name));
}
