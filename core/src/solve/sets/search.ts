/**
 * Exact search for the sets that nothing beats. Needs are decided one after the other; of partial sets that leave
 * the same choices open only those stay that nothing beats (dominance), and a partial set is given up as soon as
 * its figures, at their best over what is left, are beaten by a whole set that is known (bounds). A narrow run
 * before the exact one finds good whole sets early, so that the bounds bite.
 */
import { atOnce } from '../../quantity/at-once.ts';
import type { Card } from '../../card/card.ts';
import { atBest, boundsBehind } from './bounds.ts';
import { evaluateSet, FIGURES, noWorse, type Evaluation, type SetFigures } from './evaluate.ts';
import { laterThan } from './later.ts';
import { undominated } from './layer.ts';
import { withoutNeedless } from './needless.ts';
import { Partial } from './partial.ts';
import type { SetProblem } from './problem.ts';

export interface FoundSet {
  readonly controller: Card;
  readonly problem: SetProblem;
  readonly choice: readonly number[];
  readonly evaluation: Evaluation;
}

export interface SetProgress {
  readonly controller: string;
  /** Needs decided, of how many. */
  readonly decided: number;
  readonly needs: number;
  /** Partial sets that are open. */
  readonly open: number;
}

export interface SetFront {
  readonly sets: readonly FoundSet[];
  /** Sets that the search stands for: the product of all options. */
  readonly covered: number;
  /** Partial sets that were looked at. */
  readonly looked: number;
  /** False when it was given up for want of room or time. */
  readonly complete: boolean;
}

/** More partial sets than this at one need are given up: the page stays alive, and says so. */
const MAX_STATES = 120_000;
/** Partial sets between two breaths, so that a cancel is heard. */
const BREATH = 4000;
/** Partial sets that a narrow run keeps at each need, and fewer where all of them together would grow to more than that. */
const NARROW = 250;
const NARROW_GROWN = 200_000;
/** Breaths that all exact runs together may take: a few seconds. */
const BREATHS = 30;

/** Runs to its end without a pause. */
export const searchSets = (problems: readonly SetProblem[]): SetFront => atOnce(searchSteps(problems));

/** The same, with a breath and its progress now and then. */
export function* searchSteps(problems: readonly SetProblem[]): Generator<SetProgress, SetFront> {
  const front = new Front();
  const run = { looked: 0, complete: true };
  const able = problems
    .filter(({ needs }) => needs.length > 0 && needs.every(({ options }) => options.length > 0))
    .map(withoutNeedless);
  const growth = able.reduce((sum, { needs }) => sum + needs.reduce((all, { options }) => all + options.length, 0), 0);
  const width = Math.max(1, Math.min(NARROW, Math.floor(NARROW_GROWN / growth)));
  for (const problem of able) {
    yield* searchOne(problem, { width, breaths: Infinity }, front, run);
  }
  let breaths = BREATHS;
  for (const [i, problem] of able.entries()) {
    // What one leaves of its share the others have.
    const share = breaths / (able.length - i);
    breaths -= yield* searchOne(problem, { width: MAX_STATES, breaths: share }, front, run);
  }
  return { sets: front.sorted(), covered: coveredBy(problems), ...run };
}

/** How many partial sets stay at each need, and how long it may take. */
interface Limits {
  readonly width: number;
  readonly breaths: number;
}

