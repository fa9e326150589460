/** Why no set meets every need: the fewest needs that exclude each other, and what stands between them. */
import { needName } from '../../plan/need-name.ts';
import type { Plan } from '../../plan/plan.ts';
import { searchSets } from './search.ts';
import type { SetProblem } from './problem.ts';
import { tells, wordOf, type Message, type Text } from '../../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface SolveSetsExcludeSays {
  readonly by: { count: number; reason: Text };
  readonly noRailBuildCan: { name: Text };
  readonly noCardCatalogueMeets: { name: Text; counted: readonly Text[] };
  readonly togetherTheseCostMore: { names: readonly Text[] };
  readonly theseCannotBeMet: { names: readonly Text[] };
}

const tell = tells<SolveSetsExcludeSays>('solve/sets-exclude');

export interface Exclusion {
  /** Ids of needs; removing any one of them leaves some that can be met together. */
  readonly needs: readonly string[];
  /** What would have to give: budget, date, addresses and pins, or a card that meets the need at all. */
  readonly by: 'no-card' | 'no-feed' | 'budget' | 'addresses-or-pins';
  readonly sentence: Message;
}

const only = (problem: SetProblem, ids: ReadonlySet<string>): SetProblem => ({
  ...problem,
  needs: problem.needs.filter(({ need }) => ids.has(need.id)),
});
/** Only a search that came to its end shows that needs cannot be met together. */
function met(problems: readonly SetProblem[], ids: ReadonlySet<string>): boolean {
  if (ids.size === 0) return true;
  const { sets, complete } = searchSets(problems.map((problem) => only(problem, ids)));
  return sets.length > 0 || !complete;
}

/** @returns null when some set meets every need, or one may that was not found */
export function explainSets(plan: Plan, problems: readonly SetProblem[]): Exclusion | null {
  const all = problems[0]?.needs ?? [];
  const name = (id: string) => {
    const need = plan.needs.find((n) => n.id === id);
    return need ? needName(plan, need) : id;
  };
  for (const { need } of all) {
    const here = problems.map((p) => p.needs.find((n) => n.need.id === need.id));
    if (here.some((n) => n && n.options.length > 0)) continue;
    const out = here[0]?.out ?? [];
    const unfed = here.some((n) => n && n.unfed.length > 0);
    const counted = out.map(({ reason, cards }) =>
      tell('by', { count: cards.length, reason: wordOf('reason', reason) }),
    );
    return {
      needs: [need.id],
      by: unfed ? 'no-feed' : 'no-card',
      sentence: unfed
        ? tell('noRailBuildCan', { name: name(need.id) })
        : tell('noCardCatalogueMeets', {
            name: name(need.id),
            counted,
          }),
    };
  }
  let ids = new Set(all.map(({ need }) => need.id));
  if (ids.size === 0 || met(problems, ids)) return null;
  for (const id of [...ids]) {
    const without = new Set([...ids].filter((other) => other !== id));
    if (!met(problems, without)) ids = without;
  }
  const unlimited = problems.map((problem) => ({ ...problem, most: null }));
  const budget = met(unlimited, ids);
  const names = [...ids].map(name);
  return {
    needs: [...ids],
    by: budget ? 'budget' : 'addresses-or-pins',
    sentence: budget ? tell('togetherTheseCostMore', { names }) : tell('theseCannotBeMet', { names }),
  };
}
