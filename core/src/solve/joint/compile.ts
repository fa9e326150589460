/** A problem with everything that the search asks for again and again. */
import { perOwner } from '../../quantity/memo.ts';
import { type Block, blockOf } from './block.ts';
import { needless, plentiful } from './needless.ts';
import { type Option, type Problem, SLACK, weigh } from './problem.ts';

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
  /** Of each resource the choices that may take of it, with what each of their options takes. */
  readonly takers: readonly (readonly { readonly choice: number; readonly amounts: Float64Array }[])[];
  readonly freedBy: Int32Array;
  /** 1 for options that no search needs. */
  readonly needless: Uint8Array;
  /** The part of it that is an assignment; null where there is none. */
  readonly block: Block | null;
  /** 1 for the choices of that part. */
  readonly isRow: Uint8Array;
}

/** Options one after the other, without what they take of what never runs out. */
interface Flat {
  readonly options: readonly Option[];
  readonly first: Int32Array;
  readonly choiceOf: Int32Array;
}

function flat({ choices }: Problem, enough: readonly boolean[]): Flat {
  const first = new Int32Array(choices.length + 1);
  choices.forEach(({ options }, c) => (first[c + 1] = (first[c] ?? 0) + options.length));
  const options = choices.flatMap((choice) =>
    choice.options.map((option) => ({ ...option, uses: option.uses.filter(({ resource }) => !enough[resource]) })),
  );
  const choiceOf = new Int32Array(options.length);
  choices.forEach((choice, c) => choiceOf.fill(c, first[c], (first[c] ?? 0) + choice.options.length));
  return { options, first, choiceOf };
}

/** What options take of resources, by option and by resource. */
function takings({ resources }: Problem, { options, first, choiceOf }: Flat) {
  const useAt = new Int32Array(options.length + 1);
  options.forEach(({ uses }, o) => (useAt[o + 1] = (useAt[o] ?? 0) + uses.length));
  const takers = resources.map(() => new Map<number, Float64Array>());
  options.forEach(({ uses }, o) => {
    const choice = choiceOf[o] ?? 0;
    const from = first[choice] ?? 0;
    for (const { resource, amount } of uses) {
      let amounts = takers[resource]?.get(choice);
      if (!amounts) {
        amounts = new Float64Array((first[choice + 1] ?? 0) - from);
        takers[resource]?.set(choice, amounts);
      }
      amounts[o - from] = (amounts[o - from] ?? 0) + amount;
    }
  });
  return {
    useAt,
    useOf: Int32Array.from(options.flatMap(({ uses }) => uses.map(({ resource }) => resource))),
    useAmount: Float64Array.from(options.flatMap(({ uses }) => uses.map(({ amount }) => amount))),
    capacity: Float64Array.from(resources, ({ capacity }) => capacity + SLACK * Math.max(1, capacity)),
    takers: takers.map((list) => [...list].map(([choice, amounts]) => ({ choice, amounts }))),
  };
}

/** What options ask of other choices. */
function requirements({ choices }: Problem, { options, first }: Flat) {
  const reqsOf: number[][] = options.map(() => []);
  const helps: number[][] = options.map(() => []);
  const reqOwner: number[] = [];
  const reqChoice: number[] = [];
  const reqMeets: Uint8Array[] = [];
  options.forEach(({ requires }, o) => {
    for (const { choice, options: wanted } of requires) {
      const r = reqOwner.length;
      reqOwner.push(o);
      reqChoice.push(choice);
      const met = new Uint8Array(choices[choice]?.options.length ?? 0);
      for (const k of wanted) {
        met[k] = 1;
        helps[(first[choice] ?? 0) + k]?.push(r);
      }
      reqMeets.push(met);
      reqsOf[o]?.push(r);
    }
  });
  const asks = choices.map((mine, c) => {
    const by = new Map<number, Map<number, number>>();
    mine.options.forEach((_, k) => {
      const o = (first[c] ?? 0) + k;
      for (const r of reqsOf[o] ?? []) {
        const of = reqChoice[r] ?? 0;
        by.set(of, (by.get(of) ?? new Map<number, number>()).set(o, r));
      }
    });
    return [...by].map(([of, reqs]) => ({ of, by: reqs }));
  });
  const support = reqMeets.map((met) => met.reduce((sum, m) => sum + m, 0));
  options.forEach(({ needsAny = [] }, o) => {
    for (const list of needsAny) {
      const r = reqOwner.length;
      reqOwner.push(o);
      reqChoice.push(-1);
      reqMeets.push(new Uint8Array(0));
      support.push(list.reduce((sum, { options: wanted }) => sum + wanted.length, 0));
      for (const { choice, options: wanted } of list) for (const k of wanted) helps[(first[choice] ?? 0) + k]?.push(r);
    }
  });
  return {
    reqOwner: Int32Array.from(reqOwner),
    reqChoice: Int32Array.from(reqChoice),
    reqMeets,
    reqSupport: Int32Array.from(support),
    reqsOf,
    helps,
    asks,
  };
}

export const compile = perOwner((problem: Problem): Compiled => {
  const enough = plentiful(problem);
  const options = flat(problem, enough);
  const { first, choiceOf } = options;
  const block = blockOf(problem, first);
  return {
    choices: problem.choices.length,
    first,
    choiceOf,
    cost: Float64Array.from(options.options, ({ goals }) => weigh(goals)),
    ...takings(problem, options),
    ...requirements(problem, options),
    freedBy: Int32Array.from(options.options, ({ freedBy }) => freedBy ?? -1),
    needless: Uint8Array.from(needless(problem, enough).flat(), Number),
    block,
    isRow: Uint8Array.from(problem.choices, (_, c) => (block?.rowOf.has(c) ? 1 : 0)),
  };
});
