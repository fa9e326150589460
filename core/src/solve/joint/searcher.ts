/** One search for the best solution of a joint problem. */

import type { Compiled } from './compile.ts';
import type { Found, Progress, SearchOptions, Told } from './found.ts';
import { type Problem, goalsOf, weigh } from './problem.ts';
import { type Relaxed, relax } from './relaxation.ts';
import type { State } from './state.ts';

/** Nodes of the first try for any solution; each further try may take half as many again. */
const FIRST_TRY = 60;
const LONGER = 1.5;
/** Nodes after which a search counts as long. */
const LONG = 400;
/** One round is one more of the third goal: what is below it in their order is told apart within a round. */
const ROUND = weigh({ cents: 1 });
/** Options of a choice that are looked at before one is gone into. */
const MAX_LOOKED_AT = 16;
/** Nodes between two reports. */
const REPORT = 256;

export class Search {
  private readonly p: Compiled;
  /** Choices in the order in which wishes are tried: what others ask for comes last, so that asking shows. */
  private readonly order: readonly number[];
  private best: number[] | null = null;
  private bestCost = Infinity;
  private nodes = 0;
  /** How often a choice stood in the way: what did is decided first at the next try. */
  private readonly weight: Float64Array;
  /** Where it last went no further: the next branch is there, until something goes on from it. */
  private dead = -1;
  /** What a solution may cost at this round; what would cost more is left for a later one. */
  private ceiling = Infinity;
  /** The least that anything left for later would cost. */
  private later = Infinity;
  /** Set when the best so far is to do. */
  private enough = false;
  /** True while any solution will do. */
  private any: boolean;
  /** Nodes after which a try is given up; it says nothing then. */
  private limit = Infinity;

  constructor(
    private readonly problem: Problem,
    private readonly state: State,
    private readonly options: SearchOptions,
  ) {
    const { p } = state;
    this.p = p;
    this.weight = new Float64Array(p.choices).fill(1);
    this.limit = Math.min(options.most ?? Infinity, options.budget?.left ?? Infinity);
    this.any = options.any ?? false;
    const asked = new Int32Array(p.choices);
    for (const choice of p.reqChoice) if (choice >= 0) asked[choice] = 1;
    const all = Array.from({ length: p.choices }, (_, c) => c);
    this.order = [...all.filter((c) => !asked[c]), ...all.filter((c) => asked[c])];
  }

  *run(): Generator<Progress, Found | null, Told> {
    const root = relax(this.state, null);
    if (root) yield* this.options.any ? this.tries(root) : this.rounds(root);
    const proved = !this.enough;
    if (this.options.budget) this.options.budget.left -= this.nodes;
    const taken = this.nodes < this.limit || this.options.any || this.enough ? this.best : null;
    return taken && { taken, cost: this.bestCost, goals: goalsOf(this.problem, taken), nodes: this.nodes, proved };
  }

  /**
   * Round by round a little more may be spent. A depth-first search that once took something dear would else go through
   * everything below it before it looked elsewhere.
   */
  private *rounds(root: Relaxed): Generator<Progress, void, Told> {
    const mark = this.state.mark;
    const { limit } = this;
    this.ceiling = 0;
    this.later = 0;
    while (this.later < this.bestCost && this.nodes < limit && !this.enough) {
      // Whoever stops a long search is to have something: so any solution comes first then.
      if (this.best === null && this.nodes >= LONG) {
        yield* this.anyFirst(root);
        if (this.best === null || this.enough) return;
      }
      const from = this.later;
      this.ceiling = (Math.floor(from / ROUND) + 1) * ROUND - 1;
      this.later = Infinity;
      this.limit = this.best === null ? Math.min(limit, LONG) : limit;
      yield* this.branch(root);
      this.state.undo(mark);
      // A round that was given up is gone through again from its beginning.
      if (this.nodes >= this.limit) this.later = from;
      if (!this.enough) this.limit = limit;
    }
  }

  /** Any solution, for a search that takes its time; when there is none the search is over. */
  private *anyFirst(root: Relaxed): Generator<Progress, void, Told> {
    const { ceiling, later, limit } = this;
    this.ceiling = Infinity;
    this.any = true;
    yield* this.tries(root);
    this.any = false;
    this.ceiling = ceiling;
    this.later = later;
    if (!this.enough) this.limit = limit;
  }

