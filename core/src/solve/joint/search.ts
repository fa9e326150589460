/** Exact search over a problem: branch and bound, with an assignment as the heart of the bound. */
import { compile } from './compile.ts';
import type { Found, Progress, SearchOptions, Told } from './found.ts';
import type { Problem } from './problem.ts';
import { Search } from './searcher.ts';
import { State } from './state.ts';

/** Between steps the caller may look at the clock, show progress, or say that the best so far is enough. */
export function* searchSteps(problem: Problem, options: SearchOptions = {}): Generator<Progress, Found | null, Told> {
  const { given } = options;
  const state = State.start(compile(problem), (member) => !given?.has(member));
  return state && (yield* new Search(problem, state, options).run());
}
