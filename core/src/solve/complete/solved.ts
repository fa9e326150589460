/** The best solution that the checks of the whole plan accept. */
import type { Plan } from '../../plan/plan.ts';
import type { Found, Progress, Told } from '../joint/found.ts';
import type { Problem } from '../joint/problem.ts';
import { searchSteps } from '../joint/search.ts';
import { withoutThis } from './cut.ts';
import { decode } from './decode.ts';
import type { Encoding } from './encode.ts';
import { type Judged, grave } from './judged.ts';

/** Solutions that every check refused are left aside this many times. */
const MAX_CUTS = 24;

/** The best solution that the checks of the whole plan accept; the best of all where they accept none. */
export function* solved(encoding: Encoding, judge: (plan: Plan) => Judged): Generator<Progress, Judged | null, Told> {
  let problem: Problem = encoding.problem;
  let first: Judged | null = null;
  for (let round = 0; round <= MAX_CUTS; round++) {
    const found: Found | null = yield* searchSteps(problem);
    if (!found) return first;
    const judged = judge(decode(encoding, found.taken));
    if (!first || grave(judged.verdict).length < grave(first.verdict).length) first = judged;
    // Whoever had enough of searching is not searched for again.
    if (!found.proved) return judged;
    const next = withoutThis(encoding, problem, found.taken, judged.circuit, grave(judged.verdict));
    if (!next) return judged;
    problem = next;
  }
  return first;
}
