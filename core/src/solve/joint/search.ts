/** Exact search over a problem: branch and bound, with an assignment as the heart of the bound. */
import { blockOf, match, optionOn, rematch, type Block, type Matched } from './block.ts';
import { cheapest, lowerBound } from './bound.ts';
import { goalsOf, type Goals, type Problem } from './problem.ts';
import { compile, State, type Compiled } from './state.ts';

export interface Progress {
  readonly nodes: number;
  /** Goals of the best solution so far; null before the first. */
  readonly best: Goals | null;
}

export interface Found {
  /** Index of the option of each choice. */
  readonly taken: readonly number[];
  readonly cost: number;
  readonly goals: Goals;
  readonly nodes: number;
}

export interface SearchOptions {
  /** Members that are given up. */
  readonly given?: ReadonlySet<number>;
  /** Stops at the first solution, whatever it costs. */
  readonly any?: boolean;
}

/** Nodes between two reports. */
const REPORT = 256;

/** Between steps the caller may look at the clock, show progress, or leave it at the best so far. */
export function* searchSteps(problem: Problem, options: SearchOptions = {}): Generator<Progress, Found | null> {
  const search = new Search(problem, compile(problem), options);
  return yield* search.run();
}

/** Searches to the end. @returns the solution of least cost, always the same; null when there is none */
export function solveJoint(problem: Problem, options: SearchOptions = {}): Found | null {
  const steps = searchSteps(problem, options);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

class Search {
  private readonly state: State;
  private readonly block: Block | null;
  private best: number[] | null = null;
  private bestCost = Infinity;
  private nodes = 0;

  constructor(
    private readonly problem: Problem,
    private readonly p: Compiled,
    private readonly options: SearchOptions,
  ) {
    this.state = new State(p);
    this.block = blockOf(problem, p);
  }

  *run(): Generator<Progress, Found | null> {
    const { given } = this.options;
    if (this.state.begin((member) => !given?.has(member))) {
      const matched = this.block ? match(this.block, this.state) : null;
      if (!this.block || matched) yield* this.branch(matched);
    }
    const taken = this.best;
    return taken && { taken, cost: this.bestCost, goals: goalsOf(this.problem, taken), nodes: this.nodes };
  }

  private *branch(matched: Matched | null): Generator<Progress, void> {
    this.nodes += 1;
    if (this.nodes % REPORT === 0)
      yield { nodes: this.nodes, best: this.best && goalsOf(this.problem, this.best) };
    const { state, p } = this;
    const best = cheapest(state);
    const bound = lowerBound(state, best, this.block, matched);
    if (bound >= this.bestCost) return;
    const wished = this.wishes(best, matched);
    const clash = this.tryAll(wished, bound);
    if (clash < 0) return;
    const order: number[] = [];
    for (let o = p.first[clash] ?? 0; o < (p.first[clash + 1] ?? 0); o++) if (state.alive[o]) order.push(o);
    order.sort((a, b) => Number(b === wished[clash]) - Number(a === wished[clash]) || (p.cost[a] ?? 0) - (p.cost[b] ?? 0) || a - b);
    for (const option of order) {
      const mark = state.mark;
      if (state.take(option)) {
        const next = this.block && matched ? rematch(this.block, state, matched) : null;
        if (!this.block || next) yield* this.branch(next);
      }
      state.undo(mark);
      if (this.options.any && this.best) return;
    }
  }

  /** What each choice would take if nothing else mattered: its cheapest, or what the assignment gives it. */
  private wishes(best: Int32Array, matched: Matched | null): Int32Array {
    const { block, state } = this;
    if (!block || !matched) return best;
    const wished = best.slice();
    matched.assignment.columns.forEach((column, i) => {
      const c = block.rows[i] ?? 0;
      wished[c] = optionOn(block, state, c, column);
    });
    return wished;
  }

  /**
   * Takes every wish. When all can be had together this is the best below this node, and nothing is left to branch on.
   * @returns a choice whose wish cannot be had beside the others, -1 when all could
   */
  private tryAll(wished: Int32Array, bound: number): number {
    const { state, p } = this;
    const mark = state.mark;
    let clash = -1;
    for (let c = 0; c < p.choices && clash < 0; c++) {
      if (state.isSettled(c)) continue;
      const option = wished[c] ?? -1;
      if (option < 0 || !state.alive[option] || !state.take(option)) clash = c;
    }
    if (clash < 0) {
      const taken = Array.from({ length: p.choices }, (_, c) => state.optionOf(c));
      const cost = taken.reduce((sum, o) => sum + (p.cost[o] ?? 0), 0);
      if (cost < this.bestCost) {
        this.bestCost = cost;
        this.best = taken.map((o, c) => o - (p.first[c] ?? 0));
      }
      // Propagation may have taken dearer options than were wished.
      if (cost > bound) clash = this.undecided(mark, wished);
    }
    state.undo(mark);
    return clash;
  }

  /** The first open choice that did not get its wish. */
  private undecided(mark: State['mark'], wished: Int32Array): number {
    const { state, p } = this;
    const got = Array.from({ length: p.choices }, (_, c) => state.optionOf(c));
    state.undo(mark);
    for (let c = 0; c < p.choices; c++)
      if (!state.isSettled(c) && (state.left[c] ?? 0) > 1 && p.cost[got[c] ?? 0] !== p.cost[wished[c] ?? 0]) return c;
    for (let c = 0; c < p.choices; c++) if (!state.isSettled(c) && (state.left[c] ?? 0) > 1) return c;
    return -1;
  }
}
