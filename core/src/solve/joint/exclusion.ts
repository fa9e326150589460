/** Why not everything can be had: a smallest set of what was asked for that excludes itself, and what giving it up would cost. */
import type { Goals, Member, Problem } from './problem.ts';
import { solveJoint } from './solve.ts';

interface Relaxation {
  readonly member: Member;
  /** Whether everything else can be had then. */
  readonly isEnough: boolean;
  /** What a solution comes to without it; null where there is none, or it was not worked out in time. */
  readonly goals: Goals | null;
  /** Index of the option of each choice in that solution. */
  readonly taken: readonly number[] | null;
}

export interface Exclusion {
  /** All of these together cannot be; without any one of them they can. */
  readonly members: readonly Member[];
  /** One for each of them, against the whole problem. */
  readonly relaxations: readonly Relaxation[];
}

/** What giving one up comes to is worked out only where that is soon done. */
const MAX_NODES = 3000;
/** So much is spent on all of them together: where thirty exclude each other, the price of the first tells what the others are like. */
const MAX_ALL_NODES = 6000;

const without = (all: ReadonlySet<number>, ...gone: readonly number[]): ReadonlySet<number> =>
  new Set([...all].filter((m) => !gone.includes(m)));

/** @param kept the members that are held to; all others are given up */
export function isPossible(problem: Problem, kept: ReadonlySet<number>): boolean {
  const given = new Set(problem.members.flatMap((_, m) => (kept.has(m) ? [] : [m])));
  return solveJoint(problem, { given, any: true }) !== null;
}

/**
 * Takes members away while what is left still excludes itself: locks first, since a set of few words says most, then
 * parts; then each that is left is tried again, so that none can be missing.
 * @param gone members that are given up already
 * @returns null when everything can be had, or when even giving everything up does not help
 */
export function exclusionOf(problem: Problem, gone: ReadonlySet<number> = new Set()): Exclusion | null {
  const all = new Set([...problem.members.keys()].filter((m) => !gone.has(m)));
  if (isPossible(problem, all) || !isPossible(problem, new Set())) return null;
  let best: ReadonlySet<number> | null = null;
  // Two orders: members that come late are taken away last, and so are found when they suffice.
  for (const order of [[...all], [...all].reverse()]) {
    const found = shrink(problem, all, order);
    if (!best || found.size < best.size) best = found;
  }
  const members = [...(best ?? [])].sort((a, b) => a - b);
  const budget = { left: MAX_ALL_NODES };
  return {
    members: members.flatMap((m) => problem.members[m] ?? []),
    relaxations: members.flatMap((m): Relaxation[] => {
      const member = problem.members[m];
      if (!member) return [];
      const isEnough = isPossible(problem, without(all, m));
      const given = new Set([...gone, m]);
      const found = isEnough ? solveJoint(problem, { given, most: MAX_NODES, budget }) : null;
      return [{ member, isEnough, goals: found?.goals ?? null, taken: found?.taken ?? null }];
    }),
  };
}

/** Halves are tried away first: what excludes itself is small, so most of it goes in few steps. */
function shrink(problem: Problem, from: ReadonlySet<number>, order: readonly number[]): ReadonlySet<number> {
  let kept = from;
  for (let size = order.length >> 1; size >= 1; size >>= 1) {
    for (let i = 0; i < order.length; i += size) {
      const piece = order.slice(i, i + size).filter((m) => kept.has(m));
      if (piece.length === 0) continue;
      const rest = without(kept, ...piece);
      if (!isPossible(problem, rest)) kept = rest;
    }
  }
  // Single members were tried while others were still there: until a whole round changes nothing.
  for (let before = -1; before !== kept.size;) {
    before = kept.size;
    for (const m of [...kept]) {
      const rest = without(kept, m);
      if (!isPossible(problem, rest)) kept = rest;
    }
  }
  return kept;
}