/** Searches the sets on one controller, and offers them to the front. @returns breaths that it took */
function* searchOne(
  problem: SetProblem,
  { width, breaths }: Limits,
  front: Front,
  run: { looked: number; complete: boolean },
): Generator<SetProgress, number> {
  const count = problem.needs.length;
  let taken = 0;
  const say = (decided: number, open: number): SetProgress => {
    taken += 1;
    return { controller: problem.controller.name, decided, needs: count, open };
  };
  let states: readonly Partial[] = [Partial.start(problem)];
  for (let n = 0; n < count; n++) {
    const rest = boundsBehind(problem, n + 1);
    const next: Partial[] = [];
    for (const state of states) {
      for (let o = 0; o < (problem.needs[n]?.options.length ?? 0); o++) {
        run.looked += 1;
        if (run.looked % BREATH === 0) yield say(n, next.length);
        const grown = state.with(n, o);
        if (!grown) continue;
        const best = atBest(grown, rest);
        if (problem.most !== null && best.cost > problem.most + 1e-9) continue;
        if (front.beats(best) || !grown.fits()) continue;
        next.push(grown);
      }
      if (next.length > MAX_STATES * 8 || taken > breaths) break;
    }
    // A narrow run keeps a few in any case: the best of many need not be held against each other first.
    const held = width > NARROW ? next : spread(next, width * 4);
    const layer = undominated(held, laterThan(problem, n + 1));
    let step = layer.next();
    while (!step.done && taken <= breaths) {
      yield say(n, step.value);
      step = layer.next();
    }
    states = step.done ? step.value : [];
    if (!step.done || states.length > MAX_STATES || next.length > MAX_STATES * 8 || taken > breaths) {
      run.complete = false;
      return taken;
    }
    states = spread(states, width);
  }
  for (const state of states) front.offer(problem, state.is.choice);
  return taken;
}

const coveredBy = (problems: readonly SetProblem[]): number =>
  problems.reduce((sum, { needs }) => sum + needs.reduce((product, { options }) => product * options.length, 1), 0);

/** So many of the states that are good in one figure or in several. */
function spread(states: readonly Partial[], width: number): readonly Partial[] {
  if (states.length <= width) return states;
  const figures = states.map((state) => state.figures());
  const scale = (key: keyof SetFigures) => Math.max(1e-12, ...figures.map((f) => f[key]));
  const scales = Object.fromEntries(FIGURES.map((key) => [key, scale(key)])) as Record<keyof SetFigures, number>;
  const weights = [
    ...FIGURES.map((key) => [key]),
    [...FIGURES],
    ['cost', 'current'],
    ['cost', 'error'],
    ['error', 'current'],
    ['cost', 'rows'],
  ] as (keyof SetFigures)[][];
  const chosen = new Set<Partial>();
  const orders = weights.map((keys) => {
    const scores = figures.map((f) => keys.reduce((sum, key) => sum + f[key] / scales[key], 0));
    return states.map((_, i) => i).sort((a, b) => (scores[a] ?? 0) - (scores[b] ?? 0));
  });
  for (let rank = 0; chosen.size < width && rank < states.length; rank++) {
    for (const order of orders) {
      const state = states[order[rank] ?? 0];
      if (state && chosen.size < width) chosen.add(state);
    }
  }
  return [...chosen];
}

/** Whole sets of which none beats another. */
class Front {
  private readonly sets: FoundSet[] = [];

  beats(figures: SetFigures): boolean {
    for (let i = 0; i < this.sets.length; i++) {
      const set = this.sets[i];
      if (!set || !noWorse(set.evaluation.figures, figures)) continue;
      // What has just beaten one will likely beat the next.
      if (i > 0) {
        const before = this.sets[i >> 1];
        if (before) [this.sets[i >> 1], this.sets[i]] = [set, before];
      }
      return true;
    }
    return false;
  }

  offer(problem: SetProblem, choice: readonly number[]): void {
    const evaluation = evaluateSet(problem, choice);
    if (!evaluation || evaluation.obstacles.length > 0 || this.beats(evaluation.figures)) return;
    for (let i = this.sets.length - 1; i >= 0; i--) {
      const old = this.sets[i];
      if (old && noWorse(evaluation.figures, old.evaluation.figures)) this.sets.splice(i, 1);
    }
    this.sets.push({ controller: problem.controller, problem, choice: [...choice], evaluation });
  }

  sorted(): FoundSet[] {
    return [...this.sets].sort((a, b) => {
      const [x, y] = [a.evaluation.figures, b.evaluation.figures];
      return FIGURES.reduce((d, key) => d || x[key] - y[key], 0);
    });
  }
}
