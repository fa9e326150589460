/** A problem while it is searched: which options are left, and what follows from taking or losing one. */
import { type Alike, alikeChoices } from './alike.ts';
import type { Compiled } from './compile.ts';

type Mark = readonly [lost: number, taken: number, was: number];

/** Which options are left. Losing one may lose others; `undo` takes everything back to a mark. */
export class State {
  readonly alive: Uint8Array;
  readonly left: Int32Array;
  /** Of each resource, what the decided choices have taken. */
  readonly used: Float64Array;
  private readonly support: Int32Array;
  private readonly settled: Uint8Array;
  private readonly lost: number[] = [];
  private readonly taken: number[] = [];
  /** Resources and what was used of them before, in the order of the changes. */
  private readonly wasOf: number[] = [];
  private readonly was: number[] = [];
  private readonly queue: number[] = [];
  /** Choices that lost options since it was last looked at what their options have in common. */
  private readonly dirty = new Set<number>();
  /** Of choices that are alike only solutions in order are looked at. */
  private alike: Alike | null = null;

  private constructor(readonly p: Compiled) {
    this.alive = new Uint8Array(p.cost.length).fill(1);
    this.left = Int32Array.from({ length: p.choices }, (_, c) => (p.first[c + 1] ?? 0) - (p.first[c] ?? 0));
    this.used = new Float64Array(p.capacity.length);
    this.settled = new Uint8Array(p.choices);
    this.support = p.reqSupport.slice();
  }

  get mark(): Mark {
    return [this.lost.length, this.taken.length, this.was.length];
  }

  isSettled(choice: number): boolean {
    return this.settled[choice] === 1;
  }

  /** The option of a settled choice; the first that is left of any other. */
  optionOf(choice: number): number {
    const { first } = this.p;
    for (let o = first[choice] ?? 0; o < (first[choice + 1] ?? 0); o++) if (this.alive[o]) return o;
    return -1;
  }

  /** What follows before anything is decided. @returns null when there is no way */
  static start(p: Compiled, kept: (member: number) => boolean): State | null {
    const state = new State(p);
    return state.begin(kept) ? state : null;
  }

  private begin(kept: (member: number) => boolean): boolean {
    const { p } = this;
    for (let o = 0; o < p.cost.length; o++) {
      const member = p.freedBy[o] ?? -1;
      if (member >= 0 && kept(member) && !this.kill(o)) return false;
      if (p.needless[o] && !this.kill(o)) return false;
      // An option that alone asks for more than there is.
      for (let u = p.useAt[o] ?? 0; u < (p.useAt[o + 1] ?? 0); u++)
        if ((p.useAmount[u] ?? 0) > (p.capacity[p.useOf[u] ?? 0] ?? 0) && !this.kill(o)) return false;
    }
    for (let r = 0; r < p.reqOwner.length; r++)
      if (this.support[r] === 0 && !this.kill(p.reqOwner[r] ?? 0)) return false;
    for (let c = 0; c < p.choices; c++) {
      if (this.left[c] === 0) return false;
      if (this.left[c] === 1) this.queue.push(c);
      this.dirty.add(c);
    }
    if (!this.spread()) return false;
    this.alike = alikeChoices(p, this.alive);
    this.alike.before.forEach((before, c) => before >= 0 && this.dirty.add(c).add(before));
    return this.spread();
  }

  /** Takes an option: the others of its choice are lost. @returns false when there is no way then */
  take(option: number): boolean {
    const { first, choiceOf } = this.p;
    const choice = choiceOf[option] ?? 0;
    for (let o = first[choice] ?? 0; o < (first[choice + 1] ?? 0); o++)
      if (o !== option && this.alive[o] && !this.kill(o)) return this.fail();
    if (!this.isSettled(choice)) this.queue.push(choice);
    return this.spread();
  }

  /** Loses an option. @returns false when there is no way then */
  drop(option: number): boolean {
    return this.alive[option] ? (this.kill(option) ? this.spread() : this.fail()) : true;
  }

  undo([lost, taken, was]: Mark): void {
    const { p } = this;
    this.queue.length = 0;
    this.dirty.clear();
    while (this.taken.length > taken) this.settled[this.taken.pop() ?? 0] = 0;
    // What was is put back as it was: sums and differences of currents would drift.
    while (this.was.length > was) this.used[this.wasOf.pop() ?? 0] = this.was.pop() ?? 0;
    while (this.lost.length > lost) {
      const o = this.lost.pop() ?? 0;
      this.alive[o] = 1;
      const choice = p.choiceOf[o] ?? 0;
      this.left[choice] = (this.left[choice] ?? 0) + 1;
      for (const r of p.helps[o] ?? []) this.support[r] = (this.support[r] ?? 0) + 1;
    }
  }

  private fail(): false {
    this.queue.length = 0;
    this.dirty.clear();
    return false;
  }

