/** What of a problem can be left out of a search beforehand, without losing its best solution. */
import { type Option, type Problem, SLACK, weigh } from './problem.ts';

/** Resources that do not run out whatever is taken, as `true` by index. What is of a kind stays: it is assigned one by one. */
export function plentiful({ choices, resources }: Problem): boolean[] {
  const most = new Float64Array(resources.length);
  for (const { options } of choices) {
    const each = new Map<number, number>();
    for (const option of options)
      for (const [resource, amount] of amountsOf(option)) each.set(resource, Math.max(each.get(resource) ?? 0, amount));
    for (const [resource, amount] of each) most[resource] = (most[resource] ?? 0) + amount;
  }
  return resources.map(({ capacity, kind }, r) => kind === undefined && (most[r] ?? 0) <= capacity * (1 - SLACK));
}

const amountsOf = ({ uses }: Option): Map<number, number> => {
  const amounts = new Map<number, number>();
  for (const { resource, amount } of uses) amounts.set(resource, (amounts.get(resource) ?? 0) + amount);
  return amounts;
};

/** An option as it is seen from the rest of the problem. */
interface Seen {
  readonly cost: number;
  readonly freedBy: number | undefined;
  readonly amounts: ReadonlyMap<number, number>;
  /** What it asks, each as the options that meet it. */
  readonly asks: readonly ReadonlySet<string>[];
  /** Requirements of others that it meets, by their number. */
  readonly meets: ReadonlySet<number>;
}

const nameOf = (choice: number, option: number): string => `${choice}:${option}`;

/** Of each choice its options, as the rest of the problem sees them. */
function seen({ choices }: Problem, enough: readonly boolean[]): Seen[][] {
  const meets = new Map<string, Set<number>>();
  let number = 0;
  const asked = choices.map(({ options }) =>
    options.map(({ requires, needsAny = [] }) =>
      [...requires.map((one) => [one]), ...needsAny].map((list) => {
        const names = new Set(list.flatMap(({ choice, options: some }) => some.map((o) => nameOf(choice, o))));
        for (const name of names) {
          const has = meets.get(name);
          if (has) has.add(number);
          else meets.set(name, new Set([number]));
        }
        number += 1;
        return names;
      }),
    ),
  );
  const none: ReadonlySet<number> = new Set();
  return choices.map(({ options }, c) =>
    options.map((option, o) => ({
      cost: weigh(option.goals),
      freedBy: option.freedBy,
      amounts: new Map([...amountsOf(option)].filter(([resource]) => !enough[resource])),
      asks: asked[c]?.[o] ?? [],
      meets: meets.get(nameOf(c, o)) ?? none,
    })),
  );
}

/** True where whatever holds with `b` holds with `a` in its place, for no more. */
function isNoWorse(a: Seen, b: Seen): boolean {
  if (a.freedBy !== undefined || a.cost > b.cost || a.asks.length > b.asks.length) return false;
  for (const [resource, amount] of a.amounts) if (amount > (b.amounts.get(resource) ?? 0)) return false;
  for (const number of b.meets) if (!a.meets.has(number)) return false;
  return a.asks.every((mine) => b.asks.some((theirs) => [...theirs].every((name) => mine.has(name))));
}

/**
 * Options in whose place another of the same choice is as good in every solution: it costs no more, takes no more, asks for no more and meets
 * whatever they meet. Of two that are alike the first stays.
 * @param enough resources that do not run out
 * @returns for each choice, `true` by option
 */
export function needless(problem: Problem, enough: readonly boolean[]): boolean[][] {
  return seen(problem, enough).map((options) =>
    options.map((b, o) =>
      options.some((a, other) => other !== o && isNoWorse(a, b) && (other < o || !isNoWorse(b, a))),
    ),
  );
}
