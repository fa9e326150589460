/** A problem with everything that the search asks for again and again. */
import { type Block, blockOf } from './block.ts';
import { type Problem, SLACK, weigh } from './problem.ts';

/** The same problem in flat arrays, made once. */
export interface Compiled {
  readonly choices: number;
  /** First option of each choice; one entry more at the end. */
  readonly first: Int32Array;
  readonly choiceOf: Int32Array;
  readonly cost: Float64Array;
  /** Uses of option o: from useAt[o] to useAt[o + 1]. */
  readonly useAt: Int32Array;
  readonly useOf: Int32Array;
  readonly useAmount: Float64Array;
  readonly capacity: Float64Array;
  /** Requirements: whose they are, which choice they are about (-1 where several may meet them), and the options that do. */
  readonly reqOwner: Int32Array;
  readonly reqChoice: Int32Array;
  readonly reqMeets: readonly Uint8Array[];
  /** How many options meet each. */
  readonly reqSupport: Int32Array;
  readonly reqsOf: readonly (readonly number[])[];
  /** Requirements that an option helps to meet. */
  readonly helps: readonly (readonly number[])[];
  /** Of each choice, the choices that all of its options ask something of, where they do: requirement by option. */
  readonly asks: readonly (readonly { readonly of: number; readonly by: ReadonlyMap<number, number> }[])[];
  /** Choices that touch a resource. */
  readonly touching: readonly (readonly number[])[];
  readonly freedBy: Int32Array;
  /** The part of it that is an assignment; null where there is none. */
  readonly block: Block | null;
}

export function compile(problem: Problem): Compiled {
  const { choices, resources } = problem;
  const first = new Int32Array(choices.length + 1);
  choices.forEach(({ options }, c) => (first[c + 1] = (first[c] ?? 0) + options.length));
  const all = choices.flatMap(({ options }) => options);
  const choiceOf = new Int32Array(all.length);
  choices.forEach(({ options }, c) => options.forEach((_, k) => (choiceOf[(first[c] ?? 0) + k] = c)));
  const useAt = new Int32Array(all.length + 1);
  all.forEach(({ uses }, o) => (useAt[o + 1] = (useAt[o] ?? 0) + uses.length));
  const touching = resources.map(() => new Set<number>());
  all.forEach(({ uses }, o) => uses.forEach(({ resource }) => touching[resource]?.add(choiceOf[o] ?? 0)));
  const reqsOf: number[][] = all.map(() => []);
  const helps: number[][] = all.map(() => []);
  const owner: number[] = [];
  const about: number[] = [];
  const meets: Uint8Array[] = [];
  all.forEach(({ requires }, o) => {
    for (const { choice, options } of requires) {
      const r = owner.length;
      owner.push(o);
      about.push(choice);
      const met = new Uint8Array(choices[choice]?.options.length ?? 0);
      for (const k of options) {
        met[k] = 1;
        helps[(first[choice] ?? 0) + k]?.push(r);
      }
      meets.push(met);
      reqsOf[o]?.push(r);
    }
  });
  const asks = choices.map(({ options }, c) => {
    const by = new Map<number, Map<number, number>>();
    options.forEach((_, k) => {
      const o = (first[c] ?? 0) + k;
      for (const r of reqsOf[o] ?? []) {
        const of = about[r] ?? 0;
        by.set(of, (by.get(of) ?? new Map<number, number>()).set(o, r));
      }
    });
    return [...by].map(([of, reqs]) => ({ of, by: reqs }));
  });
  const support = meets.map((met) => met.reduce((sum, m) => sum + m, 0));
  all.forEach(({ needsAny = [] }, o) => {
    for (const list of needsAny) {
      const r = owner.length;
      owner.push(o);
      about.push(-1);
      meets.push(new Uint8Array(0));
      support.push(list.reduce((sum, { options }) => sum + options.length, 0));
      for (const { choice, options } of list) for (const k of options) helps[(first[choice] ?? 0) + k]?.push(r);
    }
  });
  return {
    choices: choices.length,
    first,
    choiceOf,
    cost: Float64Array.from(all, ({ goals }) => weigh(goals)),
    useAt,
    useOf: Int32Array.from(all.flatMap(({ uses }) => uses.map(({ resource }) => resource))),
    useAmount: Float64Array.from(all.flatMap(({ uses }) => uses.map(({ amount }) => amount))),
    capacity: Float64Array.from(resources, ({ capacity }) => capacity + SLACK * Math.max(1, capacity)),
    reqOwner: Int32Array.from(owner),
    reqChoice: Int32Array.from(about),
    reqMeets: meets,
    reqSupport: Int32Array.from(support),
    reqsOf,
    helps,
    asks,
    touching: touching.map((set) => [...set]),
    freedBy: Int32Array.from(all, ({ freedBy }) => freedBy ?? -1),
    block: blockOf(problem, first),
  };
}
