/** Later revisions of cards than those that the open plan was made with. */
import type { Card } from '@idle-breadboard/core/card';
import { referenceProblems, type Plan, type Problem } from '@idle-breadboard/core/plan';
import type { Result } from '@idle-breadboard/core/verify';
import { drawer } from './drawer.svelte';
import { workbench } from './workbench.svelte';

const withRevision = (plan: Plan, { id, revision }: Card): Plan => ({
  ...plan,
  revisions: { ...plan.revisions, [id]: revision },
});

/** What a plan names that a later revision of a card no longer has. */
const lost = (plan: Plan, card: Card): readonly Problem[] =>
  referenceProblems({ plan, cards: workbench.cardsOf(plan, [card]) });

class Revising {
  /** Cards of the plan of which the drawer has a later revision. */
  readonly newer = $derived.by<readonly { before: Card; after: Card }[]>(() =>
    (workbench.document?.cards ?? []).flatMap((before) => {
      const after = drawer.cards.get(before.id);
      return after && after.revision > before.revision ? [{ before, after }] : [];
    }),
  );

  /** Takes the later revision of a card into the plan. @returns what the plan names that the revision no longer has */
  take(card: Card): readonly Problem[] {
    if (!workbench.plan) return [];
    const plan = withRevision(workbench.plan, card);
    const problems = lost(plan, card);
    if (problems.length > 0) return problems;
    workbench.edit(plan, `take revision ${card.revision} of ${card.name}`, [card]);
    return [];
  }

  /** What a later revision of a card would end and bring in the plan, before it is taken. */
  async effectOf(card: Card): Promise<{ names: Problem | null; ends: number; brings: readonly Result[] }> {
    const nothing = { names: null, ends: 0, brings: [] };
    if (!workbench.plan) return nothing;
    const plan = withRevision(workbench.plan, card);
    const [problem] = lost(plan, card);
    if (problem) return { ...nothing, names: problem };
    const effect = await workbench.effectOf(plan, [card]);
    return effect ? { names: null, ends: effect.ends.length, brings: effect.brings } : nothing;
  }
}

export const revising = new Revising();
