/** A joint problem as a mixed-integer program, for an independent solver. Tests and benchmarks only. */
import type { Highs } from 'highs';
import { GOALS, type Goals, type Problem, type Requirement, weigh } from '../../src/solve/joint/problem.ts';

/** Rows of the program: one option of each choice, capacities, requirements; options of members that are kept are out. */
function rowsOf(problem: Problem, given: ReadonlySet<number>): { rows: string[]; names: string[] } {
  const rows: string[] = [];
  const names: string[] = [];
  const used = problem.resources.map((): string[] => []);
  const isOut = (freedBy: number | undefined) => freedBy !== undefined && !given.has(freedBy);
  problem.choices.forEach(({ options }, c) => {
    const mine = options.flatMap(({ freedBy }, k) => (isOut(freedBy) ? [] : [`x${c}_${k}`]));
    names.push(...mine);
    rows.push(`${mine.join(' + ') || '0 none'} = 1`);
    const met = (list: readonly Requirement[]) =>
      list.flatMap(({ choice, options: wanted }) =>
        wanted.flatMap((w) => (isOut(problem.choices[choice]?.options[w]?.freedBy) ? [] : [` - x${choice}_${w}`])),
      );
    options.forEach(({ uses, requires, needsAny = [], freedBy }, k) => {
      if (isOut(freedBy)) return;
      for (const { resource, amount } of uses) used[resource]?.push(`${amount} x${c}_${k}`);
      for (const list of [...requires.map((one) => [one]), ...needsAny])
        rows.push(`x${c}_${k}${met(list).join('')} <= 0`);
    });
  });
  used.forEach((terms, r) => {
    if (terms.length > 0) rows.push(`${terms.join(' + ')} <= ${problem.resources[r]?.capacity ?? 0}`);
  });
  return { rows, names };
}

const text = (objective: string, rows: readonly string[], names: readonly string[]): string =>
  `Minimize\n obj: ${objective || '0 none'}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}\nBinary\n ${names.join(' ')}\nEnd\n`;

const termsOf = (problem: Problem, goal: keyof Goals, names: ReadonlySet<string>): string[] =>
  problem.choices.flatMap(({ options }, c) =>
    options.flatMap(({ goals }, k) => {
      const value = goals[goal] ?? 0;
      return value !== 0 && names.has(`x${c}_${k}`) ? [`${value} x${c}_${k}`] : [];
    }),
  );

/** The solver was seen to lose solutions to its presolve, and to fail over some programs with it. */
function solveWith(highs: Pick<Highs, 'solve'>, program: string, presolve: boolean) {
  if (presolve)
    try {
      const solved = highs.solve(program);
      if (solved.Status === 'Optimal') return solved;
    } catch {
      // Without presolve it answers.
    }
  return highs.solve(program, { presolve: 'off' });
}

/**
 * The goals one after the other, each solved with the ones before held at their best: no weights that a solver of
 * floating-point numbers could lose.
 * @param than goals that are known to be met: where the solver finds no better ones and not the same it is asked again without its presolve
 * @returns null when the program has no solution
 */
export function lexicographic(
  highs: Pick<Highs, 'solve'>,
  problem: Problem,
  given: ReadonlySet<number> = new Set(),
  than: Goals | null = null,
): Goals | null {
  const found = inOrder(highs, problem, given, true);
  return than && (!found || weigh(found) > weigh(than)) ? inOrder(highs, problem, given, false) : found;
}

function inOrder(
  highs: Pick<Highs, 'solve'>,
  problem: Problem,
  given: ReadonlySet<number>,
  presolve: boolean,
): Goals | null {
  const { rows, names } = rowsOf(problem, given);
  const known = new Set(names);
  const best: Partial<Record<keyof Goals, number>> = {};
  for (const goal of GOALS) {
    const terms = termsOf(problem, goal, known);
    if (terms.length === 0 && goal !== GOALS[0]) {
      best[goal] = 0;
      continue;
    }
    const solved = solveWith(highs, text(terms.join(' + '), rows, names), presolve);
    if (solved.Status !== 'Optimal') return null;
    best[goal] = Math.round(solved.ObjectiveValue);
    if (terms.length > 0) rows.push(`${terms.join(' + ')} <= ${best[goal]}`);
  }
  return best as Goals;
}
