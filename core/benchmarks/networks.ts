/** Rest and edge of generated nets against the reference simulator, in one run. */
import { spawnSync } from 'node:child_process';
import { operatingPoint } from '../src/physics/operating-point.ts';
import { transient } from '../src/physics/transient.ts';
import { networkCase } from '../test/support/network-case.ts';
import { spiceRest, spiceTimes } from '../test/support/spice.ts';
import { middleOf } from './time.ts';

const CASES = Array.from({ length: 40 }, (_, i) => networkCase(i + 1));

/** What starting the simulator alone takes, ms: nothing of it is held against its sums. */
function startUp(): number {
  return middleOf(
    Array.from({ length: 7 }, () => {
      const began = performance.now();
      spawnSync('ngspice', ['-b'], { input: 'empty\nR1 1 0 1\n.op\n.end\n' });
      return performance.now() - began;
    }),
  );
}

export function benchNetworks(): void {
  const say = (line: string) => console.log(line);
  if (spawnSync('ngspice', ['--version']).error) {
    say('nets: the reference simulator is not installed; npm test installs it');
    return;
  }
  const idle = startUp();
  const end = 8 * 20e3 * 800e-12;
  const timed = (what: () => void) => {
    const began = performance.now();
    what();
    return performance.now() - began;
  };
  for (const { released, held } of CASES) transient(released, operatingPoint(held), end); // warmed up
  const rests = CASES.map(
    ({ released }) => [timed(() => operatingPoint(released)), timed(() => spiceRest(released)) - idle] as const,
  );
  const edges = CASES.map(({ released, held, near, nearRail }) => {
    const low = operatingPoint(held);
    return [
      timed(() => transient(released, low, end)),
      timed(() => spiceTimes(released, low, end, [{ node: near, level: 0.3 * nearRail, rising: true }])) - idle,
    ] as const;
  });
  for (const [name, pairs] of [
    ['voltages at rest', rests],
    ['rising edges', edges],
  ] as const) {
    const ours = middleOf(pairs.map(([a]) => a));
    const theirs = Math.max(0, middleOf(pairs.map(([, b]) => b)));
    say(
      `${name} of ${CASES.length} nets: ${ours.toFixed(3)} ms each; the reference simulator ${theirs.toFixed(1)} ms besides its start of ${idle.toFixed(0)} ms: ${(theirs / ours).toFixed(0)} times, with the start ${((theirs + idle) / ours).toFixed(0)} times`,
    );
  }
}
