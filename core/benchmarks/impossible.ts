/** What is called impossible, held to every single edit, on random plans: `impossible.ts [from] [to]`. */
import { heldToEveryEdit } from '../test/support/impossible.ts';

export function benchImpossible(from = 1, to = 500): void {
  const began = performance.now();
  let [grave, claimed] = [0, 0];
  const refuted: string[] = [];
  for (let seed = from; seed <= to; seed++) {
    const held = heldToEveryEdit(seed);
    grave += held.grave;
    claimed += held.claimed;
    refuted.push(...held.refuted);
  }
  console.log(
    `impossible: ${to - from + 1} random plans, ${grave} dangers and faults, ${claimed} that no single change is said to end, ${refuted.length} that one ends all the same, ${((performance.now() - began) / 1000).toFixed(0)} s`,
  );
  for (const line of refuted) console.log(`  ${line}`);
}
if (process.argv[1]?.endsWith('impossible.ts')) benchImpossible(...process.argv.slice(2).map(Number));
