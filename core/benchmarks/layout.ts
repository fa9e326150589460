/** Laying out: time and length, against what no layout can be below where that can be worked out, and for large builds against the first places alone. */
import { say } from '../src/say/say.ts';
import { PITCH } from '../src/board/grid.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { proveLayout } from '../src/readback/prove.ts';
import { layBuild } from '../src/layout/lay.ts';
import { layoutProblem } from '../src/layout/problem.ts';
import { documentOf } from '../src/plan/document.ts';
import { setBoards } from '../src/plan/edits.ts';
import { demo, library, PLANS } from '../test/support/demo.ts';
import { leastLength, smallBuild } from '../test/support/layout-case.ts';
import { standingParts } from '../test/support/standing-parts.ts';
import { middle, ms } from './time.ts';

export function benchLayout(): void {
  const ratios = [1, 2, 3, 4, 5, 6].map((seed) => {
    const circuit = smallBuild(seed);
    const result = layBuild(circuit);
    return result.ok ? result.layout.length / (leastLength(layoutProblem(circuit)) * PITCH) : NaN;
  });
  console.log(`small builds, length against what none can be below: ${ratios.map((r) => r.toFixed(3)).join(', ')}`);
  for (const name of PLANS) {
    const circuit = deriveCircuit(demo(name));
    const time = middle(() => void layBuild(circuit), 1500);
    const result = layBuild(circuit);
    if (result.ok)
      console.log(
        `${name}: ${ms(time)}, ${result.layout.leads.length} leads, ${(result.layout.length * 100).toFixed(0)} cm`,
      );
  }
  for (const count of [10, 20, 40]) {
    const plan = setBoards(standingParts(5, count).plan, ['board-full', 'board-full']);
    const circuit = deriveCircuit(documentOf(plan, [], library));
    const began = performance.now();
    const result = layBuild(circuit);
    const time = performance.now() - began;
    if (!result.ok) {
      console.log(`${count} parts on two full boards: ${say(result.why.says)}`);
      continue;
    }
    const proof = proveLayout(circuit, result.layout, result.layout.leads);
    if (!proof.agrees) throw new Error(say(proof.mismatches[0]?.says));
    console.log(
      `${count} parts on two full boards (${result.layout.seats.length} of them standing): ${ms(time)}, ${result.layout.leads.length} leads, ${(result.layout.length * 100).toFixed(0)} cm, ${result.layout.crossings} crossings`,
    );
  }
}
