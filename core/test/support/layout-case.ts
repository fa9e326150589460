/** Small builds for which every placement can be looked at, and a length that no layout of them can be below. */
import { distance, type Point } from '../../src/board/grid.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import type { LayoutProblem, Stand } from '../../src/layout/problem.ts';
import { overlaps } from '../../src/board/footprint.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { card, CMOS, controller, document, exactly, module, part, terminals } from './build.ts';

/** A controller of six pins and two modules of three or four on a board of twelve rows without strips. */
export function smallBuild(seed: number): Circuit {
  const random = randomFrom(seed);
  const pins = [0, 1, 2, 3].toSorted(() => random() - 0.5);
  const ids = ['a', 'b'];
  const signals = ids.map(() => 1 + Math.floor(random() * 2));
  const board = card('tiny', { kind: 'board', board: { rows: 12, pairs: 0, split: false, source: 'sheet' } });
  const source = card('v3', {
    kind: 'source',
    mount: 'loose',
    headers: [{ id: 'main', kind: 'screw', rows: 1, pitch: 0.00508 }],
    terminals: terminals('out', 'gnd'),
    rails: [{ id: 'out', name: '3.3 V', terminal: 'out', voltage: exactly('V', 3.3), limit: exactly('A', 1) }],
  });
  const modules = ids
    .map((id, i) =>
      module(
        id,
        {
          protocol: signals[i] === 2 ? 'spi' : 'digital-out',
          lines: signals[i] === 2 ? { out: 'out1', in: 'out2' } : { out: 'out1' },
        },
        Array.from({ length: signals[i] ?? 1 }, (_, k) => ({ id: `out${k + 1}`, kind: 'push-pull', ...CMOS })),
      ),
    )
    .map((made) => made);
  let next = 0;
  const parts = ids.map((id, i) => {
    const lines = Object.keys(modules[i]?.ports[0]?.lines ?? {});
    return part(id, id, {
      feeds: { vcc: 'v3.out' },
      ports: {
        port: {
          lines: Object.fromEntries(lines.map((line) => [line, { pin: `p${pins[next++] ?? 0}`, locked: false }])),
        },
      },
    });
  });
  return deriveCircuit(
    document({ cards: [source, controller(CMOS, 4), ...modules, board], parts, plan: { boards: ['tiny'] } }),
  );
}

/**
 * The least length, in steps, over all placements, with leads that may share holes and take any free row on their way: a shortest
 * tree over the rows of each node (exact: with up to three rows at most one further one helps). No real layout is shorter.
 */
export function leastLength(problem: LayoutProblem): number {
  const { items, works, field } = problem;
  const groups = field.groups.map((_, i) => i);
  // Where its own pin stands does not count as taken, so that every column of the board is allowed for.
  const apart: number[][] = groups.map((a) => groups.map((b) => nearest(a, b)));
  function nearest(a: number, b: number): number {
    const points = (group: number): Point[] => field.group(group).holes.map((h) => field.hole(h));
    return Math.min(...points(a).flatMap((p) => points(b).map((q) => distance(p, q))));
  }
  const between = (a: number, b: number): number => apart[a]?.[b] ?? 0;
  const tree = (rows: readonly number[], free: (group: number) => boolean): number => {
    const [a, b, c] = rows;
    if (a === undefined || b === undefined) return 0;
    if (c === undefined) return between(a, b);
    const sides = [between(a, b), between(a, c), between(b, c)].toSorted((x, y) => x - y);
    let least = (sides[0] ?? 0) + (sides[1] ?? 0);
    for (const v of groups) if (free(v)) least = Math.min(least, between(v, a) + between(v, b) + between(v, c));
    return least;
  };
  let best = Infinity;
  const placed: Stand[] = [];
  const go = (item: number): void => {
    if (item === items.length) {
      const used = new Set(placed.flatMap((stand) => stand.groups));
      let sum = 0;
      for (let node = 0; node < works.length && sum < best; node++) {
        const rows = items.flatMap(({ nodes }, i) =>
          nodes.flatMap((n, pin) => (n === node ? [placed[i]?.groups[pin] ?? 0] : [])),
        );
        sum += tree(rows, (group) => !used.has(group));
      }
      best = Math.min(best, sum);
      return;
    }
    for (const stand of items[item]?.stands ?? []) {
      if (placed.some((other) => overlaps(other.box, stand.box) || other.groups.some((g) => stand.groups.includes(g))))
        continue;
      placed.push(stand);
      go(item + 1);
      placed.pop();
    }
  };
  go(0);
  return best;
}