  /** For any solution: the search is begun anew with what was learned, until one is found or a try came to its end. */
  private *tries(root: Relaxed): Generator<Progress, void, Told> {
    const { limit } = this;
    for (let most = FIRST_TRY; this.nodes < limit; most *= LONGER) {
      this.limit = Math.min(limit, this.nodes + most);
      const mark = this.state.mark;
      yield* this.branch(root);
      this.state.undo(mark);
      if (this.best || this.enough || this.nodes < this.limit) return;
    }
  }

  private *branch(relaxed: Relaxed): Generator<Progress, void, Told> {
    if (this.nodes >= this.limit) return;
    this.nodes += 1;
    if (this.nodes % REPORT === 0) {
      const told = yield { nodes: this.nodes, best: this.best && goalsOf(this.problem, this.best) };
      if (told === 'enough' && this.best) {
        this.enough = true;
        this.limit = this.nodes;
        return;
      }
    }
    const { state } = this;
    const { bound } = relaxed;
    if (bound >= this.bestCost || this.isForLater(bound)) return;
    const wished = relaxed.wishes();
    const failing = this.tryAll(wished, bound);
    if (failing < 0) return;
    this.weight[failing] = (this.weight[failing] ?? 0) + 1;
    const clash = this.any ? this.hardest(failing, false) : this.deciding(failing);
    let isDead = true;
    for (const { option, least } of this.children(clash, wished[clash] ?? -1, relaxed)) {
      if (least >= this.bestCost || this.isForLater(least)) continue;
      const mark = state.mark;
      if (state.take(option)) {
        const next = relax(state, relaxed);
        if (next) {
          isDead = false;
          yield* this.branch(next);
        }
      }
      state.undo(mark);
      if (this.nodes >= this.limit || (this.any && this.best)) return;
    }
    if (isDead) this.dead = clash;
  }

  /**
   * The options of a choice in the order in which they are gone into: by what they will cost at least, which is found by taking
   * each for a moment. Where there are many, by their own cost alone.
   */
  private children(
    choice: number,
    wished: number,
    relaxed: Relaxed,
  ): { readonly option: number; readonly least: number }[] {
    const { state, p } = this;
    const found: { option: number; least: number }[] = [];
    const looks = !this.any && (state.left[choice] ?? 0) <= MAX_LOOKED_AT;
    for (let o = p.first[choice] ?? 0; o < (p.first[choice + 1] ?? 0); o++) {
      if (!state.alive[o]) continue;
      const least = looks ? this.lookAhead(o, relaxed) : 0;
      if (least < this.bestCost) found.push({ option: o, least });
    }
    return found.sort(
      (a, b) =>
        a.least - b.least ||
        Number(b.option === wished) - Number(a.option === wished) ||
        (p.cost[a.option] ?? 0) - (p.cost[b.option] ?? 0) ||
        a.option - b.option,
    );
  }

  private isForLater(bound: number): boolean {
    if (bound <= this.ceiling) return false;
    this.later = Math.min(this.later, bound);
    return true;
  }

  /** The bound below an option; Infinity where nothing is possible there. */
  private lookAhead(option: number, relaxed: Relaxed): number {
    const { state } = this;
    const mark = state.mark;
    const least = state.take(option) ? (relax(state, relaxed)?.bound ?? Infinity) : Infinity;
    state.undo(mark);
    return least;
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
   * What to branch on when a choice cannot have its wish: what its other options ask for. Where that is one line of many that take pins, which
   * the assignment knows best, what else is open decides first: whole buses with all of their lines hang on it.
   */
  private deciding(failing: number): number {
    if (this.dead >= 0 && !this.state.isSettled(this.dead)) return this.dead;
    const asked = this.askedBy(failing);
    return this.p.isRow[asked] ? this.hardest(asked, true) : asked;
  }

  /** The open choice with the fewest options for the trouble that it made. @param outside only of those that the assignment leaves */
  private hardest(failing: number, outside: boolean): number {
    const { state, p, weight } = this;
    let best = failing;
    let least = Infinity;
    for (let c = 0; c < p.choices; c++) {
      if (state.isSettled(c) || (state.left[c] ?? 0) < 2 || (outside && p.isRow[c])) continue;
      const measure = (state.left[c] ?? 0) / (weight[c] ?? 1);
      if (measure < least) {
        least = measure;
        best = c;
      }
    }
    return best;
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
        if (asked >= 0 && !state.isSettled(asked) && !p.isRow[asked] && this.splits(r)) return asked;
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
