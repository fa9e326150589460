/** Rails that are made of themselves, and buses that hang behind themselves: nothing there has a voltage, or an answer. */
import type { Library } from '../card/library.ts';
import type { Plan } from './plan.ts';
import { keyOf } from './ref.ts';

interface Circle {
  /** Where in the plan it can be opened. */
  readonly path: string;
  /** What leads to what, from there round to there. */
  readonly way: readonly string[];
}

/**
 * Circles of a graph in which everything leads to some others: none where it has none, else at least one of every knot of them.
 * @param next where each thing leads
 */
export function circlesOf(next: ReadonlyMap<string, readonly string[]>): string[][] {
  const found: string[][] = [];
  const done = new Set<string>();
  for (const begin of next.keys()) {
    // By hand, for a hostile file may have a chain of thousands.
    const way: string[] = [];
    const ahead: (readonly [at: string, depth: number])[] = [[begin, 0]];
    for (let step = ahead.pop(); step; step = ahead.pop()) {
      const [at, depth] = step;
      way.length = depth;
      const before = way.indexOf(at);
      if (before >= 0) found.push(way.slice(before));
      else if (!done.has(at)) {
        way.push(at);
        done.add(at);
        for (const to of next.get(at) ?? []) ahead.push([to, depth + 1]);
      }
    }
  }
  return found;
}

/** Rails by what they are made of: a regulator's output of its input's rail. */
function feedCircles({ parts }: Plan, library: Library): Circle[] {
  const made = new Map<string, { readonly of: string; readonly path: string }>();
  for (const [i, part] of parts.entries())
    for (const { id, from } of library.get(part.card)?.rails ?? []) {
      const of = from && part.feeds[from.supply];
      if (of !== undefined) made.set(keyOf(part.id, id), { of, path: `parts/${i}/feeds/${from?.supply}` });
    }
  const next = new Map([...made].map(([rail, { of }]) => [rail, [of]]));
  return circlesOf(next).map((way) => ({ path: made.get(way[0] ?? '')?.path ?? 'parts', way }));
}

/** Buses by the switches that they hang behind, and the buses that those are on. */
function switchCircles({ parts, buses }: Plan): Circle[] {
  const on = new Map(parts.map(({ id, ports }) => [id, Object.values(ports).flatMap(({ bus }) => bus ?? [])]));
  const next = new Map(buses.flatMap(({ id, behind }) => (behind ? [[id, on.get(behind.part) ?? []] as const] : [])));
  const at = new Map(buses.map(({ id }, i) => [id, `buses/${i}/behind`]));
  return circlesOf(next).map((way) => ({ path: at.get(way[0] ?? '') ?? 'buses', way }));
}

export const circlesIn = (plan: Plan, library: Library): Circle[] => [
  ...feedCircles(plan, library),
  ...switchCircles(plan),
];