  private kill(option: number): boolean {
    if (!this.alive[option]) return true;
    const { p } = this;
    const choice = p.choiceOf[option] ?? 0;
    // A settled choice cannot lose the option it stands on.
    if (this.settled[choice]) return false;
    this.alive[option] = 0;
    this.lost.push(option);
    this.dirty.add(choice);
    const left = (this.left[choice] ?? 0) - 1;
    this.left[choice] = left;
    if (left === 1) this.queue.push(choice);
    let ok = left > 0;
    for (const r of p.helps[option] ?? []) {
      const support = (this.support[r] ?? 0) - 1;
      this.support[r] = support;
      if (support === 0 && ok) ok = this.kill(p.reqOwner[r] ?? 0);
    }
    return ok;
  }

  /** What follows until nothing more does. */
  private spread(): boolean {
    while (this.settle()) {
      const [choice] = this.dirty;
      if (choice === undefined) return true;
      this.dirty.delete(choice);
      if (!this.askInCommon(choice) || !this.keepOrder(choice)) return this.fail();
    }
    return false;
  }

  /** Of choices that are alike none takes an option before that of its neighbour. */
  private keepOrder(choice: number): boolean {
    const { first } = this.p;
    const [before, after] = [this.alike?.before[choice] ?? -1, this.alike?.after[choice] ?? -1];
    if (before < 0 && after < 0) return true;
    const [from, to] = [first[choice] ?? 0, first[choice + 1] ?? 0];
    let [least, most] = [-1, -1];
    for (let o = from; o < to; o++) {
      if (!this.alive[o]) continue;
      if (least < 0) least = o - from;
      most = o - from;
    }
    for (let k = 0; k < to - from; k++) {
      if (after >= 0 && k < least && !this.kill((first[after] ?? 0) + k)) return false;
      if (before >= 0 && k > most && !this.kill((first[before] ?? 0) + k)) return false;
    }
    return true;
  }

  /** Where every option that is left asks something of one choice, what none of them would take is lost there. */
  private askInCommon(choice: number): boolean {
    const { p } = this;
    if (this.settled[choice]) return true;
    for (const { of, by } of p.asks[choice] ?? []) {
      if (by.size < (this.left[choice] ?? 0) || this.settled[of]) continue;
      const reqs: number[] = [];
      let all = true;
      for (let o = p.first[choice] ?? 0; all && o < (p.first[choice + 1] ?? 0); o++) {
        if (!this.alive[o]) continue;
        const r = by.get(o);
        if (r === undefined) all = false;
        else reqs.push(r);
      }
      const from = p.first[of] ?? 0;
      for (let o = from; all && o < (p.first[of + 1] ?? 0); o++)
        if (this.alive[o] && !reqs.some((r) => p.reqMeets[r]?.[o - from]) && !this.kill(o)) return false;
    }
    return true;
  }

  /** Settles every choice that has one option left, and loses what that excludes. */
  private settle(): boolean {
    const { p } = this;
    for (let choice = this.queue.pop(); choice !== undefined; choice = this.queue.pop()) {
      if (this.settled[choice]) continue;
      const option = this.optionOf(choice);
      if (option < 0) return this.fail();
      this.settled[choice] = 1;
      this.taken.push(choice);
      for (let u = p.useAt[option] ?? 0; u < (p.useAt[option + 1] ?? 0); u++) {
        const r = p.useOf[u] ?? 0;
        this.wasOf.push(r);
        this.was.push(this.used[r] ?? 0);
        this.used[r] = (this.used[r] ?? 0) + (p.useAmount[u] ?? 0);
      }
      for (const r of p.reqsOf[option] ?? []) if (!this.onlyMeeting(r)) return this.fail();
      for (let u = p.useAt[option] ?? 0; u < (p.useAt[option + 1] ?? 0); u++)
        if (!this.keepWithin(p.useOf[u] ?? 0)) return this.fail();
    }
    return true;
  }

  private onlyMeeting(r: number): boolean {
    const { p } = this;
    const choice = p.reqChoice[r] ?? 0;
    const from = p.first[choice] ?? 0;
    const met = p.reqMeets[r];
    for (let o = from; o < (p.first[choice + 1] ?? 0); o++)
      if (this.alive[o] && !met?.[o - from] && !this.kill(o)) return false;
    return true;
  }

  /** Options that no longer fit into what is left of a resource are lost. */
  private keepWithin(r: number): boolean {
    const { p } = this;
    const rest = (p.capacity[r] ?? 0) - (this.used[r] ?? 0);
    if (rest < 0) return false;
    for (const { choice, amounts } of p.takers[r] ?? []) {
      if (this.settled[choice]) continue;
      const from = p.first[choice] ?? 0;
      for (let k = 0; k < amounts.length; k++)
        if ((amounts[k] ?? 0) > rest && this.alive[from + k] && !this.kill(from + k)) return false;
    }
    return true;
  }
}
