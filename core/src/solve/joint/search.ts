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
  /** Choices in the order in which wishes are tried: what others ask for comes last, so that asking shows. */
  private readonly order: readonly number[];
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
    const asked = new Int32Array(p.choices);
    for (const choice of p.reqChoice) if (choice >= 0) asked[choice] = 1;
    const all = Array.from({ length: p.choices }, (_, c) => c);
    this.order = [...all.filter((c) => !asked[c]), ...all.filter((c) => asked[c])];
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
    if (this.nodes % REPORT === 0) yield { nodes: this.nodes, best: this.best && goalsOf(this.problem, this.best) };
    const { state, p } = this;
    const best = cheapest(state);
    const bound = lowerBound(state, best, this.block, matched);
    if (bound >= this.bestCost) return;
    const wished = this.wishes(best, matched);
    const failing = this.tryAll(wished, bound);
    if (failing < 0) return;
    const clash = this.askedBy(failing);
    const order: number[] = [];
    for (let o = p.first[clash] ?? 0; o < (p.first[clash + 1] ?? 0); o++) if (state.alive[o]) order.push(o);
    order.sort(
      (a, b) =>
        Number(b === wished[clash]) - Number(a === wished[clash]) || (p.cost[a] ?? 0) - (p.cost[b] ?? 0) || a - b,
    );
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
    for (const c of this.order) {
      if (clash >= 0) break;
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

  /**
   * What to branch on when a choice cannot have its wish: something open that its other options ask for, since that
   * decides for many; else the choice itself.
   */
  private askedBy(choice: number): number {
    const { state, p } = this;
    for (let o = p.first[choice] ?? 0; o < (p.first[choice + 1] ?? 0); o++) {
      if (!state.alive[o]) continue;
      for (const r of p.reqsOf[o] ?? []) {
        const asked = p.reqChoice[r] ?? -1;
        if (asked >= 0 && !state.isSettled(asked) && !this.block?.rowOf.has(asked) && this.splits(r)) return asked;
      }
    }
    return choice;
  }

  /** True where not every option that is left of the asked choice will do. */
  private splits(r: number): boolean {
    const { state, p } = this;
    const asked = p.reqChoice[r] ?? 0;
    const from = p.first[asked] ?? 0;
    for (let o = from; o < (p.first[asked + 1] ?? 0); o++)
      if (state.alive[o] && !p.reqMeets[r]?.[o - from]) return true;
    return false;
  }

  /** The first open choice that did not get its wish. */
  private undecided(mark: State['mark'], wished: Int32Array): number {
    const { state, p } = this;
    const got = Array.from({ length: p.choices }, (_, c) => state.optionOf(c));
    state.undo(mark);
    for (const c of this.order.toReversed())
      if (!state.isSettled(c) && (state.left[c] ?? 0) > 1 && p.cost[got[c] ?? 0] !== p.cost[wished[c] ?? 0]) return c;
    for (let c = 0; c < p.choices; c++) if (!state.isSettled(c) && (state.left[c] ?? 0) > 1) return c;
    return -1;
  }
}
