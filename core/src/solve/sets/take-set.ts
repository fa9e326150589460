/** Filling a plan with a set that was picked. */
import type { Library } from '../../card/library.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import { documentOf } from '../../plan/document.ts';
import { removePart } from '../../plan/remove.ts';
import type { Plan } from '../../plan/plan.ts';
import { whatItIs } from '../../plan/what-it-is.ts';
import { addPart, assignNew } from '../add-part.ts';
import { settleAddresses } from '../addresses.ts';
import { moveController } from '../move-controller.ts';
import type { FoundSet } from './search.ts';

/**
 * The plan with the parts of the set. Parts that served the same needs and nothing else go, unless the set has their
 * card for them; the controller is exchanged when the set has another.
 */
export function takeSet(plan: Plan, library: Library, set: FoundSet): Plan {
  const circuitOf = (p: Plan) => deriveCircuit(documentOf(p, [], library));
  const ids = set.problem.needs.map(({ need }) => need.id);
  const searched = new Set(ids);
  const wanted = set.evaluation.parts.map(({ option, needs }) => ({
    card: option.card,
    needs: needs.flatMap((n) => ids[n] ?? []),
  }));
  const kept = new Set<string>();
  for (const part of plan.parts) {
    const i = wanted.findIndex((w) => w.card.id === part.card && w.needs.every((n) => part.needs.includes(n)));
    if (i < 0) continue;
    kept.add(part.id);
    wanted.splice(i, 1);
  }
  let next = plan;
  for (const part of plan.parts) {
    const serves = part.needs.filter((n) => searched.has(n));
    if (kept.has(part.id) || serves.length === 0 || part.id === plan.controller) continue;
    if (serves.length === part.needs.length) next = removePart(next, part.id);
    else
      next = {
        ...next,
        parts: next.parts.map((p) => (p.id === part.id ? { ...p, needs: p.needs.filter((n) => !searched.has(n)) } : p)),
      };
  }
  const now = circuitOf(next);
  if (!now.controller) next = addPart(now, library, set.controller).plan;
  else if (now.controller.card.id !== set.controller.id)
    next = moveController(now, library, set.controller)?.plan ?? next;
  const called = wanted.map(({ card, needs }) => {
    const first = next.needs.find(({ id }) => id === needs[0]);
    return { card, needs, what: whatItIs(card, first), place: first && first.kind !== 'trigger' ? first.place : '' };
  });
  for (const { card, needs, what, place } of called) {
    const alike = called.filter((other) => other.what === what).length > 1;
    next = addPart(circuitOf(next), library, card, alike ? `${place} ${what}` : what, needs).plan;
  }
  // A set may count on straps or on a second bus; its lines get pins like those of the parts.
  const settled = settleAddresses(next, library);
  return settled === next ? next : assignNew(settled, circuitOf(settled), library);
}
