/** Programmers that are there only while a program is loaded: two states of one plan, each of which is a circuit of its own. */
import type { PlanDocument } from '../plan/document.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { ownerOf } from '../plan/ref.ts';

/** True for a part that is put on while a program is loaded and taken off again. */
export const visits = (part: PartChoice): boolean => part.only === 'programming';

/** The plan while a program is loaded: the programmer is there, and what it feeds is fed by it. Null where no part visits. */
export function whileProgramming({ plan, cards }: PlanDocument): PlanDocument | null {
  const visitors = new Set(plan.parts.filter(visits).map(({ id }) => id));
  if (visitors.size === 0) return null;
  const parts = plan.parts.map(({ only: _only, also, ...part }): PartChoice => {
    const fed = Object.entries(also ?? {});
    const byVisitor = fed.filter(([, rail]) => visitors.has(ownerOf(rail)));
    const others = fed.filter(([supply]) => !byVisitor.some(([own]) => own === supply));
    return {
      ...part,
      feeds: { ...part.feeds, ...Object.fromEntries(byVisitor) },
      ...(others.length > 0 ? { also: Object.fromEntries(others) } : {}),
    };
  });
  return { plan: { ...plan, parts }, cards };
}

/** Where a visitor and what feeds a supply otherwise meet. */
export interface Relief {
  readonly part: string;
  readonly supply: string;
  /** The rail of the visitor, and the other one. */
  readonly rail: string;
  readonly other: string;
}

/** Supplies that a visitor feeds beside a source that stays. */
export function reliefs(plan: Plan): Relief[] {
  const visitors = new Set(plan.parts.filter(visits).map(({ id }) => id));
  return plan.parts.flatMap(({ id, feeds, also }) =>
    Object.entries(also ?? {}).flatMap(([supply, rail]): Relief[] => {
      const other = feeds[supply];
      return other !== undefined && visitors.has(ownerOf(rail)) ? [{ part: id, supply, rail, other }] : [];
    }),
  );
}
