/** The best solution that the checks of the whole plan accept. */
import type { Plan } from '../../plan/plan.ts';
import type { Found, Progress, Told } from '../joint/found.ts';
import type { Problem } from '../joint/problem.ts';
import { searchSteps } from '../joint/search.ts';
import { withoutThis } from './cut.ts';
import { decode } from './decode.ts';
import type { Encoding } from './encode.ts';
import { type Judged, grave, isBetter } from './judged.ts';

/** Solutions that every check refused are left aside this many times. */
const MAX_CUTS = 24;

/** Nodes that may be gone through for another solution where one was refused, in all searches for one plan together. */
export const FURTHER = 12_000;

/**
 * The best solution that the checks of the whole plan accept; the best of all where they accept none.
 * @param further nodes that are left for other solutions, once one was refused
 * @param refused true where another plan's solution was refused before
 */
export function* solved(
  encoding: Encoding,
  judge: (plan: Plan) => Judged,
  further: { left: number },
  refused: boolean,
): Generator<Progress, Judged | null, Told> {
  let problem: Problem = encoding.problem;
  let first: Judged | null = null;
  for (let round = 0; round <= MAX_CUTS; round++) {
    const found: Found | null = yield* searchSteps(problem, first || refused ? { budget: further } : {});
    if (!found) return first;
    const judged = judge(decode(encoding, found.taken));
    if (!first || isBetter(judged.verdict, first.verdict)) first = judged;
    if (grave(judged.verdict).length === 0) return judged;
    // Whoever had enough of searching is not searched for again.
    if (!found.proved) return first;
    const next = withoutThis(encoding, problem, found.taken, judged.circuit, grave(judged.verdict));
    if (!next) return first;
    problem = next;
  }
  return first;
}
