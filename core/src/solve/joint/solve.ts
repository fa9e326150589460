/** A joint problem solved to the end. */
import type { Found, SearchOptions } from './found.ts';
import type { Problem } from './problem.ts';
import { searchSteps } from './search.ts';

/** Searches to the end. @returns the solution of least cost, always the same; null when there is none */
export function solveJoint(problem: Problem, options: SearchOptions = {}): Found | null {
  const steps = searchSteps(problem, options);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
