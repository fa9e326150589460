/**
 * What is decided together, as numbers: of every choice one option is taken; options use up resources, ask for options of
 * other choices, and cost something. Nothing here knows of pins or rails; `encode` makes such a problem of a plan.
 */
import type { Text } from '../../quantity/message.ts';

/** What is asked for, the first before all that come after it. Danger and fault are no goal: they are not allowed at all. */
export const GOALS = ['rules', 'parts', 'cents', 'cautions', 'changes', 'untidiness'] as const;
type Goal = (typeof GOALS)[number];
export type Goals = Readonly<Record<Goal, number>>;

/**
 * One unit of a goal in units of the last. Whole numbers below 2^53 are exact, so a sum compares like the goals one by one
 * while a solution stays under 10^4 of untidiness, 100 changes, 50 cautions, 10^5 cents, 90 parts and 19 broken rules.
 */
const WEIGHTS: Goals = { rules: 4.5e14, parts: 5e12, cents: 5e7, cautions: 1e6, changes: 1e4, untidiness: 1 };

const NO_GOALS: Goals = { rules: 0, parts: 0, cents: 0, cautions: 0, changes: 0, untidiness: 0 };

/** @returns one number that orders like the goals in their order */
export const weigh = (goals: Partial<Goals>): number =>
  GOALS.reduce((sum, goal) => sum + WEIGHTS[goal] * Math.round(goals[goal] ?? 0), 0);

interface Use {
  /** Index of the resource. */
  readonly resource: number;
  readonly amount: number;
}

/** One of these options of another choice must be taken. */
export interface Requirement {
  readonly choice: number;
  readonly options: readonly number[];
}

export interface Option {
  readonly id: string;
  readonly goals: Partial<Goals>;
  readonly uses: readonly Use[];
  readonly requires: readonly Requirement[];
  /** Of each list at least one of these options of several choices must be taken. */
  readonly needsAny?: readonly (readonly Requirement[])[];
  /** The member that has to be given up before this option is there. */
  readonly freedBy?: number;
}

export interface Choice {
  readonly id: string;
  readonly options: readonly Option[];
}

export interface Resource {
  readonly id: string;
  readonly capacity: number;
  /** Resources of one kind that a row of choices each take one of, as lines take pins. */
  readonly kind?: string;
}

/** Something that the maker asked for and that may be given up where not all can be had. */
export interface Member {
  readonly id: string;
  readonly kind: 'part' | 'lock' | 'need';
  /** The part, line or need in the plan. */
  readonly of?: string;
  readonly label: Text;
}

export interface Problem {
  readonly choices: readonly Choice[];
  readonly resources: readonly Resource[];
  readonly members: readonly Member[];
}

/** Adds up goals. */
const addGoals = (list: readonly Partial<Goals>[]): Goals =>
  list.reduce<Goals>(
    (sum, goals) => ({
      rules: sum.rules + (goals.rules ?? 0),
      parts: sum.parts + (goals.parts ?? 0),
      cents: sum.cents + (goals.cents ?? 0),
      cautions: sum.cautions + (goals.cautions ?? 0),
      changes: sum.changes + (goals.changes ?? 0),
      untidiness: sum.untidiness + (goals.untidiness ?? 0),
    }),
    NO_GOALS,
  );

/** What the taken options come to. @param taken index of the option of each choice */
export const goalsOf = ({ choices }: Problem, taken: readonly number[]): Goals =>
  addGoals(choices.map(({ options }, c) => options[taken[c] ?? -1]?.goals ?? {}));

/** True where no capacity is passed, every requirement is met and no member that is kept is given up. */
export function holds(problem: Problem, taken: readonly number[], given: ReadonlySet<number> = new Set()): boolean {
  const used = new Float64Array(problem.resources.length);
  return (
    problem.choices.every(({ options }, c) => {
      const option = options[taken[c] ?? -1];
      if (!option || (option.freedBy !== undefined && !given.has(option.freedBy))) return false;
      for (const { resource, amount } of option.uses) used[resource] = (used[resource] ?? 0) + amount;
      const isMet = ({ choice, options: wanted }: Requirement) => wanted.includes(taken[choice] ?? -1);
      return option.requires.every(isMet) && (option.needsAny ?? []).every((list) => list.some(isMet));
    }) && problem.resources.every(({ capacity }, r) => (used[r] ?? 0) <= capacity + SLACK * Math.max(1, capacity))
  );
}

/** Sums of currents are no whole numbers: this share of a capacity is forgiven. */
export const SLACK = 1e-9;
